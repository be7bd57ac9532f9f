import type { Every, Item, Procedure, Written } from '../procedure.ts'
import type { Step } from '../step.ts'
import { check, drinkingWater, figure, foodGrease, hands, hotWater, steam } from '../step-parts.ts'
import { oneSchool } from './one-school.ts'
import { caseOpen, closedAndTried, madeSafe, onAgain } from './opened.ts'

interface Job {
  id: string
  name: string
  about: string
  kinds: string[]
  needs?: Procedure['needs']
  writes: Written[]
  school: string
  schoolName: string
  reason: string
  every?: Every
  figures: [name: string, words: string][]
  tools: Item[]
  materials?: Item[]
  steps: Step[]
  each?: 'group' | 'side'
}

const asProcedure = ({
  id,
  name,
  about,
  kinds,
  needs,
  writes,
  figures,
  tools,
  materials,
  steps,
  each,
  ...one
}: Job): Procedure => ({
  id,
  version: 1,
  family: 'service',
  name,
  about,
  kinds,
  ...(needs && { needs }),
  ...(writes.length === 0 && { once: true as const }),
  writes,
  schools: [
    oneSchool(
      {
        id: one.school,
        name: one.schoolName,
        reason: one.reason,
        ...(one.every && { every: one.every }),
        figures: figures.map(([figureName, words]) => figure(figureName, words, 'M')),
        tools,
        ...(materials && { materials }),
      },
      kinds,
      steps,
      each,
    ),
  ],
})

const plumbed = ['c2', 'sp', 'lv', 'pt']
const yearly: Every = { words: 'once a year', days: 365, mark: 'T' }
const halfYearly: Every = { words: 'every 6 to 12 months', days: 270, mark: 'M' }
const pressureSteam = {
  hazard: 'pressure',
  say: 'A safety valve blows steam: stand clear of its outlet, never hold it.',
  how: 'It is sealed: never adjusted, never plugged. Local rules on pressure vessels come first.',
} as const

const seen = (id: string, ask: string, part: string, at: string[]): Step =>
  check(
    id,
    ask,
    'What do you see?',
    [
      ['good', 'As it should be', 'pass'],
      ['new', 'Not: a new one is in', 'pass', { fits: [part] }],
      [
        'later',
        'Not: no new one here',
        'stop',
        'It stands until the part is there: this one guards against something.',
      ],
    ],
    { at, handsS: 45 },
  )

const safety: Job = {
  id: 'safety-look',
  name: 'Safety valve, vacuum breaker, cut-outs looked at',
  about:
    'What guards the boiler: looked at running, from outside; a breaker that hangs, a valve that weeps is changed.',
  kinds: plumbed,
  writes: [{ entry: 'checked', task: 'safety-look', by: ['breaker', 'valve', 'cut-out'] }],
  school: 'looked-at-running',
  schoolName: 'looked at and heard, running',
  reason:
    'A breaker that sticks shut lets milk be sucked up, one that sticks open steams away; a valve that weeps is not trusted again.',
  every: { words: 'every six to twelve months', days: 365, mark: 'T' },
  figures: [
    ['Vacuum breaker', 'shuts by itself as it heats, opens as it cools'],
    ['Safety valve', 'dry, sealed, in date; new after any weep'],
  ],
  tools: [{ name: 'Torch' }, { name: 'Mirror' }],
  materials: [{ name: 'Vacuum breaker, safety valve of its pressure', why: 'where one is changed' }],
  steps: [
    check(
      'breaker',
      'Vacuum breaker, heard and seen while it heats',
      'From cold to pressure',
      [
        ['shuts', 'Hisses, then shuts tight', 'pass'],
        ['blows', 'Blows on, or never opens when it cools', 'pass', { fits: ['vacuum-breaker'] }],
        ['later', 'Not right: no new one here', 'stop', 'It is not used with milk until the breaker is new.'],
      ],
      {
        at: ['breather'],
        handsS: 60,
        how: 'A new one is fitted cold, cut off and without pressure: its own job, on a strip-down sheet.',
        state: { power: 'on' },
        caution: steam,
      },
    ),
    check(
      'valve',
      'Safety valve, from outside',
      'Seal, outlet, date',
      [
        ['dry', 'Dry, sealed, outlet free', 'pass'],
        [
          'weeps',
          'It weeps, or the seal is broken',
          'stop',
          'It is changed for one of the same pressure, or the machine stands.',
        ],
      ],
      { at: ['breather'], handsS: 40, caution: pressureSteam },
    ),
    check(
      'cut-out',
      'Over-temperature cut-outs: has one been bridged?',
      'From outside, and what the record says',
      [
        ['no', 'None bridged, none tripped', 'pass'],
        ['tripped', 'One has tripped', 'stop', 'Why it tripped is found before it is reset.'],
        ['bridged', 'One is bridged', 'stop', 'Cut off at once: it is not used like this.'],
      ],
      {
        at: ['heater', 'board'],
        handsS: 30,
        caution: { hazard: 'mains', say: 'Looked at from outside; the case stays shut.' },
      },
    ),
  ],
}

