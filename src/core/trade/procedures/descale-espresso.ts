import {
  brewing,
  check,
  figure,
  hands,
  hotWater,
  lampOut,
  soak,
  startedByKeys,
  wait,
} from '../../procedures/step-parts.ts'
import {
  acidRuns,
  acidSteam,
  charge,
  filterBack,
  filterOut,
  flowFirst,
  fresh,
  neutralise,
  rinsed,
  vesselsUnder,
} from './descale-steps.ts'
import type { DescaleWay } from './descale-way.ts'

const espressoPath = ['tank', 'pump', 'boiler', 'thermoblock', 'group', 'steam-knob', 'wand']
const openGroup = 'Ten seconds of water, nothing locked in'

/** Portafilter machines with a pump, and the latte machine: by lamps, by a knob, by hand. */
export const espressoDescales: DescaleWay[] = [
  {
    id: 'two-halves',
    name: 'first half by the group, second by the wand',
    reason:
      'Both outlets see the same acid; the rinse belongs to the programme itself, or it still thinks it is within.',
    kinds: ['dv'],
    every: { words: 'when it asks', mark: 'T' },
    rinse: '2 L',
    figures: [figure('Water for the dose', '1 L'), figure('Phases', 'group, then wand'), figure('Time', 'its own')],
    outlets: 'group and wand',
    steps: (rinse) => [
      flowFirst(openGroup),
      filterOut,
      charge('One litre, lukewarm, stirred until it is clear.', { litres: 1 }),
      vesselsUnder('group and wand', ['group', 'wand']),
      startedByKeys(
        'keys',
        'Start its descaling',
        'descale',
        {
          dv: {
            from: 'off',
            keys: ['one cup'],
            way: 'hold-on',
            seconds: 4,
            answers: 'one cup and steam blink slowly, in turn',
            next: 'press steam to start',
          },
        },
        { at: ['board'] },
      ),
      wait('acid-runs', 'It runs: group, then wand', 'its lamps stand still', 900, {
        at: espressoPath,
        state: acidRuns,
        caution: acidSteam,
        mark: 'M',
      }),
      fresh(`${rinse} of fresh water`),
      startedByKeys(
        'start-rinse',
        'Start its rinse',
        'rinse',
        {
          dv: {
            from: 'ready',
            keys: ['steam'],
            way: 'press',
            times: 1,
            answers: 'it runs again: within the programme the same key goes on to the rinse',
          },
        },
        { at: ['board'] },
      ),
      wait('rinse-runs', `It rinses: ${rinse}`, 'its lamps stand still', 600, {
        at: espressoPath,
        state: acidRuns,
        caution: hotWater,
        mark: 'M',
      }),
      rinsed('fresh'),
      lampOut('lamp', 'fresh', 'It thinks it is within the programme: the rinse was not run to its end.'),
      neutralise,
      filterBack,
    ],
  },
  {
    id: 'by-hand-in-portions',
    name: 'by hand, in portions with rests',
    reason:
      'It has no programme: lukewarm acid in portions through each outlet, a rest between, so that it works twenty to thirty minutes in all and never boils.',
    kinds: ['dn', 'pd'],
    every: { words: 'every one to three months by hardness', days: 60, mark: 'M' },
    rinse: '2 L, through each outlet',
    figures: [
      figure('Water for the dose', '1 L'),
      figure('Phases', 'a cup through each outlet, 5 min rest; in turns', 'M'),
      figure('Time', '20 to 30 min of contact', 'M'),
    ],
    outlets: 'each outlet',
    steps: (rinse) => [
      flowFirst(openGroup),
      filterOut,
      charge('One litre, lukewarm, stirred until it is clear.', { litres: 1 }),
      vesselsUnder('group and wand', ['group', 'wand', 'frother']),
      hands('portion', 'A cup through the group, a cup through the wand', 45, {
        at: ['pump', 'boiler', 'group', 'steam-knob', 'wand', 'steam-path', 'frother'],
        state: { ...acidRuns, heat: 'cold' },
        how: 'Switched on, drawn at once, before it heats; then off again.',
        as: {
          pd: {
            say: 'A cup through the head, a cup through the frother',
            how: 'Switched on, drawn at once, before it heats; then off again. The frother’s path chalks first.',
          },
        },
        caution: acidSteam,
      }),
      soak('rest', 'Off: let it work', 'Acid in the boiler', 300, {
        at: ['boiler'],
        state: { power: 'off' },
        how: 'Aluminium inside: half an hour of acid at most, all portions together.',
      }),
      check(
        'empty',
        'Is the tank empty?',
        'The acid in the tank',
        [
          ['empty', 'Empty', 'pass'],
          // Five portions to the litre: twenty-five minutes of contact.
          ['left', 'Some is left', 'repeat', 'portion', 'The next portion: each outlet, then a rest.', 4],
        ],
        { at: ['tank'] },
      ),
      fresh(`${rinse} of fresh water`),
      hands('rinse', `Clear water: ${rinse}`, 240, {
        at: ['pump', 'boiler', 'group', 'steam-knob', 'wand', 'steam-path', 'frother'],
        state: acidRuns,
        caution: hotWater,
      }),
      rinsed('fresh'),
      neutralise,
      filterBack,
      hands('warm', 'Switch it on, warm up, a cup away', 60, {
        at: ['board', 'group'],
        state: { ...brewing, path: 'water' },
        caution: hotWater,
      }),
    ],
  },
  {
    id: 'turn-by-turn',
    name: 'group, hot water, wand, in turns',
    reason:
      'Where a knob leads the water: some seconds through each outlet, again and again until the tank is empty. The rinse it does not ask for is done all the same.',
    kinds: ['dg'],
    every: { words: 'when it asks; monthly where its revision has no descale lamp', mark: 'T' },
    rinse: 'one full tank, in the same turns',
    figures: [
      figure('Water for the dose', 'tank to its mark'),
      figure('Phases', 'group about 20 s, hot water about 8 s, wand; in turns'),
      figure('Time', 'until the tank is empty'),
    ],
    outlets: 'group and wand',
    steps: (rinse) => [
      flowFirst(openGroup),
      filterOut,
      charge('By its label for a tank, then cold filtered water to the mark.', { litres: 2 }),
      vesselsUnder('group and wand', ['group', 'wand']),
      startedByKeys(
        'keys',
        'Start its descaling',
        'descale',
        {
          dg: {
            from: 'ready',
            keys: ['single', 'grind'],
            way: 'hold',
            seconds: 7,
            answers: 'three lamps stand still',
            next: 'press single for the group; the knob leads the rest',
          },
        },
        { at: ['switches', 'board'] },
      ),
      hands('group', 'Through the group, about 20 s', 22, {
        at: ['pump', 'thermoblock', 'group'],
        state: acidRuns,
        caution: acidSteam,
        normal: 'It stops by itself.',
      }),
      hands('water', 'Knob to hot water, about 8 s', 12, {
        at: ['steam-knob', 'wand'],
        state: acidRuns,
        caution: acidSteam,
      }),
      hands('steam', 'Knob to steam, about 8 s', 12, {
        at: ['steam-knob', 'wand'],
        state: acidRuns,
        caution: acidSteam,
      }),
      check(
        'empty',
        'Is the tank empty?',
        'The acid in the tank',
        [
          ['empty', 'Empty', 'pass'],
          [
            'left',
            'Some is left',
            'repeat',
            'group',
            'Group, hot water, wand: the next turn. Vessel emptied when it is half full.',
          ],
        ],
        { at: ['tank'] },
      ),
      fresh('filled fresh to the mark'),
      hands('rinse', `Clear water: ${rinse}`, 240, {
        at: espressoPath,
        state: acidRuns,
        caution: hotWater,
      }),
      rinsed('fresh'),
      lampOut('lamp', 'fresh', 'It thinks it is within: the same rinse once more, to its end.'),
      neutralise,
      filterBack,
    ],
  },
  {
    id: 'two-phases-by-knob',
    name: 'two phases, turned by the knob',
    reason:
      'Steam side first, then all of it with fresh water; who stands there must know which phase runs, so it is timed and asked.',
    kinds: ['bt'],
    every: { words: 'after 15 L, or 4 to 6 months', days: 152, litres: 15, mark: 'T' },
    rinse: 'one full tank, the second phase, then the group',
    figures: [
      figure('Water for the dose', '1 L or more'),
      figure('Phases', 'steam about 2 min, then all about 5 min'),
      figure('Not', 'rice vinegar; white vinegar by its own ratio'),
    ],
    outlets: 'group and wand',
    steps: (rinse) => [
      flowFirst(openGroup),
      filterOut,
      charge('Tablets dissolved in hot water until no grain is left, then to a litre with cold.', { litres: 1 }),
      vesselsUnder('group and wand', ['group', 'wand']),
      startedByKeys(
        'keys',
        'Start its descaling',
        'descale',
        {
          bt: {
            from: 'off',
            keys: ['grinder'],
            way: 'hold-on',
            seconds: 6,
            answers: 'the “clean” lamp and power blink: here “clean” means descale',
            next: 'turn the knob to steam to start',
          },
        },
        { at: ['switches', 'board'] },
      ),
      hands('to-steam', 'Knob to steam', 5, { at: ['steam-knob'], state: acidRuns, caution: acidSteam }),
      wait('phase-1', 'First phase, by the wand', 'the flow stops and its lamp blinks', 120, {
        normal: 'The pump sounds different: that is right.',
        at: espressoPath,
        state: acidRuns,
        watched: true,
        caution: acidSteam,
      }),
      fresh('filled fresh; knob to the middle', { at: ['tank', 'steam-knob'] }),
      wait('phase-2', 'Knob to hot water: second phase', 'its lamp goes out', 300, {
        at: espressoPath,
        state: acidRuns,
        caution: hotWater,
      }),
      hands('flush', `Flush the group: ${rinse}`, 20, { at: ['group'], state: acidRuns, caution: hotWater }),
      rinsed('fresh'),
      lampOut('lamp', 'fresh', 'The second phase was not run to its end: once more with fresh water.'),
      neutralise,
      filterBack,
    ],
  },
]
