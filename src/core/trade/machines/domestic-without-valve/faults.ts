import { fault, look, repair, symptom } from '../../../faults/build.ts'
import { likeBook } from '../../../faults/derive.ts'
import { dvFaults } from '../domestic-three-way-valve/faults.ts'

/** The same machine with a plain brew valve: nothing is pumped against a blind basket, since nothing would vent. */
export const dnFaults = likeBook(dvFaults, {
  kind: 'dn',
  without: {
    faults: ['three-way-leaks', 'three-way-shut', 'three-way-no-vent'],
    tests: ['vent', 'rim', 'blind-pressure', 'tray-during', 'three-way', 'basket'],
    symptoms: ['handle-kicks', 'tray-runs'],
  },
  procedures: { 'detergent-backflush': 'group-clean', 'pressure-setting': null },
  words: [['Detergent backflush', 'Group cleaned']],
  customer: {
    'cleaning-left': 'Wipe the screen with a cloth and detergent, flush, brush; basket into hot water.',
    'basket-hole': 'Off; the handle stays shut until it is cold. Then basket out, a pin through its hole, rinse it.',
  },
  // No valve lets the pressure off there: it spits and drips on, and nothing is wrong.
  complaints: { nothing: { taste: 3, cold: 5, noise: 2, slow: 0.5, 'handle-kicks': 5, 'drips-on': 2 } },
  symptoms: [symptom('handle-kicks', 'Handle spits when it is opened', 'sneezes, kicks, spits, pressure stays', 'group'), symptom('drips-on', 'It drips on after the shot', 'drips on, after-drip, group drips', 'brew-valve')],
  besides: {
    'open-flow': { 'brew-valve-stuck': { none: 0.9 } },
    shot: { 'brew-valve-stuck': { slow: 0.92 }, 'basket-hole': { slow: 0.85 } },
    grind: { 'brew-valve-stuck': { slow: 0.92 }, 'basket-hole': { slow: 0.85 } },
    'pump-sound': { 'brew-valve-stuck': { strained: 0.75 } },
    'relief-return': { 'brew-valve-stuck': { much: 0.7 }, 'basket-hole': { much: 0.4 } },
    'basket-temperature': { 'brew-valve-stuck': { cold: 0.9 } },
  },
  faults: [
    fault('brew-valve-stuck', 'Brew valve stuck shut', 'brew-valve', 3, { 'no-water': 8, slow: 2 }, repair('Valve apart, rubber and spring new', 20), { traits: ['stuck', 'chalk'], part: 'brew-valve' }),
    fault('brew-valve-weak', 'Brew valve does not close', 'brew-valve', 4, { 'drips-on': 9, taste: 0.5 }, repair('Valve apart, rubber and spring new', 20), { traits: ['flakes'], part: 'brew-valve' }),
    fault('basket-hole', 'Hole of the pressurised basket blocked', 'basket', 4, { slow: 8, 'handle-leaks': 2, 'handle-kicks': 2 }, repair('Pin through the hole, basket soaked', 5, { procedure: 'parts-soak' }), { traits: ['user'], part: 'pressurised-basket' }),
  ],
  tests: [
    look('rim', 'Look round the handle while it brews', 'group', 1, { dry: 'Dry', drips: 'Drips or sprays' }, { 'seal-hard': { drips: 0.85 }, 'basket-hole': { drips: 0.3 }, 'screen-clogged': { drips: 0.1 } }, { needs: ['hot'], hazard: 'scald' }),
    look('drips-on', 'Stop the shot and watch the group a minute', 'brew-valve', 1, { stops: 'A few drops, then dry', 'goes-on': 'Drips on' }, { 'brew-valve-weak': { 'goes-on': 0.92 } }, { needs: ['hot'], hazard: 'scald' }),
    look(
      'basket-hole',
      'Basket against the light, a pin through its hole',
      'basket',
      1,
      { clear: 'Clear', blocked: 'Blocked', worn: 'Cracked, or the hole wide' },
      { 'basket-hole': { blocked: 0.93 }, 'basket-worn': { worn: 0.9 } },
      { tools: ['pin'], needs: ['off', 'cold', 'no-pressure'], hazard: 'pressure', how: 'This group never vents: the handle stays shut until it is cold.' },
    ),
    look(
      'brew-valve',
      'Brew valve apart',
      'brew-valve',
      12,
      { right: 'Clean, rubber whole', stuck: 'Stuck or chalked', worn: 'Rubber worn, spring tired' },
      { 'brew-valve-stuck': { stuck: 0.92 }, 'brew-valve-weak': { worn: 0.9 } },
      { tools: ['spanners'], needs: ['off', 'open', 'cold', 'no-pressure'], hazard: 'pressure' },
    ),
  ],
})
