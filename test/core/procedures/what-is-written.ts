/**
 * What each way of each procedure must leave behind, written down from the trade before anything is played: which
 * tasks are dated, what is in the machine on the way, what the hands need. Common practice, no source.
 */
export interface Expected {
  procedure: string
  way: string
  /** By kind, since a task has another name or no clock there: `task`, `task @1` at a group. */
  dates: Record<string, string[]>
  /** What is inside or open at some time, and gone or tested at the end. */
  inside?: string[]
  /** Things the hands take and give back. */
  takes?: string[]
  why: string
}

const all = (kinds: string, ...tasks: string[]): Record<string, string[]> =>
  Object.fromEntries(kinds.split(' ').map((kind) => [kind, tasks]))
const eachGroup = (task: string) => [`${task} @1`, `${task} @2`]
const wands = 'c2 lv pt dv dn dg bt'
const pumps = `${wands} sr st sp pk pl pd`
const boilers = 'c2 lv pt sp'

export const expected: Expected[] = [
  // Brewing side
  {
    procedure: 'detergent-backflush',
    way: 'full-scoop-long-soak',
    dates: { c2: eachGroup('detergent-backflush') },
    inside: ['detergent'],
    takes: ['blind'],
    why: 'a bar with two groups: each was cleaned, each counts from today',
  },
  {
    procedure: 'detergent-backflush',
    way: 'half-scoop-short-pauses',
    dates: { c2: eachGroup('detergent-backflush') },
    inside: ['detergent'],
    takes: ['blind'],
    why: 'coffee thrown away at each group does not clean it a second time',
  },
  {
    procedure: 'detergent-backflush',
    way: 'one-scoop-even-strokes',
    dates: { c2: eachGroup('detergent-backflush'), lv: ['detergent-backflush'] },
    inside: ['detergent'],
    takes: ['blind'],
    why: 'one group has no number',
  },
  {
    procedure: 'detergent-backflush',
    way: 'light-dose-long-strokes',
    dates: { c2: eachGroup('detergent-backflush'), lv: ['detergent-backflush'] },
    inside: ['detergent'],
    takes: ['blind'],
    why: 'little powder is powder all the same',
  },
  {
    procedure: 'detergent-backflush',
    way: 'even-tens-swirled',
    dates: { lv: ['detergent-backflush'], dv: ['cleaning-programme'] },
    inside: ['detergent'],
    takes: ['blind'],
    why: 'where a machine asks for its programme, a backflush by hand is that programme',
  },
  {
    procedure: 'detergent-backflush',
    way: 'fingernail-and-a-pause',
    dates: { lv: ['detergent-backflush'], dv: ['cleaning-programme'], dg: ['cleaning-programme'] },
    inside: ['detergent'],
    takes: ['blind'],
    why: 'at home, weekly',
  },
  {
    procedure: 'detergent-backflush',
    way: 'short-strokes-spared-pump',
    dates: all('dv dg', 'cleaning-programme'),
    inside: ['detergent'],
    takes: ['blind'],
    why: 'short strokes spare a vibratory pump; it is cleaned as well',
  },
  ...(['even-strokes-in-the-shift', 'every-two-hours'] as const).map((way) => ({
    procedure: 'water-backflush',
    way,
    dates: all('c2'),
    takes: ['blind'],
    why: 'water is no detergent: nothing is dated by it',
  })),
  {
    procedure: 'water-backflush',
    way: 'long-lifts-at-the-end',
    dates: all('lv'),
    takes: ['blind'],
    why: 'water is no detergent',
  },
  {
    procedure: 'water-backflush',
    way: 'five-short-strokes',
    dates: all('pt dv dg'),
    takes: ['blind'],
    why: 'water is no detergent; a machine without a valve to the tray is not backflushed',
  },
  {
    procedure: 'wash-programme',
    way: 'dissolved-fifteen-and-five',
    dates: all('pt', 'detergent-backflush'),
    inside: ['detergent'],
    takes: ['blind'],
    why: 'its own programme with detergent is its backflush',
  },
  {
    procedure: 'tablet-programme',
    way: 'one-tablet-again-if-left',
    dates: all('dv dg bt', 'cleaning-programme'),
    inside: ['detergent'],
    takes: ['blind'],
    why: 'the tablet was in',
  },
  {
    procedure: 'tablet-programme',
    way: 'without-a-tablet',
    dates: all('dv dg bt'),
    takes: ['blind'],
    why: 'no tablet is no detergent: the lamp goes out, the oil stays',
  },
  {
    procedure: 'group-clean',
    way: 'soaked-cloth',
    dates: all('dn', 'group-clean'),
    inside: ['detergent'],
    why: 'no backflush on it: the group is cleaned from below',
  },
  {
    procedure: 'group-clean',
    way: 'screen-off-and-soaked',
    dates: all('dn', 'group-clean'),
    takes: ['cup', 'bowl'],
    why: 'detergent stays in the bowl, not in the machine',
  },
  {
    procedure: 'group-clean',
    way: 'cold-and-unplugged',
    dates: all('dn pd', 'group-clean'),
    why: 'a towel in the groove, nothing put in',
  },
  {
    procedure: 'parts-soak',
    way: 'bowl-at-closing',
    dates: { c2: eachGroup('screen-soak') },
    takes: ['cup', 'bowl'],
    why: 'each screen once, however often its group is visited',
  },
  {
    procedure: 'parts-soak',
    way: 'screens-weekly',
    dates: { c2: eachGroup('screen-soak'), ...all('lv pt dv dg bt', 'screen-soak'), ...all('dn') },
    takes: ['cup', 'bowl'],
    why: 'where no clock runs for the screen the run alone says it',
  },
  {
    procedure: 'parts-soak',
    way: 'measured-litre',
    dates: all(wands),
    takes: ['bowl'],
    why: 'baskets and handles only: the screens stayed on',
  },
  {
    procedure: 'seal-seating',
    way: 'seated-by-the-handle',
    dates: all(wands),
    takes: ['cup'],
    why: 'a new seal is on record as fitted, if one went in; looking alone dates nothing',
  },
  {
    procedure: 'dispersion-block',
    way: 'off-and-soaked',
    dates: { c2: eachGroup('dispersion-block-clean') },
    takes: ['cup', 'bowl'],
    why: 'each block apart',
  },
  {
    procedure: 'group-jet',
    way: 'against-the-light',
    dates: { c2: eachGroup('group-restrictor-clean'), lv: ['group-jet-clean'] },
    why: 'the lever group calls its restrictor a jet',
  },
  {
    procedure: 'three-way-strip',
    way: 'plunger-and-seat',
    dates: all('c2 pt dv dg bt'),
    inside: ['electrical'],
    takes: ['cup'],
    why: 'a repair, no clock; the case was open',
  },
  {
    procedure: 'lever-group-valves',
    way: 'both-valves',
    dates: all('lv'),
    takes: ['cup'],
    why: 'no case is opened for it: its springs sit behind caps',
  },
  {
    procedure: 'cam-grease',
    way: 'thin-film',
    dates: all('lv', 'cam-grease'),
    why: 'greased',
  },
  {
    procedure: 'start-of-day',
    way: 'run-and-season',
    dates: all('c2 lv pt'),
    why: 'every morning: nothing that a technician dates',
  },

  // Steam side
  ...(['purge-then-wipe', 'purge-before-and-after'] as const).map((way) => ({
    procedure: 'wand-every-use',
    way,
    dates: all(wands),
    why: 'after every milk: nobody writes it down',
  })),
  ...(['hot-water-drawn-up', 'soaked-in-place', 'skin-off'] as const).map((way) => ({
    procedure: 'wand-clean',
    way,
    dates: all(wands),
    takes: ['jug'],
    why: 'no clock runs for the wand: the run says it',
  })),
  {
    procedure: 'wand-clean',
    way: 'cleaner-drawn-up',
    dates: all(wands),
    inside: ['milk-cleaner'],
    takes: ['jug'],
    why: 'drawn up, so inside until it blows clear',
  },
  {
    procedure: 'wand-clean',
    way: 'brushed-inside',
    dates: all(wands),
    why: 'a brush, no cleaner',
  },
  {
    procedure: 'wand-clean',
    way: 'overnight',
    dates: all('dv dn dg bt'),
    takes: ['jug'],
    why: 'never on a boiler that may suck it up',
  },
  {
    procedure: 'steam-tip',
    way: 'detergent-bath',
    dates: all('c2', 'steam-tip-off'),
    takes: ['bowl'],
    why: 'off, soaked, back',
  },
  {
    procedure: 'steam-tip',
    way: 'detergent-bath-at-home',
    dates: all('lv pt dv dn dg bt', 'steam-tip-off'),
    takes: ['bowl'],
    why: 'the same at home, less often',
  },
  ...(['milk-cleaner-cup', 'cup-of-detergent'] as const).map((way) => ({
    procedure: 'steam-tip',
    way,
    dates: all(wands, 'steam-tip-off'),
    why: 'off, soaked, back; a cup of it stands beside the machine',
  })),
  {
    procedure: 'steam-seals',
    way: 'rings-and-seat',
    dates: all(boilers),
    why: 'new rings are on record as fitted',
  },
  {
    procedure: 'hot-water-seal',
    way: 'seal-new',
    dates: all(boilers),
    why: 'the new seal is on record as fitted',
  },
  {
    procedure: 'hot-water-screen',
    way: 'dipped-in-mild-acid',
    dates: all(boilers, 'hot-water-screen'),
    takes: ['cup'],
    why: 'the acid stays in the cup',
  },

  // Boilers and water
  {
    procedure: 'boiler-refresh',
    way: 'two-or-three-fills',
    dates: all('c2 lv pt', 'boiler-flush'),
    takes: ['vessel', 'glass'],
    why: 'what is dissolved in it starts anew, though no kind lists the task',
  },
  {
    procedure: 'level-probe-clean',
    way: 'out-and-wiped',
    dates: all(boilers, 'level-probe-clean'),
    inside: ['electrical'],
    why: 'under the case',
  },
  {
    procedure: 'inlet-strainer',
    way: 'rinsed-backwards',
    dates: all('c2 sp', 'inlet-strainer-clean'),
    why: 'from outside',
  },
  {
    procedure: 'supply-guards',
    way: 'tried-both',
    dates: all('c2 sp', 'backflow-preventer-check', 'leak-stop-check'),
    why: 'each tried, each dated',
  },
  {
    procedure: 'expansion-valve',
    way: 'read-at-rest',
    dates: all('c2', 'expansion-valve-check'),
    why: 'read and looked at',
  },
  {
    procedure: 'safety-look',
    way: 'looked-at-running',
    dates: all(boilers, 'safety-look'),
    why: 'all three looked at',
  },
  {
    procedure: 'electrical-test',
    way: 'look-then-measure',
    dates: all(`${pumps} gr`, 'electrical-test'),
    why: 'earth, insulation, leakage',
  },
  {
    procedure: 'tray-and-body',
    way: 'rinsed-and-dried',
    dates: { ...all('lv pt dv dn dg bt sr st sp pk pl pd'), c2: ['drain-hose-clean'] },
    why: 'only what drains through a hose has one to flush',
  },
  {
    procedure: 'tank-sanitised',
    way: 'washed-then-sanitised',
    dates: all('lv pt dv dn dg bt sr st pk pl pd'),
    inside: ['sanitiser'],
    why: 'sanitiser is out before anybody drinks',
  },
  {
    procedure: 'bench-descale',
    way: 'open-bath-on-the-bench',
    dates: all(boilers, 'descale'),
    inside: ['descaler', 'electrical'],
    why: 'acid out, then closed and tested',
  },
  ...(
    [
      ['two-halves', 'dv'],
      ['by-hand-in-portions', 'dn pd'],
      ['turn-by-turn', 'dg'],
      ['two-phases-by-knob', 'bt'],
      ['led-by-its-display', 'sr st'],
      ['window-and-lock', 'pk'],
      ['half-hour-by-two-keys', 'pl'],
    ] as const
  ).map(([way, kinds]) => ({
    procedure: 'descale',
    way,
    dates: all(kinds, 'descale'),
    inside: ['descaler'],
    takes: ['vessel'],
    why: 'acid was in, a strip says that it is out',
  })),
  ...(
    [
      ['regenerate-softener', 'rinsed-by-the-pen', 'regenerated'],
      ['automatic-softener', 'salt-clock-drops', 'salt-added'],
      ['change-cartridge', 'flushed-five-litres', 'cartridge-changed'],
      ['change-prefilter', 'flushed-until-clear', 'prefilter-changed'],
      ['change-membrane', 'by-conductivity', 'membrane-changed'],
    ] as const
  ).map(([procedure, way, told]) => ({
    procedure,
    way,
    dates: all(boilers, `${told} (softener)`),
    why: 'told of what stands ahead of the machine, since it may feed several',
  })),

  // Machines that brew by themselves
  {
    procedure: 'oil-removal',
    way: 'as-it-asks',
    dates: { ...all('sr st', 'oil-removal'), sp: ['cleaning-programme'] },
    inside: ['detergent'],
    takes: ['vessel'],
    why: 'a tablet went through; the large one calls it cleaning',
  },
  {
    procedure: 'brew-unit',
    way: 'water-and-coloured-places',
    dates: all('sr', 'brew-unit-grease'),
    why: 'out by hand, washed, greased',
  },
  {
    procedure: 'spouts-and-container',
    way: 'brushed-and-dried',
    dates: all('sr st sp'),
    why: 'daily: no clock',
  },
  {
    procedure: 'milk-hygiene',
    way: 'strip-and-log',
    dates: all('st sp', 'milk-cleaner', 'milk-strip'),
    inside: ['milk-cleaner'],
    takes: ['jug', 'cup'],
    why: 'cleaner through it and apart: both',
  },
  {
    procedure: 'milk-hygiene',
    way: 'cleaner-only',
    dates: all('st sp', 'milk-cleaner'),
    inside: ['milk-cleaner'],
    takes: ['jug'],
    why: 'the programme does not take it apart',
  },
  {
    procedure: 'motor-group',
    way: 'by-its-own-motor',
    dates: all('sp', 'group-service', 'guides-clean', 'showers-clean'),
    why: 'a service of the group holds guides and showers',
  },
  {
    procedure: 'spindle-and-heater',
    way: 'with-the-group-out',
    dates: all('sp'),
    inside: ['electrical'],
    why: 'a repair, no clock',
  },
  {
    procedure: 'shop-service',
    way: 'tight-first-then-clean',
    dates: all('sr st', 'full-service', 'brew-unit-grease', 'oil-removal', 'descale'),
    inside: ['detergent', 'descaler', 'electrical'],
    takes: ['vessel'],
    why: 'all that it holds is dated, each by its own part of it',
  },
  {
    procedure: 'pump-change',
    way: 'pump-and-hose',
    dates: all('dv dn dg bt sr st pk pl pd'),
    inside: ['electrical'],
    why: 'the new pump is on record as fitted',
  },
  {
    procedure: 'flow-meter-clean',
    way: 'wheel-freed',
    dates: all('c2 sr st sp pk pl'),
    inside: ['electrical'],
    why: 'a repair, no clock',
  },
  {
    procedure: 'block-rings',
    way: 'rings-at-every-opening',
    dates: all('dv dn dg bt sr st'),
    inside: ['electrical'],
    why: 'the new rings are on record as fitted',
  },

  // Pods
  {
    procedure: 'pod-clean',
    way: 'water-seven-minutes',
    dates: all('pk', 'cleaning-programme'),
    takes: ['vessel'],
    why: 'its programme runs on water alone',
  },
  { procedure: 'pod-head', way: 'rinse-and-steam', dates: all('pl', 'head-rinse'), why: 'head and jug' },
  { procedure: 'pod-needle', way: 'brushed-and-picked', dates: all('pk pl', 'needle-clean'), why: 'each hole free' },
  {
    procedure: 'passage-freed',
    way: 'blown-through-and-picked',
    dates: { ...all('pk pl'), pd: ['boiler-passage-clean'] },
    inside: ['descaler', 'electrical'],
    why: 'opened, picked, rinsed of acid, tested',
  },
  {
    procedure: 'pod-empty',
    way: 'held-while-plugged-in',
    dates: all('pk'),
    takes: ['vessel'],
    why: 'before a journey',
  },
  { procedure: 'pod-run-dry', way: 'run-until-air', dates: all('pl'), takes: ['vessel'], why: 'before a journey' },

  // Grinders
  {
    procedure: 'grinder-calibration',
    way: 'three-doses-weighed',
    dates: { ...all('dg bt sp gr', 'hopper-wash'), ...all('sr st') },
    why: 'the hopper is washed on the way where a clock runs for it',
  },
  {
    procedure: 'burrs-and-zero',
    way: 'zero-by-hand',
    dates: all('gr', 'carrier-grease'),
    why: 'its thread is greased',
  },

  // Once, when it is called for
  ...(
    [
      ['calibration', 'measured-at-coffee-flow', 'c2 pt sr st sp'],
      ['leak-check', 'ten-minutes-hot', pumps],
      ['set-hardness', 'read-set-read', 'dv dg sr st sp pk pl'],
      ['set-temperature', 'read-set-read', 'pt bt sr st sp pl'],
      ['set-dose', 'read-set-read', 'c2 dv dg sr st sp pk pl'],
      ['set-energy', 'read-set-read', 'pt dg sr st pk pl'],
      ['set-factory', 'read-set-read', 'dg sr st pk pl'],
      ['settings-sheet', 'photographed-and-read', 'c2 pt dg bt sr st sp pk pl'],
      ['commissioning', 'water-then-heat', boilers],
      ['commissioning', 'tank-then-heat', 'dv dn dg bt sr st pk pl pd'],
      ['moving', 'cold-and-empty', pumps],
      ['standstill', 'drained-and-open', pumps],
    ] as const
  ).map(([procedure, way, kinds]) => ({
    procedure,
    way,
    dates: all(kinds),
    why: 'done when it is called for: nothing comes round',
  })),
  {
    procedure: 'pressure-setting',
    way: 'bypass-outside',
    dates: all(boilers),
    takes: ['blind'],
    why: 'readings are on record; the bypass is reached from outside',
  },
  {
    procedure: 'pressure-setting',
    way: 'relief-inside',
    dates: all('lv pt dv dg bt'),
    inside: ['electrical'],
    takes: ['blind'],
    why: 'a relief valve inside is turned off and dead, then tested',
  },
  {
    procedure: 'return-from-standstill',
    way: 'filled-cold-then-flushed',
    dates: all(pumps, 'restart'),
    why: 'what is due before the first drink is done by it',
  },
]
