import type { Procedure } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import { check, cutOff, figure, hands } from '../../procedures/step-parts.ts'

const all = ['gr', 'sr', 'st', 'sp', 'dg', 'bt']
const turning = { hazard: 'pinch', say: 'Burrs turn as soon as it is fed: no finger, no tool in the chute.' } as const
const edges = { hazard: 'sharp', say: 'Burrs are sharp: gloves, held by their rim.' } as const
const sucked = { hazard: 'parts', say: 'Small springs are sucked in: out of the way first.' } as const

const dose = (n: number, name: string): Step => ({
  id: `dose-${n}`,
  say: `${name} dose`,
  how: 'Caught in a portafilter that stands on the scale, tared.',
  as: {
    sp: {
      how: 'Caught by its test mode, or in a cup under the chute with the group out of the way, as its leaflet has it.',
    },
  },
  act: 'measure',
  measure: 'dose',
  ask: 'Weight of the dose',
  unit: 'g',
  handsS: 20,
  at: ['burrs', 'chute'],
  state: { power: 'on', hopper: 'on' },
  caution: turning,
})

/** Grinder set by weight. */
export const grinderCalibration: Procedure = {
  id: 'grinder-calibration',
  version: 2,
  family: 'service',
  name: 'Grinder cleaned and set by weight',
  about: 'Vacuumed, brushed, its teeth counted, and three doses weighed and kept.',
  kinds: all,
  writes: [{ entry: 'cleaned', task: 'hopper-wash', by: ['hopper'] }],
  ways: [
    {
      id: 'three-doses-weighed',
      name: 'three doses weighed',
      reason: 'One dose tells nothing: three within their spread tell that burrs, chute and time agree.',
      usualFor: all,
      every: { words: 'every two weeks the hopper; set when the beans change', days: 14, mark: 'M' },
      figures: [
        figure('Doses', '3, on record'),
        figure('Within', '0.3 to 0.8 g by kind', 'M'),
        figure('Order', 'vacuum first, then air'),
      ],
      tools: [
        { name: 'Scale, 0.1 g' },
        { name: 'Angled brush' },
        { name: 'Vacuum cleaner' },
        { name: 'Compressed air', why: 'only after the vacuum' },
      ],
      materials: [],
      parts: [
        {
          id: 'grinder',
          name: 'Grinder',
          steps: [
            cutOff('unplug', 40, { say: 'Beans out, off, plug out', at: ['hopper'] }),
            hands('hopper', 'Hopper off, washed and dried', 120, {
              at: ['hopper'],
              state: { hopper: 'off' },
              how: 'No water near the burrs. Dry before it goes back.',
            }),
            {
              id: 'teeth',
              say: 'Where does it stand? Count the teeth, or read the ring',
              act: 'measure',
              ask: 'Teeth from its mark, or step of the ring',
              unit: 'teeth',
              handsS: 30,
              at: ['burrs'],
              how: 'Counted before anything is turned, it goes back to where it was. No mark: make one.',
              caution: edges,
            },
            hands('brush', 'Brush through the chute', 60, {
              at: ['chute', 'burrs'],
              how: 'Until the brush shows at the far end. A flap stands at a slant: never pulled back.',
              wrong: 'The brush does not come through: the chute is packed, or cracked.',
              caution: edges,
            }),
            hands('vacuum', 'Vacuum burrs and chute, then air', 60, { at: ['burrs', 'chute'], caution: sucked }),
            check(
              'burrs',
              'Look at the burrs',
              'How are they?',
              [
                ['sharp', 'Edges sharp, no crack', 'pass'],
                ['later', 'Blunt: no new ones here', 'pass'],
                ['new', 'Blunt or cracked: new ones are in', 'pass', { fits: ['burrs'] }],
              ],
              { at: ['burrs'], caution: edges },
            ),
            hands('back', 'Back to the same teeth, hopper on, beans in', 60, {
              at: ['hopper', 'burrs'],
              state: { hopper: 'on' },
              how: 'A hopper sits when it does not move; a twisted gasket sits high.',
            }),
            hands('on', 'Plug in, grind one dose away', 30, {
              at: ['burrs'],
              state: { power: 'on' },
              caution: turning,
            }),
            dose(1, 'First'),
            dose(2, 'Second'),
            dose(3, 'Third'),
            check('agree', 'Do they agree?', 'The three doses', [
              ['agree', 'Within their spread, at the wanted weight', 'pass'],
              [
                'off',
                'Alike, but not the wanted weight',
                'repeat',
                'on',
                'Set the time or the dose, one away, then three more.',
              ],
              ['scatter', 'They scatter', 'stop', 'Burrs worn, chute packed or beans oily: no setting mends it.'],
            ]),
            {
              id: 'teeth-left',
              say: 'Where does it stand now?',
              act: 'measure',
              ask: 'Teeth from its mark, or step of the ring',
              unit: 'teeth',
              handsS: 15,
              at: ['burrs'],
              state: { power: 'on' },
              how: 'Written down, the next one finds it.',
            },
          ],
        },
      ],
    },
  ],
}

