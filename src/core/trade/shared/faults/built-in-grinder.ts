import { fault, look, reading, repair, symptom } from '../../../faults/build.ts'
import type { BookChange } from '../../../faults/derive.ts'
import type { MachineState } from '../../../faults/fault.ts'
import { dvFaults } from '../../machines/domestic-three-way-valve/faults.ts'

const unplugged: { tools: string[]; needs: MachineState[] } = { tools: ['brush', 'torch'], needs: ['off'] }

/** What a grinder over the portafilter gives too little of shows in every shot from it. */
const thin = (outcome: string) => ({
  'beans-oily': { [outcome]: 0.75 },
  'chute-clogged': { [outcome]: 0.75 },
  'burrs-worn': { [outcome]: 0.65 },
  'grinder-jam': { [outcome]: 0.7 },
  'hopper-switch': { [outcome]: 0.7 },
})

/** The small pump machine with a thermoblock, its own grinder and a 3-way valve. Shares of calls from memory. */
export const builtInGrinder: Omit<BookChange, 'kind'> = {
  stations: { boiler: 'thermoblock' },
  where: { grind: 'burrs' },
  parts: {},
  words: [
    ['Boiler and its pipe', 'Thermoblock'],
    ['on the boiler', 'on the thermoblock'],
    ['after the boiler', 'after the thermoblock'],
    ['New boiler', 'New thermoblock'],
    ['Backflush with detergent by its leaflet', 'Cleaning tablet and disc by its leaflet'],
    ['cleaned with powder', 'cleaned with a tablet'],
    ['Detergent backflush', 'Cleaning programme with a tablet'],
  ],
  procedures: { 'detergent-backflush': 'tablet-programme' },
  symptoms: [symptom('no-grounds', 'Grinder runs, little or no coffee comes', 'runs empty, no grounds, half a basket, beans stuck', 'burrs'), symptom('grinder-silent', 'Grinder does not run', 'grinder silent, does not grind, hums', 'switches')],
  besides: { grind: { ...dvFaults.tests.find(({ id }) => id === 'grind')!.sees, ...thin('fast') } },
  phone: {
    hopper: 'Do the beans fall, or hang at the wall?',
    'grinder-sound': 'When it grinds, what do you hear?',
    'hopper-seat': 'Pull the plug, take the hopper off and lock it on again, plug in: does it grind?',
  },
  customer: {
    'beans-oily': 'Plug out: beans pushed down with a dry spoon, hopper wiped; plain, drier beans from now on.',
    'grinder-jam': 'Off and plug out: nobody reaches in.',
    'hopper-switch': 'Plug out: hopper off, and locked on again until it clicks.',
  },
  faults: [
    fault('beans-oily', 'Oily or flavoured beans hang in the hopper', 'hopper', 3, { 'no-grounds': 7, fast: 3 }, repair('Hopper wiped, other beans; show it', 8, { tell: true }), { traits: ['user'] }),
    fault('chute-clogged', 'Chute packed with coffee', 'burrs', 4, { 'no-grounds': 7, fast: 3 }, repair('Upper burr out, chute cleared', 15, { procedure: 'grinder-calibration' }), { traits: ['user'], part: 'chute' }),
    fault('burrs-worn', 'Burrs worn', 'burrs', 2, { fast: 7, taste: 2, 'no-grounds': 1 }, repair('New burrs, set anew', 25, { procedure: 'grinder-calibration' }), { part: 'burrs' }),
    fault('grinder-jam', 'A stone or bean jams the burrs', 'burrs', 2, { 'grinder-silent': 9, 'no-grounds': 1 }, repair('Upper burr out, stone out, burrs looked at', 12), { traits: ['user'] }),
    fault('hopper-switch', 'Hopper or lid switch does not close', 'switches', 2, { 'grinder-silent': 9 }, repair('Seated, else new switch', 20), { part: 'hopper-switches' }),
  ],
  tests: [
    reading(
      'grind-dose',
      'One dose by its own time, weighed',
      'burrs',
      1,
      { unit: 'g', measure: 'grind-dose', good: { from: 15.2, to: 16.8 } },
      [
        ['none', 'under 3', 0],
        ['low', '3 to 14', 3],
        ['right', 'over 14', 14],
      ],
      { 'no-mains': { none: 0.95 }, 'beans-oily': { low: 0.7, none: 0.2 }, 'chute-clogged': { low: 0.55, none: 0.35 }, 'grinder-jam': { none: 0.94 }, 'hopper-switch': { none: 0.94 }, 'burrs-worn': { low: 0.5 } },
      { tools: ['scale'] },
    ),
    look(
      'grinder-sound',
      'Listen to the grinder',
      'burrs',
      0.5,
      { loaded: 'Grinds', empty: 'Runs light and loud', hums: 'Hums, stands', silent: 'Silent' },
      { 'beans-oily': { empty: 0.75 }, 'chute-clogged': { hums: 0.25, empty: 0.35 }, 'grinder-jam': { hums: 0.8 }, 'hopper-switch': { silent: 0.92 }, 'no-mains': { silent: 0.95 }, 'burrs-worn': { empty: 0.15 } },
      { by: 'ear' },
    ),
    look('hopper', 'Look into the hopper', 'hopper', 0.5, { fall: 'Beans fall', hang: 'Beans hang, oily walls' }, { 'beans-oily': { hang: 0.92 } }, { tools: ['torch'] }),
    look('hopper-seat', 'Hopper off and on until it clicks, its switch pressed', 'switches', 1, { same: 'As before', answers: 'It answers only by hand, or now' }, { 'hopper-switch': { answers: 0.9 } }, { hazard: 'moving', by: 'hand' }),
    look('chute', 'Plug out, brush through the chute', 'burrs', 3, { through: 'It shows below', packed: 'Packed' }, { 'chute-clogged': { packed: 0.93 }, 'beans-oily': { packed: 0.1 } }, { ...unplugged, by: 'hand' }),
    look('burrs', 'Plug out, upper burr out: edges, stones', 'burrs', 4, { sharp: 'Sharp, clear', blunt: 'Blunt', stone: 'A stone or a hard bean' }, { 'burrs-worn': { blunt: 0.9 }, 'grinder-jam': { stone: 0.93 } }, unplugged),
  ],
}
