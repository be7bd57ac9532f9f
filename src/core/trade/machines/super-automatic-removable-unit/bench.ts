import type { BenchKind } from '../../../bench/bench-kind.ts'
import { type PathElement, type PathFlow, pathFlow } from '../../../bench/flow-path.ts'
import { elementOhm, narrowed, orificeMlS, rotaryMlS, vibratoryMlS } from '../../../bench/laws.ts'

/** A super-automatic as the bench knows it; shares are of what a sound one has, 1 for all. */
export interface SuperAutomatic {
  tankOpen: number
  filterOpen: number
  air: boolean
  pumpShare: number
  pumpRuns: boolean
  channelOpen: number
  heater: boolean
  sensorShare: number
  nozzleLeakMm: number
  ringLeakMm: number
  screenOpen: number
  unitStiff: boolean
  drive: 'right' | 'slips'
  homeSwitch: boolean
  valve: 'right' | 'stuck'
  valveLeakMm: number
  steamValve: 'right' | 'shut'
  doseShare: number
  grindShare: number
  hopper: 'falls' | 'hangs'
  chute: number
  grinder: 'runs' | 'jammed' | 'no contact'
  blunt: boolean
  pulsesShare: number
  askedShare: number
  home: boolean
  doorSwitch: boolean
  board: boolean
  airJetOpen: number
  ringsWorn: boolean
  hoseLeakMm: number
  history: 'nothing' | 'beans' | 'worked' | 'stood'
  /** Of the mains it hangs on, with a rotary pump; none for one with a tank. */
  mainsBar?: number
  /** What opens the way to the cup, bar; a spring valve where nothing is said. */
  cremaBar?: number
  /** What it lets off into the tray after each drink, ml; of one with a tank where nothing is said. */
  ventMl?: number
}

const fullDoseG = 9
const espressoMl = 40
const puckMl = 10
const ventedMl = 9
/** The crema valve, and a sound puck, bar per ml/s. */
const springBar = 3.5
const puckBarPerMlS = 3.9

/** Whether it gets as far as pumping. */
const ready = (m: SuperAutomatic) => m.board && m.home && m.doorSwitch
const brewable = (m: SuperAutomatic) => ready(m) && m.drive === 'right' && m.homeSwitch && m.valve === 'right'

/** What reaches the pump, ml/s. */
const drawn = (m: SuperAutomatic) =>
  m.air || !m.pumpRuns ? 0 : orificeMlS(narrowed(4, Math.min(m.tankOpen, m.filterOpen)), m.mainsBar ?? 0.5)

const pump = (m: SuperAutomatic) => (bar: number) =>
  Math.max(
    0,
    Math.min(
      drawn(m),
      m.mainsBar === undefined
        ? vibratoryMlS({ freeMlS: 10.3 * Math.sqrt(m.pumpShare), shutBar: 16.5 * m.pumpShare }, bar)
        : rotaryMlS({ ratedMlS: 25 * m.pumpShare, bypassBar: 6.9 * Math.min(1, m.pumpShare) }, bar),
    ),
  )

/** Water through the block to somewhere. */
const throughBlock = (m: SuperAutomatic): PathElement[] => [
  { through: narrowed(m.mainsBar === undefined ? 0.72 : 0.6, m.channelOpen) },
  ...(m.hoseLeakMm > 0 ? [{ leak: m.hoseLeakMm, to: 'inside' }] : []),
]

/** Water on its way to the cup, with coffee in it or without. */
export function brew(m: SuperAutomatic, coffee: boolean): PathFlow {
  const none: PathFlow = { pumpMlS: 0, pumpBar: 0, endMlS: 0, endBar: 0, lost: {} }
  if (!brewable(m) || drawn(m) <= 0) return none
  const leaks: [number, string][] = [
    [m.valveLeakMm, 'valve'],
    [m.nozzleLeakMm, 'nozzle'],
    [m.ringLeakMm, 'ring'],
  ]
  return pathFlow(
    pump(m),
    16.5,
    [
      ...throughBlock(m),
      ...leaks.flatMap(([mm, to]) => (mm > 0 ? [{ leak: mm, to }] : [])),
      { through: narrowed(2, m.screenOpen) },
      { opensBar: m.cremaBar ?? springBar },
    ],
    coffee ? { resists: puckBarPerMlS * m.grindShare * dose(m) } : { free: true },
  )
}

