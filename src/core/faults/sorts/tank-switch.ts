import { look, repair } from '../build.ts'
import { byEye, type Sort } from './sort.ts'

/** What tells that there is water in the tank: a float with a magnet, and what feels it. `empty`: it says there is none. */
export const tankSwitch: Sort = {
  modes: [
    {
      id: 'float',
      name: '{part}: float jammed or its magnet gone',
      does: 'empty',
      share: 0.6,
      shows: { float: { stuck: 0.92 } },
      comes: ['sometimes'],
      repair: repair('Float washed free, else a new tank', 5),
    },
    {
      id: 'sensor',
      name: '{part}: what feels the float is dead',
      does: 'empty',
      share: 0.3,
      shows: { magnet: { nothing: 0.93 } },
      comes: ['sudden'],
      repair: repair('Sensor new', 25),
    },
    {
      id: 'wire',
      name: '{part}: its plug off, wet or green',
      does: 'empty',
      share: 0.25,
      shows: { magnet: { nothing: 0.9 }, plug: { off: 0.9 } },
      traits: ['refit'],
      beside: true,
      comes: ['sometimes'],
      repair: repair('Plug dried, cleaned, seated', 12),
    },
  ],
  looks: [
    look(
      'float',
      'Tank out: does the float move, and has it its magnet?',
      '',
      1,
      { moves: 'Moves, and holds a screw', stuck: 'Stuck, or no magnet in it' },
      {},
      { by: 'hand' },
    ),
    look(
      'magnet',
      'Tank out, a magnet held where the float would be: does it stop asking?',
      '',
      1,
      { ready: 'It stops asking', nothing: 'It goes on asking' },
      {},
      { tools: ['magnet'], by: 'hand' },
    ),
    look(
      'plug',
      '{part}: its plug and wire',
      '',
      3,
      { sound: 'Home, dry, bright', off: 'Off, wet or green' },
      {},
      byEye,
    ),
  ],
}