const electrical: Job = {
  id: 'electrical-test',
  name: 'Electrical safety test',
  about: 'Looked at, earth, insulation, leakage with the tester; by whoever is qualified, as local rules ask.',
  kinds: ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'sp', 'pk', 'pl', 'pd', 'gr'],
  writes: [{ entry: 'checked', task: 'electrical-test', by: ['earth', 'insulation', 'leakage'] }],
  school: 'look-then-measure',
  schoolName: 'looked at first, then measured',
  reason:
    'Most of what is dangerous is seen: plug, lead, strain relief, case. Then the tester, with its calibration in date.',
  every: yearly,
  figures: [
    ['Earth', '0.3 Ω at most, 0.1 Ω more for each long lead'],
    ['Insulation', '1 MΩ at least, heaters 0.3; only as its maker allows'],
    ['Leakage', 'protective conductor 3.5 mA at most, touch 0.5 mA'],
  ],
  tools: [{ name: 'Appliance tester in date' }],
  steps: [
    check(
      'qualified',
      'Qualified for it, tester in date?',
      'As local rules ask',
      [
        ['yes', 'Both', 'pass'],
        ['no', 'No', 'stop', 'Somebody else tests it; it stays as it is on record.'],
      ],
      { gate: true, at: ['board', 'fuse', 'switch'] },
    ),
    check(
      'look',
      'Plug, lead, strain relief, case',
      'What do you see?',
      [
        ['whole', 'Whole', 'pass'],
        ['damaged', 'Damaged', 'stop', 'Cut off: mended before it is measured.'],
      ],
      {
        at: ['board', 'fuse', 'switch'],
        handsS: 60,
        state: { power: 'dead', cover: 'shut' },
        gate: true,
        caution: { hazard: 'mains', say: 'Plug out to look; wired in: isolator off and locked.' },
      },
    ),
    {
      id: 'earth',
      say: 'Earth to the case',
      act: 'measure',
      ask: 'Earth',
      unit: 'Ω',
      from: 0,
      to: 0.3,
      handsS: 60,
      at: ['board', 'fuse', 'motor'],
    },
    {
      id: 'insulation',
      say: 'Insulation, if its maker allows it',
      act: 'measure',
      ask: 'Insulation',
      unit: 'MΩ',
      from: 0.3,
      to: 1000,
      handsS: 60,
      at: ['board', 'heater', 'motor'],
      how: 'Boards can die of 500 V: its leaflet first. Not allowed: skip it with that reason, leakage tells instead.',
    },
    {
      id: 'leakage',
      say: 'Leakage, running',
      act: 'measure',
      ask: 'Protective conductor',
      unit: 'mA',
      from: 0,
      to: 3.5,
      handsS: 90,
      at: ['board', 'heater', 'motor'],
      state: { power: 'on' },
      caution: { hazard: 'mains', say: 'Running on the tester: case shut, hands off the metal.' },
    },
    check(
      'passed',
      'Has it passed?',
      'All three beside their limits',
      [
        ['yes', 'Passed', 'pass'],
        ['no', 'Not passed', 'stop', 'It is not switched on again: found and mended first.'],
      ],
      { gate: true, at: ['board'] },
    ),
  ],
}

const levelProbe: Job = {
  id: 'level-probe-clean',
  name: 'Level probe cleaned',
  about: 'Out cold and without pressure, chalk off its tip, back with a new seal, filling watched.',
  kinds: ['c2', 'lv', 'pt', 'sp'],
  needs: { stations: ['level'], why: 'It has no level probe.' },
  writes: [{ entry: 'cleaned', task: 'level-probe-clean', by: ['clean', 'back'] }],
  school: 'out-and-wiped',
  schoolName: 'out, wiped bare, watched while it fills',
  reason:
    'A chalked tip sees no water, and the boiler overfills: milky steam first. Bare metal and a dry head mend it.',
  every: halfYearly,
  figures: [
    ['Cleaned', 'fine wool or vinegar, rinsed'],
    ['Seal', 'new, or PTFE tape, as it was'],
  ],
  tools: [{ name: 'Spanner' }, { name: 'Fine abrasive wool' }],
  materials: [{ name: 'Seal or PTFE tape' }],
  steps: [
    ...madeSafe(['boiler', 'steam-boiler']),
    caseOpen(['board', 'level']),
    hands('out', 'Plug off the probe, probe out', 60, {
      at: ['level'],
      how: 'Its length is marked before: it goes back as deep.',
      caution: { hazard: 'pressure', say: 'Only at zero and open steam tap: it is screwed into the boiler.' },
    }),
    hands('clean', 'Tip wiped bare, insulator dry and clean', 60, { at: ['level'] }),
    hands('back', 'Back to its mark, seal new, plug on', 60, { at: ['level'] }),
    ...closedAndTried(['level', 'boiler', 'steam-boiler'], 'Does it fill, and stop?'),
  ],
}

const strainer: Job = {
  id: 'inlet-strainer',
  name: 'Inlet strainer cleaned',
  about: 'Water shut, strainer out, rinsed, back, tried for drips.',
  kinds: ['c2', 'sp'],
  writes: [{ entry: 'cleaned', task: 'inlet-strainer-clean', by: ['clean', 'back'] }],
  school: 'rinsed-backwards',
  schoolName: 'rinsed backwards',
  reason:
    'Sand and resin beads sit on its outside: rinsed from inside out they leave. Beads mean the softener lets go.',
  every: { words: 'every 12 months, or when the pump growls', days: 365, mark: 'M' },
  figures: [['Rinsed', 'from inside out']],
  tools: [{ name: 'Spanner' }, { name: 'Bucket' }, { name: 'Soft brush' }],
  materials: [{ name: 'Seal' }],
  steps: [
    ...madeSafe(['inlet']).slice(0, 1),
    hands('water-off', 'Water shut, pressure let out at the tap', 30, {
      at: ['mains', 'inlet'],
      state: { supply: 'shut' },
      gate: true,
      caution: { hazard: 'pressure', say: 'The inlet is opened only without pressure.' },
    }),
    hands('out', 'Strainer out over the bucket', 60, { at: ['inlet'] }),
    check(
      'found',
      'What sits on it?',
      'Held to the light',
      [
        ['little', 'A little sand', 'pass'],
        ['beads', 'Resin beads', 'pass'],
        ['torn', 'It is torn: a new one is in', 'pass', { fits: ['inlet-strainer'] }],
      ],
      { at: ['inlet'], how: 'Beads: the softener’s basket is broken, a remark for the next visit.' },
    ),
    hands('clean', 'Rinsed from inside out, brushed', 40, { at: ['inlet'] }),
    hands('back', 'Back, seal whole, hand tight and a quarter', 40, { at: ['inlet'], caution: drinkingWater }),
    hands('on', 'Water on, plug in, look for drips', 60, {
      at: ['inlet', 'mains'],
      state: { supply: 'open', power: 'on' },
    }),
  ],
}

