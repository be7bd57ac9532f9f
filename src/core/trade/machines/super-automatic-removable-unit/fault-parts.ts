import type { BookPart } from '../../../faults/modes.ts'
import { builtInGrinder, coilPump, electrics, handSeal, heated, jointsOf, meterOf, sensorOf } from '../../shared/faults/parts.ts'

/** What a super-automatic with a tank is made of, by sort: how each part fails there. */
export const srParts: BookPart[] = [
  coilPump(),
  meterOf({ few: 'meter-counts-wrong', short: { espresso: { short: 0.85 }, 'tray-water': { right: 0.85 }, balance: { gone: 0.85 } } }),
  heated({ name: 'the heater', station: 'thermoblock', part: 'thermoblock', cold: 'heater-open', weak: 'block-chalked', chalked: 'block-chalked', dark: 'board-dead' }),
  sensorOf({ name: 'the sensor', station: 'thermoblock', cool: 'sensor-low', fault: 'heater-open', outlet: 'outlet-temperature' }),
  {
    id: 'steam',
    sort: 'solenoid',
    name: 'steam and hot-water valve',
    station: 'steam-valve',
    part: 'steam-valve',
    does: { shut: 'steam-valve', open: { like: 'steam-valve', alone: true, shows: { 'steam-valve': { fails: 0.9 } }, complaints: { 'wet-below': 1, foam: 3, 'short-cup': 2 } } },
    is: { stuck: 'steam-valve' },
    notLooked: { inside: 'the book leads its hose out' },
  },
  handSeal({ name: 'the unit’s ring', station: 'brew-unit', part: 'piston-ring', hard: 'unit-ring', look: 'ring' }),
  {
    id: 'tank',
    sort: 'tank-switch',
    name: 'the tank’s sensor',
    station: 'tank',
    does: { empty: { like: 'tank-out', alone: true, shows: { display: { tank: 0.92 } }, complaints: { 'tank-says': 9, 'no-water': 1 } } },
  },
  {
    id: 'drive',
    sort: 'drive',
    name: 'the unit’s drive',
    station: 'drive',
    part: 'unit-drive',
    does: { stops: 'drive-nut' },
    is: { nut: 'drive-nut', switch: 'position-switch' },
    // Without the unit in it: what was in its way is out, and what lay wrong as well.
    shows: {
      motor: { drive: { stands: 0.92 } },
      plug: { drive: { stands: 0.9 } },
      blocked: { drive: { stands: 0.4 } },
      misfit: { drive: { right: 0.9 } },
    },
  },
  builtInGrinder({
    is: { stone: 'grinder-jam', worn: 'burrs-worn' },
    does: { silent: 'contacts-off', little: 'chute-clogged', coarse: 'burrs-worn' },
  }),
  {
    id: 'milk',
    sort: 'milk',
    name: 'the milk system',
    station: 'frother',
    does: { coarse: { like: 'air-jet', alone: true, shows: { foam: { coarse: 0.9 } }, complaints: { foam: 10 } }, none: { like: 'frother-rings', alone: true, shows: { foam: { spits: 0.85 } }, complaints: { foam: 10 } } },
    is: { 'air-inlet': 'air-jet', seals: 'frother-rings' },
    notLooked: { air: 'the book looks through it', rings: 'the book takes it apart' },
  },
  jointsOf({ station: 'thermoblock', leaks: 'hose-leaks', narrow: 'block-chalked' }),
  ...electrics({
    dead: 'board-dead',
    stops: { like: 'door-switch', alone: true, shows: { display: { grounds: 0.2, unit: 0.2 }, espresso: { none: 0.7 }, 'open-flow': { none: 0.6 }, 'pump-sound': { silent: 0.7 } }, complaints: { 'grounds-says': 3, error: 5, 'unit-says': 1 } },
    control: { is: { board: 'board-dead' } },
  }),
]
