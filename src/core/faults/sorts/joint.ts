import { look, repair } from '../build.ts'
import { byEye, type Sort } from './sort.ts'

/** Joints, hoses, rings. `leaks`: water where none should be; `narrow`: little passes. */
export const joint: Sort = {
  modes: [
    {
      id: 'cold',
      name: '{part}: a weep that dries when it is hot',
      does: 'leaks',
      share: 0.3,
      shows: { paper: { cold: 0.9 }, overnight: { wet: 0.9 } },
      comes: ['cold'],
      repair: repair('Joint made new, tightened cold', 25),
    },
    {
      id: 'hot',
      name: '{part}: a weep only hot and under pressure',
      does: 'leaks',
      share: 0.5,
      shows: { paper: { hot: 0.9 }, overnight: { wet: 0.15 } },
      comes: ['hot'],
      repair: repair('Joint or ring new, seen tight hot', 30),
    },
    {
      id: 'misfit',
      name: '{part}: a ring left out, doubled or pinched at the last work',
      does: 'leaks',
      share: 0.12,
      shows: { refit: { wrong: 0.92 }, overnight: { wet: 0.7 } },
      traits: ['refit'],
      beside: true,
      comes: ['sudden'],
      repair: repair('Opened again, ring laid right', 20),
    },
    {
      id: 'kinked',
      name: '{part}: a hose kinked or crushed at the last work',
      does: 'narrow',
      share: 0.12,
      shows: { refit: { kinked: 0.92 } },
      traits: ['refit'],
      beside: true,
      comes: ['sudden'],
      repair: repair('Hose laid free, else new', 12),
    },
  ],
  looks: [
    look(
      'paper',
      '{part}: paper round it, once cold, once after ten minutes hot, each time opened dead',
      '',
      12,
      { dry: 'Dry both times', cold: 'Wet cold', hot: 'Wet only hot' },
      {},
      { tools: ['paper', 'torch'], needs: ['off', 'open', 'shut-again'], hazard: 'scald' },
    ),
    look(
      'overnight',
      '{part}: dry paper under each, laid dead and shut in; off overnight with the water on, looked at in the morning',
      '',
      15,
      { dry: 'Dry in the morning', wet: 'A ring of water under one' },
      {},
      { tools: ['paper'], needs: ['off', 'open', 'cold', 'no-pressure', 'shut-again'], hazard: 'pressure' },
    ),
    look(
      'refit',
      '{part}: what was opened last, looked at against the drawing',
      '',
      5,
      {
        right: 'As it should lie',
        wrong: 'A ring missing, doubled or pinched',
        kinked: 'A hose kinked or crushed',
      },
      {},
      byEye,
    ),
  ],
}
