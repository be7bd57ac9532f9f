import type { BenchKind } from '../../../bench/bench-kind.ts'
import { type PathElement, type PathFlow, pathFlow } from '../../../bench/flow-path.ts'
import { elementOhm, narrowed, orificeMlS, vibratoryMlS } from '../../../bench/laws.ts'

/** A pod machine as the bench knows it; shares are of what a sound one has, 1 for all. */
export interface PodMachine {
  tankOpen: number
  full: boolean
  air: boolean
  pumpShare: number
  pumpRuns: boolean
  channelOpen: number
  heater: boolean
  fuse: boolean
  sensorShare: number
  checkOpen: number
  checkLeaks: boolean
  needleOpen: number
  needleBlunt: boolean
  headLeakMm: number
  cageCracked: boolean
  outletOpen: number
  lockLoose: boolean
  shut: boolean
  headSwitch: boolean
  button: boolean
  board: boolean
  capsuleShare: number
  askedShare: number
  pulsesShare: number
  asksDescale: boolean
  jointLeakMm: number
  history: 'nothing' | 'capsules' | 'worked' | 'stood'
}

const askedMl = 40
const keptMl = 7
/** A fresh capsule, once open, bar per ml/s. */
const capsuleBarPerMlS = 5

const starts = (m: PodMachine) => m.board && m.button && m.headSwitch && m.shut

const drawn = (m: PodMachine) => (m.air || !m.pumpRuns || !m.full ? 0 : orificeMlS(narrowed(4, m.tankOpen), 0.5))

const pump = (m: PodMachine) => (bar: number) =>
  Math.max(
    0,
    Math.min(drawn(m), vibratoryMlS({ freeMlS: 10.2 * Math.sqrt(m.pumpShare), shutBar: 16 * m.pumpShare }, bar)),
  )

const heaterPath = (m: PodMachine): PathElement[] => [
  { through: narrowed(0.6, m.channelOpen) },
  ...(m.jointLeakMm > 0 ? [{ leak: m.jointLeakMm, to: 'inside' }] : []),
]

function flow(m: PodMachine, capsule: boolean): PathFlow {
  const none: PathFlow = { pumpMlS: 0, pumpBar: 0, endMlS: 0, endBar: 0, lost: {} }
  if (!starts(m) || drawn(m) <= 0) return none
  const leak = m.headLeakMm + (m.cageCracked ? 0.3 : 0) + (m.lockLoose ? 0.22 : 0)
  return pathFlow(
    pump(m),
    16,
    [
      ...heaterPath(m),
      { through: narrowed(1, m.checkOpen) },
      { through: narrowed(0.9, m.needleOpen) },
      ...(capsule && leak > 0 ? [{ leak, to: 'head' }] : []),
      { through: narrowed(1.6, m.outletOpen) },
    ],
    capsule ? { resists: capsuleBarPerMlS * m.capsuleShare * (m.needleBlunt ? 0.6 : 1) } : { free: true },
  )
}

function shot(m: PodMachine): { cupG: number; binMl: number; seconds: number } {
  const { pumpMlS, endMlS, lost } = flow(m, true)
  if (pumpMlS < 0.25 || endMlS < 0.12) return { cupG: 0, binMl: 1, seconds: Infinity }
  const counted = (askedMl * m.askedShare + keptMl) / Math.max(0.4, m.pulsesShare)
  const away = (lost.head ?? 0) / pumpMlS
  return {
    cupG: counted * (endMlS / pumpMlS) - keptMl,
    binMl: 2 + counted * away + (m.outletOpen < 0.1 ? 6 : 0) + (m.checkLeaks ? 5 : 0) + (m.needleBlunt ? 3 : 0),
    seconds: 4 + counted / pumpMlS,
  }
}

function outletC(m: PodMachine): number {
  if (!m.heater || !m.fuse || !starts(m) || drawn(m) <= 0) return 23
  return 23 + 63 * m.sensorShare - 20 * Math.max(0, 0.75 - m.channelOpen)
}

const closing = (severity: number, from = 0.5, to = 0.03) => from + (to - from) * severity

