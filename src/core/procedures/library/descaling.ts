import type { Every, Figure, Procedure, School } from '../procedure.ts'
import type { Step } from '../step.ts'
import {
  brewing,
  check,
  figure,
  hands,
  hotTray,
  hotWater,
  lampOut,
  pierces,
  soak,
  startedByKeys,
  wait,
} from '../step-parts.ts'
import {
  acidRuns,
  acidSteam,
  charge,
  descaleMaterials,
  descaleTools,
  filterBack,
  filterOut,
  flowFirst,
  fresh,
  neutralise,
  rinsed,
  vesselsUnder,
} from './descale-steps.ts'

interface DescaleSchool {
  id: string
  name: string
  reason: string
  /** What it is written for: keys and outlets differ by kind. */
  kinds: string[]
  every: Every
  /** The one rinse, as every step and the table say it. */
  rinse: string
  figures: Figure[]
  outlets: string
  steps: (rinse: string) => Step[]
}

const asSchool = ({ rinse, steps, outlets, figures, ...one }: DescaleSchool): School => ({
  ...one,
  usualFor: one.kinds,
  figures: [...figures, figure('Rinse', rinse)],
  tools: descaleTools(outlets),
  materials: descaleMaterials,
  parts: [{ id: 'run', name: 'Descale', steps: steps(rinse) }],
})

const espressoPath = ['tank', 'pump', 'boiler', 'thermoblock', 'group', 'steam-knob', 'wand']
const openGroup = 'Ten seconds of water, nothing locked in'

