import type { Procedure } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import {
  brewing,
  check,
  coolingS,
  cools,
  figure,
  hands,
  hotWater,
  itMoves,
  startedByKeys,
} from '../../procedures/step-parts.ts'

const springs = {
  hazard: 'spring',
  say: 'The spring assembly is under tension: glasses on, clips held by pliers, face away.',
} as const
const hot = {
  hazard: 'scald',
  say: 'The group is at 85 to 90 °C: cooled, or gloves; water stands in it.',
} as const

/** Hands go in only while the master switch is off. */
const off = (id: string, then: string): Step =>
  hands(id, 'Master switch off', 10, {
    at: ['board'],
    state: { power: 'off' },
    gate: true,
    how: `Before hands go in: ${then}`,
    caution: itMoves,
  })

/** Moved by its keys, hands out. */
const moved = (id: string, say: string, how: string): Step =>
  hands(id, say, 30, {
    at: ['group', 'spindle'],
    state: { power: 'on' },
    how: `Hands and tools out, then master switch on: manual movement, ${how}.`,
    caution: itMoves,
  })

/** The motor-driven piston group at its service. */
export const motorGroup: Procedure = {
  id: 'motor-group',
  version: 2,
  family: 'service',
  name: 'Piston group serviced',
  about: 'Guides cleaned dry, both gaskets new, both showers cleaned: every 15,000 cycles.',
  kinds: ['sp'],
  writes: [
    { entry: 'serviced', task: 'group-service', by: ['upper-in', 'lower-in', 'chute-back', 'drink'] },
    { entry: 'cleaned', task: 'guides-clean', by: ['guides-upper', 'guides-lower'] },
    { entry: 'cleaned', task: 'showers-clean', by: ['upper-shower', 'lower-shower'] },
  ],
  ways: [
    {
      id: 'by-its-own-motor',
      name: 'moved by its own motor',
      reason:
        'The chamber is moved by its keys, so that it lines the pistons up itself: screws are tightened only then.',
      usualFor: ['sp'],
      every: { words: 'every 15,000 cycles', drinks: 15_000, mark: 'T' },
      figures: [
        figure('Interval', '15,000 cycles'),
        figure('Tools', 'hex 2, 2.5, 3, 4 mm; 21 mm wrench'),
        figure('Guides', 'dry, no lubricant'),
        figure('Lower gasket', 'one drop of high-temperature food grease, PTFE tape on the thread'),
      ],
      tools: [
        { name: 'Hex 2.5 and 4 mm' },
        { name: '21 mm wrench' },
        { name: 'Flat screwdriver' },
        { name: 'Circlip pliers' },
        { name: 'Gloves, glasses' },
      ],
      materials: [
        { name: 'Upper gasket' },
        { name: 'Lower gasket' },
        { name: 'PTFE tape' },
        { name: 'High-temperature food grease' },
      ],
      parts: [
        {
          id: 'group',
          name: 'Group',
          steps: [
            cools('cool', coolingS.block, {
              say: 'Off, let the group cool',
              at: ['group', 'group-heater', 'board'],
              handsS: 15,
              state: { power: 'off' },
              gate: true,
              how: 'Master switch off, half an hour, or gloves for hot metal from here to the end.',
              caution: hot,
            }),
            hands('open', 'Door open, tray and decaf chute out', 40, {
              at: ['tray'],
              state: { tray: 'out' },
              how: 'The chute bars the way to the upper piston.',
              caution: hot,
            }),
            startedByKeys(
              'manual',
              'Into manual movement',
              'manual-movement',
              {
                sp: {
                  from: 'off',
                  keys: ['clean', 'stop'],
                  way: 'hold-on',
                  seconds: 4,
                  answers: 'the display shows two arrows',
                },
              },
              { at: ['board'], caution: itMoves },
            ),
            moved('down-1', 'Chamber down', 'its down key'),
            off('off-1', 'the upper half of the guides is free.'),
            hands('guides-upper', 'Clean the upper half of the guides, dry', 60, {
              at: ['group', 'spindle'],
              how: 'Dry cloth and brush: grease binds coffee, and the chamber stalls.',
              caution: { hazard: 'pinch', say: 'Only while the master switch is off.' },
            }),
            moved('up-1', 'Chamber up', 'its up key'),
            off('off-2', 'the lower half of the guides is free.'),
            hands('guides-lower', 'Clean the lower half of the guides, dry', 60, {
              at: ['group', 'spindle'],
              caution: { hazard: 'pinch', say: 'Only while the master switch is off.' },
            }),
            hands('upper', 'Upper piston out, 4 mm', 120, {
              at: ['group'],
              state: { group: 'apart' },
              how: 'A strip-down sheet beside it: clips and screws are many.',
              caution: hot,
            }),
            hands('upper-shower', 'Its gasket off by a flat driver, shower off, 2.5 mm, cleaned', 120, {
              at: ['group'],
              caution: { hazard: 'sharp', say: 'The driver slips: away from the other hand.' },
            }),
            hands('upper-in', 'New gasket seated all round, piston in, screw loose', 180, {
              at: ['group'],
              fits: ['upper-gasket'],
              how: 'Seated with a flat driver, looked at all round.',
            }),
            moved('align', 'Chamber up: it lines the piston up', 'its up key'),
            off('off-3', 'the screw is tightened.'),
            hands('tighten', 'Now tighten the upper piston', 30, {
              at: ['group'],
              caution: { hazard: 'pinch', say: 'Only while the master switch is off.' },
            }),
            hands('tube', 'Brewing tube out', 30, {
              at: ['group'],
              how: 'Press the metal ring of its joint, pull the tube.',
              caution: hot,
            }),
            moved('down-2', 'Chamber right down', 'its down key'),
            off('off-4', 'the lower clip comes off.'),
            hands('clip-lower', 'Lower C-clip off', 40, { at: ['group'], caution: springs }),
            moved('up-2', 'Chamber up', 'its up key'),
            off('off-5', 'spring and upper clip come out.'),
            hands('springs', 'Spring assembly and upper C-clip out', 60, {
              at: ['group'],
              how: 'Their order is photographed.',
              caution: springs,
            }),
            hands('lower', 'Nut off, 21 mm; piston out of the chamber, old gasket off', 120, {
              at: ['group'],
              caution: hot,
            }),
            hands('lower-shower', 'Lower shower off, 2.5 mm, cleaned, back', 120, { at: ['group'] }),
            hands('lower-in', 'New gasket, one drop of grease; tape on the thread; nut on', 240, {
              at: ['group'],
              fits: ['lower-gasket'],
              how: 'High-temperature food grease on the gasket, PTFE tape on the nut’s thread.',
            }),
            check(
              'free',
              'Push the piston up and down',
              'How does it move?',
              [
                ['free', 'Freely', 'pass'],
                ['stiff', 'Stiff', 'repeat', 'lower-in', 'The gasket does not sit: out once more.'],
              ],
              { at: ['group'], gate: true },
            ),
            hands('clip-upper', 'Upper C-clip on, spring assembly in', 60, { at: ['group'], caution: springs }),
            moved('down-3', 'Chamber down', 'its down key'),
            off('off-6', 'the lower clip goes on.'),
            hands('clip-lower-in', 'Lower C-clip on, tube pushed into its joint', 60, {
              at: ['group'],
              state: { group: 'water' },
              how: 'The clip snaps into its groove all round; the tube does not pull out.',
              caution: springs,
            }),
            hands('chute-back', 'Decaf chute and tray back, door shut', 40, { at: ['tray'], state: { tray: 'in' } }),
            hands('out-of-manual', 'On at the master switch: out of manual movement', 30, {
              at: ['board'],
              state: { power: 'on', heat: 'hot' },
              caution: itMoves,
            }),
            check(
              'drink',
              'Two coffees, thrown away',
              'How do they run?',
              [
                ['good', 'Steady, no drip at the unit', 'pass'],
                [
                  'leak',
                  'Water below the group',
                  'repeat',
                  'cool',
                  'A gasket or the tube: off, cooled, opened once more.',
                ],
              ],
              { at: ['group', 'spout'], state: { ...brewing, path: 'water' }, caution: hotWater, gate: true },
            ),
          ],
        },
      ],
    },
  ],
}
