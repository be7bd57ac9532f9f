import { fault, look, repair } from '../../../faults/build.ts'
import { likeBook } from '../../../faults/derive.ts'
import { builtInGrinder } from '../../shared/faults/built-in-grinder.ts'
import { dvFaults } from '../domestic-three-way-valve/faults.ts'

/** Thermoblock machine with grinder, a temperature controller in five steps and a knob of three places. */
export const btFaults = likeBook(dvFaults, {
  ...builtInGrinder,
  kind: 'bt',
  procedures: { 'detergent-backflush': null },
  words: [...builtInGrinder.words!, ['Cleaning programme with a tablet', 'Group and basket cleaned']],
  faults: [
    ...builtInGrinder.faults!,
    fault('step-low', 'Temperature step set low', 'thermostat', 3, { cold: 9, taste: 1 }, repair('Step set with the customer; two blank shots', 4, { tell: true }), { traits: ['user'] }),
    fault('knob-places', 'Knob not back in its middle: the block is still at steam', 'steam-knob', 3, { fast: 1, noise: 3, taste: 3, 'steam-drips': 3 }, repair('Knob to the middle, a cup of water through; show it', 4, { tell: true }), { traits: ['user'] }),
  ],
  tests: [
    ...builtInGrinder.tests!,
    look('step', 'Read the temperature step', 'thermostat', 0.5, { usual: 'In the middle', low: 'At its lowest' }, { 'step-low': { low: 0.95 } }),
    look('knob', 'Look at the knob: which place?', 'steam-knob', 0.5, { middle: 'In the middle', off: 'At steam, or between' }, { 'knob-places': { off: 0.92 } }),
  ],
  phone: { ...builtInGrinder.phone, step: 'Which temperature step is it at?', knob: 'Where does the knob stand?' },
  customer: { ...builtInGrinder.customer, 'step-low': 'One step up, two cups of water through, then try.', 'knob-places': 'Knob to the middle, a cup of water through before coffee.' },
  besides: {
    ...builtInGrinder.besides,
    'basket-temperature': { ...dvFaults.tests.find(({ id }) => id === 'basket-temperature')!.sees, 'step-low': { low: 0.75 } },
    'wand-shut': { ...dvFaults.tests.find(({ id }) => id === 'wand-shut')!.sees, 'knob-places': { drips: 0.85 } },
  },
})
