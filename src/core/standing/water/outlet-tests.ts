import { mgLPer } from '../../quantity/hardness.ts'
import { toDay } from '../../quantity/local-day.ts'
import { hardnessBehindCartridge } from '../../softener/cartridge.ts'
import { type OutletTest, spentAboveMgL } from '../../softener/learned-capacity.ts'
import { type Histories, ofKind } from '../histories.ts'
import type { Draw } from '../softener-draw.ts'
import { testsOf, waterKnown } from '../water-known.ts'
import { type WaterFacts, waterFacts } from './feed-water.ts'

/**
 * Every test of an exchanger's outlet with the litres it had given since its last regeneration: what its own
 * capacity is learned from.
 */
export function outletTests(histories: Histories, draw: Draw, facts: WaterFacts = waterFacts(histories)): OutletTest[] {
  const renewed = [
    ...ofKind(histories, 'softener', 'commissioned'),
    ...ofKind(histories, 'softener', 'regenerated'),
  ].map(({ happenedOn }) => toDay(happenedOn))
  const level = (['site', 'supply'] as const).find((one) => testsOf(histories, one, 'raw', 'total').length > 0)
  const raw = level ? testsOf(histories, level, 'raw', 'total') : []
  return testsOf(histories, 'softener', 'softened', 'total').flatMap((test): OutletTest[] => {
    const day = toDay(test.on)
    // Tested and regenerated on one day: tested first, for that is why.
    const since = renewed.filter((renewal) => renewal < day).at(-1)
    const inMgL = (raw.findLast(({ on }) => toDay(on) <= day) ?? raw[0])?.value
    if (since === undefined || inMgL === undefined) return []
    const litres = draw.between(since, day)
    const spent = test.low > spentAboveMgL || test.value > spentAboveMgL * 1.3
    const removedMgL = Math.max(0, inMgL - (spent ? facts.leakage.value : test.value))
    return [{ on: test.on, litres, removedMgL, spent }]
  })
}

/** A cartridge is through when carbonate hardness rises two degrees above what it was set to, mg/L CaCO₃. Common practice. */
const cartridgeSpentMgL = 2 * mgLPer.dH

/**
 * The same of a decarbonising cartridge, by carbonate hardness: total hardness says nothing of it. What it takes
 * of each litre is what its bypass leaves it.
 */
export function cartridgeTests(histories: Histories, draw: Draw, bypass: number): OutletTest[] {
  const renewed = [
    ...ofKind(histories, 'softener', 'commissioned'),
    ...ofKind(histories, 'softener', 'cartridge-changed'),
  ].map(({ happenedOn }) => toDay(happenedOn))
  const { raw, rawCarbonate } = waterKnown(histories)
  const carbonateMgL = rawCarbonate?.value
  if (carbonateMgL === undefined) return []
  const { removedMgL, outAlkalinityMgL } = hardnessBehindCartridge(carbonateMgL, raw?.value, bypass)
  return testsOf(histories, 'softener', 'softened', 'carbonate').flatMap((test): OutletTest[] => {
    const day = toDay(test.on)
    const since = renewed.filter((renewal) => renewal < day).at(-1)
    if (since === undefined) return []
    const spent = test.low > outAlkalinityMgL + cartridgeSpentMgL
    return [{ on: test.on, litres: draw.between(since, day), removedMgL, spent }]
  })
}
