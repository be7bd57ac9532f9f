import type { Entry } from '../ledger/entry.ts'
import { type WaterFigureName, waterFigureNames } from '../ledger/water-figure-names.ts'
import { dropCount, stripZone } from '../quantity/drop-kit.ts'
import { hardnessSymbol, mgLPer } from '../quantity/hardness.ts'
import { exactly, type Interval, scaled } from '../quantity/interval.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import { atChance } from '../quantity/spread.ts'
import { spentAboveMgL } from '../softener/learned-capacity.ts'
import { type Histories, type History, type Level, ofKind } from './histories.ts'
import type { WaterFigure, WaterKnown } from './standing.ts'
import { takeFigure } from './water/set-figure.ts'

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
    return `${body.drops} ${body.drops === 1 ? 'drop' : 'drops'} of ${body.perDrop} ${unit}${body.sampleFactor && body.sampleFactor !== 1 ? `, sample × ${body.sampleFactor}` : ''}`
  if (body.method === 'strip') return `strip, zone ${body.low}–${body.high} ${unit}`
  return `${body.value} ${unit}, as reported`
}

/** The latest test of the nearest level that has one: a test at the tap beats the zone's analysis. */
export function waterKnown(histories: Histories): WaterKnown {
  const raw = latest(histories, rawLevels, 'raw', 'total')
  const rawCarbonate = latest(histories, rawLevels, 'raw', 'carbonate')
  const softened = outletNow(histories, 'total')
  const softenedCarbonate = outletNow(histories, 'carbonate')
  return {
    ...(raw && { raw }),
    ...(rawCarbonate && { rawCarbonate }),
    ...(softened && { softened }),
    ...(softenedCarbonate && { softenedCarbonate }),
  }
}

/** The last time resin, cartridge or membrane was made new. */
export function lastRenewal(histories: Histories): Renewal | null {
  const all = (['regenerated', 'cartridge-changed', 'membrane-changed'] as const).flatMap((kind) => {
    const last = ofKind(histories, 'softener', kind).at(-1)
    return last ? [{ kind, on: last.happenedOn }] : []
  })
  return all.sort((a, b) => (a.on < b.on ? -1 : 1)).at(-1) ?? null
}

interface Renewal {
  kind: 'regenerated' | 'cartridge-changed' | 'membrane-changed'
  on: LocalDay
}

/** Whether a test is older than what was renewed since. Tested and renewed on one day: tested first, for that is why. */
const isBefore = ({ on }: WaterFigure, renewal: Renewal | null): renewal is Renewal =>
  renewal !== null && on <= renewal.on

/**
 * What leaves the treatment now: its last test, unless it was renewed since. Resin that was found spent and is
 * regenerated lets through what it let through when it was tested good; a new cartridge or membrane is reckoned anew.
 */
function outletNow(histories: Histories, quantity: Quantity): WaterFigure | null {
  const last = testsOf(histories, 'softener', 'softened', quantity).at(-1)
  const renewal = lastRenewal(histories)
  if (!last || !isBefore(last, renewal)) return last ?? null
  if (renewal.kind !== 'regenerated') return null
  // Carbonate passes resin whether it is spent or not.
  return quantity === 'carbonate' || last.value <= spentAboveMgL ? last : asRenewed(histories, renewal.on)
}

/** What resin lets through once it is regenerated: the middle of its good tests, else what such softeners do. */
export function asRenewed(histories: Histories, on: LocalDay): WaterFigure {
  const good = goodOutlet(histories)
  if (good) return { ...good, on, said: 'assumed since it was regenerated: as it was when tested good', assumed: true }
  const leakage = takeFigure(histories, 'softener-leakage')
  const range = { low: atChance(leakage, 0.05), value: leakage.value, high: atChance(leakage, 0.95) }
  const said = 'assumed since it was regenerated: what such softeners let through, from memory'
  return { ...range, on, said, level: 'softener', assumed: true }
}

/** The middle one of the tests that found resin good; null where none did. */
export function goodOutlet(histories: Histories): WaterFigure | null {
  const good = testsOf(histories, 'softener', 'softened', 'total')
    .filter(({ value }) => value <= spentAboveMgL)
    .sort((one, other) => one.value - other.value)
  return good[Math.floor(good.length / 2)] ?? null
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
