import { fault, look, repair } from '../../../faults/build.ts'
import { likeBook } from '../../../faults/derive.ts'
import type { Test } from '../../../faults/fault.ts'
import { srFaults } from '../super-automatic-removable-unit/faults.ts'

const inside: Pick<Test, 'tools' | 'needs' | 'hazard'> = { tools: ['T10, cross-head', 'torch'], needs: ['off', 'open'], hazard: 'mains' }

/** What is looked at with the unit in the hand, where the unit comes out only with the case open. */
const unitTests = new Set(['ring', 'screen', 'unit-by-hand'])
const atTheUnit = srFaults.tests.filter(({ id }) => unitTests.has(id)).map((test): Test => ({ ...test, ...inside, minutes: test.minutes + 12 }))
/** A leak at the valve shows as a leak at the nozzle does, and in the tray and below as well. */
const asNozzle = (test: string) => {
  const sees = srFaults.tests.find(({ id }) => id === test)!.sees
  return { ...sees, 'valve-gaskets': sees['nozzle-seals']! }
}

/** Super-automatic whose unit comes out with the case open, its valve on it. Shares of calls from memory. */
export const stFaults = likeBook(srFaults, {
  kind: 'st',
  stations: { nozzle: 'unit-valve' },
  without: {
    faults: ['nozzle-seals'],
    tests: ['nozzle', ...unitTests],
    customer: ['unit-dry', 'unit-screen'],
  },
  procedures: { 'brew-unit': 'shop-service' },
  besides: {
    ...Object.fromEntries(['open-flow', 'tray-water', 'espresso', 'shot-time'].map((test) => [test, asNozzle(test)])),
    below: { 'hose-leaks': { wet: 0.85 }, 'valve-gaskets': { wet: 0.45 } },
    'leaks-inside': { 'hose-leaks': { wet: 0.94 }, 'valve-gaskets': { wet: 0.45 } },
  },
  faults: [fault('valve-gaskets', 'Gaskets of the unit valve worn, or laid in wrongly', 'unit-valve', 7, { 'short-cup': 8, 'wet-below': 2 }, repair('Valve apart, gaskets laid right or new', 25, { procedure: 'shop-service' }), { part: 'valve-gaskets' })],
  tests: [...atTheUnit, look('unit-valve', 'Unit out, valve apart: how do its gaskets lie?', 'unit-valve', 8, { right: 'Right, whole', wrong: 'Turned, flat or torn' }, { 'valve-gaskets': { wrong: 0.93 } }, inside)],
})
