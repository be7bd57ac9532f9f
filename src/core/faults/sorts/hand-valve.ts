import { look, repair } from '../build.ts'
import type { Sort } from './sort.ts'

/** A tap turned by hand: steam, hot water. `passes`: it does not shut; `shut`: nothing or little comes; `weeps`. */
export const handValve: Sort = {
  modes: [
    {
      id: 'seat',
      name: '{part}: seat or seal worn',
      does: 'passes',
      share: 1,
      shows: { turn: { on: 0.85 } },
      comes: ['slowly'],
      repair: repair('Seal and seat new', 20),
    },
    {
      id: 'stripped',
      name: '{part}: knob or spindle turns and opens nothing',
      does: 'shut',
      share: 0.12,
      shows: { turn: { slips: 0.92 } },
      comes: ['sudden'],
      repair: repair('Knob or spindle new', 20),
    },
    {
      id: 'outlet',
      name: '{part}: its outlet chalked or blocked, it spits or dribbles',
      does: 'shut',
      share: 0.35,
      shows: { turn: { dribbles: 0.88 } },
      traits: ['chalk'],
      beside: true,
      comes: ['slowly'],
      repair: repair('Outlet off, descaled, its gauze cleared', 10),
    },
    {
      id: 'packing',
      name: '{part} weeps round its spindle when open',
      does: 'weeps',
      share: 0.25,
      shows: { turn: { weeps: 0.88 } },
      comes: ['slowly'],
      repair: repair('Packing or rings of the spindle new', 20),
    },
  ],
  looks: [
    look(
      'turn',
      '{part}: opened and shut slowly, a cloth round the outlet',
      '',
      1,
      {
        right: 'Opens, shuts, dry at the spindle',
        dribbles: 'Opens, and only dribbles or spits',
        slips: 'Turns on and opens nothing',
        weeps: 'Wet or steaming at the spindle',
        on: 'Does not shut',
      },
      {},
      { needs: ['hot'], hazard: 'scald', by: 'hand' },
    ),
  ],
}
