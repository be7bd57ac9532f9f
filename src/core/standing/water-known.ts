import type { Entry } from '../ledger/entry.ts'
import { type WaterFigureName, waterFigureNames } from '../ledger/water-figure-names.ts'
import { dropCount, stripZone } from '../quantity/drop-kit.ts'
import { hardnessSymbol, mgLPer } from '../quantity/hardness.ts'
import { exactly, type Interval, scaled } from '../quantity/interval.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import { type Histories, type History, type Level, ofKind } from './histories.ts'
import type { WaterFigure, WaterKnown } from './standing.ts'

type Test = Entry & { kind: 'water-test' }

/** What a test found, mg/L CaCO3, with its bounds. */
function testedMgL(test: Test): Interval {
  const body = test.body
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
  const body = test.body
  const unit = hardnessSymbol[body.unit]
  if (body.method === 'drops')
    return `${body.drops} drops of ${body.perDrop} ${unit}${body.sampleFactor && body.sampleFactor !== 1 ? `, sample × ${body.sampleFactor}` : ''}`
  if (body.method === 'strip') return `strip, zone ${body.low}–${body.high} ${unit}`
  return `${body.value} ${unit}, as reported`
}

/** The latest test of the nearest level that has one: a test at the tap beats the zone's analysis. */
export function waterKnown(histories: Histories): WaterKnown {
  const raw = latest(histories, rawLevels, 'raw', 'total')
  const rawCarbonate = latest(histories, rawLevels, 'raw', 'carbonate')
  const softened = latest(histories, ['softener'], 'softened', 'total')
  const softenedCarbonate = latest(histories, ['softener'], 'softened', 'carbonate')
  return {
    ...(raw && { raw }),
    ...(rawCarbonate && { rawCarbonate }),
    ...(softened && { softened }),
    ...(softenedCarbonate && { softenedCarbonate }),
  }
}

const rawLevels: Level[] = ['site', 'supply']
type Quantity = 'total' | 'carbonate'

function latest(histories: Histories, levels: Level[], point: string, quantity: Quantity): WaterFigure | null {
  for (const level of levels) {
    const tests = testsOf(histories, level, point, quantity)
    const last = tests.at(-1)
    if (last) return level === 'supply' ? overTheYear(last, tests) : last
  }
  return null
}

/** Every test of a quantity at one level, in order; a site's are read once for all its machines. */
export function testsOf(histories: Histories, level: Level, point: string, quantity: Quantity): WaterFigure[] {
  const history = histories[level]
  if (!history) return []
  let known = tested.get(history)
  if (!known) {
    known = new Map()
    tested.set(history, known)
  }
  const key = `${point} ${quantity}`
  const there = known.get(key)
  if (there) return there
  const fresh = ofKind(histories, level, 'water-test')
    .filter((test) => test.body.point === point && test.body.quantity === quantity)
    .map((test) => ({ ...testedMgL(test), on: test.happenedOn, said: testSaid(test), level }))
  known.set(key, fresh)
  return fresh
}

const tested = new WeakMap<History, Map<string, WaterFigure[]>>()

/** Days back that a season is read from: a year, and a month for works that print late. */
const seasonDays = 396

/** What the works print follows the season: the latest figure, with all of the last year's as its bounds. */
function overTheYear(last: WaterFigure, tests: WaterFigure[]): WaterFigure {
  const since = toDay(last.on) - seasonDays
  const year = tests.filter((test) => toDay(test.on) >= since)
  const low = Math.min(...year.map((test) => test.low))
  const high = Math.max(...year.map((test) => test.high))
  if (low === last.low && high === last.high) return last
  return { ...last, low, high, said: `${last.said}, ${year.length} analyses over the year` }
}

/** A figure of a sample besides its hardness, with where it is from. */
export interface SampleFigure {
  value: number
  on: LocalDay
  level: Level
  by: 'pen' | 'works'
}

/** The latest of each figure a sample may carry, nearest level first. */
export function sampleKnown(
  histories: Histories,
  point: 'raw' | 'softened',
): Partial<Record<WaterFigureName, SampleFigure>> {
  const found: Partial<Record<WaterFigureName, SampleFigure>> = {}
  for (const level of point === 'raw' ? rawLevels : (['softener'] as const)) {
    const samples = ofKind(histories, level, 'water-figures')
    for (let i = samples.length - 1; i >= 0; i -= 1) {
      const sample = samples[i]!
      if (sample.body.point !== point) continue
      for (const name of waterFigureNames) {
        const value = sample.body[name]
        if (value !== undefined) found[name] ??= { value, on: sample.happenedOn, level, by: sample.body.by as 'pen' }
      }
    }
  }
  return found
}
