import type { BookPart } from '../../../faults/modes.ts'
import { builtInGrinder, coilValve, electrics, handSeal, heated, hotWaterTap, ofSteamBoiler, onlyLoud, steamSensor } from '../../shared/faults/parts.ts'
import { supplySet } from '../../shared/faults/supply-set.ts'
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
    does: { weak: 'pump-weak', dead: 'pump-dead', loud: onlyLoud('pump-weak'), leaks: 'hose-leaks' },
    is: { worn: 'pump-weak', seized: 'pump-dead' },
  },
  shared('meter'),
  heated({ name: 'the brew element', station: 'heater', part: 'heating-element', cold: 'heater-open', weak: 'block-chalked', chalked: 'block-chalked', dark: 'board-dead', crust: 'the boiler is opened on the bench alone' }),
  { ...shared('sensor'), station: 'brew-boiler' },
  coilValve({ id: 'brew-valve', name: 'the brew valve', station: 'brew-valve', part: 'brew-valves', shut: 'valve-stuck', open: 'valve-leaks', notLooked: { inside: 'the book leads its hose out' } }),
  steamSensor({ station: 'steam-boiler', cool: 'steam-low', cold: 'relay' }),
  ...ofSteamBoiler({ boiler: 'steam boiler', fill: 'steam-boiler', heat: 'heater', cold: 'steam-element', cool: 'steam-low' }),
  ...supplySet({ shut: 'tank-out', inside: 'hose-leaks', high: 'hose-leaks' }),
  hotWaterTap({ like: 'steam-low' }),
  handSeal({ name: 'the group’s upper gasket', station: 'group', part: 'upper-gasket', hard: 'unit-ring', look: 'group-open' }),
  { ...shared('drive'), station: 'spindle', name: 'the spindle’s drive', part: 'group-motor' },
  builtInGrinder({ does: { silent: 'contacts-off', little: 'chute-clogged', coarse: 'burrs-worn' } }),
  shared('milk'),
  { ...shared('inside'), station: 'brew-boiler' },
  ...electrics({ dead: 'board-dead', stops: shared('control').does.stops!, control: { is: { board: 'board-dead' } } }),
]