const supplyGuards: Job = {
  id: 'supply-guards',
  name: 'Backflow preventer and leak stop tried',
  about: 'The preventer’s drain, the leak stop’s shut-off: tried, as local rules ask.',
  kinds: ['c2', 'sp'],
  needs: { stations: ['backflow', 'leak-stop'], why: 'Its supply has neither.' },
  writes: [
    { entry: 'checked', task: 'backflow-preventer-check', by: ['backflow'] },
    { entry: 'checked', task: 'leak-stop-check', by: ['leak-stop'] },
  ],
  school: 'tried-both',
  schoolName: 'both tried',
  reason: 'Nobody notices that they fail until dirty water is sucked back, or a hose runs all night.',
  every: yearly,
  figures: [
    ['Preventer', 'its relief opens and shuts; its drain free'],
    ['Leak stop', 'shuts when it is tried'],
  ],
  tools: [{ name: 'Bucket' }, { name: 'Torch' }],
  steps: [
    check(
      'backflow',
      'Backflow preventer: supply shut, relief tried',
      'As its leaflet has it',
      [
        ['works', 'Drains, then is tight', 'pass'],
        ['fails', 'Does not drain, or drips on', 'stop', 'Changed by those licensed for it; the supply stays shut.'],
      ],
      { at: ['backflow'], where: ['backflow'], handsS: 120, caution: drinkingWater, state: { supply: 'shut' } },
    ),
    check(
      'leak-stop',
      'Leak stop: tried',
      'Shut-off by its test key, or more water drawn than it lets',
      [
        ['shuts', 'It shuts', 'pass'],
        ['open', 'It does not', 'stop', 'Changed: a hose that bursts at night is not stopped.'],
      ],
      { at: ['leak-stop'], where: ['leak-stop'], handsS: 90, state: { supply: 'open' } },
    ),
  ],
}

const groupJet: Job = {
  id: 'group-jet',
  name: 'Group jet and its gauze cleaned',
  about: 'Jet out against the light, gauze rinsed, back, flow measured.',
  kinds: ['c2', 'lv'],
  needs: { stations: ['jet'], why: 'It has no jet in the group.' },
  writes: [
    {
      entry: 'cleaned',
      task: 'group-restrictor-clean',
      taskOf: { lv: 'group-jet-clean' },
      each: 'group',
      by: ['clean', 'back'],
    },
  ],
  school: 'against-the-light',
  schoolName: 'out, against the light',
  reason:
    'A jet of half a millimetre shuts by one grain of chalk: the coffee starts late and the meter gives no pulses.',
  every: { words: 'every 12 to 24 months', days: 540, mark: 'M' },
  figures: [
    ['Cleared by', 'citric and air; never a wire, it widens'],
    ['Open flow', '65 to 110 ml in 10 s'],
  ],
  tools: [{ name: 'Jet key' }, { name: 'Lens' }],
  materials: [{ name: 'Copper or PTFE seal' }, { name: 'Citric acid' }],
  each: 'group',
  steps: [
    ...madeSafe(['group', 'jet']),
    hands('lever', 'Lift the lever: the exchanger lets its pressure out', 15, {
      at: ['lever', 'group'],
      only: ['lv'],
      gate: true,
      caution: { hazard: 'pressure', say: 'The group’s circuit keeps pressure when the boiler has none.' },
    }),
    hands('out', 'Jet and gauze out', 60, {
      at: ['jet', 'group'],
      state: { group: 'apart' },
      caution: { hazard: 'scald', say: 'Water stands behind it.' },
    }),
    hands('clean', 'Jet into citric, gauze rinsed, both to the light', 120, {
      at: ['jet'],
      how: 'Lukewarm, until it is round and free. No wire.',
      caution: { hazard: 'acid', say: 'Acid off eyes and stone; never with bleach.' },
    }),
    seen('round', 'The jet to the light', 'group-restrictor', ['jet']),
    hands('back', 'Rinsed, back, new seal', 60, { at: ['jet', 'group'], state: { group: 'water' } }),
    ...onAgain(['jet', 'group'], 'Ten seconds of water, nothing locked in'),
    {
      id: 'flow',
      say: 'Open flow, ten seconds',
      act: 'measure',
      measure: 'open-flow',
      ask: 'Water in 10 s',
      unit: 'ml',
      from: 65,
      to: 110,
      handsS: 30,
      at: ['group'],
      caution: hotWater,
      state: { power: 'on', heat: 'hot', tray: 'in' },
    },
  ],
}

