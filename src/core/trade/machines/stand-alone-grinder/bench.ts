import type { BenchKind } from '../../../bench/bench-kind.ts'

/** A grinder as the bench knows it. */
interface Grinder {
  mains: boolean
  startSwitch: boolean
  protector: boolean
  capacitor: boolean
  gate: 'open' | 'shut'
  beans: 'fall' | 'hang'
  burrs: 'sharp' | 'blunt' | 'jammed' | 'scored'
  /** What comes through, as a share. */
  chute: number
  thread: 'right' | 'stiff' | 'loose'
  flap: boolean
  /** Seconds of the dose, as a share of what was set for 18 g. */
  timeShare: number
  /** Time of a shot at this setting, as a share of the wanted one. */
  grindShare: number
  /** Scatter of this grinder's doses, g. */
  scatterG: number
  history: 'nothing' | 'beans' | 'fell' | 'long'
}

const wantedG = 18
const wantedS = 27

const powered = (m: Grinder) => m.mains && m.startSwitch && m.protector
const turns = (m: Grinder) => powered(m) && m.capacitor && m.burrs !== 'jammed'

function doseG(m: Grinder): number {
  if (!turns(m) || m.gate === 'shut') return 0
  const through = Math.min(m.chute, m.beans === 'hang' ? 0.5 : 1)
  // Blunt burrs push where they should cut: less comes in the same time.
  return wantedG * m.timeShare * through * (m.burrs === 'blunt' ? 0.82 : 1)
}

const spreadG = (m: Grinder): number =>
  m.scatterG +
  (m.flap ? 0 : 1.3) +
  (m.beans === 'hang' ? 0.9 : 0) +
  (m.thread === 'loose' ? 0.55 : 0) +
  (m.chute < 0.4 ? 0.5 : 0)

const shotS = (m: Grinder): number =>
  wantedS * m.grindShare * (m.burrs === 'blunt' ? 0.62 : 1) * (m.thread === 'loose' ? 0.65 : 1)

export const grBench: BenchKind<Grinder> = {
  kind: 'gr',
  sound: (dice) => ({
    mains: true,
    startSwitch: true,
    protector: true,
    capacitor: true,
    gate: 'open',
    beans: 'fall',
    burrs: 'sharp',
    chute: 1,
    thread: 'right',
    flap: true,
    timeShare: dice.between(0.97, 1.03),
    grindShare: dice.between(0.92, 1.08),
    scatterG: dice.between(0.2, 0.6),
    history: 'nothing',
  }),
  faults: {
    'grind-off': (m, s, dice) => {
      m.grindShare = dice.next() < 0.5 ? 1.4 + s : 0.68 - 0.3 * s
      if (dice.next() < 0.6) m.history = 'beans'
    },
    nothing: () => {},
    'beans-oily': (m, _s, dice) => {
      m.beans = 'hang'
      if (dice.next() < 0.5) m.history = 'beans'
    },
    'gate-shut': (m) => {
      m.gate = 'shut'
    },
    'chute-clogged': (m, s) => {
      m.chute = 0.75 - 0.72 * s
    },
    'flap-worn': (m) => {
      m.flap = false
    },
    'burrs-worn': (m) => {
      m.burrs = 'blunt'
    },
    stone: (m, s, dice) => {
      m.burrs = s > 0.35 ? 'jammed' : 'scored'
      if (dice.next() < 0.35) m.history = 'fell'
    },
    'thread-stiff': (m) => {
      m.thread = 'stiff'
    },
    'thread-loose': (m) => {
      m.thread = 'loose'
    },
    timer: (m, s) => {
      m.timeShare = 0.82 - 0.3 * s
    },
    'start-switch': (m) => {
      m.startSwitch = false
    },
    capacitor: (m) => {
      m.capacitor = false
    },
    'motor-hot': (m, _s, dice) => {
      m.protector = false
      if (dice.next() < 0.6) m.history = 'long'
    },
    'no-mains': (m) => {
      m.mains = false
    },
  },
  notices: (m) => {
    const noticed: [string, boolean][] = [
      ['silent', !powered(m)],
      ['hums', powered(m) && !turns(m)],
      ['loud', m.burrs === 'scored'],
      ['none', turns(m) && doseG(m) < 2],
      ['less', doseG(m) >= 2 && doseG(m) < 15.8],
      ['uneven', turns(m) && spreadG(m) > 1],
      ['fast', doseG(m) > 8 && shotS(m) < 20],
      ['slow', shotS(m) > 36],
      ['will-not-set', m.thread === 'stiff'],
      ['hot', !m.protector || (powered(m) && !m.capacitor) || m.burrs === 'blunt'],
    ]
    return noticed.flatMap(([symptom, so]) => (so ? [symptom] : []))
  },
  tests: {
    ask: { by: 'customer', shows: (m) => m.history },
    hopper: { by: 'eye', shows: (m) => (m.gate === 'shut' ? 'shut' : m.beans === 'hang' ? 'hangs' : 'falls') },
    sound: {
      by: 'ear',
      shows: (m) => {
        if (!powered(m)) return 'silent'
        if (!turns(m) || m.chute < 0.1) return 'hums'
        if (m.burrs === 'scored') return 'screech'
        return m.gate === 'shut' || m.beans === 'hang' ? 'light' : 'even'
      },
    },
    weight: { by: 'gram-scale', shows: doseG },
    spread: { by: 'gram-scale', shows: (m) => (turns(m) ? spreadG(m) : 0) },
    shot: { by: 'watch', shows: shotS },
    ring: { by: 'hand', shows: (m) => ({ right: 'turns', stiff: 'stiff', loose: 'slips' })[m.thread] },
    feel: { by: 'hand', shows: (m) => (m.burrs === 'blunt' || m.burrs === 'scored' ? 'mixed' : 'even') },
    flap: { by: 'eye', shows: (m) => (m.flap ? 'right' : 'bent') },
    timer: { by: 'eye', shows: (m) => (m.timeShare < 0.9 ? 'changed' : 'usual') },
    chute: { by: 'eye', shows: (m) => (m.chute < 0.8 ? 'packed' : 'through') },
    burrs: {
      by: 'eye',
      shows: (m) => ({ sharp: 'sharp', blunt: 'blunt', jammed: 'stone', scored: 'stone' })[m.burrs],
    },
    rested: { by: 'hand', shows: (m) => (m.protector ? 'same' : 'runs') },
    socket: { by: 'multimeter', shows: (m) => (m.mains ? 'live' : 'off') },
    switch: { by: 'multimeter', shows: (m) => (m.startSwitch ? 'closes' : 'open') },
    capacitor: { by: 'multimeter', shows: (m) => (m.capacitor ? 'right' : 'low') },
  },
}
