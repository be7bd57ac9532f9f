import { look, repair } from '../build.ts'
import { byEye, metered, type Sort } from './sort.ts'

/** What feels temperature. `cool`: it keeps it too cool; `hot`: too hot; `fault`: the control refuses. */
export const sensor: Sort = {
  modes: [
    {
      id: 'reads-high',
      name: '{part} reads too high: it stays cool',
      does: 'cool',
      share: 0.6,
      shows: { ohm: { off: 0.85 } },
      comes: ['slowly'],
      repair: repair('New sensor, seated with paste', 25),
    },
    {
      id: 'reads-low',
      name: '{part} reads too low: it gets too hot',
      does: 'hot',
      share: 0.4,
      shows: { ohm: { off: 0.85 } },
      complaints: { 'too-hot': 6 },
      comes: ['slowly'],
      repair: repair('New sensor, seated with paste; cut-out looked at', 25),
    },
    {
      id: 'open',
      name: '{part} open or shorted',
      does: 'fault',
      share: 0.5,
      shows: { ohm: { open: 0.94 } },
      complaints: { error: 6, 'not-ready': 4 },
      comes: ['sudden'],
      repair: repair('New sensor; its lead looked at', 25),
    },
    {
      id: 'loose',
      name: '{part} loose on its seat',
      does: 'hot',
      share: 0.25,
      shows: { seat: { loose: 0.92 } },
      complaints: { 'too-hot': 4 },
      traits: ['refit'],
      beside: true,
      comes: ['sometimes'],
      repair: repair('Seated with paste, clamped', 12),
    },
    {
      id: 'plug',
      name: '{part}: plug wet or green',
      does: 'fault',
      share: 0.25,
      shows: { plug: { off: 0.92 } },
      complaints: { error: 5 },
      traits: ['refit'],
      beside: true,
      comes: ['sometimes'],
      repair: repair('Dried, cleaned; what wetted it', 15),
    },
  ],
  looks: [
    look(
      'ohm',
      '{part}: its resistance against the table for the temperature it has now',
      '',
      5,
      { right: 'As the table says', off: 'Off the table by more than a tenth', open: 'Open, or nearly nothing' },
      {},
      { ...metered, tools: ['multimeter', 'thermometer'] },
    ),
    look('seat', '{part}: how it sits', '', 3, { fast: 'Fast, pasted', loose: 'Loose or dry' }, {}, byEye),
    look('plug', '{part}: its plug and lead', '', 3, { fast: 'Dry, bright', off: 'Off, wet or green' }, {}, byEye),
  ],
}
