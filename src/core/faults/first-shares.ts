import type { FaultBook } from './fault.ts'

/** What kinds of cause calls to a machine have: name, share of a hundred, its faults. */
type Families = [family: string, share: number, faults: string[]][]

const prosumer = (valve: string[], user: string[] = [], element: string[] = []): Families => [
  ['beans, user', 15, ['grind-fine', 'grind-coarse', 'cleaning-left', 'nothing', ...user]],
  ['tank or supply, level', 9, ['tank-empty', 'tank-valve', 'airlock', 'supply-shut']],
  ['gasket, screen', 12, ['seal-hard', 'screen-clogged', 'basket-worn']],
  ['group valves', 11, ['three-way-leaks', 'three-way-no-vent', ...valve]],
  ['jet, circulation', 8, ['jet-blocked', 'boiler-chalked']],
  ['pump, relief', 10, ['pump-weak', 'pump-dead', 'relief-low']],
  ['vacuum, safety valve', 7, ['vacuum-open', 'safety-weeps']],
  ['steam and hot-water seals, wand', 9, ['knob-leaks', 'wand-blocked', 'joint-leaks']],
  ['pressure switch, controller, relay', 8, ['thermostat-low', 'relay']],
  ['element, cut-out', 5, ['fuse-open', 'element-open', ...element]],
  ['auto-fill, probe', 4, ['fill-shut', 'fill-leaks', 'probe-chalked']],
  ['board, wiring', 2, ['no-mains']],
]

const domestic = (valve: string[], user: string[], basket: string[], grinder: string[]): Families => [
  ['user, dose, prompt misread', 22, ['grind-fine', 'grind-coarse', 'cleaning-left', 'nothing', ...user]],
  ['tank, airlock', 9, ['tank-empty', 'tank-valve', 'airlock']],
  ['chalk', 14, ['boiler-chalked']],
  ['pump, relief', 9, ['pump-weak', 'pump-dead', 'protector-open', 'relief-low', 'joint-leaks']],
  ['3-way or brew valve', 8, valve],
  ['gasket, screen, basket', 11, ['seal-hard', 'screen-clogged', 'basket-worn', ...basket]],
  ['steam knob, wand', 7, ['knob-leaks', 'wand-blocked']],
  ['thermostat, fuse, sensor', 5, ['thermostat-low', 'fuse-open']],
  ['element', 3, ['element-open']],
  ...(grinder.length > 0 ? ([['grinder, chute', 8, grinder]] as Families) : []),
  ['board, switches', 4, ['no-mains']],
]
const threeWay = ['three-way-leaks', 'three-way-shut', 'three-way-no-vent']
const brewValve = ['brew-valve-stuck', 'brew-valve-weak']
const builtIn = ['beans-oily', 'chute-clogged', 'burrs-worn', 'grinder-jam', 'hopper-switch']

const superAutomatic = (seals: string): Families => [
  ['user, settings, beans, containers', 18, ['grind-fine', 'beans-oily', 'settings', 'containers', 'nothing']],
  ['tank, filter, coupling, airlock', 8, ['tank-out', 'filter-blocked', 'airlock']],
  ['flow meter', 5, ['meter-stands', 'meter-counts-wrong']],
  ['pump', 6, ['pump-weak', 'pump-dead']],
  ['chalk, thermoblock', 9, ['block-chalked', 'heater-open', 'sensor-low']],
  ['inlet seals', 7, [seals]],
  ['unit ring, screen, grease', 12, ['unit-ring', 'unit-screen', 'unit-dry']],
  ['drive, position switch', 7, ['drive-nut', 'position-switch']],
  ['multi-way valve', 5, ['valve-leaks', 'valve-stuck']],
  ['grinder, chute, burrs', 9, ['chute-clogged', 'burrs-worn', 'grinder-jam', 'contacts-off']],
  ['milk', 8, ['air-jet', 'frother-rings', 'steam-valve']],
  ['sensors, board, wiring', 4, ['board-dead', 'door-switch']],
  ['hoses, O-rings', 2, ['hose-leaks']],
]

const pod = (user: string[], chalk: string[], frother: string[]): Families => [
  ['user, capsule, prompt', 20, ['capsule', 'volume-set', 'prompt-misread', 'nothing', ...user]],
  ['tank, airlock', 12, ['tank-empty', 'tank-valve', 'airlock']],
  ['chalk, heater', 18, ['heater-chalked', 'heater-open', ...chalk]],
  ['pump', 9, ['pump-weak', 'pump-dead']],
  ['needle, outlet', 10, ['needle-blocked', 'needle-blunt', 'outlet-blocked']],
  ['head, cage seal', 10, ['head-gasket', 'cage-cracked', 'non-return-leaks', 'non-return-stuck']],
  ['lock, lever, switch', 7, ['lock-worn', 'not-locked', 'head-switch', 'button-worn']],
  ['flow meter', 3, ['meter-stands', 'meter-few']],
  ['fuse, sensor, board', 5, ['fuse-open', 'sensor-off', 'board-dead', 'joint-leaks']],
  ...(frother.length > 0 ? ([['whisk, frother', 6, frother]] as Families) : []),
]

