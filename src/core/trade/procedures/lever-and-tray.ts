import type { Procedure } from '../../procedures/procedure.ts'
import {
  alkaline,
  check,
  cutOff,
  figure,
  foodGrease,
  hands,
  hotTray,
  hotWater,
  noPressure,
  soak,
} from '../../procedures/step-parts.ts'
import { pumped } from './kinds-by-build.ts'
import { cooledDown } from './opened.ts'

/** Cam and moving parts of a lever group. */
export const camGrease: Procedure = {
  id: 'cam-grease',
  version: 2,
  family: 'service',
  name: 'Lever’s cam greased',
  about: 'After detergent the lever squeaks: its cam wants food-safe grease now and then.',
  kinds: ['lv'],
  writes: [{ entry: 'greased', task: 'cam-grease', by: ['grease'] }],
  ways: [
    {
      id: 'thin-film',
      name: 'a thin film',
      reason: 'A thin film of food-safe grease on cam and pins; more is washed into the coffee by the next flush.',
      usualFor: ['lv'],
      every: { words: 'every few weeks, or when the lever stays stiff', days: 28, mark: 'T' },
      figures: [figure('Grease', 'food-grade silicone, high-temperature')],
      tools: [{ name: 'Spanner for the cap' }, { name: 'Cloth' }, { name: 'Small brush' }],
      materials: [{ name: 'Food-grade silicone grease' }],
      parts: [
        {
          id: 'cam',
          name: 'Cam',
          steps: [
            cutOff('off', 30, { at: ['board'] }),
            ...cooledDown(['lever', 'group']),
            hands('water-off', 'Water shut or tank out; lift the lever: nothing comes', 30, {
              at: ['lever', 'tank', 'mains'],
              how: 'The boiler’s gauge says nothing of the exchanger: lifted with the water shut the lever lets its pressure out.',
              state: { supply: 'shut', tank: 'out' },
              gate: true,
              caution: { hazard: 'pressure', say: 'The group’s own circuit keeps pressure when the boiler has none.' },
            }),
            noPressure('zero', ['gauge', 'steam-valve']),
            hands('open', 'Lever’s cap off, cam out', 120, {
              at: ['lever'],
              state: { group: 'apart' },
              caution: { hazard: 'spring', say: 'A spring may press on it: hold the cap as the thread ends.' },
            }),
            hands('wipe', 'Wipe off the old grease', 60, { at: ['lever'] }),
            {
              id: 'grease',
              say: 'A thin film on cam and pins',
              how: foodGrease,
              act: 'dose',
              dose: { of: 'grease', words: 'a thin film' },
              into: 'the cam',
              handsS: 60,
              at: ['lever'],
            },
            hands('close', 'Cam in, cap on, snug', 120, { at: ['lever'], state: { group: 'water' } }),
            hands('on', 'Water on, plug in, warm up', 60, {
              at: ['board', 'tank', 'mains'],
              state: { power: 'on', supply: 'open', tank: 'in', heat: 'hot', pressure: 'up' },
            }),
            check(
              'moves',
              'Lift and lower it three times, water on',
              'How does it move?',
              [
                ['smooth', 'Smooth, tight, no squeak', 'pass'],
                [
                  'weeps',
                  'It weeps at the cap',
                  'repeat',
                  'off',
                  'Not tight. Off, cold, pressure let out, then the cap once more: never under pressure.',
                ],
              ],
              { at: ['lever', 'group'], state: { tray: 'in' }, caution: hotWater },
            ),
          ],
        },
      ],
    },
  ],
}

