import type { Entry } from '../ledger/entry.ts'
import { bodyOf } from '../ledger/upcast.ts'
import { dropCount, stripZone } from '../quantity/drop-kit.ts'
import { hardnessSymbol, mgLPer } from '../quantity/hardness.ts'
import { exactly, type Interval, scaled } from '../quantity/interval.ts'
import { type Histories, type Level, ofKind } from './histories.ts'
import type { WaterFigure, WaterKnown } from './standing.ts'

/** Share of total hardness that is carbonate hardness where only the total was tested. From memory. */
export const usualCarbonateShare = 0.8

type Test = Entry & { kind: 'water-test' }

/** What a test found, mg/L CaCO3, with its bounds. */
function testedMgL(test: Test): Interval {
  const body = bodyOf(test)
  const found =
    body.method === 'drops'
      ? dropCount(body.drops!, body.perDrop!, body.sampleFactor ?? 1)
      : body.method === 'strip'
        ? stripZone(body.low!, body.high!)
        : exactly(body.value!)
  return scaled(found, mgLPer[body.unit])
}

/** How a test is quoted in a working. */
function testSaid(test: Test): string {
  const body = bodyOf(test)
  const unit = hardnessSymbol[body.unit]
  if (body.method === 'drops')
    return `${body.drops} drops of ${body.perDrop} ${unit}${body.sampleFactor && body.sampleFactor !== 1 ? `, sample × ${body.sampleFactor}` : ''}`
  if (body.method === 'strip') return `strip, zone ${body.low}–${body.high} ${unit}`
  return `${body.value} ${unit}, as reported`
}

/** The latest test of the nearest level that has one: a test at the tap beats the zone's analysis. */
export function waterKnown(histories: Histories): WaterKnown {
  const rawLevels: Level[] = ['site', 'supply']
  const raw = latest(histories, rawLevels, 'raw', 'total')
  const rawCarbonate = latest(histories, rawLevels, 'raw', 'carbonate')
  const softened = latest(histories, ['softener'], 'softened', 'total')
  return { ...(raw && { raw }), ...(rawCarbonate && { rawCarbonate }), ...(softened && { softened }) }
}

function latest(histories: Histories, levels: Level[], point: string, quantity: string): WaterFigure | null {
  for (const level of levels) {
    const tests = ofKind(histories, level, 'water-test')
    for (let i = tests.length - 1; i >= 0; i -= 1) {
      const test = tests[i]!
      const body = bodyOf(test)
      if (body.point === point && body.quantity === quantity)
        return { ...testedMgL(test), on: test.happenedOn, said: testSaid(test), level }
    }
  }
  return null
}
