import { likeBench } from '../../../bench/derive.ts'
import { settledBar, steamSide, type WithSteamBoiler } from '../../shared/bench/steam-boiler.ts'
import { basketC, dvBench, heats, type SmallPump } from '../domestic-three-way-valve/bench.ts'

interface Lever extends WithSteamBoiler {
  camDry: boolean
}

/** One boiler for all: what leaves it cool leaves coffee and steam cool. */
const bar = (m: Lever) => settledBar(m, Math.max(0, 1.05 - 3.4 * Math.max(0, 0.98 - m.thermostatShare)), heats(m))
const steam = steamSide<Lever>(bar)
const atBasket = (m: Lever) => (m.relay ? basketC(m) + 1.5 - (m.vacuumOpen ? 4 : 0) : 24)

/** The pump machine with a lever that opens and vents its group, and a steam boiler with an exchanger in it. */
export const lvBench = likeBench<SmallPump, Lever>(dvBench, {
  kind: 'lv',
  elementW: 1330,
  sound: (dice) => ({
    ...steam.sound,
    jetOpen: dice.between(0.9, 1),
    camDry: false,
    reliefOpensBar: dice.between(9.2, 9.8),
  }),
  without: {
    faults: ['protector-open', 'three-way-shut'],
    tests: ['protector', 'steam-time'],
    symptoms: ['weak-steam', 'cold'],
  },
  faults: {
    ...steam.faults,
    'jet-blocked': (m, s) => {
      m.jetOpen = 0.3 - 0.27 * s
    },
    'cam-dry': (m) => {
      m.camDry = true
    },
  },
  notices: (m) => [
    ...steam.notices(m),
    ['cold', m.mains && atBasket(m) < 85 && atBasket(m) > 0],
    ['lever-stiff', m.camDry],
  ],
  tests: {
    ...steam.tests,
    lamps: { by: 'eye', shows: (m) => (!m.mains ? 'dark' : heats(m) && m.relay ? 'lit' : 'never') },
    'basket-temperature': { by: 'thermometer', shows: atBasket },
    'lever-feel': { by: 'hand', shows: (m) => (m.camDry ? 'stiff' : 'smooth') },
    jet: { by: 'eye', shows: (m) => (m.jetOpen < 0.5 ? 'narrow' : 'open') },
  },
})