const dispersion: Job = {
  id: 'dispersion-block',
  name: 'Dispersion block out and cleaned',
  about: 'Screen and block off, channels brushed and soaked, groove clean, back with its seal.',
  kinds: ['c2'],
  writes: [{ entry: 'cleaned', task: 'dispersion-block-clean', each: 'group', by: ['clean', 'back'] }],
  school: 'off-and-soaked',
  schoolName: 'off and soaked',
  reason: 'Behind the screen the oil is older than on it: backflushing passes it by.',
  every: { words: 'every six months', days: 182, mark: 'M' },
  figures: [['Soak', '20 min in detergent']],
  tools: [{ name: 'Short driver, hex keys' }, { name: 'Brush' }, { name: 'Bowl, steel or glass' }],
  materials: [{ name: 'Backflush detergent' }],
  each: 'group',
  steps: [
    hands('off', 'Screen off, block off, screws into the cup', 120, {
      at: ['screen', 'group'],
      state: { screen: 'off' },
      takes: ['cup'],
      caution: { hazard: 'scald', say: 'Block and screws are hot: gloves, a tool.' },
    }),
    {
      id: 'bath',
      say: 'Hot water, powder stirred in',
      act: 'dose',
      dose: { of: 'detergent', gramsPerL: 10 },
      into: 'the bowl',
      handsS: 40,
      bath: 'made',
      takes: ['bowl'],
      caution: { hazard: 'detergent', say: 'Strong alkali: off skin and eyes, never with acid.' },
    },
    hands('in', 'Block and screen in', 10, { bath: 'in', caution: { hazard: 'detergent', say: 'Gloves.' } }),
    { id: 'soak', say: 'Leave them to soak', act: 'soak', what: 'Block soaking', seconds: 1200, handsS: 0 },
    hands('clean', 'Out, channels brushed, rinsed until nothing is slippery', 90, {
      bath: 'out',
      caution: { hazard: 'detergent', say: 'Still alkaline: gloves.' },
    }),
    hands('pour', 'Bath poured away', 15, {
      bath: 'poured',
      gives: ['bowl'],
      caution: { hazard: 'detergent', say: 'Never into a drain where acid stands.' },
    }),
    hands('back', 'Block and screen back, screws snug', 90, {
      at: ['group', 'screen'],
      state: { screen: 'on' },
      gives: ['cup'],
      caution: { hazard: 'scald', say: 'The group is hot: gloves.' },
    }),
    check(
      'runs',
      'Water through it',
      'How does it fall?',
      [
        ['even', 'Even, all round', 'pass'],
        ['odd', 'To one side', 'repeat', 'back', 'It does not sit: once more.'],
      ],
      { at: ['group', 'screen'], state: { power: 'on', heat: 'hot', tray: 'in' }, caution: hotWater },
    ),
  ],
}

const expansion: Job = {
  id: 'expansion-valve',
  name: 'Expansion valve tried',
  about: 'The line’s pressure at rest while it heats, a drop now and then at its outlet, never a stream.',
  kinds: ['c2'],
  needs: { stations: ['expansion'], why: 'It has no expansion valve.' },
  writes: [{ entry: 'checked', task: 'expansion-valve-check', by: ['rest', 'drops'] }],
  school: 'read-at-rest',
  schoolName: 'read at rest, while it heats',
  reason: 'Water that heats behind shut valves must go somewhere: above twelve bar the weakest seal is where.',
  every: halfYearly,
  figures: [
    ['At rest', '8 to 12 bar'],
    ['Outlet', 'drops while it heats, then dry'],
  ],
  tools: [{ name: 'Gauge' }],
  steps: [
    {
      id: 'rest',
      say: 'Line at rest, heating',
      act: 'measure',
      measure: 'line-rest',
      ask: 'At rest',
      unit: 'bar',
      from: 8,
      to: 12,
      handsS: 120,
      at: ['expansion', 'gauge'],
      state: { power: 'on', heat: 'hot' },
    },
    check(
      'drops',
      'Its outlet',
      'What comes?',
      [
        ['drops', 'A drop now and then, or dry', 'pass'],
        ['stream', 'A stream', 'stop', 'It does not shut: new seat or valve, off, cold, without pressure.'],
      ],
      { at: ['expansion', 'tray'], caution: { hazard: 'scald', say: 'What it lets out is hot and under pressure.' } },
    ),
  ],
}

const steamSeals: Job = {
  id: 'steam-seals',
  name: 'Steam valve sealed anew',
  about: 'Cold and without pressure: stem and seat out, rings new, greased, back, tried for drips.',
  kinds: ['c2', 'lv', 'pt', 'sp'],
  writes: [],
  school: 'rings-and-seat',
  schoolName: 'rings and seat together',
  reason: 'A wand that drips is a seat, a tap that weeps is its rings: open once, both are changed.',
  figures: [
    ['Grease', 'food-grade silicone'],
    ['Stem', 'looked at for grooves'],
  ],
  tools: [{ name: 'Spanners' }, { name: 'Pick' }],
  materials: [{ name: 'Rings and seat of this valve' }, { name: 'Food-grade silicone grease' }],
  each: 'side',
  steps: [
    ...madeSafe(['steam-valve']),
    hands('out', 'Knob and stem out', 90, {
      at: ['steam-valve'],
      state: { wand: 'free' },
      caution: { hazard: 'pressure', say: 'Only at zero and open tap: it is the boiler’s own valve.' },
    }),
    check(
      'what',
      'Rings, seat, stem',
      'What is new?',
      [
        ['all', 'Rings and seat', 'pass', { fits: ['steam-valve-seat', 'steam-stem-rings', 'steam-seals'] }],
        ['rings', 'Rings alone: the seat is whole', 'pass', { fits: ['steam-stem-rings', 'steam-seals'] }],
        ['none', 'None: cleaned and greased', 'pass'],
        ['stem', 'The stem is grooved', 'stop', 'Rings do not seal on it: a new valve.'],
      ],
      { at: ['steam-valve'], handsS: 120 },
    ),
    hands('back', 'Greased, in, packing snug, tap shut', 90, { at: ['steam-valve'], how: foodGrease }),
    ...onAgain(['steam-valve', 'wand'], 'Hot and at pressure: open and shut it ten times'),
  ],
}