/** Tray, drain and outside. */
export const trayAndBody: Procedure = {
  id: 'tray-and-body',
  version: 2,
  family: 'brewing',
  name: 'Tray, drain and body',
  about: 'Emptied, unstained, dried; the hose rinsed; the outside wiped.',
  kinds: pumped,
  writes: [{ entry: 'cleaned', task: 'drain-hose-clean', by: ['hose'] }],
  ways: [
    {
      id: 'rinsed-and-dried',
      name: 'rinsed and dried',
      reason: 'Water that stands in a tray grows slime and smells; dried it drains as it should.',
      usualFor: pumped,
      every: { words: 'every day; the hose monthly', days: 1, mark: 'T' },
      figures: [figure('Stains', 'residue spray, about 1 min')],
      tools: [{ name: 'Soft damp cloth' }, { name: 'Brush' }],
      materials: [{ name: 'Coffee-residue spray', why: 'where it is stained' }],
      parts: [
        {
          id: 'tray',
          name: 'Tray',
          steps: [
            hands('empty', 'Tray out, emptied before it is heavy', 30, {
              at: ['tray'],
              state: { tray: 'out' },
              caution: hotTray,
            }),
            hands('spray', 'Spray the stains', 15, { caution: alkaline }),
            soak('spray-works', 'Leave the spray', 'Spray on the tray', 60),
            hands('wipe', 'Wipe, rinse, dry', 60, { at: ['tray'], caution: alkaline }),
            hands('hose', 'Hose off, rinsed through, back; hot water through the drain', 60, {
              at: ['tray'],
              only: ['c2', 'sp', 'lv'],
              how: 'A plumbed drain has a hose: grounds and slime sit in its first bend.',
              wrong: 'It stands: the hose is shut by grounds. Take it off and clean it.',
              caution: hotWater,
            }),
            hands('back', 'Tray back, its hole under the drain', 20, { at: ['tray'], state: { tray: 'in' } }),
            hands('body', 'Wipe the outside with a soft damp cloth', 60, {
              how: 'Nothing abrasive, no solvent.',
              caution: { hazard: 'scald', say: 'Group and wand are hot.' },
            }),
          ],
        },
      ],
    },
  ],
}

/** Tank washed, and now and then sanitised. */
export const tankSanitised: Procedure = {
  id: 'tank-sanitised',
  version: 1,
  family: 'water',
  name: 'Tank washed and sanitised',
  about:
    'Slime off by hand, then a sanitiser by its label, rinsed until nothing smells. Never after acid, never before.',
  kinds: ['lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'pk', 'pl', 'pd'],
  needs: { stations: ['tank'], why: 'It has no tank.' },
  writes: [],
  ways: [
    {
      id: 'washed-then-sanitised',
      name: 'washed, then sanitised by its label',
      reason: 'A sanitiser does nothing through slime: first the brush, then the contact time its label says.',
      usualFor: ['lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'pk', 'pl', 'pd'],
      every: { words: 'monthly', days: 30, mark: 'M' },
      figures: [
        figure('Agent', 'one meant for what is drunk from, by its label'),
        figure('Contact', 'as its label says; 10 min where it says nothing', 'M'),
        figure('Never', 'chlorine with acid: it gives off gas'),
      ],
      tools: [{ name: 'Soft brush' }],
      materials: [{ name: 'Sanitiser for drinking-water tanks' }],
      parts: [
        {
          id: 'tank',
          name: 'Tank',
          steps: [
            hands('out', 'Tank out, filter out, emptied', 20, { at: ['tank'], state: { tank: 'out' } }),
            hands('wash', 'Brush it and its lid, washing-up liquid, rinse', 90, {
              at: ['tank'],
              how: 'Valve and float too: slime sits there first.',
            }),
            check(
              'acid',
              'Was acid used here today?',
              'Descaler, vinegar: tank, sink or drain',
              [
                ['no', 'No', 'pass'],
                ['yes', 'Yes', 'stop', 'Acid and a chlorine sanitiser give off poisonous gas: another day.'],
              ],
              { gate: true, at: ['tank'] },
            ),
            {
              id: 'sanitise',
              say: 'Sanitiser by its label',
              act: 'dose',
              dose: { of: 'sanitiser', words: 'as its label says' },
              into: 'the tank',
              handsS: 30,
              puts: 'sanitiser',
              gate: true,
              at: ['tank'],
              caution: {
                hazard: 'acid',
                say: 'Never with acid or descaler: chlorine gas. Window open, gloves.',
              },
            },
            soak('contact', 'Leave it its time', 'Sanitiser in the tank', 600, { how: 'As its label says.' }),
            hands('rinse', 'Empty, rinse three times with drinking water', 60, { at: ['tank'] }),
            check(
              'smell',
              'Smell it',
              'What is left?',
              [
                ['none', 'Nothing to smell', 'pass'],
                ['smells', 'It smells of it', 'repeat', 'rinse', 'Sanitiser is left: rinse on.'],
              ],
              { gate: true, clears: true, at: ['tank'] },
            ),
            hands('back', 'Fresh water, filter and tank back', 30, { at: ['tank'], state: { tank: 'in' } }),
            hands('flush', 'A cupful through each outlet, thrown away', 40, {
              at: ['pump', 'group', 'spout', 'head', 'wand'],
              state: { power: 'on', heat: 'hot', tray: 'in' },
              caution: hotWater,
            }),
          ],
        },
      ],
    },
  ],
}
