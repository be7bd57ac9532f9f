import type { BookPart } from '../../../faults/modes.ts'
import { builtInGrinder, electrics, ofSteamBoiler, tooHot } from '../../shared/faults/parts.ts'
import { srParts } from '../super-automatic-removable-unit/fault-parts.ts'

const shared = (id: string) => srParts.find((part) => part.id === id)!

/** What a commercial super-automatic is made of, by sort: how each part fails there. */
export const spParts: BookPart[] = [
  {
    id: 'softener',
    sort: 'treatment',
    name: 'the softener',
    station: 'softener',
    does: { shut: 'tank-out', salty: { like: 'unit-screen', alone: true, complaints: { taste: 9 } } },
  },
  {
    id: 'pump',
    sort: 'rotary-pump',
    name: 'the pump',
    station: 'pump',
    part: 'rotary-pump',
    does: { weak: 'pump-weak', dead: 'pump-dead', loud: { like: 'pump-weak', alone: true, complaints: { slow: 1, 'unit-says': 1 } }, leaks: 'hose-leaks' },
    is: { worn: 'pump-weak', seized: 'pump-dead' },
  },
  shared('meter'),
  {
    id: 'element',
    sort: 'heater',
    name: 'the brew element',
    station: 'heater',
    part: 'heating-element',
    does: { cold: 'heater-open', weak: 'block-chalked', trips: { like: 'board-dead', complaints: { trips: 9, dead: 1 } } },
    is: { open: 'heater-open', crusted: 'block-chalked' },
    without: { leg: 'one element, one leg' },
    notLooked: { legs: 'the book measures it', crust: 'the boiler is opened on the bench alone' },
  },
  { ...shared('sensor'), station: 'brew-boiler', does: { cool: 'sensor-low', hot: tooHot('sensor-low', 'outlet-temperature'), fault: 'heater-open' } },
  {
    id: 'brew-valve',
    sort: 'solenoid',
    name: 'the brew valve',
    station: 'brew-valve',
    part: 'brew-valves',
    does: { shut: 'valve-stuck', open: 'valve-leaks' },
    is: { stuck: 'valve-stuck', passes: 'valve-leaks' },
    notLooked: { inside: 'the book leads its hose out' },
  },
  ...ofSteamBoiler({ boiler: 'steam boiler', fill: 'steam-boiler', heat: 'heater', cold: 'steam-element', cool: 'steam-low' }),
  { ...shared('drive'), station: 'spindle', name: 'the spindle’s drive', part: 'group-motor' },
  builtInGrinder({ does: { silent: 'contacts-off', little: 'chute-clogged', coarse: 'burrs-worn' } }),
  shared('milk'),
  { ...shared('inside'), station: 'brew-boiler' },
  ...electrics({ dead: 'board-dead', stops: shared('control').does.stops!, control: { is: { board: 'board-dead' } } }),
]
