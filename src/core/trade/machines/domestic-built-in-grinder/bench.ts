import { likeBench } from '../../../bench/derive.ts'
import { type WithGrinder, withGrinder } from '../../shared/bench/built-in-grinder.ts'
import { dvBench, type SmallPump } from '../domestic-three-way-valve/bench.ts'

interface CleaningLamp extends WithGrinder {
  asks: 'nothing' | 'clean' | 'clean again'
}

/** The machine with a grinder, and a lamp that asks to be cleaned. */
export const dgBench = likeBench<SmallPump, CleaningLamp>(dvBench, {
  ...withGrinder,
  kind: 'dg',
  elementW: 1480,
  sound: (dice) => ({ ...withGrinder.sound(dice), asks: 'nothing' }) as CleaningLamp,
  faults: {
    ...withGrinder.faults,
    'prompt-misread': (m) => {
      m.asks = 'clean'
    },
    'prompt-stays': (m) => {
      m.asks = 'clean again'
    },
  },
  notices: (m) => [...withGrinder.notices(m), ['lamp', m.mains && m.asks !== 'nothing']],
  tests: {
    ...withGrinder.tests,
    'clean-lamp': {
      by: 'eye',
      shows: (m) => (!m.mains || m.asks === 'nothing' ? 'off' : m.asks === 'clean' ? 'asks' : 'half'),
    },
    'last-clean': {
      by: 'customer',
      shows: (m) => (m.asks === 'clean again' ? 'broken' : m.asks === 'clean' || m.oily > 0.65 ? 'long' : 'ended'),
    },
  },
})
