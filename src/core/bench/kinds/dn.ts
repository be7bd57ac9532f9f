import type { BenchKind } from '../bench-kind.ts'
import { dvBench, type SmallPump } from './dv.ts'

const { 'three-way-leaks': _leaks, 'three-way-shut': _shut, 'three-way-no-vent': _vent, ...faults } = dvBench.faults
const { vent: _v, 'blind-pressure': _b, 'tray-during': _t, 'three-way': _w, basket: _basket, ...tests } = dvBench.tests

/** The same small pump machine, its group opened by a spring valve and its basket by one small hole. */
export const dnBench: BenchKind<SmallPump> = {
  kind: 'dn',
  sound: dvBench.sound,
  faults: {
    ...faults,
    'brew-valve-stuck': (m, _s, dice) => {
      m.valve = 'stuck'
      if (dice.next() < 0.2) m.history = 'stood'
    },
    'brew-valve-weak': (m) => {
      m.dripsOn = true
    },
    'basket-hole': (m, s) => {
      m.basketShare = 0.35 - 0.28 * s
    },
  },
  notices: (m) => [
    ...dvBench.notices(m).filter((symptom) => symptom !== 'handle-kicks' && symptom !== 'tray-runs'),
    ...(m.dripsOn ? ['drips-on'] : []),
  ],
  tests: {
    ...tests,
    'drips-on': { by: 'eye', shows: (m) => (m.dripsOn ? 'goes-on' : 'stops') },
    'basket-hole': {
      by: 'eye',
      shows: (m) => (m.basketShare < 0.5 ? 'blocked' : m.basketShare > 1.5 ? 'worn' : 'clear'),
    },
    'brew-valve': { by: 'eye', shows: (m) => (m.valve === 'stuck' ? 'stuck' : m.dripsOn ? 'worn' : 'right') },
  },
}
