import { fault, look, repair, symptom } from '../../../faults/build.ts'
import { likeBook } from '../../../faults/derive.ts'
import { builtInGrinder } from '../../shared/faults/built-in-grinder.ts'
import { dvFaults } from '../domestic-three-way-valve/faults.ts'

/** Domestic machine with grinder and a cleaning lamp, which is often taken for a fault. */
export const dgFaults = likeBook(dvFaults, {
  ...builtInGrinder,
  kind: 'dg',
  symptoms: [...builtInGrinder.symptoms!, symptom('lamp', 'Its cleaning lamp is on', 'lamp, light, blinks, orange, clean me', 'board')],
  faults: [
    ...builtInGrinder.faults!,
    fault('prompt-misread', 'It only asks to be cleaned', 'board', 5, { lamp: 9, taste: 1 }, repair('Cleaning programme run; show what the lamp says', 15, { procedure: 'tablet-programme' }), { traits: ['user'] }),
    fault('prompt-stays', 'Cleaning left half done: the lamp stays', 'board', 3, { lamp: 10 }, repair('Programme once more to its end, disc and tablet in', 12, { procedure: 'tablet-programme' }), { traits: ['user'] }),
  ],
  tests: [
    ...builtInGrinder.tests!,
    look('clean-lamp', 'Read its cleaning lamp', 'board', 0.5, { off: 'Off', asks: 'It asks, as its leaflet has it', half: 'As it is half way through' }, { 'prompt-misread': { asks: 0.9 }, 'prompt-stays': { half: 0.9 } }),
    look(
      'last-clean',
      'Ask: when was it last cleaned, did it beep at the end?',
      'board',
      1,
      { ended: 'Lately, it beeped', broken: 'Lately, broken off or no tablet left over seen', long: 'Long ago, or never' },
      { 'prompt-stays': { broken: 0.8 }, 'prompt-misread': { long: 0.75 }, 'cleaning-left': { long: 0.85 } },
      { by: 'word' },
    ),
  ],
  phone: { ...builtInGrinder.phone, 'clean-lamp': 'Is its cleaning lamp on?', 'last-clean': 'When was it last cleaned, and did it beep at the end?' },
  customer: { ...builtInGrinder.customer, 'prompt-misread': 'Run its cleaning by its leaflet to the beeps.', 'prompt-stays': 'Tablet and disc in, its cleaning once more to the beeps.' },
})