/** Hot water or steam goes off before the brew unit. */
const aside = (m: SuperAutomatic): number =>
  ready(m) && m.steamValve === 'right' && m.valve === 'right' && drawn(m) > 0
    ? pathFlow(pump(m), 16.5, throughBlock(m), { free: true }).endMlS
    : 0

/** Ground coffee as a share of the full dose. */
const dose = (m: SuperAutomatic): number => (m.grinder === 'runs' ? Math.min(m.chute, m.doseShare) : 0.02)

/** What one espresso comes to. */
function espresso(m: SuperAutomatic): { cupG: number; trayMl: number; seconds: number } {
  const { pumpMlS, endMlS, lost } = brew(m, true)
  if (pumpMlS < 0.25 || endMlS < 0.15) return { cupG: 0, trayMl: 0, seconds: Infinity }
  const counted = (espressoMl * m.askedShare + puckMl) / Math.max(0.4, m.pulsesShare)
  const share = endMlS / pumpMlS
  const away = ((lost.valve ?? 0) + (lost.nozzle ?? 0) + (lost.ring ?? 0)) / pumpMlS
  return {
    cupG: Math.max(0, counted * share - puckMl * Math.min(1, dose(m) + 0.2)),
    trayMl: (m.ventMl ?? ventedMl) + counted * away,
    seconds: 5 + counted / pumpMlS,
  }
}

/** What it counted against what is found in cup, tray and puck, each weighed. */
function balance(m: SuperAutomatic): string {
  const { cupG, trayMl, seconds } = espresso(m)
  if (m.pulsesShare === 0) return 'more'
  if (!Number.isFinite(seconds)) return 'none'
  const asked = espressoMl * m.askedShare
  const spilt = trayMl - (m.ventMl ?? ventedMl)
  const found = cupG + spilt
  if (found > 1.15 * asked) return 'more'
  if (cupG >= 0.85 * asked) return 'agree'
  return spilt > 0.5 * (asked - cupG) ? 'tray' : 'gone'
}

/** A cup of coffee that its own grinder had no part in. */
function groundElsewhere(m: SuperAutomatic): string {
  // As coarse as such a machine's sound grinder has it.
  const grindShare = m.mainsBar === undefined ? 1 : 0.55
  const given: SuperAutomatic = { ...m, grinder: 'runs', doseShare: 1, chute: 1, grindShare }
  const { cupG, seconds } = espresso(given)
  const asked = espressoMl * m.askedShare
  const good = m.pulsesShare > 0 && Math.abs(cupG - asked) < 0.2 * asked && seconds < 36 && outletC(m) > 78
  return good ? 'well' : 'bad'
}

/** Of the water at its spout. */
export function outletC(m: SuperAutomatic): number {
  if (!m.heater || !brewable(m) || drawn(m) <= 0) return 24
  return 24 + (90 - 24) * m.sensorShare - 22 * Math.max(0, 0.8 - m.channelOpen)
}

const closing = (severity: number, from = 0.5, to = 0.03) => from + (to - from) * severity

