import type { Procedure } from '../../procedures/procedure.ts'
import {
  check,
  coolingS,
  cools,
  cutOff,
  earthBack,
  electricalTest,
  figure,
  hands,
  hotWater,
} from '../../procedures/step-parts.ts'
import { ready } from './pods.ts'

/** Heater and passage of a small machine blown through and freed by hand. */
export const passageFreed: Procedure = {
  id: 'passage-freed',
  version: 1,
  family: 'service',
  name: 'Heater and its passage freed by hand',
  about: 'Where acid cannot circulate any more: hoses off, blown through, picked, soaked, tried before it is closed.',
  kinds: ['pk', 'pl', 'pd'],
  once: true,
  writes: [{ entry: 'cleaned', task: 'boiler-passage-clean', by: ['pick'] }],
  ways: [
    {
      id: 'blown-through-and-picked',
      name: 'blown through, picked, then soaked',
      reason: 'A shut passage is not opened by acid poured after it: it is opened by hand, link by link, and rinsed.',
      usualFor: ['pk', 'pl', 'pd'],
      figures: [
        figure('Order', 'blow, pick, soak, flush, close'),
        figure('Soak', 'citric 5 %, lukewarm, half an hour at most', 'M'),
      ],
      tools: [
        { name: 'Drivers for its screws' },
        { name: 'Pick, bent at the end' },
        { name: 'Piece of hose', why: 'to blow through' },
        { name: 'Camera' },
      ],
      materials: [
        { name: 'Gloves, glasses' },
        { name: 'pH strips' },
        { name: 'Citric acid' },
        { name: 'O-rings of its joints', why: 'they pop out and are lost' },
      ],
      parts: [
        {
          id: 'open',
          name: 'Open',
          steps: [
            cutOff('off', 20, { at: ['button'] }),
            cools('cold', coolingS.block, {
              at: ['heater', 'boiler'],
              state: { pressure: 'none' },
              gate: true,
              caution: { hazard: 'scald', say: 'Heater and hoses stay hot: half an hour after it is off.' },
            }),
            hands('case', 'Case open, photo of every hose and cable tie', 300, {
              at: ['board', 'heater'],
              state: { cover: 'open' },
              puts: 'electrical',
              gate: true,
              caution: { hazard: 'mains', say: 'Prove it dead before a hand goes in.' },
              how: 'A strip-down sheet beside it: clips with two rings each.',
            }),
            hands('hoses', 'Hoses off before and after the heater', 120, {
              at: ['heater', 'boiler', 'joints', 'pump'],
              how: 'Legs of the clip bent apart, clip drawn, hose off; two rings a joint into the cup.',
            }),
            check(
              'blow',
              'Blow through the heater',
              'Through a clean piece of hose, never by mouth on the metal',
              [
                ['free', 'Air passes freely', 'pass'],
                ['slow', 'Hardly any, or none', 'pass'],
              ],
              { at: ['heater'] },
            ),
            hands('pick', 'Pick the passage free', 240, {
              at: ['heater', 'boiler', 'exit-valve', 'non-return'],
              how: 'Chalk breaks off in pellets: tap them out, never push them further in.',
              caution: { hazard: 'sharp', say: 'The pick slips: away from the other hand.' },
            }),
            hands('soak-in', 'Fill it with lukewarm citric 5 %, standing open', 60, {
              at: ['heater', 'boiler'],
              state: { path: 'acid' },
              puts: 'descaler',
              gate: true,
              caution: {
                hazard: 'acid',
                say: 'Acid off skin, eyes and stone; it foams out of an open passage.',
                how: 'Gloves and glasses; window open. Aluminium: half an hour at most, no sulfamic or mineral acid.',
              },
            }),
            {
              id: 'soak',
              say: 'Let it work',
              act: 'soak',
              what: 'Acid in the heater',
              seconds: 1500,
              mostS: 1800,
              handsS: 0,
              at: ['heater', 'boiler'],
            },
            hands('flush', 'Pour it out, flush with clear water until it is neutral', 180, {
              at: ['heater', 'boiler'],
              caution: { hazard: 'acid', say: 'Spent acid still bites: gloves on.' },
            }),
            check(
              'neutral',
              'Is the acid out?',
              'Strip in the last of the water',
              [
                ['same', 'Same colour as the tap’s', 'pass'],
                ['sour', 'Redder than the tap’s', 'repeat', 'flush', 'Acid is left: flush once more.'],
              ],
              { gate: true, clears: 'descaler', at: ['heater', 'boiler'], state: { path: 'water' } },
            ),
            hands('rings', 'Rings on, hoses on, clips in, ties as in the photos', 240, {
              at: ['heater', 'boiler', 'joints', 'pump'],
              fits: ['clip-rings'],
            }),
            earthBack('earth'),
            hands('shut', 'Case shut, nothing in the cup', 240, { at: ['board'], state: { cover: 'shut' } }),
            hands('run', 'Plug in, two cycles, nothing in the head', 120, {
              at: ['pump', 'heater', 'head'],
              state: ready,
              caution: hotWater,
            }),
            check(
              'stream',
              'How does it run?',
              'Stream, and dry paper below',
              [
                ['good', 'An even stream, paper dry', 'pass'],
                ['drops', 'Only drops', 'stop', 'Not free yet: it does not go back like this.'],
                ['wet', 'Wet below', 'stop', 'A joint leaks: open again, rings first.'],
              ],
              { at: ['heater', 'head'], caution: hotWater },
            ),
            electricalTest('electrical'),
          ],
        },
      ],
    },
  ],
}
