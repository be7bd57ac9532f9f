import type { Procedure } from '../procedure.ts'
import type { Step } from '../step.ts'
import { alkaline, check, figure, hands, hotWater, wait } from '../step-parts.ts'

const leaflet = 'Keys and lamps differ by model and revision: the machine’s own leaflet comes first.'

const fill = hands('tank', 'Tank full, tray empty', 30, { at: ['tank', 'tray'] })
const keysHeld: Step = {
  id: 'keys',
  say: 'Hold the shot keys together',
  how: leaflet,
  act: 'hold',
  keys: ['single', 'steam'],
  seconds: 6,
  handsS: 3,
  at: ['switches', 'board'],
  mark: 'M',
}

/** A cleaning programme with tablet and disc. */
export const tabletProgramme: Procedure = {
  id: 'tablet-programme',
  version: 1,
  family: 'brewing',
  name: 'Cleaning programme with a tablet',
  about: 'The machine strokes by itself against a closed disc, with a tablet in it.',
  kinds: ['dg', 'bt', 'dv'],
  needs: { stations: ['three-way'], why: 'There is no 3-way valve to vent the strokes.', instead: 'group-clean' },
  writes: [{ entry: 'cleaned', task: 'cleaning-programme' }],
  schools: [
    {
      id: 'one-tablet-again-if-left',
      name: 'one tablet, again while some is left',
      reason:
        'The tablet is meant for the machine’s seals. What is not dissolved has not cleaned: the same programme once more, until it is gone.',
      usualFor: ['dg', 'bt'],
      figures: [figure('Detergent', '1 tablet'), figure('Time', 'about 5 min'), figure('Tank', 'full; half at least')],
      tools: [
        { name: 'Single basket', why: 'a double one leaves the disc loose' },
        { name: 'Closed cleaning disc' },
        { name: 'Jug', why: 'an older disc has a hole: then water comes' },
      ],
      materials: [{ name: 'Cleaning tablet' }],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            fill,
            {
              id: 'tablet',
              say: 'Disc in the single basket, tablet in its dimple',
              act: 'dose',
              dose: { of: 'detergent', tablets: 1 },
              into: 'the disc',
              handsS: 20,
              at: ['basket'],
              caution: alkaline,
            },
            hands('lock', 'Lock it in, jug under the group', 15, {
              at: ['group', 'basket'],
              puts: 'detergent',
              gate: true,
            }),
            keysHeld,
            wait('runs', 'It strokes by itself', 'its lamps stand still and it beeps', 300, {
              normal:
                'A few drops or none from a closed disc; the water goes to the tray. A jugful where the disc has a hole.',
              at: ['pump', 'three-way', 'group', 'screen', 'tray'],
              caution: { hazard: 'pressure', say: 'Handle stays shut while it runs.' },
            }),
            check(
              'tablet-gone',
              'Take it out and look at the disc',
              'What is left of the tablet?',
              [
                ['gone', 'Nothing', 'pass'],
                ['left', 'Some of it', 'repeat', 'lock', 'Not dissolved: the same programme once more, from off.'],
              ],
              { at: ['basket'], caution: hotWater },
            ),
            hands('purge', 'Rinse the basket, run a double through the empty group', 40, {
              at: ['group', 'screen', 'three-way'],
              caution: hotWater,
            }),
            check(
              'clear',
              'Is it clear?',
              'What runs out?',
              [
                ['clear', 'Clear water, no foam', 'pass'],
                ['foam', 'Still foam', 'repeat', 'purge', 'Detergent is left: run another double through.'],
              ],
              { at: ['group'], gate: true, clears: true },
            ),
          ],
        },
      ],
    },
    {
      id: 'without-a-tablet',
      name: 'without a tablet, soon after the last',
      reason:
        'It asked 20 or 30 shots after the last clean: the programme is run bare, so that it counts anew. Less is cleaned, and that is on record.',
      usualFor: [],
      figures: [figure('Detergent', 'none'), figure('Time', 'about 5 min'), figure('Tank', 'full; half at least')],
      tools: [{ name: 'Single basket' }, { name: 'Closed cleaning disc' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            fill,
            hands('lock', 'Disc in the single basket, lock it in', 20, { at: ['group', 'basket'] }),
            keysHeld,
            wait('runs', 'It strokes by itself', 'its lamps stand still and it beeps', 300, {
              at: ['pump', 'three-way', 'group', 'screen', 'tray'],
              caution: { hazard: 'pressure', say: 'Handle stays shut while it runs.' },
            }),
            hands('out', 'Take it out, empty the tray', 30, { at: ['basket', 'tray'], caution: hotWater }),
          ],
        },
      ],
    },
  ],
}

