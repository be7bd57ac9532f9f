import { look, repair } from '../build.ts'
import { feedLook, plugLook, unfed } from './shared.ts'
import { metered, opened, type Sort } from './sort.ts'

/** A valve that a coil opens. `shut`: nothing passes; `open`: it lets by. */
export const solenoid: Sort = {
  modes: [
    {
      id: 'stuck',
      name: '{part} stuck shut',
      does: 'shut',
      share: 0.6,
      shows: { inside: { stuck: 0.9 } },
      traits: ['stuck', 'flakes'],
      comes: ['sudden'],
      repair: repair('{part} apart, plunger and seat cleaned, else new', 25),
    },
    {
      id: 'passes',
      name: '{part} does not close: seat worn or dirty',
      does: 'open',
      share: 0.6,
      shows: { inside: { seat: 0.9 } },
      traits: ['flakes'],
      comes: ['slowly'],
      repair: repair('{part} apart, seat cleaned; worn: new', 25),
    },
    {
      id: 'coil-open',
      name: '{part}: coil open',
      does: 'shut',
      share: 0.5,
      shows: { coil: { open: 0.95 } },
      beside: true,
      comes: ['sudden'],
      repair: repair('New coil; why it burnt', 12),
    },
    {
      id: 'coil-shorted',
      name: '{part}: coil shorted, hot and weak',
      does: 'shut',
      share: 0.15,
      shows: { coil: { low: 0.93 } },
      complaints: { burning: 1, trips: 1 },
      beside: true,
      comes: ['hot'],
      repair: repair('New coil; the output that fed it looked at', 15),
    },
    unfed('shut', 0.3),
  ],
  looks: [
    look(
      'coil',
      '{part}: its coil measured, plug off',
      '',
      4,
      { right: 'As its print says, or as its twin', open: 'Open', low: 'Far too low' },
      {},
      metered,
    ),
    plugLook,
    look(
      'inside',
      '{part} apart: plunger, seat, passage',
      '',
      15,
      { right: 'Moves, clean, seat whole', stuck: 'Plunger stuck or chalked', seat: 'Seat cut, or a flake on it' },
      {},
      opened,
    ),
    feedLook('{part}: voltage at its plug when it should work'),
  ],
}