const hotWaterSeal: Job = {
  id: 'hot-water-seal',
  name: 'Hot-water valve sealed anew',
  about: 'Cold and without pressure: valve out, seal new, back, tried for drips.',
  kinds: ['c2', 'lv', 'pt', 'sp'],
  needs: { stations: ['hot-water'], why: 'It has no hot-water tap.' },
  writes: [],
  school: 'seal-new',
  schoolName: 'seal new, seat wiped',
  reason: 'A tap that drips scalds whoever wipes below it, and chalks its own outlet.',
  figures: [['Grease', 'food-grade silicone']],
  tools: [{ name: 'Spanners' }, { name: 'Pick' }],
  materials: [{ name: 'Seal of this valve' }],
  steps: [
    ...madeSafe(['hot-water']),
    hands('out', 'Valve out', 90, {
      at: ['hot-water'],
      state: { outlet: 'off' },
      caution: { hazard: 'pressure', say: 'Only at zero and open tap: it is fed from the boiler’s bottom.' },
    }),
    seen('seal', 'Seal and seat', 'hot-water-seal', ['hot-water']),
    hands('back', 'Greased, back, snug', 60, { at: ['hot-water'], state: { outlet: 'on' }, how: foodGrease }),
    ...onAgain(['hot-water'], 'Hot: open and shut it five times'),
  ],
}

const threeWay: Job = {
  id: 'three-way-strip',
  name: '3-way valve taken apart',
  about: 'Coil off, plunger out, seat and spring cleaned, back, venting tried.',
  kinds: ['c2', 'pt', 'dv', 'dg', 'bt'],
  needs: { stations: ['three-way'], why: 'It has no 3-way valve.' },
  writes: [],
  school: 'plunger-and-seat',
  schoolName: 'plunger and seat cleaned',
  reason: 'Oil gums the plunger, a grain under the seat keeps it open: brushed clean, most are good again.',
  figures: [
    ['Plunger', 'free, both seals whole'],
    ['Order', 'photographed: spring’s narrow end'],
  ],
  tools: [{ name: 'Spanner for the stem' }, { name: 'Soft brush' }, { name: 'Camera' }],
  materials: [{ name: 'Plunger with seals' }],
  each: 'group',
  steps: [
    ...madeSafe(['three-way', 'group']),
    caseOpen(['board', 'three-way']),
    hands('coil', 'Nut off, coil off its stem', 40, {
      at: ['three-way', 'coils'],
      caution: { hazard: 'mains', say: 'Prove it dead: the coil hangs on its leads.' },
    }),
    hands('stem', 'Stem out, plunger and spring into the cup', 60, {
      at: ['three-way'],
      takes: ['cup'],
      state: { group: 'apart' },
      caution: { hazard: 'spring', say: 'A spring sits under the plunger: hold it as the thread ends.' },
    }),
    hands('clean', 'Plunger, stem and seat brushed clean', 120, {
      at: ['three-way'],
      caution: { hazard: 'detergent', say: 'Detergent: gloves, rinse all of it.' },
    }),
    check(
      'look',
      'Plunger seals and seat',
      'How are they?',
      [
        ['whole', 'Whole, seat smooth', 'pass'],
        ['new', 'Dented: a new plunger or valve is in', 'pass', { fits: ['three-way-valve'] }],
        ['later', 'Dented: no new one here', 'pass'],
      ],
      { at: ['three-way'] },
    ),
    hands('back', 'Spring, plunger, stem, coil back', 90, {
      at: ['three-way', 'coils'],
      gives: ['cup'],
      state: { group: 'water' },
    }),
    ...closedAndTried(['three-way', 'group', 'tray'], 'A shot against the blind basket, stopped: does it vent?'),
  ],
}

const leverValves: Job = {
  id: 'lever-group-valves',
  name: 'Valves of the lever group cleaned',
  about: 'Inlet and discharge valve out, seats and springs cleaned, seals new, discharge tried.',
  kinds: ['lv'],
  writes: [],
  school: 'both-valves',
  schoolName: 'both valves out',
  reason: 'A discharge that weeps costs pressure at every shot; chalk sits in the gauze and on both seats.',
  figures: [
    ['Seals', 'new where they are flat'],
    ['Springs', 'each its own length: photographed'],
  ],
  tools: [{ name: 'Spanners' }, { name: 'Pick' }, { name: 'Camera' }],
  materials: [{ name: 'Lever group seals' }, { name: 'Food-grade silicone grease' }],
  steps: [
    ...madeSafe(['lever', 'group']),
    hands('lever', 'Lift the lever: the exchanger lets its pressure out', 15, {
      at: ['lever'],
      gate: true,
      caution: { hazard: 'pressure', say: 'The group’s circuit keeps pressure when the boiler has none.' },
    }),
    hands('out', 'Upper and lower valve out, springs to their own caps', 120, {
      at: ['lever'],
      state: { group: 'apart' },
      takes: ['cup'],
      caution: { hazard: 'spring', say: 'Springs press on the caps: held as the thread ends.' },
    }),
    hands('clean', 'Seats, pins and gauze cleaned', 120, { at: ['lever', 'jet'] }),
    check(
      'seals',
      'Seals',
      'What is new?',
      [
        ['new', 'New seals are in', 'pass', { fits: ['lever-seals'] }],
        ['same', 'The same: whole and soft', 'pass'],
      ],
      { at: ['lever'] },
    ),
    hands('back', 'Greased, back, caps snug', 120, {
      at: ['lever'],
      state: { group: 'water' },
      gives: ['cup'],
      how: foodGrease,
    }),
    ...onAgain(['lever', 'group', 'tray'], 'Three lifts: does it discharge, and hold?'),
  ],
}

