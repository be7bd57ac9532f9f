import { likeBench } from '../../../bench/derive.ts'
import { elementOhm } from '../../../bench/laws.ts'
import { settledBar, steamSide, type WithSteamBoiler } from '../../shared/bench/steam-boiler.ts'
import { basketC, dvBench, heats, type SmallPump } from '../domestic-three-way-valve/bench.ts'

interface TwoBoilers extends WithSteamBoiler {
  steamElement: boolean
  steamSetBar: number
}

const bar = (m: TwoBoilers) => settledBar(m, m.steamSetBar, m.mains && m.steamElement)
/** Held by a controller of its own. */
const atBasket = (m: TwoBoilers) => (basketC(m) < 30 ? basketC(m) : basketC(m) + 1.5)
const steam = steamSide<TwoBoilers>(bar)

/** The pump machine with a boiler for coffee and one for steam. */
export const ptBench = likeBench<SmallPump, TwoBoilers>(dvBench, {
  kind: 'pt',
  elementW: 920,
  sound: (dice) => ({
    ...steam.sound,
    jetOpen: dice.between(0.9, 1),
    reliefOpensBar: dice.between(9.2, 9.8),
    steamElement: true,
    steamSetBar: dice.between(1.15, 1.35),
  }),
  without: { faults: ['protector-open'], tests: ['protector', 'steam-time'], symptoms: ['weak-steam'] },
  faults: {
    ...steam.faults,
    'jet-blocked': (m, s) => {
      m.jetOpen = 0.3 - 0.27 * s
    },
    'steam-element': (m) => {
      m.steamElement = false
    },
    'steam-low': (m, s) => {
      m.steamSetBar = 0.65 - 0.3 * s
    },
  },
  notices: (m) => [...steam.notices(m), ['not-ready', m.mains && (!heats(m) || !m.steamElement)]],
  tests: {
    ...steam.tests,
    lamps: { by: 'eye', shows: (m) => (!m.mains ? 'dark' : heats(m) && m.steamElement ? 'lit' : 'never') },
    'basket-temperature': { by: 'thermometer', shows: atBasket },
    menu: { by: 'eye', shows: (m) => (m.steamSetBar < 0.8 ? 'low' : 'usual') },
    'steam-element': { by: 'multimeter', shows: (m) => (m.steamElement ? elementOhm(1350) : Infinity) },
    jet: { by: 'eye', shows: (m) => (m.jetOpen < 0.5 ? 'narrow' : 'open') },
  },
})
