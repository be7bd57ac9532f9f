import { fault, look, reading, repair, symptom } from '../../../faults/build.ts'
import { likeBook } from '../../../faults/derive.ts'
import { pkFaults } from '../pod-locking-head/faults.ts'

/** What does not heat does not froth. */
const noSteam = (outcome: string) => ({ 'heater-open': { [outcome]: 0.94 }, 'fuse-open': { [outcome]: 0.94 }, 'board-dead': { [outcome]: 0.95 } })

/** Pod machine shut by a lever, with a jug that froths by steam and whisk. Shares of calls from memory. */
export const plFaults = likeBook(pkFaults, {
  kind: 'pl',
  words: [
    ['Lock linkage', 'Lever linkage'],
    ['Head empty: open and shut it, feel the lock', 'Head empty: lever up and down, feel its end'],
  ],
  symptoms: [symptom('flat-milk', 'Milk stays flat', 'no foam, flat, froth, milk', 'frother'), symptom('cold-milk', 'Milk stays cold', 'cold milk, lukewarm milk', 'steam-path'), symptom('jug-leaks', 'Milk or steam beside the jug', 'jug leaks, steam escapes, milk runs out', 'frother')],
  faults: [
    fault('steam-path-chalked', 'Steam path chalked', 'steam-path', 5, { 'cold-milk': 8, 'flat-milk': 2 }, repair('Descale with the jug’s path; shut altogether: opened', 40, { procedure: 'descale' }), { traits: ['chalk'] }),
    fault('whisk-stands', 'Whisk worn or its drive slips', 'frother', 4, { 'flat-milk': 9 }, repair('New whisk', 3), { part: 'whisk' }),
    fault('jug-seal', 'Seal of the jug worn', 'frother', 4, { 'jug-leaks': 8, 'cold-milk': 2 }, repair('New seal', 5), { part: 'jug-seal' }),
    fault('jug-dirty', 'Jug not rinsed: its jet shut by dried milk', 'frother', 6, { 'cold-milk': 5, 'flat-milk': 4, 'jug-leaks': 1 }, repair('Jug apart, soaked in hot water with milk cleaner; show it', 10, { tell: true }), { traits: ['user'] }),
    fault('milk-wrong', 'Wrong or warm milk', null, 4, { 'flat-milk': 9 }, repair('Cold, fresh milk; show it', 4, { tell: true }), { traits: ['user'] }),
  ],
  tests: [
    reading(
      'jug-time',
      'Jug with cold water to its mark: seconds until it stops, hot',
      'frother',
      2,
      { unit: 's', measure: 'jug-time', good: { from: 60, to: 90 } },
      [
        ['right', 'under 100', 0],
        ['slow', '100 to 180', 100],
        ['never', 'over 180, or cold', 180],
      ],
      { ...noSteam('never'), 'steam-path-chalked': { slow: 0.6, never: 0.3 }, 'jug-dirty': { slow: 0.6, never: 0.25 }, 'jug-seal': { slow: 0.45 }, 'sensor-off': { slow: 0.3 } },
      { tools: ['thermometer'], needs: ['hot'], hazard: 'scald' },
    ),
    look('whisk', 'Jug with water: does the whisk turn?', 'frother', 1, { turns: 'It turns fast', stands: 'It stands, or jerks' }, { 'whisk-stands': { stands: 0.93 }, 'board-dead': { stands: 0.95 } }, { needs: ['hot'], hazard: 'scald' }),
    look('own-milk', 'The same with fresh milk from the cold', 'frother', 3, { same: 'As before', foams: 'It foams' }, { 'milk-wrong': { foams: 0.93 } }, { tools: ['milk'], needs: ['hot'], hazard: 'scald' }),
    look('jug', 'Jug apart against the light: jet and joints', 'frother', 1, { clean: 'Clean, open', crusted: 'Crusted with milk' }, { 'jug-dirty': { crusted: 0.93 } }),
    look('jug-rim', 'Jug running with water: look round its joint', 'frother', 1, { dry: 'Dry', hisses: 'It hisses or drips' }, { 'jug-seal': { hisses: 0.92 } }, { needs: ['hot'], hazard: 'scald' }),
    look('steam-hose', 'Hose of the steam path off, blow through', 'steam-path', 5, { free: 'Free', shut: 'Narrow or shut' }, { 'steam-path-chalked': { shut: 0.94 } }, { tools: ['clip tool'], needs: ['off', 'open', 'cold'], hazard: 'mains', by: 'hand' }),
  ],
  phone: { 'own-milk': 'Is it the same with fresh milk straight from the cold?', jug: 'Take the jug apart: is there dried milk in its jet?', 'jug-rim': 'Does it hiss or drip where the jug is clipped on?' },
  customer: { 'jug-dirty': 'Jug apart into hot water for a quarter of an hour, brush its jet, rinse.', 'milk-wrong': 'Fresh milk, straight from the cold, no more than to the mark.', 'jug-seal': 'Clip the jug off and on once; do not hold it shut by hand.' },
})