const pumpChange: Job = {
  id: 'pump-change',
  name: 'Pump changed',
  about: 'Hoses and leads off, pump out of its rubber, the new one the same way round, primed, tried.',
  kinds: ['dv', 'dn', 'dg', 'bt', 'sr', 'st', 'pk', 'pl', 'pd'],
  writes: [],
  school: 'pump-and-hose',
  schoolName: 'pump, and its hose where it is hard',
  reason: 'A hose that was bent once breaks the next day: where it is hard it goes with the pump.',
  figures: [
    ['Arrow', 'of flow, as the old one'],
    ['Never', 'dry for more than seconds'],
  ],
  tools: [{ name: 'Drivers' }, { name: 'Pliers for clamps' }, { name: 'Camera' }],
  materials: [{ name: 'Pump' }, { name: 'Hose and clamps' }],
  steps: [
    ...madeSafe(['pump']),
    caseOpen(['board', 'pump']),
    hands('out', 'Leads off, hoses off, pump out of its mounts', 180, {
      at: ['pump'],
      how: 'Photo of leads and arrow first; water runs out of the hoses.',
    }),
    check(
      'new',
      'What goes in?',
      'Pump, and hose',
      [
        ['both', 'New pump, new hose', 'pass', { fits: ['pump', 'pump-hose'] }],
        ['pump', 'New pump: the hose is supple', 'pass', { fits: ['pump'] }],
      ],
      { at: ['pump'], handsS: 120 },
    ),
    hands('back', 'Mounts, hoses, clamps, leads as in the photo', 180, { at: ['pump'] }),
    ...closedAndTried(['pump'], 'Primed: how does it run?'),
  ],
}

const flowMeter: Job = {
  id: 'flow-meter-clean',
  name: 'Flow meter opened and cleaned',
  about: 'Lid off, wheel free, chalk off, ring whole, back, pulses counted.',
  kinds: ['c2', 'sr', 'st', 'sp', 'pk', 'pl'],
  needs: { stations: ['flow-meter'], why: 'It has no flow meter.' },
  writes: [],
  school: 'wheel-freed',
  schoolName: 'wheel freed',
  reason: 'A grain of chalk stops the wheel, and the machine says there is no water.',
  figures: [
    ['Wheel', 'turns at a breath'],
    ['Magnets', 'clean of rust'],
  ],
  tools: [{ name: 'Drivers' }, { name: 'Soft brush' }],
  materials: [{ name: 'Ring of its lid' }],
  steps: [
    ...madeSafe(['flow-meter']),
    caseOpen(['board', 'flow-meter']),
    hands('wheel', 'Lid off, wheel out', 60, { at: ['flow-meter'], how: 'Which side of the wheel looks up: photo.' }),
    hands('clean', 'Chalk and rust off, wheel turned at a breath', 60, { at: ['flow-meter'] }),
    seen('whole', 'Wheel, pin and ring', 'flow-meter', ['flow-meter']),
    hands('back', 'Wheel in, ring lies flat, lid crosswise', 60, { at: ['flow-meter'] }),
    ...closedAndTried(['flow-meter', 'pump'], 'Does it count, and is the dose right?'),
  ],
}

const blockRings: Job = {
  id: 'block-rings',
  name: 'Block or boiler sealed anew',
  about: 'Cold: joints of the block open, rings new, screws crosswise, tried.',
  kinds: ['dv', 'dn', 'dg', 'bt', 'sr', 'st'],
  writes: [],
  school: 'rings-at-every-opening',
  schoolName: 'rings new at every opening',
  reason: 'A ring that was hot once takes the shape of its groove: opened, it never seals again.',
  figures: [
    ['Screws', 'crosswise, in two rounds'],
    ['Rings', 'new, dry or as its maker says'],
  ],
  tools: [{ name: 'Drivers' }, { name: 'Pick' }],
  materials: [{ name: 'Rings of this block' }],
  steps: [
    ...madeSafe(['thermoblock', 'boiler']),
    caseOpen(['board', 'thermoblock', 'boiler']),
    hands('apart', 'Joints open, old rings out', 180, {
      at: ['thermoblock', 'boiler'],
      caution: { hazard: 'sharp', say: 'The pick slips; scratches leak.' },
    }),
    check(
      'rings',
      'New rings in',
      'What went in?',
      [['new', 'New rings', 'pass', { fits: ['block-rings', 'pressure-hoses'] }]],
      { at: ['thermoblock', 'boiler'], handsS: 60, gate: true },
    ),
    hands('back', 'Screws crosswise, in two rounds', 120, { at: ['thermoblock', 'boiler'] }),
    ...closedAndTried(['thermoblock', 'boiler'], 'At pressure: is it dry?'),
  ],
}

