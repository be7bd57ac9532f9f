import type { BenchKind } from '../../../bench/bench-kind.ts'
import { pathFlow } from '../../../bench/flow-path.ts'
import { elementOhm } from '../../../bench/laws.ts'
import {
  aside,
  balance,
  brew,
  brewable,
  dose,
  drawn,
  espresso,
  fullDoseG,
  groundElsewhere,
  outletC,
  pump,
  ready,
  type SuperAutomatic,
  throughBlock,
} from './bench-physics.ts'

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