export const srBench: BenchKind<SuperAutomatic> = {
  kind: 'sr',
  sound: (dice) => ({
    tankOpen: 1,
    filterOpen: 1,
    air: false,
    pumpShare: dice.between(0.93, 1.06),
    pumpRuns: true,
    channelOpen: dice.between(0.88, 1),
    heater: true,
    sensorShare: dice.between(0.98, 1.02),
    nozzleLeakMm: 0,
    ringLeakMm: 0,
    screenOpen: dice.between(0.8, 1),
    unitStiff: false,
    drive: 'right',
    homeSwitch: true,
    valve: 'right',
    valveLeakMm: 0,
    steamValve: 'right',
    doseShare: dice.between(0.95, 1.05),
    grindShare: dice.between(0.88, 1.15),
    hopper: 'falls',
    chute: 1.1,
    grinder: 'runs',
    blunt: false,
    pulsesShare: dice.between(0.97, 1.03),
    askedShare: 1,
    home: true,
    doorSwitch: true,
    board: true,
    airJetOpen: 1,
    ringsWorn: false,
    hoseLeakMm: 0,
    history: 'nothing',
  }),
  faults: {
    'grind-fine': (m, s, dice) => {
      m.grindShare = 2 + 3.5 * s
      if (dice.next() < 0.5) m.history = 'beans'
    },
    'beans-oily': (m, s, dice) => {
      m.hopper = 'hangs'
      m.doseShare = 0.6 - 0.55 * s
      if (dice.next() < 0.6) m.history = 'beans'
    },
    settings: (m, s, dice) => {
      m.askedShare = dice.next() < 0.6 ? 1.3 + 0.5 * s : 0.75 - 0.2 * s
      if (dice.next() < 0.5) m.history = 'beans'
    },
    containers: (m) => {
      m.home = false
    },
    nothing: () => {},
    'tank-out': (m) => {
      m.tankOpen = 0.0005
    },
    'filter-blocked': (m, s) => {
      m.filterOpen = closing(s, 0.06, 0.002)
    },
    airlock: (m, _s, dice) => {
      m.air = true
      if (dice.next() < 0.4) m.history = 'stood'
    },
    'meter-stands': (m) => {
      m.pulsesShare = 0
    },
    'meter-counts-wrong': (m, s) => {
      m.pulsesShare = 0.82 - 0.3 * s
    },
    'pump-weak': (m, s) => {
      m.pumpShare = 0.62 - 0.32 * s
    },
    'pump-dead': (m, _s, dice) => {
      m.pumpRuns = false
      if (dice.next() < 0.3) m.history = 'stood'
    },
    'block-chalked': (m, s) => {
      m.channelOpen = closing(s, 0.35, 0.03)
    },
    'heater-open': (m) => {
      m.heater = false
    },
    'sensor-low': (m, s) => {
      m.sensorShare = 0.85 - 0.2 * s
    },
    'nozzle-seals': (m, s) => {
      m.nozzleLeakMm = 0.22 + 0.4 * s
    },
    'unit-ring': (m, s) => {
      m.ringLeakMm = 0.18 + 0.3 * s
    },
    'unit-screen': (m, s) => {
      m.screenOpen = closing(s, 0.02, 0.004)
    },
    'unit-dry': (m) => {
      m.unitStiff = true
    },
    'drive-nut': (m) => {
      m.drive = 'slips'
    },
    'position-switch': (m) => {
      m.homeSwitch = false
    },
    'valve-leaks': (m, s) => {
      m.valveLeakMm = 0.2 + 0.35 * s
    },
    'valve-stuck': (m) => {
      m.valve = 'stuck'
    },
    'chute-clogged': (m, s) => {
      m.chute = 0.55 - 0.55 * s
    },
    'burrs-worn': (m, s) => {
      m.blunt = true
      m.grindShare = 0.6 - 0.25 * s
      m.doseShare = 0.85
    },
    'grinder-jam': (m) => {
      m.grinder = 'jammed'
    },
    'contacts-off': (m) => {
      m.grinder = 'no contact'
    },
    'air-jet': (m, s) => {
      m.airJetOpen = closing(s, 0.4, 0)
    },
    'frother-rings': (m) => {
      m.ringsWorn = true
    },
    'steam-valve': (m) => {
      m.steamValve = 'shut'
    },
    'board-dead': (m) => {
      m.board = false
    },
    'door-switch': (m) => {
      m.doorSwitch = false
    },
    'hose-leaks': (m, s) => {
      m.hoseLeakMm = 0.12 + 0.25 * s
    },
  },
  notices: (m) => {
    const cup = espresso(m)
    const pours = cup.cupG > 5
    const noticed: [string, boolean][] = [
      ['dead', !m.board],
      ['grounds-says', m.board && (!m.home || !m.doorSwitch)],
      ['unit-says', ready(m) && (m.drive !== 'right' || !m.homeSwitch || m.unitStiff)],
      ['tank-says', ready(m) && (drawn(m) < 1 || m.pulsesShare === 0)],
      ['no-water', brewable(m) && brew(m, false).endMlS < 0.8],
      ['slow', pours && cup.seconds > 36],
      ['short-cup', brew(m, true).pumpMlS > 0.8 && cup.cupG < 33],
      ['too-long', pours && cup.cupG > 48],
      ['weak', pours && (dose(m) < 0.75 || m.grindShare < 0.6 || m.askedShare > 1.4)],
      ['clear', pours && dose(m) < 0.2],
      ['wet-puck', m.ringLeakMm > 0.3 || m.valve === 'stuck'],
      ['cold', m.board && ready(m) && brewable(m) && drawn(m) > 1 && outletC(m) < 83],
      ['no-steam', ready(m) && (aside(m) < 2 || !m.heater)],
      ['grinder-silent', m.board && m.grinder !== 'runs'],
      ['grinder-empty', m.grinder === 'runs' && (m.hopper === 'hangs' || m.chute < 0.25)],
      ['foam', m.airJetOpen < 0.5 || m.ringsWorn],
      ['wet-below', m.hoseLeakMm > 0],
      ['taste', m.grindShare > 3.5 || m.blunt || m.screenOpen < 0.01],
    ]
    return noticed.flatMap(([symptom, so]) => (so ? [symptom] : []))
  },
  tests: {
    ask: { by: 'customer', shows: (m) => m.history },
    display: {
      by: 'eye',
      shows: (m) => {
        if (!m.board) return 'dark'
        if (!m.home || !m.doorSwitch) return 'grounds'
        if (m.drive !== 'right' || !m.homeSwitch || m.unitStiff) return 'unit'
        if (drawn(m) < 1 || m.pulsesShare === 0) return 'tank'
        return dose(m) < 0.3 ? 'beans' : 'ready'
      },
    },
    settings: { by: 'eye', shows: (m) => (Math.abs(m.askedShare - 1) > 0.2 ? 'odd' : 'usual') },
    home: { by: 'hand', shows: (m) => (m.home ? 'same' : 'cured') },
    seat: { by: 'hand', shows: (m) => (m.tankOpen < 0.1 ? 'wrong' : 'right') },
    'filter-out': {
      by: 'eye',
      shows: (m) =>
        brew({ ...m, filterOpen: 1 }, false).endMlS > 1.25 * brew(m, false).endMlS + 0.2 ? 'better' : 'same',
    },
    'pump-sound': {
      by: 'ear',
      shows: (m) => {
        if (!ready(m) || !m.pumpRuns || m.drive !== 'right' || !m.homeSwitch) return 'silent'
        if (drawn(m) < 3) return 'light'
        const { pumpBar, pumpMlS } = brew(m, true)
        return pumpBar > 12 && pumpMlS < 1.2 ? 'laboured' : 'loaded'
      },
    },
    'open-flow': { by: 'scale', shows: (m) => 10 * brew(m, false).endMlS },
    'hot-water': { by: 'jug-and-watch', shows: (m) => 10 * aside(m) },
    balance: { by: 'scale', shows: balance },
    'pre-ground': { by: 'scale', shows: groundElsewhere },
    'tray-water': { by: 'scale', shows: (m) => espresso(m).trayMl },
    espresso: { by: 'scale', shows: (m) => (m.pulsesShare === 0 ? 90 : espresso(m).cupG) },
    'shot-time': { by: 'watch', shows: (m) => espresso(m).seconds },
    'outlet-temperature': { by: 'thermometer', shows: outletC },
    // Ground coffee takes up nine tenths of its weight in water.
    'puck-weight': { by: 'scale', shows: (m) => (m.board ? 1.9 * fullDoseG * dose(m) : 0) },
    'grinder-sound': {
      by: 'ear',
      shows: (m) => {
        if (!m.board || m.grinder === 'no contact') return 'silent'
        if (m.grinder === 'jammed') return 'hums'
        return m.hopper === 'hangs' || m.chute < 0.3 ? 'empty' : 'loaded'
      },
    },
    hopper: { by: 'eye', shows: (m) => (m.hopper === 'hangs' ? 'hang' : 'fall') },
    puck: {
      by: 'eye',
      shows: (m) =>
        dose(m) < 0.15 ? 'none' : m.ringLeakMm > 0.2 || m.valve === 'stuck' ? 'wet' : dose(m) < 0.65 ? 'small' : 'firm',
    },
    nozzle: { by: 'eye', shows: (m) => (m.nozzleLeakMm > 0 ? 'gone' : 'whole') },
    ring: { by: 'eye', shows: (m) => (m.ringLeakMm > 0 ? 'worn' : 'whole') },
    screen: { by: 'eye', shows: (m) => (m.screenOpen < 0.3 ? 'stands' : 'runs') },
    'unit-by-hand': { by: 'hand', shows: (m) => (m.unitStiff ? 'stiff' : 'easy') },
    drive: { by: 'eye', shows: (m) => (m.drive === 'slips' ? 'slips' : m.homeSwitch ? 'right' : 'lost') },
    switch: { by: 'hand', shows: (m) => (m.doorSwitch ? 'click' : 'dead') },
    foam: {
      by: 'eye',
      shows: (m) => (m.ringsWorn || aside(m) < 2 || !m.heater ? 'spits' : m.airJetOpen < 0.5 ? 'coarse' : 'fine'),
    },
    jet: { by: 'eye', shows: (m) => (m.airJetOpen < 0.5 ? 'blocked' : 'clear') },
    rings: { by: 'eye', shows: (m) => (m.ringsWorn ? 'worn' : 'whole') },
    below: { by: 'eye', shows: (m) => (m.hoseLeakMm > 0 ? 'wet' : 'dry') },
    'leaks-inside': { by: 'eye', shows: (m) => (m.hoseLeakMm > 0 ? 'wet' : 'dry') },
    'outlet-hose': {
      by: 'eye',
      shows: (m) =>
        !m.board || drawn(m) <= 0 || pathFlow(pump(m), 16.5, throughBlock(m), { free: true }).endMlS < 4.5
          ? 'little'
          : 'stream',
    },
    'pump-hose': { by: 'eye', shows: (m) => (m.board && pump(m)(0.5) > 7 ? 'stream' : 'little') },
    'meter-pulses': {
      by: 'hand',
      shows: (m) => (m.pulsesShare === 0 ? 'stands' : m.pulsesShare < 0.9 ? 'few' : 'counts'),
    },
    element: { by: 'multimeter', shows: (m) => (m.heater ? elementOhm(1300) : Infinity) },
    sensor: { by: 'multimeter', shows: (m) => 112 * m.sensorShare ** 3 },
    contacts: { by: 'eye', shows: (m) => (m.grinder === 'no contact' ? 'off' : 'touch') },
    chute: { by: 'hand', shows: (m) => (m.chute < 0.7 ? 'packed' : 'through') },
    burrs: { by: 'eye', shows: (m) => (m.grinder === 'jammed' ? 'stone' : m.blunt ? 'blunt' : 'sharp') },
    valve: { by: 'eye', shows: (m) => (m.valve === 'stuck' ? 'never' : m.valveLeakMm > 0 ? 'runs' : 'dry') },
    'steam-valve': { by: 'eye', shows: (m) => (m.steamValve === 'right' ? 'opens' : 'fails') },
    'fuse-mains': { by: 'multimeter', shows: () => 'live' },
  },
}
