import { fault, look, repair, symptom } from '../build.ts'
import type { FaultBook, Test } from '../fault.ts'
import { dvFaults } from './dv.ts'

/** What hangs on a 3-way valve is not here; nothing is pumped against a blind basket, since nothing would vent. */
const goneFaults = new Set(['three-way-leaks', 'three-way-shut', 'three-way-no-vent'])
const goneTests = new Set(['vent', 'rim', 'blind-pressure', 'tray-during', 'three-way', 'basket'])
const goneSymptoms = new Set(['handle-kicks', 'tray-runs'])
const omit = <T>(held: Record<string, T>, gone: Set<string>): Record<string, T> => Object.fromEntries(Object.entries(held).filter(([id]) => !gone.has(id)))

/** What is told of the valve that opens the group, beside what a test tells of the same machine with a 3-way valve. */
const besides: Record<string, Test['sees']> = {
  'open-flow': { 'brew-valve-stuck': { none: 0.9 } },
  shot: { 'brew-valve-stuck': { slow: 0.92 }, 'basket-hole': { slow: 0.85 } },
  grind: { 'brew-valve-stuck': { slow: 0.92 }, 'basket-hole': { slow: 0.85 } },
  'pump-sound': { 'brew-valve-stuck': { strained: 0.75 } },
  'relief-return': { 'brew-valve-stuck': { much: 0.7 }, 'basket-hole': { much: 0.4 } },
  'basket-temperature': { 'brew-valve-stuck': { cold: 0.9 } },
}

/** The same machine with a plain brew valve. Shares of calls and good readings from memory. */
export const dnFaults: FaultBook = {
  ...dvFaults,
  kind: 'dn',
  phone: omit(dvFaults.phone, goneTests),
  customer: {
    ...dvFaults.customer,
    'cleaning-left': 'Wipe the screen with a cloth and detergent, flush, brush; basket into hot water.',
    'basket-hole': 'Basket out, a pin through its hole, rinse it.',
  },
  symptoms: [...dvFaults.symptoms.filter(({ id }) => !goneSymptoms.has(id)), symptom('drips-on', 'It drips on after the shot', 'drips on, after-drip, group drips', 'brew-valve')],
  faults: [
    ...dvFaults.faults
      .filter(({ id }) => !goneFaults.has(id))
      .map((one) => ({
        ...one,
        complaints: omit(one.complaints, goneSymptoms),
        repair: one.repair.procedure === 'detergent-backflush' ? { ...one.repair, say: 'Group cleaned; show it', procedure: 'group-clean' } : one.repair,
      })),
    fault('brew-valve-stuck', 'Brew valve stuck shut', 'brew-valve', 3, { 'no-water': 8, slow: 2 }, repair('Valve apart, rubber and spring new', 20), { traits: ['stuck', 'chalk'], part: 'brew-valve' }),
    fault('brew-valve-weak', 'Brew valve does not close', 'brew-valve', 4, { 'drips-on': 9, taste: 0.5 }, repair('Valve apart, rubber and spring new', 20), { traits: ['flakes'], part: 'brew-valve' }),
    fault('basket-hole', 'Hole of the pressurised basket blocked', 'basket', 4, { slow: 8, 'handle-leaks': 2 }, repair('Pin through the hole, basket soaked', 5, { procedure: 'parts-soak' }), { traits: ['user'], part: 'pressurised-basket' }),
  ],
  tests: [
    ...dvFaults.tests.filter(({ id }) => !goneTests.has(id)).map((test): Test => ({ ...test, sees: { ...omit(test.sees, goneFaults), ...besides[test.id] } })),
    look('rim', 'Look round the handle while it brews', 'group', 1, { dry: 'Dry', drips: 'Drips or sprays' }, { 'seal-hard': { drips: 0.85 }, 'basket-hole': { drips: 0.3 }, 'screen-clogged': { drips: 0.1 } }, { needs: ['hot'], hazard: 'scald' }),
    look('drips-on', 'Stop the shot and watch the group a minute', 'brew-valve', 1, { stops: 'A few drops, then dry', 'goes-on': 'Drips on' }, { 'brew-valve-weak': { 'goes-on': 0.92 } }, { needs: ['hot'], hazard: 'scald' }),
    look('basket-hole', 'Basket against the light, a pin through its hole', 'basket', 1, { clear: 'Clear', blocked: 'Blocked', worn: 'Cracked, or the hole wide' }, { 'basket-hole': { blocked: 0.93 }, 'basket-worn': { worn: 0.9 } }, { tools: ['pin'] }),
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
}