export const pkBench: BenchKind<PodMachine> = {
  kind: 'pk',
  sound: (dice) => ({
    tankOpen: 1,
    full: true,
    air: false,
    pumpShare: dice.between(0.93, 1.06),
    pumpRuns: true,
    channelOpen: dice.between(0.88, 1),
    heater: true,
    fuse: true,
    sensorShare: dice.between(0.98, 1.02),
    checkOpen: 1,
    checkLeaks: false,
    needleOpen: dice.between(0.85, 1),
    needleBlunt: false,
    headLeakMm: 0,
    cageCracked: false,
    outletOpen: 1,
    lockLoose: false,
    shut: true,
    headSwitch: true,
    button: true,
    board: true,
    capsuleShare: dice.between(0.85, 1.15),
    askedShare: 1,
    pulsesShare: dice.between(0.96, 1.04),
    asksDescale: false,
    jointLeakMm: 0,
    history: 'nothing',
  }),
  faults: {
    capsule: (m, s, dice) => {
      m.capsuleShare = dice.next() < 0.5 ? 2 + 2 * s : 0.45 - 0.25 * s
      if (dice.next() < 0.65) m.history = 'capsules'
    },
    'volume-set': (m, s, dice) => {
      m.askedShare = dice.next() < 0.55 ? 1.3 + 0.6 * s : 0.72 - 0.2 * s
      if (dice.next() < 0.4) m.history = 'capsules'
    },
    'prompt-misread': (m) => {
      m.asksDescale = true
    },
    nothing: () => {},
    'tank-empty': (m) => {
      m.full = false
    },
    'tank-valve': (m, s) => {
      m.tankOpen = closing(s, 0.03, 0.001)
    },
    airlock: (m, _s, dice) => {
      m.air = true
      if (dice.next() < 0.4) m.history = 'stood'
    },
    'pump-weak': (m, s) => {
      m.pumpShare = 0.6 - 0.3 * s
    },
    'pump-dead': (m, _s, dice) => {
      m.pumpRuns = false
      if (dice.next() < 0.3) m.history = 'stood'
    },
    'heater-chalked': (m, s, dice) => {
      m.channelOpen = closing(s, 0.35, 0.03)
      m.asksDescale = dice.next() < 0.4
    },
    'heater-open': (m) => {
      m.heater = false
    },
    'fuse-open': (m) => {
      m.fuse = false
    },
    'sensor-off': (m, s) => {
      m.sensorShare = 0.84 - 0.2 * s
    },
    'meter-stands': (m) => {
      m.pulsesShare = 0
    },
    'meter-few': (m, s) => {
      m.pulsesShare = 0.82 - 0.3 * s
    },
    'non-return-leaks': (m) => {
      m.checkLeaks = true
    },
    'non-return-stuck': (m, s) => {
      m.checkOpen = closing(s, 0.03, 0.0005)
    },
    'needle-blocked': (m, s) => {
      m.needleOpen = closing(s, 0.08, 0.003)
    },
    'needle-blunt': (m) => {
      m.needleBlunt = true
    },
    'head-gasket': (m, s) => {
      m.headLeakMm = 0.22 + 0.35 * s
    },
    'cage-cracked': (m) => {
      m.cageCracked = true
    },
    'outlet-blocked': (m, s) => {
      m.outletOpen = closing(s, 0.05, 0.008)
    },
    'lock-worn': (m) => {
      m.lockLoose = true
    },
    'not-locked': (m) => {
      m.shut = false
    },
    'head-switch': (m) => {
      m.headSwitch = false
    },
    'button-worn': (m) => {
      m.button = false
    },
    'board-dead': (m) => {
      m.board = false
    },
    'joint-leaks': (m, s) => {
      m.jointLeakMm = 0.12 + 0.25 * s
    },
  },
  notices: (m) => {
    const cup = shot(m)
    const pours = cup.cupG > 5
    const noticed: [string, boolean][] = [
      ['dead', !m.board || (!m.fuse && !m.heater)],
      ['button', m.board && (!m.button || !m.headSwitch || !m.shut)],
      ['stuck', !m.shut || m.lockLoose || m.cageCracked || m.needleBlunt],
      ['lamp', m.board && (m.asksDescale || !m.heater || !m.fuse || m.pulsesShare === 0 || m.sensorShare < 0.75)],
      ['no-water', starts(m) && !pours],
      ['noise', starts(m) && m.pumpRuns && drawn(m) < 2],
      ['slow', pours && cup.seconds > 33],
      ['short-cup', flow(m, true).pumpMlS > 1 && cup.cupG < 33],
      ['long', pours && cup.cupG > 48],
      ['beside', m.headLeakMm > 0.3 || m.cageCracked || m.lockLoose || m.outletOpen < 0.03 || m.checkLeaks],
      ['weak', pours && (m.capsuleShare < 0.5 || m.needleBlunt || m.askedShare > 1.5)],
      ['cold', starts(m) && drawn(m) > 1 && outletC(m) < 79],
      ['wet-below', m.jointLeakMm > 0],
      ['taste', m.outletOpen < 0.04],
    ]
    return noticed.flatMap(([symptom, so]) => (so ? [symptom] : []))
  },
  tests: {
    ask: { by: 'customer', shows: (m) => m.history },
    lamp: {
      by: 'eye',
      shows: (m) =>
        !m.board
          ? 'dark'
          : !m.heater || !m.fuse || m.pulsesShare === 0 || m.sensorShare < 0.72
            ? 'fault'
            : m.asksDescale
              ? 'descale'
              : 'steady',
    },
    tank: { by: 'hand', shows: (m) => (!m.full ? 'empty' : m.tankOpen < 0.5 ? 'sticks' : 'right') },
    'pump-sound': {
      by: 'ear',
      shows: (m) => {
        if (!starts(m) || !m.pumpRuns) return 'silent'
        if (drawn(m) < 2) return 'rattles'
        return flow(m, false).pumpBar > 11 ? 'strained' : 'even'
      },
    },
    'other-capsule': { by: 'eye', shows: (m) => (m.capsuleShare > 1.8 || m.capsuleShare < 0.5 ? 'right' : 'same') },
    'shut-again': { by: 'hand', shows: (m) => (m.shut ? 'same' : 'cured') },
    prime: { by: 'eye', shows: (m) => (m.air ? 'draws' : 'same') },
    'open-flow': { by: 'scale', shows: (m) => 10 * flow(m, false).endMlS },
    'shot-time': { by: 'watch', shows: (m) => shot(m).seconds },
    cup: { by: 'scale', shows: (m) => (m.pulsesShare === 0 && shot(m).cupG > 5 ? 95 : shot(m).cupG) },
    'tray-water': { by: 'scale', shows: (m) => shot(m).binMl },
    'head-drip': {
      by: 'eye',
      shows: (m) => (m.checkLeaks ? 'after' : (flow(m, true).lost.head ?? 0) > 0.1 ? 'runs' : 'dry'),
    },
    'outlet-temperature': { by: 'thermometer', shows: outletC },
    needle: { by: 'eye', shows: (m) => (m.needleBlunt ? 'bent' : m.needleOpen < 0.5 ? 'blocked' : 'clear') },
    gasket: { by: 'eye', shows: (m) => (m.cageCracked ? 'cracked' : m.headLeakMm > 0 ? 'worn' : 'whole') },
    outlet: { by: 'eye', shows: (m) => (m.outletOpen < 0.5 ? 'blocked' : 'clean') },
    lock: { by: 'hand', shows: (m) => (m.lockLoose ? 'loose' : 'firm') },
    volume: { by: 'scale', shows: (m) => (Math.abs(m.askedShare - 1) > 0.2 ? 'cured' : 'same') },
    below: { by: 'eye', shows: (m) => (m.jointLeakMm > 0 ? 'wet' : 'dry') },
    button: { by: 'hand', shows: (m) => (!m.button ? 'button' : !m.headSwitch ? 'head' : 'both') },
    socket: { by: 'multimeter', shows: () => 'live' },
    'pump-hose': { by: 'eye', shows: (m) => (starts(m) && pump(m)(0.5) > 6.5 ? 'stream' : 'little') },
    'heater-hose': {
      by: 'eye',
      shows: (m) =>
        starts(m) && drawn(m) > 0 && pathFlow(pump(m), 16, heaterPath(m), { free: true }).endMlS > 4
          ? 'stream'
          : 'little',
    },
    'non-return': { by: 'hand', shows: (m) => (m.checkLeaks ? 'both' : m.checkOpen < 0.1 ? 'none' : 'right') },
    element: { by: 'multimeter', shows: (m) => (m.heater ? elementOhm(1300) : Infinity) },
    fuse: { by: 'multimeter', shows: (m) => (m.fuse ? 'closed' : 'open') },
    sensor: { by: 'multimeter', shows: (m) => 112 * m.sensorShare ** 3 },
    'meter-pulses': {
      by: 'hand',
      shows: (m) => (m.pulsesShare === 0 ? 'stands' : m.pulsesShare < 0.9 ? 'few' : 'counts'),
    },
    'leaks-inside': { by: 'eye', shows: (m) => (m.jointLeakMm > 0 ? 'wet' : 'dry') },
    'pump-coil': { by: 'multimeter', shows: (m) => (m.pumpRuns ? 'right' : 'dead') },
  },
}
