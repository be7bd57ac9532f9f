import type { Procedure } from '../../procedures/procedure.ts'
import {
  check,
  coolingS,
  cools,
  cutOff,
  figure,
  hands,
  hotTray,
  hotWater,
  pierces,
} from '../../procedures/step-parts.ts'
import { ready } from './pods.ts'

/** Head and jug of a pod machine with a whisk. */
export const podHead: Procedure = {
  id: 'pod-head',
  version: 2,
  family: 'brewing',
  name: 'Head rinsed, frother cleaned',
  about: 'A cycle without capsule, the jug steamed empty, listed parts washed.',
  kinds: ['pl'],
  writes: [{ entry: 'cleaned', task: 'head-rinse', by: ['rinse'] }],
  ways: [
    {
      id: 'rinse-and-steam',
      name: 'rinsed, then steamed empty',
      reason:
        'Ten coffees fill the bin; a cycle of water rinses the head, and ten seconds of steam through the empty jug clear its path.',
      usualFor: ['pl'],
      every: { words: 'after about 10 coffees', drinks: 10, mark: 'T' },
      figures: [figure('Bin emptied', 'after about 10 coffees'), figure('Jug steamed empty', '10 to 15 s')],
      tools: [{ name: 'Cup or vessel' }],
      materials: [],
      parts: [
        {
          id: 'head',
          name: 'Head',
          steps: [
            hands('bin', 'Capsules and waste water out', 40, {
              at: ['tray'],
              state: { tray: 'in' },
              how: 'Back in before any water runs. Bin and collection parts may go in the dishwasher where the leaflet lists them.',
              caution: pierces,
              besides: [hotTray],
            }),
            hands('rinse', 'No capsule, one long cycle into the vessel', 40, {
              at: ['head', 'needle', 'heater'],
              state: ready,
              caution: hotWater,
            }),
            hands('jug', 'Jug attached and empty, steam it 10 to 15 s', 20, {
              at: ['frother', 'steam-path'],
              where: ['frother'],
              state: ready,
              caution: { hazard: 'scald', say: 'Steam from the jug’s spout: hands and face away.' },
            }),
            hands('wash', 'Jug and whisk washed', 60, {
              where: ['frother'],
              how: 'In the dishwasher what its leaflet lists: jug, whisk, collection parts. A steel cup rack is not on it.',
              caution: {
                hazard: 'milk',
                say: 'Milk spoils within hours: jug and whisk are washed the same day.',
              },
            }),
          ],
        },
      ],
    },
  ],
}

/** The piercing needle and the passage behind it, by hand. */
export const podNeedle: Procedure = {
  id: 'pod-needle',
  version: 1,
  family: 'service',
  name: 'Piercing needle and outlet freed',
  about: 'Cold and unplugged: grounds brushed off the needle, its holes picked free, the outlet wiped.',
  kinds: ['pk', 'pl'],
  writes: [{ entry: 'cleaned', task: 'needle-clean', by: ['needle'] }],
  ways: [
    {
      id: 'brushed-and-picked',
      name: 'brushed, then picked where it is shut',
      reason:
        'Grounds sit in the holes of the needle long before chalk does: a brush and a thin pick, no force, no acid.',
      usualFor: ['pk', 'pl'],
      every: { words: 'at each service, or when it only drips', days: 182, mark: 'M' },
      figures: [figure('Tools', 'soft brush, thin pick, torch'), figure('Never', 'a finger, or a drill')],
      tools: [{ name: 'Soft brush' }, { name: 'Thin pick' }, { name: 'Torch' }, { name: 'Cut-proof glove' }],
      materials: [],
      parts: [
        {
          id: 'needle',
          name: 'Needle',
          steps: [
            cutOff('off', 20, { at: ['button'] }),
            cools('cold', coolingS.block, {
              at: ['heater', 'head'],
              gate: true,
              how: 'Cold to the touch at the head: half an hour after the last coffee.',
              caution: { hazard: 'scald', say: 'The head stays hot after it is off.' },
            }),
            hands('open', 'Head open, torch on the needle', 15, { at: ['head', 'needle'], caution: pierces }),
            hands('needle', 'Brush it, pick each hole free', 60, {
              at: ['needle'],
              how: 'From outside in; what is loosened falls into the bin. No drill: a widened hole changes every cup.',
              caution: pierces,
            }),
            hands('gasket', 'Wipe seat and seal of the head', 30, {
              at: ['head'],
              how: 'A seal that is torn or flat leaks beside the capsule.',
              caution: pierces,
            }),
            check(
              'seal',
              'How is the seal of the head?',
              'Torch all round it',
              [
                ['whole', 'Whole', 'pass'],
                ['new', 'Torn or flat: a new one is in', 'pass', { fits: ['head-gasket'] }],
                ['later', 'Torn or flat: no new one here', 'pass'],
              ],
              { at: ['head'], caution: pierces },
            ),
            hands('rinse', 'Plug in, warm up, two cycles without capsule', 150, {
              at: ['pump', 'heater', 'needle', 'head'],
              state: ready,
              caution: hotWater,
            }),
            check(
              'stream',
              'How does it run?',
              'The second cycle',
              [
                ['even', 'An even stream', 'pass'],
                ['drips', 'Only drops still', 'stop', 'Then it is not the needle: pump or heater, on the Fault lens.'],
              ],
              { at: ['head'], caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}