/** Oil-removing or cleaning tablet of a super-automatic. */
export const superAutomaticClean: Procedure = {
  id: 'oil-removal',
  version: 1,
  family: 'brewing',
  name: 'Cleaning programme of a super-automatic',
  about: 'A tablet takes the oil out of brew unit and spouts. It does not mend a seal.',
  kinds: ['sr', 'st', 'sp'],
  writes: [{ entry: 'cleaned', task: 'oil-removal', taskOf: { sp: 'cleaning-programme' } }],
  mustFinish: {
    why: 'Broken off, detergent stays in the brew unit.',
    first: ['Tank full or tap open', 'Grounds container and tray empty', 'Vessel of a litre under the spouts'],
  },
  schools: [
    {
      id: 'as-it-asks',
      name: 'as it asks, tablet in the powder chute',
      reason:
        'The programme knows its own volumes; what a technician adds is the look into the cup before anybody drinks.',
      usualFor: ['sr', 'st', 'sp'],
      figures: [figure('Detergent', '1 tablet'), figure('Water', 'about 0.8 L; 2 L in a large machine', 'M')],
      tools: [{ name: 'Vessel, 1 L or more' }],
      materials: [{ name: 'Cleaning tablet' }],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            hands('menu', 'Start cleaning in its menu', 30, { at: ['board'], how: leaflet }),
            {
              id: 'tablet',
              say: 'Tablet when it asks for it',
              act: 'dose',
              dose: { of: 'detergent', tablets: 1 },
              into: 'the powder chute',
              handsS: 15,
              puts: 'detergent',
              gate: true,
              at: ['brew-unit', 'group'],
              caution: alkaline,
            },
            wait('runs', 'It cleans by itself', 'it says that it is done', 420, {
              at: ['brew-unit', 'group', 'spout', 'tray'],
              mark: 'M',
              caution: hotWater,
            }),
            hands('rinse', 'Two coffees without powder, thrown away', 60, { at: ['spout'], caution: hotWater }),
            check(
              'clear',
              'Look into the cup',
              'What is in it?',
              [
                ['clear', 'Clear, no foam, no smell', 'pass'],
                ['foam', 'Foam or smell', 'repeat', 'rinse', 'Detergent is left: rinse once more.'],
              ],
              { gate: true, clears: true, at: ['spout'] },
            ),
          ],
        },
      ],
    },
  ],
}

/** Cleaning of a pod machine, led by one button. */
export const podClean: Procedure = {
  id: 'pod-clean',
  version: 1,
  family: 'brewing',
  name: 'Cleaning programme of a pod machine',
  about: 'Water only, driven through head and outlet; no capsule inside.',
  kinds: ['pk'],
  writes: [{ entry: 'cleaned', task: 'cleaning-programme' }],
  schools: [
    {
      id: 'water-seven-minutes',
      name: 'water only, seven minutes',
      reason: 'Nothing strong goes into a path this narrow; unlike a descale it may be stopped by its button.',
      usualFor: ['pk'],
      figures: [
        figure('Cleaner', 'none; nothing abrasive, strong or solvent'),
        figure('Water', 'first after about 2 min'),
        figure('Time', '7 min'),
      ],
      tools: [{ name: 'Container, 1 L' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            hands('tank', 'Rinse tank and lid, fresh drinking water', 60, { at: ['tank'] }),
            hands('empty', 'Head open, capsule out; empty container and tray', 45, { at: ['head', 'tray'] }),
            check(
              'no-capsule',
              'Look into the head',
              'Is a capsule inside?',
              [
                ['none', 'None', 'pass'],
                ['there', 'One is there', 'repeat', 'empty', 'A capsule inside blocks the run: take it out.'],
              ],
              { at: ['head'], gate: true },
            ),
            hands('lock', 'Container under it, close and lock', 15, { at: ['lock', 'head'] }),
            wait('heats', 'It heats', 'its lamp stands still', 30, { at: ['heater', 'button'] }),
            {
              id: 'keys',
              say: 'Press its button',
              how: leaflet,
              act: 'press',
              key: 'the button',
              times: 4,
              withinS: 3,
              handsS: 5,
              at: ['button'],
              mark: 'M',
            },
            wait('runs', 'It runs by itself', 'its lamp stands still', 420, {
              normal: 'Water comes only after about two minutes.',
              at: ['pump', 'heater', 'needle', 'head'],
              caution: hotWater,
            }),
            hands('away', 'Container away, tray back', 30, { at: ['tray'], caution: hotWater }),
          ],
        },
      ],
    },
  ],
}

