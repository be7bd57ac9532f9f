import { look, reading, repair } from '../build.ts'
import { opened, type Sort } from './sort.ts'

/** What tells a boiler's level. `dry`: it reads dry and overfills; `wet`: it reads wet and the boiler runs low. */
export const levelProbe: Sort = {
  modes: [
    {
      id: 'chalked',
      name: '{part} chalked: it reads dry',
      does: 'dry',
      share: 0.6,
      shows: { tip: { chalked: 0.93 } },
      traits: ['chalk', 'probe'],
      repair: repair('{part} out, cleaned; conductivity looked at', 20),
    },
    {
      id: 'too-pure',
      name: 'Water too pure for {part}',
      does: 'dry',
      share: 0.3,
      shows: { feed: { pure: 0.93 } },
      traits: ['probe'],
      beside: true,
      repair: repair('Raw water blended in until the pen shows over 100 µS/cm', 20),
    },
    {
      id: 'wire',
      name: '{part}: wire or plug off',
      does: 'dry',
      share: 0.25,
      shows: { bridge: { same: 0.88 } },
      traits: ['refit'],
      beside: true,
      repair: repair('Wire made good', 10),
    },
    {
      id: 'wet',
      name: '{part} reads wet: crust to the boiler’s wall, or a wet plug',
      does: 'wet',
      share: 0.4,
      shows: { lead: { fills: 0.9 } },
      traits: ['chalk'],
      complaints: { 'no-steam': 1 },
      repair: repair('{part} out, cleaned, its neck dried; boiler filled before it heats', 25),
    },
  ],
  looks: [
    look('tip', '{part} out: its tip', '', 10, { clean: 'Bright', chalked: 'Chalked' }, {}, opened),
    reading(
      'feed',
      'Conductivity of the water it gets, by the pen',
      '',
      2,
      { unit: 'µS/cm', good: { from: 100, to: 800 } },
      [
        ['pure', 'under 60', 0],
        ['right', '60 to 1500', 60],
        ['salty', 'over 1500: brine or brackish', 1500],
      ],
      {},
      { tools: ['conductivity pen'] },
    ),
    look(
      'bridge',
      '{part}: dead, a wire from its plug to the boiler; case shut, on: does it stop filling?',
      '',
      5,
      { stops: 'It stops', same: 'It fills on' },
      {},
      { tools: ['piece of wire'], needs: ['off', 'open', 'shut-again'], hazard: 'scald' },
    ),
    look(
      'lead',
      '{part}: dead, its plug off; case shut, on: does it fill now?',
      '',
      5,
      { full: 'No: the boiler is full', fills: 'It fills at once' },
      {},
      { tools: ['torch'], needs: ['off', 'open', 'shut-again'], hazard: 'scald' },
    ),
  ],
}