/** Burrs out, thread cleaned and greased, zero point found again. */
export const burrsAndZero: Procedure = {
  id: 'burrs-and-zero',
  version: 1,
  family: 'service',
  name: 'Burrs out, thread greased, zero point',
  about: 'Upper burr out, both looked at, thread cleaned and greased, zero found by touch with the plug out.',
  kinds: ['gr'],
  writes: [{ entry: 'greased', task: 'carrier-grease', by: ['grease'] }],
  ways: [
    {
      id: 'zero-by-hand',
      name: 'zero found by hand, plug out',
      reason: 'Turned in by hand until the burrs just touch: nothing runs, nothing chips, and the setting has a start.',
      usualFor: ['gr'],
      every: { words: 'once a year, or when it grinds unevenly', days: 365, mark: 'M' },
      figures: [
        figure('Grease', 'food-grade, on the thread only', 'M'),
        figure('Zero', 'by hand, plug out; back a quarter turn before it runs', 'M'),
      ],
      tools: [{ name: 'Driver for its screws' }, { name: 'Brush' }, { name: 'Vacuum cleaner' }, { name: 'Marker' }],
      materials: [{ name: 'Food-grade silicone grease' }],
      parts: [
        {
          id: 'burrs',
          name: 'Burrs',
          steps: [
            cutOff('unplug', 30, { say: 'Beans out, off, plug out', at: ['hopper'] }),
            {
              id: 'teeth',
              say: 'Count the turns out of the thread',
              act: 'measure',
              ask: 'Turns until it lifts off',
              unit: 'turns',
              handsS: 60,
              at: ['thread'],
              state: { hopper: 'off' },
              how: 'Mark ring and body first: it goes back into the same start of the thread.',
            },
            hands('out', 'Upper burr carrier out', 30, { at: ['burrs', 'thread'], caution: edges }),
            hands('vacuum', 'Vacuum, then brush; every grain out of the thread', 90, {
              at: ['burrs', 'thread'],
              caution: sucked,
            }),
            check(
              'look',
              'Both burrs against the light',
              'How are their edges?',
              [
                ['sharp', 'Sharp, even', 'pass'],
                ['new', 'Blunt or chipped: new ones are in', 'pass', { fits: ['burrs'] }],
                ['later', 'Blunt or chipped: no new ones here', 'pass'],
              ],
              { at: ['burrs'], caution: edges },
            ),
            {
              id: 'grease',
              say: 'A thin film on the thread, none on the burrs',
              act: 'dose',
              dose: { of: 'grease', words: 'a thin film' },
              into: 'the thread',
              handsS: 30,
              at: ['thread'],
            },
            hands('in', 'Turn it in by hand: it must not cross', 60, {
              at: ['thread', 'burrs'],
              wrong: 'It goes hard from the start: out again, it crosses.',
            }),
            hands('zero', 'On until the burrs just touch, then a quarter turn back', 45, {
              at: ['burrs'],
              how: 'Plug out: turned by hand, a light scrape is zero. That is where the setting begins.',
              gate: true,
            }),
            hands('hopper', 'Hopper on, beans in, plug in', 30, {
              at: ['hopper'],
              state: { hopper: 'on', power: 'on' },
            }),
            hands('first', 'Grind one dose away, finer step by step while it runs', 40, {
              at: ['burrs'],
              caution: turning,
            }),
            dose(1, 'First'),
            dose(2, 'Second'),
            dose(3, 'Third'),
            check('agree', 'Do they agree?', 'The three doses', [
              ['agree', 'Alike, and the grind is right', 'pass'],
              ['off', 'Alike, but not right', 'repeat', 'first', 'Set it, one away, then three more.'],
            ]),
          ],
        },
      ],
    },
  ],
}

/** A doser cleaned and set. */
export const doserClean: Procedure = {
  id: 'doser-clean',
  version: 1,
  family: 'service',
  name: 'Doser emptied, cleaned, set',
  about: 'Old grounds out of the chambers, star and spring looked at, the portion weighed.',
  kinds: ['gr'],
  needs: { stations: ['doser'], why: 'It has no doser.' },
  once: true,
  writes: [],
  ways: [
    {
      id: 'brushed-and-weighed',
      name: 'brushed dry, then weighed',
      reason: 'Grounds in the corners of a doser are days old: all of it out, dry, then three portions on the scale.',
      usualFor: ['gr'],
      figures: [figure('Cleaned', 'dry'), figure('Portions', '3, within 0.5 g', 'M')],
      tools: [{ name: 'Brush' }, { name: 'Scale, 0.1 g' }],
      materials: [],
      parts: [
        {
          id: 'doser',
          name: 'Doser',
          steps: [
            cutOff('unplug', 20, { at: ['switch'] }),
            hands('empty', 'Lid off, grounds out, brushed', 90, {
              at: ['doser'],
              caution: { hazard: 'spring', say: 'The lever’s spring snaps back: fingers out of the star.' },
            }),
            check(
              'star',
              'Pull the lever slowly',
              'How does the star turn?',
              [
                ['steps', 'A chamber at each pull, back by itself', 'pass'],
                ['hangs', 'It hangs or slips', 'stop', 'Spring or pawl: a repair, on the Fault lens.'],
              ],
              { at: ['doser'], caution: { hazard: 'spring', say: 'Fingers out of the star.' } },
            ),
            hands('fill', 'Plug in, grind the doser half full', 40, {
              at: ['doser', 'burrs'],
              state: { power: 'on' },
              caution: turning,
            }),
            { ...dose(1, 'First'), how: 'One pull into the portafilter on the scale.', say: 'First portion' },
            { ...dose(2, 'Second'), how: 'One pull into the portafilter on the scale.', say: 'Second portion' },
            { ...dose(3, 'Third'), how: 'One pull into the portafilter on the scale.', say: 'Third portion' },
            check('agree', 'Do they agree?', 'The three portions', [
              ['agree', 'Within half a gram', 'pass'],
              ['off', 'Alike, but another is wanted: screw of the star turned', 'repeat', 'dose-1', 'Three more.'],
            ]),
          ],
        },
      ],
    },
  ],
}