const spouts: Job = {
  id: 'spouts-and-container',
  name: 'Spouts and grounds container washed',
  about: 'Spouts off and brushed, container and tray washed, dried, back.',
  kinds: ['sr', 'st', 'sp'],
  writes: [],
  school: 'brushed-and-dried',
  schoolName: 'brushed and dried',
  reason: 'Mould begins where grounds stay warm and wet: brushed, dried, every day the container, weekly the spouts.',
  every: { words: 'container daily, spouts weekly', days: 7, mark: 'M' },
  figures: [
    ['Washing-up liquid', 'yes, rinsed'],
    ['Dishwasher', 'only what its leaflet lists'],
  ],
  tools: [{ name: 'Thin brush' }, { name: 'Cloth' }],
  steps: [
    hands('out', 'Container and tray out, with the machine on', 20, {
      at: ['tray'],
      state: { power: 'on', tray: 'out' },
      how: 'Off it does not count them as emptied.',
      caution: { hazard: 'scald', say: 'The tray may be full of hot water: level, both hands.' },
    }),
    hands('wash', 'Washed, corners brushed, dried', 90, { at: ['tray'] }),
    hands('spouts', 'Spouts off, brushed through, rinsed, back', 90, {
      at: ['spout'],
      caution: { hazard: 'scald', say: 'Spouts drip hot: nobody draws a drink meanwhile.' },
    }),
    hands('back', 'Container and tray back', 20, { at: ['tray'], state: { tray: 'in' } }),
    check(
      'runs',
      'A rinse',
      'How does it run?',
      [
        ['even', 'Even, from both', 'pass'],
        ['one', 'From one only', 'repeat', 'spouts', 'One is shut: brush once more.'],
      ],
      { at: ['spout'], state: { power: 'on', heat: 'hot', tray: 'in' }, caution: hotWater },
    ),
  ],
}

const powder: Job = {
  id: 'powder-mixer',
  name: 'Powder mixer washed',
  about: 'Container off, mixing bowl and whisk out, washed, dried wholly, back, shaft seal looked at.',
  kinds: ['sp'],
  needs: { stations: ['powder'], why: 'It has no powder.' },
  writes: [],
  school: 'washed-and-dried',
  schoolName: 'washed, dried wholly',
  reason: 'A damp bowl cakes the powder within the hour, and sugar under the whisk ends its seal.',
  every: { words: 'daily rinsed, weekly apart', days: 7, mark: 'M' },
  figures: [
    ['Dry', 'wholly, before any powder'],
    ['Shaft seal', 'whole, no powder behind it'],
  ],
  tools: [{ name: 'Brush' }, { name: 'Cloth' }],
  materials: [{ name: 'Shaft seal' }],
  steps: [
    hands('off', 'Switched off, container off and shut', 30, {
      at: ['powder'],
      state: { power: 'off' },
      gate: true,
      caution: { hazard: 'pinch', say: 'Whisk and screw turn by themselves: off first.' },
    }),
    hands('apart', 'Bowl and whisk out', 30, { at: ['powder'] }),
    seen('seal', 'Shaft seal', 'powder-mixer', ['powder']),
    hands('wash', 'Washed, rinsed, dried wholly', 120, { at: ['powder'] }),
    hands('back', 'Whisk, bowl, container back', 45, { at: ['powder'] }),
    hands('drink', 'On, a powder drink away', 45, {
      at: ['powder', 'spout'],
      state: { power: 'on', heat: 'hot', tray: 'in' },
      caution: hotWater,
    }),
  ],
}

