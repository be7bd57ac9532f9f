import type { BenchKind } from '../../../bench/bench-kind.ts'
import { elementOhm, narrowed, orificeMlS } from '../../../bench/laws.ts'
import { basketC, boilerBar, brew, overfull, shotS, steamS, supply, type TwoGroup } from './bench-physics.ts'

const under = (share: number) => share < 0.6

/** Severity of something closing: from hardly to nearly shut. */
const closing = (severity: number, from = 0.5, to = 0.03) => from + (to - from) * severity

export const c2Bench: BenchKind<TwoGroup> = {
  kind: 'c2',
  sound: (dice) => ({
    mainsBar: dice.between(2.5, 4),
    supplyOpen: 1,
    strainerOpen: 1,
    pumpShare: dice.between(0.95, 1.05),
    bypassBar: dice.between(7.2, 7.6),
    motor: 'runs',
    expansionOpensBar: dice.between(11, 12),
    jetMm: dice.between(0.58, 0.63),
    jetOpen: dice.between(0.9, 1),
    exchangerOpen: dice.between(0.9, 1),
    valve: 'moves',
    valveLeakMm: 0,
    ventOpen: 1,
    gasketLeakMm: 0,
    gasketHard: false,
    screenOpen: dice.between(0.8, 1),
    oily: dice.between(0, 0.4),
    basketShare: 1,
    grindShare: dice.between(0.9, 1.12),
    pulsesShare: 1,
    keys: true,
    board: true,
    boardBad: false,
    mains: true,
    setBar: dice.between(1.02, 1.18),
    elementShare: 1,
    cutOut: true,
    contactor: true,
    fill: 'works',
    probeSees: true,
    conductivityUsCm: dice.between(180, 520),
    seatLeaks: false,
    jointLeaks: false,
    tipOpen: dice.between(0.85, 1),
    safetyWeeps: false,
    vacuumOpen: false,
    drainOpen: 1,
    leaksInside: false,
    history: 'nothing',
  }),
  faults: {
    'grind-fine': (m, s, dice) => {
      m.grindShare = 1.8 + 3 * s
      if (dice.next() < 0.6) m.history = 'beans'
    },
    'grind-coarse': (m, s, dice) => {
      m.grindShare = 0.6 - 0.3 * s
      if (dice.next() < 0.6) m.history = 'beans'
    },
    'cleaning-left': (m, s) => {
      m.oily = 0.7 + 0.3 * s
      m.screenOpen = 0.7
    },
    'supply-shut': (m, s) => {
      m.supplyOpen = closing(s, 0.006, 0.0003)
    },
    'strainer-blocked': (m, s) => {
      m.strainerOpen = closing(s, 0.02, 0.003)
    },
    'gasket-hard': (m, s) => {
      m.gasketLeakMm = 0.08 + 0.16 * s
      m.gasketHard = true
    },
    'screen-clogged': (m, s) => {
      m.screenOpen = closing(s, 0.012, 0.003)
      m.oily = 0.6
    },
    'basket-worn': (m, s) => {
      m.basketShare = 1.7 + s
    },
    'three-way-shut': (m, _s, dice) => {
      m.valve = 'stuck'
      if (dice.next() < 0.2) m.history = 'stood'
    },
    'three-way-coil': (m) => {
      m.valve = 'coil open'
    },
    'three-way-leaks': (m, s) => {
      m.valveLeakMm = 0.15 + 0.35 * s
    },
    'three-way-no-vent': (m, s) => {
      m.ventOpen = closing(s, 0.15, 0)
    },
    'meter-silent': (m) => {
      m.pulsesShare = 0
    },
    'meter-counts-wrong': (m, s) => {
      m.pulsesShare = 0.85 - 0.4 * s
    },
    'jet-blocked': (m, s) => {
      m.jetOpen = closing(s, 0.5, 0.02)
    },
    'exchanger-chalked': (m, s) => {
      m.exchangerOpen = closing(s, 0.3, 0.04)
    },
    'pump-worn': (m, s) => {
      m.pumpShare = 0.7 - 0.5 * s
    },
    'bypass-low': (m, s) => {
      m.bypassBar = 5 - 2.5 * s
    },
    capacitor: (m) => {
      m.motor = 'hums'
    },
    'motor-dead': (m, _s, dice) => {
      m.motor = dice.next() < 0.7 ? 'dead' : 'hums'
      if (dice.next() < 0.3) m.history = 'stood'
    },
    'fill-shut': (m) => {
      m.fill = 'shut'
    },
    'fill-leaks': (m) => {
      m.fill = 'leaks'
    },
    'water-too-pure': (m, s) => {
      m.conductivityUsCm = 42 - 32 * s
    },
    'probe-chalked': (m) => {
      m.probeSees = false
    },
    'steam-seat': (m) => {
      m.seatLeaks = true
    },
    'tip-blocked': (m, s) => {
      m.tipOpen = closing(s, 0.5, 0.05)
    },
    'wand-joint': (m) => {
      m.jointLeaks = true
    },
    'element-open': (m, s) => {
      m.elementShare = s < 0.3 ? 0.33 : 0
    },
    'cut-out': (m) => {
      m.cutOut = false
    },
    contactor: (m) => {
      m.contactor = false
    },
    'pressure-low': (m, s) => {
      m.setBar = 0.75 - 0.3 * s
    },
    'pressure-high': (m, s) => {
      m.setBar = 1.5 + 0.35 * s
    },
    'expansion-runs': (m, s) => {
      m.expansionOpensBar = 7 - 3.5 * s
    },
    'safety-weeps': (m) => {
      m.safetyWeeps = true
    },
    'vacuum-open': (m) => {
      m.vacuumOpen = true
    },
    'drain-blocked': (m, s) => {
      m.drainOpen = closing(s, 0.3, 0)
    },
    'keys-dead': (m) => {
      m.keys = false
    },
    'board-dead': (m, _s, dice) => {
      const which = dice.next()
      if (which < 0.6) m.board = false
      else if (which < 0.85) m.keys = false
      else m.contactor = false
      m.boardBad = true
    },
    'no-mains': (m) => {
      m.mains = false
    },
    'leak-inside': (m) => {
      m.leaksInside = true
    },
    nothing: () => {},
  },
  notices: (m) => {
    const noticed: [string, boolean][] = [
      ['dead', !m.mains || !m.board],
      ['keys', m.mains && m.board && !m.keys],
      ['no-heat', m.mains && m.board && boilerBar(m) < 0.1],
      ['no-water', m.mains && m.board && m.keys && brew(m, 'open').endMlS < 0.8],
      ['blinks', m.pulsesShare === 0 || m.fill === 'shut'],
      ['dose', m.pulsesShare < 0.92],
      ['slow', shotS(m, m.grindShare) > 38 && brew(m, 'open').endMlS >= 0.8],
      ['fast', shotS(m, m.grindShare) < 19],
      ['cold', boilerBar(m) >= 0.1 && basketC(m) < 88],
      ['too-hot', basketC(m) > 96.5],
      ['over', boilerBar(m) > 1.55 || m.safetyWeeps || m.vacuumOpen],
      ['weak-steam', boilerBar(m) >= 0.1 && steamS(m) > 25 && !overfull(m)],
      ['no-steam', boilerBar(m) < 0.1 && m.mains && m.board],
      ['wet-steam', overfull(m)],
      ['steam-drips', m.seatLeaks || m.jointLeaks],
      ['handle-leaks', m.gasketLeakMm > 0 || m.basketShare > 2.3],
      ['handle-kicks', m.ventOpen < 0.3],
      ['tray-runs', m.valveLeakMm > 0.2 || m.expansionOpensBar < 8],
      ['tray-full', m.drainOpen < 0.35],
      ['wet-below', m.leaksInside || m.drainOpen < 0.05],
      ['noise', m.motor === 'hums' || supply(m) < 20 || m.pumpShare < 0.45],
      ['taste', m.oily > 0.6 || m.grindShare > 2.6 || m.grindShare < 0.45],
    ]
    return noticed.flatMap(([symptom, so]) => (so ? [symptom] : []))
  },
  tests: {
    ask: { by: 'customer', shows: (m) => m.history },
    lamps: {
      by: 'eye',
      shows: (m) => {
        if (!m.mains || !m.board) return 'dark'
        if (!m.keys) return 'dead'
        if (m.fill === 'shut' || supply(m) < 3 || m.motor !== 'runs') return 'all-blink'
        return m.pulsesShare === 0 || brew(m, { grind: m.grindShare }).endMlS < 0.25 ? 'one-blinks' : 'lit'
      },
    },
    taps: { by: 'eye', shows: (m) => (m.supplyOpen < 0.5 ? 'shut' : 'right') },
    below: { by: 'eye', shows: (m) => (m.leaksInside || m.drainOpen < 0.1 ? 'wet' : 'dry') },
    'boiler-gauge': { by: 'steam-gauge', shows: boilerBar },
    'pump-sound': {
      by: 'ear',
      shows: (m) => {
        if (!m.mains || !m.board || !m.keys || m.motor === 'dead') return 'silent'
        if (m.motor === 'hums') return 'hums'
        return supply(m) < 41 * m.pumpShare * 0.5 || m.pumpShare < 0.4 ? 'growls' : 'even'
      },
    },
    'open-flow': { by: 'jug-and-watch', shows: (m) => 10 * brew(m, 'open').endMlS },
    'other-group': {
      by: 'eye',
      shows: (m) => {
        const here = brew(m, 'open').endMlS
        const there = brew(
          { ...m, jetOpen: 1, exchangerOpen: 1, valve: 'moves', valveLeakMm: 0, keys: true, screenOpen: 1 },
          'open',
        ).endMlS
        // Both gaskets went in on the same day: the worse half of them leaks alone.
        const ownParts =
          m.gasketLeakMm > 0.16 || m.valveLeakMm > 0 || m.ventOpen < 0.5 || m.pulsesShare < 0.9 || m.basketShare > 1.5
        return here < 0.75 * there || ownParts ? 'better' : 'same'
      },
    },
    'blind-pressure': { by: 'test-gauge', shows: (m) => brew(m, 'blind').endBar },
    vent: {
      by: 'ear',
      shows: (m) => (m.ventOpen < 0.3 || m.valve !== 'moves' ? 'none' : m.valveLeakMm > 0.4 ? 'dribbles' : 'hiss'),
    },
    rim: { by: 'eye', shows: (m) => ((brew(m, 'blind').lost.rim ?? 0) > 0.01 ? 'drips' : 'dry') },
    'tray-during': {
      by: 'eye',
      shows: (m) =>
        m.expansionOpensBar < 8 ? 'runs-at-rest' : (brew(m, { grind: 1 }).lost.tray ?? 0) > 0.05 ? 'runs' : 'dry',
    },
    shot: { by: 'watch', shows: (m) => shotS(m, 1) },
    grind: { by: 'watch', shows: (m) => shotS(m, m.grindShare) },
    'three-doses': {
      by: 'scale',
      shows: (m) => (m.pulsesShare === 0 ? 'no-stop' : m.pulsesShare < 0.9 ? 'apart' : 'alike'),
    },
    'basket-temperature': { by: 'thermometer', shows: basketC },
    'steam-time': { by: 'watch', shows: steamS },
    'wand-shut': { by: 'eye', shows: (m) => (m.seatLeaks ? 'tip' : m.jointLeaks ? 'joint' : 'dry') },
    tip: { by: 'eye', shows: (m) => (under(m.tipOpen) ? 'blocked' : 'clear') },
    'sight-glass': { by: 'eye', shows: (m) => (overfull(m) ? 'over' : m.fill === 'shut' ? 'under' : 'between') },
    'fill-off': { by: 'eye', shows: (m) => (m.fill === 'leaks' ? 'goes-on' : 'stops') },
    breather: {
      by: 'eye',
      shows: (m) => (m.safetyWeeps || boilerBar(m) > 1.75 ? 'safety' : m.vacuumOpen ? 'vacuum' : 'quiet'),
    },
    'line-rest': { by: 'machine-gauge', shows: (m) => Math.min(m.expansionOpensBar, 11) - 0.5 },
    'mains-flow': { by: 'jug-and-watch', shows: (m) => 10 * orificeMlS(narrowed(4, m.supplyOpen), m.mainsBar) },
    strainer: { by: 'eye', shows: (m) => (under(m.strainerOpen) ? 'blocked' : 'clean') },
    gasket: { by: 'hand', shows: (m) => (m.gasketHard ? 'hard' : 'soft') },
    screen: { by: 'eye', shows: (m) => (under(m.screenOpen) || m.oily > 0.85 ? 'clogged' : 'clean') },
    oil: { by: 'eye', shows: (m) => (m.oily > 0.65 ? 'oily' : 'fresh') },
    basket: { by: 'eye', shows: (m) => (m.basketShare > 1.4 ? 'worn' : 'even') },
    drain: { by: 'eye', shows: (m) => (under(m.drainOpen) ? 'stands' : 'runs') },
    socket: { by: 'multimeter', shows: (m) => (m.mains ? 'live' : 'off') },
    'swap-keys': { by: 'hand', shows: (m) => (m.keys || m.boardBad ? 'stays' : 'goes') },
    'swap-coils': { by: 'hand', shows: (m) => (m.valve === 'coil open' ? 'goes' : 'stays') },
    'swap-meters': { by: 'hand', shows: (m) => (m.pulsesShare < 0.9 ? 'goes' : 'stays') },
    element: {
      by: 'multimeter',
      shows: (m) => (m.elementShare === 0 ? Infinity : elementOhm(3500 * m.elementShare)),
    },
    'cut-out': { by: 'multimeter', shows: (m) => (m.cutOut ? 'closed' : 'open') },
    contactor: { by: 'hand', shows: (m) => (m.contactor && m.board ? 'pulls' : 'not') },
    capacitor: { by: 'multimeter', shows: (m) => (m.motor === 'hums' ? 'low' : 'right') },
    'turn-shaft': { by: 'hand', shows: (m) => (m.motor === 'dead' ? 'tight' : 'free') },
    bypass: {
      by: 'machine-gauge',
      shows: (m) => {
        const now = brew(m, { grind: 1 }).pumpBar
        if (now > 8.3) return 'nine'
        return brew({ ...m, bypassBar: 7.6 }, { grind: 1 }).pumpBar > 8.3 ? 'climbs' : 'not'
      },
    },
    jet: { by: 'eye', shows: (m) => (m.jetOpen < 0.75 ? 'chalk' : 'clear') },
    conductivity: { by: 'pen', shows: (m) => m.conductivityUsCm },
    probe: { by: 'eye', shows: (m) => (m.probeSees ? 'clean' : 'chalked') },
    'fill-click': { by: 'hand', shows: (m) => (m.fill === 'shut' || supply(m) < 3 ? 'dead' : 'fills') },
    'three-way': {
      by: 'eye',
      shows: (m) =>
        m.valve === 'stuck' ? 'stuck' : m.valveLeakMm > 0 ? 'seat' : m.ventOpen < 0.5 ? 'exhaust' : 'right',
    },
    'pressure-switch': { by: 'machine-gauge', shows: (m) => (m.setBar < 0.85 || m.setBar > 1.35 ? 'not' : 'follows') },
    'leak-paper': { by: 'eye', shows: (m) => (m.leaksInside ? 'wet' : 'dry') },
  },
}