/** Causes of a hundred calls, by kind of machine; all from memory. */
export const firstShares: Record<string, Families> = {
  c2: [
    ['beans, grind, user', 11, ['grind-fine', 'grind-coarse', 'cleaning-left', 'nothing']],
    ['supply, strainer, softener', 7, ['supply-shut', 'strainer-blocked']],
    ['gasket, screen, basket', 13, ['gasket-hard', 'screen-clogged', 'basket-worn']],
    ['3-way valve', 7, ['three-way-shut', 'three-way-coil', 'three-way-leaks', 'three-way-no-vent']],
    ['flow meter', 6, ['meter-silent', 'meter-counts-wrong']],
    ['jet, chalk in the brew path', 6, ['jet-blocked', 'exchanger-chalked']],
    ['pump, motor, bypass', 8, ['pump-worn', 'bypass-low', 'capacitor', 'motor-dead']],
    ['auto-fill, probe', 7, ['fill-shut', 'fill-leaks', 'probe-chalked', 'water-too-pure']],
    ['steam valve, wand, tip', 9, ['steam-seat', 'tip-blocked', 'wand-joint']],
    ['element, cut-out, contactor', 6, ['element-open', 'cut-out', 'contactor']],
    ['pressure switch, sensor', 4, ['pressure-low', 'pressure-high']],
    ['expansion, safety, vacuum valve', 4, ['expansion-runs', 'safety-weeps', 'vacuum-open']],
    ['drain', 4, ['drain-blocked']],
    ['keys, board, wiring', 5, ['keys-dead', 'board-dead', 'no-mains']],
    ['exchanger and other leaks', 3, ['leak-inside']],
  ],
  lv: prosumer(['cam-dry']),
  pt: prosumer(['three-way-shut'], ['steam-low'], ['steam-element']),
  dv: domestic(threeWay, [], [], []),
  dn: domestic(brewValve, [], ['basket-hole'], []),
  dg: domestic(threeWay, ['prompt-misread', 'prompt-stays'], [], builtIn),
  bt: domestic(threeWay, ['step-low', 'knob-places'], [], builtIn),
  sr: superAutomatic('nozzle-seals'),
  st: superAutomatic('valve-gaskets'),
  sp: [
    ['user, settings, overdue', 14, ['grind-fine', 'beans-oily', 'settings', 'containers', 'nothing']],
    ['supply, inlet, filter', 7, ['tank-out', 'filter-blocked']],
    ['gaskets, showers', 10, ['nozzle-seals', 'unit-ring', 'unit-screen']],
    ['spindle, motor, guides', 7, ['drive-nut', 'position-switch', 'unit-dry']],
    ['valves', 8, ['valve-leaks', 'valve-stuck', 'vacuum-open', 'safety-weeps', 'fill-shut', 'fill-leaks']],
    ['flow meter', 5, ['meter-stands', 'meter-counts-wrong']],
    ['pump', 4, ['pump-weak', 'pump-dead']],
    [
      'boilers, elements, sensors',
      8,
      [
        'block-chalked',
        'heater-open',
        'sensor-low',
        'steam-element',
        'steam-low',
        'relay',
        'group-heater',
        'probe-chalked',
      ],
    ],
    ['grinder, chutes', 10, ['chute-clogged', 'burrs-worn', 'grinder-jam', 'contacts-off']],
    ['milk and cooler', 14, ['air-jet', 'frother-rings']],
    ['board, door, sensors', 7, ['board-dead', 'door-switch']],
    ['leaks', 3, ['hose-leaks']],
  ],
  pk: pod([], [], []),
  pl: pod(['milk-wrong'], ['steam-path-chalked'], ['whisk-stands', 'jug-seal', 'jug-dirty']),
  pd: [
    ['user', 15, ['grind-fine', 'grind-coarse', 'cleaning-left', 'nothing']],
    ['tank plug, airlock', 10, ['tank-empty', 'tank-valve', 'airlock']],
    ['chalk in the boiler', 20, ['boiler-chalked']],
    ['exit valve', 8, brewValve],
    ['pump', 10, ['pump-weak', 'pump-dead']],
    ['O-rings', 10, ['joint-leaks']],
    ['gasket, basket', 9, ['seal-hard', 'basket-worn', 'basket-hole']],
    ['frother, jug valve', 10, ['wand-blocked', 'jug-seal', 'knob-leaks']],
    ['thermostat, fuse', 4, ['thermostat-low', 'fuse-open', 'element-open']],
    ['switches', 4, ['no-mains']],
  ],
  gr: [
    ['beans, setting, stone', 28, ['grind-off', 'nothing', 'beans-oily', 'gate-shut', 'stone']],
    ['burrs worn', 20, ['burrs-worn']],
    ['chute, flap', 15, ['chute-clogged', 'flap-worn']],
    ['doser, time', 7, ['timer']],
    ['start and fork switch', 8, ['start-switch']],
    ['capacitor, motor, protector', 10, ['capacitor', 'motor-hot']],
    ['thread', 5, ['thread-stiff', 'thread-loose']],
    ['board, keys, mains', 7, ['no-mains']],
  ],
}

/**
 * A book whose faults share out what their family has of a hundred calls, each by its own weight.
 * @throws where a fault is in no family: its share would be a guess nobody made
 */
export function withFirstShares(book: FaultBook): FaultBook {
  const families = firstShares[book.kind]!
  return {
    ...book,
    faults: book.faults.map((fault) => {
      const family = families.find(([, , ids]) => ids.includes(fault.id))
      if (!family) throw new Error(`withFirstShares: ${book.kind} ${fault.id} is in no family`)
      const weights = book.faults
        .filter(({ id }) => family[2].includes(id))
        .reduce((sum, { per100 }) => sum + per100, 0)
      return { ...fault, per100: (family[1] * fault.per100) / weights }
    }),
  }
}
