import { check, hands } from '../../../procedures/step-parts.ts'
import { caseOpen, closedAndTried, madeSafe } from '../opened.ts'
import type { Job } from './job.ts'

export const pumpChange: Job = {
  id: 'pump-change',
  name: 'Pump changed',
  about: 'Hoses and leads off, pump out of its rubber, the new one the same way round, primed, tried.',
  kinds: ['dv', 'dn', 'dg', 'bt', 'sr', 'st', 'pk', 'pl', 'pd'],
  writes: [],
  way: 'pump-and-hose',
  wayName: 'pump, and its hose where it is hard',
  reason: 'A hose that was bent once breaks the next day: where it is hard it goes with the pump.',
  figures: [
    ['Arrow', 'of flow, as the old one'],
    ['Never', 'dry for more than seconds'],
  ],
  tools: [{ name: 'Drivers' }, { name: 'Pliers for clamps' }, { name: 'Camera' }],
  materials: [{ name: 'Pump' }, { name: 'Hose and clamps' }],
  steps: [
    ...madeSafe(['pump']),
    caseOpen(['board', 'pump']),
    hands('out', 'Leads off, hoses off, pump out of its mounts', 180, {
      at: ['pump'],
      how: 'Photo of leads and arrow first; water runs out of the hoses.',
    }),
    check(
      'new',
      'What goes in?',
      'Pump, and hose',
      [
        ['both', 'New pump, new hose', 'pass', { fits: ['pump', 'pump-hose'] }],
        ['pump', 'New pump: the hose is supple', 'pass', { fits: ['pump'] }],
      ],
      { at: ['pump'], handsS: 120 },
    ),
    hands('back', 'Mounts, hoses, clamps, leads as in the photo', 180, { at: ['pump'] }),
    ...closedAndTried(['pump'], 'Primed: how does it run?'),
  ],
}

export const blockRings: Job = {
  id: 'block-rings',
  name: 'Block or boiler sealed anew',
  about: 'Cold: joints of the block open, rings new, screws crosswise, tried.',
  kinds: ['dv', 'dn', 'dg', 'bt', 'sr', 'st'],
  writes: [],
  way: 'rings-at-every-opening',
  wayName: 'rings new at every opening',
  reason: 'A ring that was hot once takes the shape of its groove: opened, it never seals again.',
  figures: [
    ['Screws', 'crosswise, in two rounds'],
    ['Rings', 'new, dry or as its maker says'],
  ],
  tools: [{ name: 'Drivers' }, { name: 'Pick' }],
  materials: [{ name: 'Rings of this block' }],
  steps: [
    ...madeSafe(['thermoblock', 'boiler']),
    caseOpen(['board', 'thermoblock', 'boiler']),
    hands('apart', 'Joints open, old rings out', 180, {
      at: ['thermoblock', 'boiler'],
      caution: { hazard: 'sharp', say: 'The pick slips; scratches leak.' },
    }),
    check(
      'rings',
      'New rings in',
      'What went in?',
      [['new', 'New rings', 'pass', { fits: ['block-rings', 'pressure-hoses'] }]],
      { at: ['thermoblock', 'boiler'], handsS: 60, gate: true },
    ),
    hands('back', 'Screws crosswise, in two rounds', 120, { at: ['thermoblock', 'boiler'] }),
    ...closedAndTried(['thermoblock', 'boiler'], 'At pressure: is it dry?'),
  ],
}