const benchDescale: Job = {
  id: 'bench-descale',
  name: 'Boiler descaled on the bench',
  about: 'Out of use, boiler reached, open bath of acid, rinsed neutral, new gaskets, pressure tried.',
  kinds: ['c2', 'lv', 'pt', 'sp'],
  writes: [{ entry: 'descaled', task: 'descale', by: ['charge', 'neutral'] }],
  school: 'open-bath-on-the-bench',
  schoolName: 'open bath on the bench',
  reason:
    'A large boiler keeps acid in its corners: on the bench it stands open, the foam can leave, and what is loose is brushed out.',
  figures: [
    ['Strength', 'citric 5 % usual, 3 % least, lukewarm'],
    ['Contact', '20 to 30 min a charge, then a fresh one while it still foams'],
    ['Room', 'headspace, no lid, window open; never in a cellar'],
    ['Gaskets', 'new at every opening'],
  ],
  tools: [{ name: 'Spanners' }, { name: 'Bucket, large' }, { name: 'Gloves, glasses' }, { name: 'pH strips' }],
  materials: [{ name: 'Citric acid' }, { name: 'Sodium bicarbonate' }, { name: 'Element and flange gaskets' }],
  steps: [
    ...madeSafe(['boiler', 'steam-boiler']),
    caseOpen(['board', 'boiler', 'steam-boiler']),
    hands('drain', 'Boiler drained cold into the bucket', 300, {
      at: ['boiler', 'steam-boiler', 'brew-boiler'],
      state: { boiler: 'empty' },
      how: 'Its litres: a bucket that takes them all, in portions.',
      caution: { hazard: 'heavy', say: 'Full of chalk it is heavy: two people where it comes out.' },
    }),
    hands('flange', 'Element or flange out, old gasket off', 300, {
      at: ['boiler', 'steam-boiler', 'heater'],
      caution: { hazard: 'pressure', say: 'Only after gauge and steam tap said so.' },
    }),
    check(
      'ventilated',
      'Open bath: window open, no lid, no cellar, no chlorine near?',
      'Gas comes off, heavier than air',
      [
        ['yes', 'All four', 'pass'],
        ['no', 'Not all', 'stop', 'Carbon dioxide gathers in low rooms, chlorine with acid is poison: elsewhere.'],
      ],
      { gate: true },
    ),
    {
      id: 'charge',
      say: 'Acid in, lukewarm, open',
      how: 'Headspace for the foam. Citric hot leaves citrate in passages: lukewarm.',
      act: 'dose',
      dose: { of: 'descaler', words: 'citric 5 %; 3 % at least' },
      into: 'the boiler',
      handsS: 120,
      puts: 'descaler',
      gate: true,
      at: ['boiler', 'steam-boiler', 'brew-boiler'],
      state: { path: 'acid' },
      caution: {
        hazard: 'acid',
        say: 'Acid off skin, eyes and stone; it foams over: slowly.',
        how: 'Gloves and glasses; window open, no lid, never near chlorine.',
      },
    },
    {
      id: 'works',
      say: 'Let it work',
      act: 'soak',
      what: 'Acid in the boiler',
      seconds: 1500,
      mostS: 1800,
      handsS: 0,
      at: ['boiler', 'steam-boiler'],
    },
    check(
      'foams',
      'Does it still foam, is chalk left?',
      'Torch into the boiler',
      [
        ['bare', 'Bare metal, no foam', 'pass'],
        ['left', 'Chalk is left', 'repeat', 'charge', 'Spent: into the bucket, a fresh charge.'],
      ],
      { at: ['boiler', 'steam-boiler'], caution: { hazard: 'acid', say: 'Glasses on: it spits.' } },
    ),
    hands('flush', 'Out into the bucket, sludge brushed out, flushed', 300, {
      at: ['boiler', 'steam-boiler'],
      caution: { hazard: 'acid', say: 'Spent acid still bites: gloves on.' },
    }),
    check(
      'neutral',
      'Is the acid out?',
      'Strip in the last water, beside one in tap water',
      [
        ['same', 'Same colour as the tap’s', 'pass'],
        ['sour', 'Redder', 'repeat', 'flush', 'Acid is left: flush on.'],
      ],
      { gate: true, clears: 'descaler', at: ['boiler', 'steam-boiler'], state: { path: 'water' } },
    ),
    hands('bucket', 'Bucket neutralised with bicarbonate, then down the drain', 120, {
      how: '1.3 g for each gram of citric, until it no longer foams. Only where local rules allow it.',
      caution: { hazard: 'acid', say: 'It foams: slowly; never into a drain where bleach stands.' },
    }),
    check(
      'gasket',
      'New gasket, flange crosswise',
      'What went in?',
      [['new', 'A new gasket', 'pass', { fits: ['element-gasket'] }]],
      { at: ['boiler', 'steam-boiler', 'heater'], gate: true, handsS: 240 },
    ),
    ...closedAndTried(['boiler', 'steam-boiler'], 'Filled cold, then hot: at pressure, dry?'),
  ],
}

const sieves: Job = {
  id: 'spindle-and-heater',
  name: 'Spindle, guides and group heater looked at',
  about: 'Group out of its guides: screw and nut cleaned and looked at, heater measured, shield and bushing back.',
  kinds: ['sp'],
  writes: [],
  school: 'with-the-group-out',
  schoolName: 'with the group out',
  reason: 'Only with the chamber off is the nut seen whole: a worn one strips in mid-coffee.',
  figures: [
    ['Spindle', 'three 2.5 mm at the top'],
    ['Guides', 'two 3 mm; dry'],
    ['Shield, bushing', 'two and four 2.5 mm'],
    ['Heater', 'one 2 mm loosened; two 2 mm behind'],
  ],
  tools: [{ name: 'Hex 2, 2.5, 3, 4 mm' }, { name: 'Pin extractor' }, { name: 'Multimeter' }],
  steps: [
    ...madeSafe(['group', 'group-heater']),
    caseOpen(['board', 'group']),
    hands('spindle', 'Motor off, endless screw out', 180, {
      at: ['spindle', 'group'],
      state: { group: 'apart' },
      how: 'Strip-down sheets: spindle and nut; guides, shield and bushing; group heater.',
      caution: { hazard: 'pinch', say: 'The chamber drops when the screw is out: supported.' },
    }),
    check(
      'nut',
      'Screw and spiral bushing',
      'How are they?',
      [
        ['good', 'Threads whole, little play', 'pass'],
        ['nut', 'Play, or brass dust: a new bushing is in', 'pass', { fits: ['spindle-nut'] }],
        ['both', 'Both new', 'pass', { fits: ['spindle-nut', 'endless-screw'] }],
        ['later', 'Worn: no new one here', 'pass'],
      ],
      { at: ['spindle'], handsS: 120 },
    ),
    check(
      'heater',
      'Group heater, measured dead',
      'Ohms as its plate says, none to earth',
      [
        ['good', 'As its plate', 'pass'],
        ['new', 'Open or to earth: a new one is in', 'pass', { fits: ['group-heater'] }],
        ['later', 'Bad: no new one here', 'stop', 'It stays off until it is changed.'],
      ],
      { at: ['group-heater'], handsS: 90 },
    ),
    hands('back', 'Bushing, shield, guides dry, screw, motor back', 300, {
      at: ['spindle', 'group'],
      state: { group: 'water' },
    }),
    ...closedAndTried(['group', 'spindle'], 'Two coffees: does it move freely?'),
  ],
}

const jobs: Job[] = [
  electrical,
  safety,
  levelProbe,
  strainer,
  supplyGuards,
  groupJet,
  dispersion,
  expansion,
  steamSeals,
  hotWaterSeal,
  threeWay,
  leverValves,
  pumpChange,
  flowMeter,
  blockRings,
  spouts,
  powder,
  benchDescale,
  sieves,
]

/** Technicians’ jobs between the great services, each short. Figures from memory. */
export const maintenance: Procedure[] = jobs.map(asProcedure)
