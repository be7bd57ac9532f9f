import type { BenchKind } from '../../../bench/bench-kind.ts'
import { type PathElement, type PathEnd, type PathFlow, pathFlow } from '../../../bench/flow-path.ts'
import { elementOhm, narrowed, orificeMlS, steamGS, steamSeconds, vibratoryMlS } from '../../../bench/laws.ts'

/** A small pump machine as the bench knows it; shares are of what a sound one has, 1 for all. */
export interface SmallPump {
  full: boolean
  tankOpen: number
  air: boolean
  pumpShare: number
  pumpRuns: boolean
  protector: boolean
  reliefOpensBar: number
  pipeOpen: number
  /** A jet before the group, where it has one. */
  jetOpen?: number
  valve: 'moves' | 'stuck'
  valveLeakMm: number
  ventOpen: number
  sealLeakMm: number
  screenOpen: number
  oily: number
  basketShare: number
  grindShare: number
  knobLeaks: boolean
  wandOpen: number
  thermostatShare: number
  fuse: boolean
  element: boolean
  mains: boolean
  jointLeaks: boolean
  /** A plain brew valve that does not close. */
  dripsOn: boolean
  history: 'nothing' | 'beans' | 'worked' | 'stood'
}

const puckBarPerMlS = 9 / 1.4
const cupMl = 40
const wettingS = 5

const drawn = (m: SmallPump) =>
  !m.mains || !m.pumpRuns || !m.protector || !m.full || m.air ? 0 : orificeMlS(narrowed(4, m.tankOpen), 0.5)

const pump = (m: SmallPump) => (bar: number) =>
  Math.max(
    0,
    Math.min(drawn(m), vibratoryMlS({ freeMlS: 10.3 * Math.sqrt(m.pumpShare), shutBar: 16.5 * m.pumpShare }, bar)),
  )

const none: PathFlow = { pumpMlS: 0, pumpBar: 0, endMlS: 0, endBar: 0, lost: {} }
const afterPump = (m: SmallPump): PathElement[] => [
  { relief: m.reliefOpensBar, mlSPerBar: 4, to: 'tank' },
  { through: narrowed(0.95, m.pipeOpen) },
]

function brew(m: SmallPump, handle: 'open' | 'blind' | { grind: number }): PathFlow {
  if (drawn(m) <= 0 || m.valve !== 'moves') return none
  const end: PathEnd =
    handle === 'open'
      ? { free: true }
      : handle === 'blind'
        ? { shut: true }
        : { resists: (puckBarPerMlS * handle.grind) / m.basketShare }
  return pathFlow(
    pump(m),
    16.5,
    [
      ...afterPump(m),
      ...(m.jetOpen === undefined ? [] : [{ through: narrowed(0.75, m.jetOpen) }]),
      ...(m.valveLeakMm > 0 ? [{ leak: m.valveLeakMm, to: 'tray' }] : []),
      { through: narrowed(3, m.screenOpen) },
      ...(handle !== 'open' && m.sealLeakMm > 0 ? [{ leak: m.sealLeakMm, to: 'rim' }] : []),
    ],
    end,
  )
}

/** By the steam knob, before the valve. */
const aside = (m: SmallPump) => (drawn(m) > 0 ? pathFlow(pump(m), 16.5, afterPump(m), { free: true }).endMlS : 0)

/** Seconds to a cup of coffee ground so. */
export function shotS(m: SmallPump, grind: number): number {
  const { endMlS } = brew(m, { grind })
  return endMlS < 0.15 ? Infinity : wettingS + cupMl / endMlS
}

/** Whether its element gets power and works. */
export const heats = (m: SmallPump) => m.mains && m.fuse && m.element
export const basketC = (m: SmallPump) =>
  !heats(m) || brew(m, 'open').endMlS < 0.5 ? 24 : 24 + 67 * m.thermostatShare - 12 * Math.max(0, 0.7 - m.pipeOpen)
const steamS = (m: SmallPump) =>
  heats(m) ? steamSeconds(200, 45, steamGS(1, 1.25, 2.4 * m.thermostatShare ** 3) * m.wandOpen) : Infinity

const closing = (severity: number, from = 0.5, to = 0.03) => from + (to - from) * severity

