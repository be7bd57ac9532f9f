import { likeBench } from '../../../bench/derive.ts'
import { dvBench, type SmallPump } from '../domestic-three-way-valve/bench.ts'

/** The same small pump machine, its group opened by a spring valve and its basket by one small hole. */
export const dnBench = likeBench<SmallPump, SmallPump>(dvBench, {
  kind: 'dn',
  sound: () => ({}),
  without: {
    faults: ['three-way-leaks', 'three-way-shut', 'three-way-no-vent'],
    tests: ['vent', 'blind-pressure', 'tray-during', 'three-way', 'basket'],
    symptoms: ['handle-kicks', 'tray-runs'],
  },
  faults: {
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
  notices: (m) => [['drips-on', m.dripsOn]],
  tests: {
    'drips-on': { by: 'eye', shows: (m) => (m.dripsOn ? 'goes-on' : 'stops') },
    'basket-hole': {
      by: 'eye',
      shows: (m) => (m.basketShare < 0.5 ? 'blocked' : m.basketShare > 1.5 ? 'worn' : 'clear'),
    },
    'brew-valve': { by: 'eye', shows: (m) => (m.valve === 'stuck' ? 'stuck' : m.dripsOn ? 'worn' : 'right') },
  },
})
