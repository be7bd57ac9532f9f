import { likeBench } from '../../../bench/derive.ts'
import { elementOhm } from '../../../bench/laws.ts'
import { type SteamBoiler, settledBar, steamSide } from '../../shared/bench/steam-boiler.ts'
import { srBench } from '../super-automatic-removable-unit/bench.ts'
import { brew, outletC, type SuperAutomatic } from '../super-automatic-removable-unit/bench-physics.ts'

interface PistonGroup extends SuperAutomatic, SteamBoiler {
  steamElement: boolean
  steamSetBar: number
  groupHeater: boolean
}

const bar = (m: PistonGroup) => settledBar(m, m.steamSetBar, m.board && m.steamElement)
const steam = steamSide<PistonGroup>(bar)
const firstCupC = (m: PistonGroup) => outletC(m) - (m.groupHeater ? 0 : 9)

/** The super-automatic plumbed in, with a rotary pump, a motor-driven group and a steam boiler of its own. */
export const spBench = likeBench<SuperAutomatic, PistonGroup>(srBench, {
  kind: 'sp',
  elementW: 2050,
  sound: (dice) => ({
    ...steam.sound,
    wandOpen: 1,
    mains: true,
    mainsBar: dice.between(2.5, 4),
    cremaBar: 1,
    ventMl: 13,
    grindShare: dice.between(0.5, 0.6),
    steamElement: true,
    steamSetBar: dice.between(1.3, 1.45),
    groupHeater: true,
  }),
  without: {
    faults: ['airlock', 'steam-valve'],
    tests: [
      'hot-water',
      'steam-valve',
      'nozzle',
      'ring',
      'screen',
      'unit-by-hand',
      'outlet-hose',
      'filter-out',
      'seat',
      'puck-weight',
    ],
    symptoms: ['no-steam', 'weak', 'cold'],
  },
  faults: {
    ...steam.faults,
    'burrs-worn': (m, s) => {
      m.blunt = true
      m.grindShare = 0.32 - 0.12 * s
      m.doseShare = 0.85
    },
    'tank-out': (m) => {
      m.tankOpen = 0.0005
    },
    'filter-blocked': (m, s) => {
      m.filterOpen = 0.03 - 0.029 * s
    },
    'steam-element': (m) => {
      m.steamElement = false
    },
    'steam-low': (m, s) => {
      m.steamSetBar = 0.75 - 0.4 * s
    },
    'group-heater': (m) => {
      m.groupHeater = false
    },
  },
  notices: (m) => [
    ...(m.board ? steam.notices(m) : []),
    ['weak', m.blunt || Math.min(m.chute, m.doseShare) < 0.75 || m.askedShare > 1.4],
    ['cold', m.board && m.home && m.doorSwitch && m.pumpRuns && m.tankOpen > 0.5 && firstCupC(m) < 84],
    ['weak-steam', m.board && bar(m) < 1.1],
    ['foam', m.board && bar(m) < 0.6],
  ],
  tests: {
    ...Object.fromEntries(Object.entries(steam.tests).filter(([id]) => id !== 'steam-time' && id !== 'fill-valve')),
    foam: {
      by: 'eye',
      shows: (m) =>
        !m.board || bar(m) < 0.6 ? 'spits' : m.airJetOpen < 0.5 ? 'coarse' : m.ringsWorn ? 'spits' : 'fine',
    },
    'brew-pressure': { by: 'machine-gauge', shows: (m) => brew(m, true).pumpBar },
    'steam-set': { by: 'eye', shows: (m) => (m.steamSetBar < 1 ? 'low' : 'usual') },
    supply: { by: 'eye', shows: (m) => (m.tankOpen < 0.5 ? 'shut' : 'right') },
    strainer: { by: 'eye', shows: (m) => (m.filterOpen < 0.5 ? 'blocked' : 'clean') },
    'group-open': {
      by: 'eye',
      shows: (m) =>
        m.nozzleLeakMm > 0 ? 'lower' : m.ringLeakMm > 0 ? 'upper' : m.screenOpen < 0.5 ? 'showers' : 'sound',
    },
    guides: { by: 'eye', shows: (m) => (m.unitStiff ? 'caked' : 'dry') },
    'steam-element': { by: 'multimeter', shows: (m) => (m.steamElement ? elementOhm(2760) : Infinity) },
    'first-cup': { by: 'thermometer', shows: (m) => (m.groupHeater ? 'alike' : 'warmer') },
    'group-heater': { by: 'multimeter', shows: (m) => (m.groupHeater ? 'right' : 'open') },
  },
})