export const dvBench: BenchKind<SmallPump> = {
  kind: 'dv',
  sound: (dice) => ({
    full: true,
    tankOpen: 1,
    air: false,
    pumpShare: dice.between(0.93, 1.06),
    pumpRuns: true,
    protector: true,
    reliefOpensBar: dice.between(10, 10.8),
    pipeOpen: dice.between(0.88, 1),
    valve: 'moves',
    valveLeakMm: 0,
    ventOpen: 1,
    sealLeakMm: 0,
    screenOpen: dice.between(0.8, 1),
    oily: dice.between(0, 0.4),
    basketShare: 1,
    grindShare: dice.between(0.9, 1.15),
    knobLeaks: false,
    wandOpen: dice.between(0.85, 1),
    thermostatShare: dice.between(0.98, 1.02),
    fuse: true,
    element: true,
    mains: true,
    jointLeaks: false,
    dripsOn: false,
    history: 'nothing',
  }),
  faults: {
    'grind-fine': (m, s, dice) => {
      m.grindShare = 1.9 + 3 * s
      if (dice.next() < 0.6) m.history = 'beans'
    },
    'grind-coarse': (m, s, dice) => {
      m.grindShare = 0.5 - 0.25 * s
      if (dice.next() < 0.55) m.history = 'beans'
    },
    'cleaning-left': (m, s) => {
      m.oily = 0.7 + 0.3 * s
    },
    nothing: () => {},
    'tank-empty': (m) => {
      m.full = false
    },
    'tank-valve': (m, s) => {
      m.tankOpen = closing(s, 0.02, 0.0008)
    },
    airlock: (m, _s, dice) => {
      m.air = true
      if (dice.next() < 0.45) m.history = 'stood'
    },
    'pump-weak': (m, s) => {
      m.pumpShare = 0.58 - 0.28 * s
    },
    'pump-dead': (m, _s, dice) => {
      m.pumpRuns = false
      if (dice.next() < 0.3) m.history = 'stood'
    },
    'protector-open': (m) => {
      m.protector = false
    },
    'relief-low': (m, s) => {
      m.reliefOpensBar = 6 - 4 * s
    },
    'boiler-chalked': (m, s) => {
      m.pipeOpen = closing(s, 0.3, 0.02)
    },
    'three-way-leaks': (m, s) => {
      m.valveLeakMm = 0.18 + 0.35 * s
    },
    'three-way-shut': (m, _s, dice) => {
      m.valve = 'stuck'
      if (dice.next() < 0.2) m.history = 'stood'
    },
    'three-way-no-vent': (m, s) => {
      m.ventOpen = closing(s, 0.15, 0)
    },
    'seal-hard': (m, s) => {
      m.sealLeakMm = 0.08 + 0.18 * s
    },
    'screen-clogged': (m, s) => {
      m.screenOpen = closing(s, 0.012, 0.003)
      m.oily = 0.6
    },
    'basket-worn': (m, s) => {
      m.basketShare = 2.2 + s
    },
    'knob-leaks': (m) => {
      m.knobLeaks = true
    },
    'wand-blocked': (m, s) => {
      m.wandOpen = closing(s, 0.45, 0.03)
    },
    'thermostat-low': (m, s) => {
      m.thermostatShare = 0.84 - 0.15 * s
    },
    'fuse-open': (m) => {
      m.fuse = false
    },
    'element-open': (m) => {
      m.element = false
    },
    'no-mains': (m) => {
      m.mains = false
    },
    'joint-leaks': (m) => {
      m.jointLeaks = true
    },
  },
  notices: (m) => {
    const flows = brew(m, 'open').endMlS
    const seconds = shotS(m, m.grindShare)
    const noticed: [string, boolean][] = [
      ['dead', !m.mains],
      ['no-water', m.mains && flows < 0.8],
      ['noise', m.mains && m.pumpRuns && m.protector && drawn(m) < 2],
      ['slow', flows >= 0.8 && seconds > 38],
      ['fast', seconds < 18],
      ['cold', m.mains && flows >= 0.8 && basketC(m) < 83],
      ['weak-steam', m.mains && steamS(m) > 85],
      ['handle-leaks', m.sealLeakMm > 0],
      ['handle-kicks', m.ventOpen < 0.3],
      ['tray-runs', m.valveLeakMm > 0.2],
      ['steam-drips', m.knobLeaks],
      ['taste', m.oily > 0.65 || m.grindShare > 3 || m.grindShare < 0.35],
      ['wet-below', m.jointLeaks],
    ]
    return noticed.flatMap(([symptom, so]) => (so ? [symptom] : []))
  },
  tests: {
    ask: { by: 'customer', shows: (m) => m.history },
    lamps: { by: 'eye', shows: (m) => (!m.mains ? 'dark' : heats(m) ? 'lit' : 'never') },
    tank: { by: 'hand', shows: (m) => (!m.full ? 'empty' : m.tankOpen < 0.5 ? 'sticks' : 'right') },
    'pump-sound': {
      by: 'ear',
      shows: (m) => {
        if (!m.mains || !m.pumpRuns || !m.protector) return 'silent'
        if (drawn(m) < 2) return 'rattles'
        return m.valve !== 'moves' || brew(m, 'open').pumpBar > 9 ? 'strained' : 'even'
      },
    },
    prime: {
      by: 'eye',
      shows: (m) => {
        if (m.air && m.mains && m.pumpRuns && m.protector && m.full) return 'draws'
        const mlS = aside(m)
        return mlS < 0.3 ? 'none' : mlS < 5 ? 'little' : 'stream'
      },
    },
    'open-flow': { by: 'jug-and-watch', shows: (m) => 10 * brew(m, 'open').endMlS },
    'blind-pressure': { by: 'test-gauge', shows: (m) => brew(m, 'blind').endBar },
    vent: {
      by: 'ear',
      shows: (m) => (m.ventOpen < 0.3 || m.valve !== 'moves' ? 'none' : m.valveLeakMm > 0.35 ? 'dribbles' : 'hiss'),
    },
    rim: { by: 'eye', shows: (m) => ((brew(m, 'blind').lost.rim ?? 0) > 0.01 ? 'drips' : 'dry') },
    'tray-during': { by: 'eye', shows: (m) => ((brew(m, { grind: 1 }).lost.tray ?? 0) > 0.05 ? 'runs' : 'dry') },
    'relief-return': {
      by: 'eye',
      shows: (m) => {
        const { lost, pumpMlS } =
          m.valve === 'moves' ? brew(m, { grind: m.grindShare }) : pathFlow(pump(m), 16.5, afterPump(m), { shut: true })
        return (lost.tank ?? 0) > 0.7 * Math.max(0.1, pumpMlS) ? 'much' : 'little'
      },
    },
    shot: { by: 'watch', shows: (m) => shotS(m, 1) },
    grind: { by: 'watch', shows: (m) => shotS(m, m.grindShare) },
    'basket-temperature': { by: 'thermometer', shows: basketC },
    'steam-time': { by: 'watch', shows: steamS },
    'wand-shut': { by: 'eye', shows: (m) => (m.knobLeaks ? 'drips' : 'dry') },
    wand: { by: 'eye', shows: (m) => (m.wandOpen < 0.6 ? 'blocked' : 'clear') },
    seal: { by: 'hand', shows: (m) => (m.sealLeakMm > 0 ? 'hard' : 'soft') },
    screen: { by: 'eye', shows: (m) => (m.screenOpen < 0.5 || m.oily > 0.85 ? 'clogged' : 'clean') },
    oil: { by: 'eye', shows: (m) => (m.oily > 0.65 ? 'oily' : 'fresh') },
    basket: { by: 'eye', shows: (m) => (m.basketShare > 1.5 ? 'worn' : 'even') },
    below: { by: 'eye', shows: (m) => (m.jointLeaks ? 'wet' : 'dry') },
    socket: { by: 'multimeter', shows: (m) => (m.mains ? 'live' : 'off') },
    'boiler-hose': { by: 'eye', shows: (m) => (aside(m) > 5 ? 'stream' : 'little') },
    'pump-hose': { by: 'jug-and-watch', shows: (m) => 10 * pump(m)(0.5) },
    protector: { by: 'multimeter', shows: (m) => (m.protector ? 'closed' : 'open') },
    element: { by: 'multimeter', shows: (m) => (m.element ? elementOhm(1020) : Infinity) },
    fuse: { by: 'multimeter', shows: (m) => (m.fuse ? 'closed' : 'open') },
    thermostat: { by: 'thermometer', shows: (m) => (m.thermostatShare < 0.92 ? 'early' : 'right') },
    'three-way': {
      by: 'eye',
      shows: (m) =>
        m.valve === 'stuck' ? 'stuck' : m.valveLeakMm > 0 ? 'seat' : m.ventOpen < 0.5 ? 'exhaust' : 'right',
    },
    'leaks-inside': { by: 'eye', shows: (m) => (m.jointLeaks ? 'wet' : 'dry') },
  },
}
