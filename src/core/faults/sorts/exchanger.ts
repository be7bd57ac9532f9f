import { look, reading, repair } from '../build.ts'
import type { Sort } from './sort.ts'

/** Where brew water takes its heat. `cold`: it comes cool; `narrow`: little passes; `fills`: it lets water into the boiler. */
export const exchanger: Sort = {
  modes: [
    {
      id: 'chalked',
      name: '{part} chalked',
      does: 'narrow',
      share: 0.5,
      shows: {},
      traits: ['chalk'],
      comes: ['slowly'],
      repair: repair('On the bench: taken out and descaled', 360),
    },
    {
      id: 'perforated',
      name: '{part} eaten through: the boiler fills by it',
      does: 'fills',
      share: 0.35,
      shows: { rise: { rises: 0.92 } },
      comes: ['slowly'],
      repair: repair('On the bench: new exchanger or boiler', 360),
    },
    {
      id: 'stalled',
      name: '{part}: circulation to the group stalled by air or chalk',
      does: 'cold',
      share: 0.5,
      shows: { pipes: { apart: 0.9 } },
      traits: ['airlock'],
      beside: true,
      comes: ['sometimes'],
      repair: repair('Vented, its restrictor cleared', 40),
    },
  ],
  looks: [
    look(
      'rise',
      'Fill valve shut by its tap or plug, a group run for a minute: does the boiler’s level rise?',
      '',
      4,
      { stays: 'It stays', rises: 'It rises' },
      {},
      { tools: ['torch'], needs: ['hot'], hazard: 'scald' },
    ),
    reading(
      'pipes',
      'Stick-on probes on both pipes of the group, at rest: how far apart?',
      '',
      6,
      { unit: 'K', good: { from: 3, to: 15 } },
      [
        ['alike', 'under 3', 0],
        ['right', '3 to 20', 3],
        ['apart', 'over 20', 20],
      ],
      {},
      { tools: ['two stick-on probes'], needs: ['off', 'open', 'shut-again'], hazard: 'scald' },
    ),
  ],
}