const schools: DescaleSchool[] = [
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
          ['left', 'Some is left', 'repeat', 'portion', 'The next portion: each outlet, then a rest.'],
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
  {
    id: 'led-by-its-display',
    name: 'led by its display',
    reason:
      'A super-automatic leads itself; what it does not do is look whether the acid is out, nor say that a perished seal is no matter of chalk.',
    kinds: ['sr', 'st'],
    every: { words: 'when it asks', mark: 'T' },
    rinse: 'its own, one full tank',
    figures: [
      figure('Water for the dose', 'to its mark'),
      figure('Water in all', 'about 2.5 L with the rinse', 'M'),
      figure('Milk side', 'rinsed as well'),
    ],
    outlets: 'spouts and hot-water outlet',
    steps: (rinse) => [
      flowFirst('Ten seconds of hot water'),
      filterOut,
      hands('empty', 'Grounds container and tray emptied, back in', 30, {
        at: ['tray'],
        state: { tray: 'in' },
        caution: hotTray,
      }),
      charge('To its mark, lukewarm, stirred.', { litres: 1 }),
      vesselsUnder('spouts and hot-water outlet', ['spout', 'wand']),
      startedByKeys(
        'menu',
        'Start its descaling',
        'descale',
        {
          sr: {
            from: 'ready',
            keys: ['Care', 'Chalk'],
            way: 'menu',
            answers: 'it asks for solution and vessel',
            next: 'confirm both',
          },
          st: {
            from: 'ready',
            keys: ['Maintenance', 'Lime'],
            way: 'menu',
            answers: 'it counts its steps',
            next: 'confirm each',
          },
        },
        { at: ['board'] },
      ),
      wait('acid-runs', 'It runs with pauses', 'it asks for fresh water', 1200, {
        at: ['pump', 'thermoblock', 'drain-valve', 'steam-valve', 'spout'],
        state: acidRuns,
        caution: acidSteam,
        mark: 'M',
      }),
      fresh('filled fresh to the mark'),
      wait('rinse-runs', `It rinses: ${rinse}`, 'it says that it is done', 420, {
        at: ['pump', 'thermoblock', 'spout', 'steam-valve'],
        state: acidRuns,
        caution: hotWater,
        mark: 'M',
      }),
      hands('milk', 'Milk side: a cup of clear water through it', 40, {
        at: ['frother', 'milk-hose', 'milk-valve'],
        where: ['frother'],
        state: { ...acidRuns, milk: 'whole' },
        caution: acidSteam,
      }),
      rinsed('fresh'),
      lampOut('lamp', 'fresh', 'It thinks it is within: the rinse was not run to its end.'),
      neutralise,
      filterBack,
    ],
  },
  {
    id: 'window-and-lock',
    name: 'a window, a lock, two phases',
    reason:
      'Its programme cannot be broken off and opens only for some seconds: each press is led, and what comes too late starts over.',
    kinds: ['pk'],
    every: { words: 'when it asks', mark: 'T' },
    rinse: 'one full tank, by the programme',
    figures: [
      figure('Water for the dose', '0.5 L'),
      figure('Phases', 'acid, then a fresh tank'),
      figure('Time', 'about 20 min, not to be interrupted'),
      figure('Afterwards', '10 min to dry'),
    ],
    outlets: 'the outlet',
    steps: (rinse) => [
      flowFirst('One cycle without capsule'),
      hands('empty', 'Tray and capsule container emptied, back in', 40, {
        at: ['tray', 'head'],
        state: { tray: 'in' },
        caution: pierces,
        besides: [hotTray],
      }),
      charge('One unit by its label in half a litre.', { litres: 0.5 }),
      hands('heat', 'Switch it on, let it heat', 35, { at: ['heater', 'button'], state: { power: 'on', heat: 'hot' } }),
      hands('eject', 'Open it, let a capsule drop out', 15, { at: ['head', 'lock'], caution: pierces }),
      vesselsUnder('the outlet', ['head']),
      hands('shut', 'Close it, leave it unlocked', 10, {
        at: ['lock'],
        caution: { hazard: 'pinch', say: 'Fingers out of the head as it closes.' },
      }),
      startedByKeys(
        'keys',
        'Start its descaling',
        'descale',
        {
          pk: {
            from: 'unlocked',
            keys: ['the button'],
            way: 'hold',
            seconds: 9,
            answers: 'it blinks fast: a window of seconds is open',
            next: 'lock, unlock and hold again before it closes',
          },
        },
        { at: ['button'] },
      ),
      {
        id: 'in-time',
        say: 'Lock, unlock, hold again',
        how: 'Before the window closes, as this model’s leaflet has it; too late, and it is back in brewing.',
        act: 'window',
        withinS: 40,
        from: 'keys',
        handsS: 15,
        at: ['lock', 'button'],
        state: { power: 'on' },
        mark: 'M',
      },
      hands('start', 'Lock it, press', 10, { at: ['lock'], state: acidRuns, caution: acidSteam }),
      wait('acid-runs', 'First phase runs by itself', 'it stops', 600, {
        at: ['pump', 'heater', 'needle', 'head'],
        state: acidRuns,
        caution: acidSteam,
      }),
      fresh('tray and support rinsed; fresh drinking water', { at: ['tank', 'tray'] }),
      wait('rinse-runs', `Press: it rinses: ${rinse}`, 'its lamp stands still', 600, {
        at: ['pump', 'heater', 'needle', 'head'],
        state: acidRuns,
        caution: hotWater,
      }),
      rinsed('fresh'),
      lampOut('lamp', 'fresh', 'The second phase was not run to its end: once more with fresh water.', {
        at: ['button'],
      }),
      neutralise,
      soak('dry', 'Let it dry before it is used', 'Machine drying', 600, { at: ['heater', 'head'] }),
    ],
  },
  {
    id: 'half-hour-by-two-keys',
    name: 'half an hour by two keys',
    reason:
      'It runs for half an hour by itself; afterwards half a tank goes through, since nobody tastes a capsule’s water.',
    kinds: ['pl'],
    every: { words: 'when it asks', mark: 'T' },
    rinse: 'half a tank',
    figures: [
      figure('Water for the dose', 'tank to its mark'),
      figure('Phases', 'its own'),
      figure('Time', '30 min'),
      figure('Milk side', 'the frother’s path too'),
    ],
    outlets: 'the outlet',
    steps: (rinse) => [
      flowFirst('One long cycle without capsule'),
      charge('By its label for a tank, then water to the mark.', { litres: 1 }),
      vesselsUnder('the outlet, no capsule in it', ['head']),
      startedByKeys(
        'keys',
        'Start its descaling',
        'descale',
        {
          pl: {
            from: 'ready',
            keys: ['lungo', 'milk'],
            way: 'hold',
            seconds: 6,
            answers: 'the descale lamp blinks',
            next: 'press lungo to start',
          },
        },
        { at: ['button', 'board'] },
      ),
      wait('acid-runs', 'It runs by itself', 'it stops', 1800, {
        at: ['pump', 'heater', 'head'],
        state: acidRuns,
        caution: acidSteam,
      }),
      hands('frother', 'Jug on, half full of the solution: steam it once', 30, {
        at: ['frother', 'steam-path'],
        where: ['frother'],
        state: acidRuns,
        how: 'Its path chalks like the heater: acid through it once, before the rinse.',
        caution: acidSteam,
      }),
      fresh('filled fresh; jug rinsed'),
      hands('rinse', `Clear water: ${rinse}`, 120, {
        at: ['pump', 'heater', 'head'],
        state: acidRuns,
        caution: hotWater,
      }),
      hands('frother-rinse', 'Jug with clear water: steam it twice', 40, {
        at: ['frother', 'steam-path'],
        where: ['frother'],
        state: acidRuns,
        caution: acidSteam,
      }),
      rinsed('fresh'),
      lampOut('lamp', 'fresh', 'It was not rinsed to its end: once more with fresh water.', { at: ['button'] }),
      neutralise,
    ],
  },
]

/** Descaling in place, in the shape each machine’s programme has. */
export const descale: Procedure = {
  id: 'descale',
  version: 2,
  family: 'water',
  name: 'Descale in place',
  about:
    'Acid through pump, heater and each outlet; rinsed until it is out. Never where the boiler keeps it in its corners.',
  kinds: ['dv', 'dn', 'dg', 'bt', 'sr', 'st', 'pk', 'pl', 'pd'],
  writes: [{ entry: 'descaled', task: 'descale', by: ['charge', 'rinsed'] }],
  mustFinish: {
    why: 'Broken off, acid stays in the machine: it is not for use until it is rinsed.',
    first: [
      'Time for all of it, rinse too',
      'A vessel for a whole tank under each outlet',
      'Descaler for this machine, strips, and fresh water for the rinse',
    ],
  },
  schools: schools.map(asSchool),
}
