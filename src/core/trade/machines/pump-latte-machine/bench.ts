import { likeBench } from '../../../bench/derive.ts'
import type { SmallPump } from '../domestic-three-way-valve/bench.ts'
import { dnBench } from '../domestic-without-valve/bench.ts'

interface Latte extends SmallPump {
  jugSealed: boolean
}

/** The small pump machine once more: an exit valve shuts its group, and its tubes are held by clips. */
export const pdBench = likeBench<SmallPump, Latte>(dnBench, {
  kind: 'pd',
  elementW: 1220,
  sound: (dice) => ({ jugSealed: true, basketShare: dice.between(1.15, 1.3) }),
  without: {
    faults: ['relief-low', 'protector-open', 'screen-clogged'],
    tests: ['relief-return', 'protector', 'screen'],
  },
  faults: {
    'jug-seal': (m) => {
      m.jugSealed = false
    },
  },
  notices: (m) => [['jug-leaks', !m.jugSealed]],
  tests: { 'jug-rim': { by: 'eye', shows: (m) => (m.jugSealed ? 'dry' : 'hisses') } },
})
