import { check, foodGrease, hands } from '../../../procedures/step-parts.ts'
import { boilers } from '../kinds-by-build.ts'
import { madeSafe, onAgain } from '../opened.ts'
import { type Job, seen } from './job.ts'

export const steamSeals: Job = {
  id: 'steam-seals',
  name: 'Steam valve sealed anew',
  about: 'Cold and without pressure: stem and seat out, rings new, greased, back, tried for drips.',
  kinds: boilers,
  writes: [],
  way: 'rings-and-seat',
  wayName: 'rings and seat together',
  reason: 'A wand that drips is a seat, a tap that weeps is its rings: open once, both are changed.',
  figures: [
    ['Grease', 'food-grade silicone'],
    ['Stem', 'looked at for grooves'],
  ],
  tools: [{ name: 'Spanners' }, { name: 'Pick' }],
  materials: [{ name: 'Rings and seat of this valve' }, { name: 'Food-grade silicone grease' }],
  each: 'side',
  steps: [
    ...madeSafe(['steam-valve']),
    hands('out', 'Knob and stem out', 90, {
      at: ['steam-valve'],
      state: { wand: 'free' },
      caution: { hazard: 'pressure', say: 'Only at zero and open tap: it is the boiler’s own valve.' },
    }),
    check(
      'what',
      'Rings, seat, stem',
      'What is new?',
      [
        ['all', 'Rings and seat', 'pass', { fits: ['steam-valve-seat', 'steam-stem-rings', 'steam-seals'] }],
        ['rings', 'Rings alone: the seat is whole', 'pass', { fits: ['steam-stem-rings', 'steam-seals'] }],
        ['none', 'None: cleaned and greased', 'pass'],
        ['stem', 'The stem is grooved', 'stop', 'Rings do not seal on it: a new valve.'],
      ],
      { at: ['steam-valve'], handsS: 120 },
    ),
    hands('back', 'Greased, in, packing snug, tap shut', 90, { at: ['steam-valve'], how: foodGrease }),
    ...onAgain(['steam-valve', 'wand'], 'Hot and at pressure: open and shut it ten times'),
  ],
}

export const hotWaterSeal: Job = {
  id: 'hot-water-seal',
  name: 'Hot-water valve sealed anew',
  about: 'Cold and without pressure: valve out, seal new, back, tried for drips.',
  kinds: boilers,
  needs: { stations: ['hot-water'], why: 'It has no hot-water tap.' },
  writes: [],
  way: 'seal-new',
  wayName: 'seal new, seat wiped',
  reason: 'A tap that drips scalds whoever wipes below it, and chalks its own outlet.',
  figures: [['Grease', 'food-grade silicone']],
  tools: [{ name: 'Spanners' }, { name: 'Pick' }],
  materials: [{ name: 'Seal of this valve' }],
  steps: [
    ...madeSafe(['hot-water']),
    hands('out', 'Valve out', 90, {
      at: ['hot-water'],
      state: { outlet: 'off' },
      caution: { hazard: 'pressure', say: 'Only at zero and open tap: it is fed from the boiler’s bottom.' },
    }),
    seen('seal', 'Seal and seat', 'hot-water-seal', ['hot-water']),
    hands('back', 'Greased, back, snug', 60, { at: ['hot-water'], state: { outlet: 'on' }, how: foodGrease }),
    ...onAgain(['hot-water'], 'Hot: open and shut it five times'),
  ],
}
