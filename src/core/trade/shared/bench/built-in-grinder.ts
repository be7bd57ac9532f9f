import type { BenchChange } from '../../../bench/derive.ts'
import { type SmallPump, shotS } from '../../machines/domestic-three-way-valve/bench.ts'

/** The small pump machine with a grinder over its portafilter. */
export interface WithGrinder extends SmallPump {
  hopper: 'falls' | 'hangs'
  /** What comes through the chute, as a share. */
  chute: number
  burrs: 'sharp' | 'blunt' | 'jammed'
  hopperSwitch: boolean
}

const doseG = 16

/** What one dose by time comes to, g. */
const dose = (m: WithGrinder): number =>
  !m.mains || m.burrs === 'jammed' || !m.hopperSwitch
    ? 0
    : doseG * Math.min(m.chute, m.hopper === 'hangs' ? 0.45 : 1) * (m.burrs === 'blunt' ? 0.83 : 1)

/** A thin bed, and coarse from blunt burrs, lets the water run. */
const theirs = (m: WithGrinder): number =>
  m.grindShare * Math.min(1, (dose(m) / doseG) ** 1.6 + 0.05) * (m.burrs === 'blunt' ? 0.6 : 1)

/** What the grinder brings to such a machine, and how it shows. */
export const withGrinder: Omit<BenchChange<SmallPump, WithGrinder>, 'kind' | 'notices'> & {
  notices(m: WithGrinder): [symptom: string, so: boolean][]
} = {
  sound: () => ({ hopper: 'falls', chute: 1, burrs: 'sharp', hopperSwitch: true }),
  faults: {
    'beans-oily': (m, _s, dice) => {
      m.hopper = 'hangs'
      if (dice.next() < 0.5) m.history = 'beans'
    },
    'chute-clogged': (m, s) => {
      m.chute = 0.6 - 0.58 * s
    },
    'burrs-worn': (m) => {
      m.burrs = 'blunt'
    },
    'grinder-jam': (m) => {
      m.burrs = 'jammed'
    },
    'hopper-switch': (m) => {
      m.hopperSwitch = false
    },
  },
  notices: (m) => [
    ['no-grounds', m.mains && m.burrs !== 'jammed' && m.hopperSwitch && dose(m) < 12],
    ['grinder-silent', m.mains && (m.burrs === 'jammed' || !m.hopperSwitch)],
    ['fast', theirs(m) < 0.55 && dose(m) > 3 && m.grindShare > 0.6],
  ],
  tests: {
    grind: { by: 'watch', shows: (m) => shotS(m, theirs(m)) },
    'grind-dose': { by: 'gram-scale', shows: dose },
    'grinder-sound': {
      by: 'ear',
      shows: (m) => {
        if (!m.mains || !m.hopperSwitch) return 'silent'
        if (m.burrs === 'jammed' || m.chute < 0.2) return 'hums'
        return m.hopper === 'hangs' || m.chute < 0.35 ? 'empty' : 'loaded'
      },
    },
    hopper: { by: 'eye', shows: (m) => (m.hopper === 'hangs' ? 'hang' : 'fall') },
    'hopper-seat': { by: 'hand', shows: (m) => (m.hopperSwitch ? 'same' : 'answers') },
    chute: { by: 'eye', shows: (m) => (m.chute < 0.65 ? 'packed' : 'through') },
    burrs: { by: 'eye', shows: (m) => ({ sharp: 'sharp', blunt: 'blunt', jammed: 'stone' })[m.burrs] },
  },
}