/** A pod machine emptied for storing or carrying. */
export const podEmpty: Procedure = {
  id: 'pod-empty',
  version: 1,
  family: 'place',
  name: 'Pod machine emptied',
  about: 'Water out of pump and heater, before it is stored, carried or stands in the cold.',
  kinds: ['pk', 'pl'],
  writes: [],
  schools: [
    {
      id: 'held-while-plugged-in',
      name: 'emptied by its own programme',
      reason: 'What stays in a heater freezes and bursts it, or stands and smells: its own programme blows it out.',
      usualFor: ['pk', 'pl'],
      figures: [figure('Time', 'about 30 s'), figure('Before', 'storing, carrying, frost')],
      tools: [{ name: 'Container' }, { name: 'Cloth' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Emptying',
          steps: [
            hands('tank', 'Tank emptied and back', 20, { at: ['tank'] }),
            hands('empty', 'Capsule out, container and tray emptied', 40, { at: ['head', 'tray'] }),
            hands('lock', 'Closed and locked, container under it', 15, { at: ['lock'] }),
            hands('unplug', 'Unplug it', 10, { at: ['button'] }),
            {
              id: 'hold',
              say: 'Hold its button while plugging in again',
              how: leaflet,
              act: 'hold',
              keys: ['the button'],
              seconds: 4,
              handsS: 5,
              at: ['button'],
              mark: 'M',
            },
            wait('runs', 'It blows itself empty', 'it switches itself off', 30, {
              at: ['pump', 'heater', 'head'],
              caution: hotWater,
            }),
            hands('dry', 'Unplug, wipe, lid open to dry', 40),
          ],
        },
      ],
    },
  ],
}

/** Head and jug of a pod machine with a whisk. */
export const podHead: Procedure = {
  id: 'pod-head',
  version: 1,
  family: 'brewing',
  name: 'Head rinsed, frother cleaned',
  about: 'A cycle without capsule, the jug steamed empty, listed parts washed.',
  kinds: ['pl'],
  writes: [{ entry: 'cleaned', task: 'head-rinse' }],
  schools: [
    {
      id: 'rinse-and-steam',
      name: 'rinsed, then steamed empty',
      reason:
        'Ten coffees fill the bin; a cycle of water rinses the head, and ten seconds of steam through the empty jug clear its path.',
      usualFor: ['pl'],
      figures: [figure('Bin emptied', 'after about 10 coffees'), figure('Jug steamed empty', '10 to 15 s')],
      tools: [{ name: 'Cup or vessel' }],
      materials: [],
      parts: [
        {
          id: 'head',
          name: 'Head',
          steps: [
            hands('bin', 'Capsules and waste water out', 40, { at: ['tray'] }),
            hands('rinse', 'No capsule, one long cycle into the vessel', 40, {
              at: ['head', 'needle', 'heater'],
              caution: hotWater,
            }),
            hands('jug', 'Jug attached and empty, steam it 10 to 15 s', 20, {
              at: ['frother', 'steam-path'],
              caution: { hazard: 'scald', say: 'Steam from the jug’s spout.' },
            }),
            hands('wash', 'Jug and whisk washed', 60, {
              how: 'In the dishwasher only what its leaflet lists; a steel rack is not on it.',
            }),
          ],
        },
      ],
    },
  ],
}
