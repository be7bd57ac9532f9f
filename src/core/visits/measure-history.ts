import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'

/** One measure at one group, as found and as left on one day. */
export interface MeasuredOnce {
  on: LocalDay
  visitId?: string
  found?: number
  left?: number
  /** Instruments the values were taken with. */
  instruments: string[]
}

export interface MeasureHistory {
  measure: string
  group?: number
  /** Oldest first. */
  values: MeasuredOnce[]
  /** What is good for this machine: where its own values as left have lain. Null below four of them. */
  own: { from: number; to: number; middle: number; n: number } | null
  /** How fast it drifts as found, a year; null below four values or where it goes both ways. */
  perYear: number | null
}

/** Fewer values than this say nothing about what is usual. From memory. */
const enough = 4

/**
 * What was measured on one machine, measure by measure, with the range that is usual for it. The range is
 * the median ± 3 scaled median deviations of the values as left (as found where nothing was changed), so
 * that one slip of the pen does not widen it.
 *
 * @param entries - effective entries of one machine, in order
 */
export function measureHistories(entries: Entry[]): MeasureHistory[] {
  const byPosition = new Map<string, MeasureHistory>()
  for (const entry of entries) {
    if (!isKind('measured')(entry)) continue
    const { measure, group, state, value, instrument } = entry.body
    const key = `${measure}@${group ?? ''}`
    const history = byPosition.get(key) ?? {
      measure,
      ...(group !== undefined && { group }),
      values: [],
      own: null,
      perYear: null,
    }
    byPosition.set(key, history)
    let once = history.values.at(-1)
    if (!once || once.on !== entry.happenedOn || once.visitId !== entry.visitId) {
      once = { on: entry.happenedOn, ...(entry.visitId && { visitId: entry.visitId }), instruments: [] }
      history.values.push(once)
    }
    once[state] = value
    if (instrument && !once.instruments.includes(instrument)) once.instruments.push(instrument)
  }
  return [...byPosition.values()].map((history) => ({
    ...history,
    own: usualRange(history.values.map(({ found, left }) => left ?? found!)),
    perYear: drift(history.values.map(({ on, found, left }) => ({ day: toDay(on), value: found ?? left! }))),
  }))
}

function usualRange(values: number[]): MeasureHistory['own'] {
  if (values.length < enough) return null
  const middle = median(values)
  // 1.4826 makes the median deviation a standard deviation where values are normal.
  const spread = 3 * 1.4826 * median(values.map((value) => Math.abs(value - middle)))
  return { from: middle - spread, to: middle + spread, middle, n: values.length }
}

/** Theil–Sen: the median of all slopes; said only where three in four of them point the same way. */
function drift(values: { day: number; value: number }[]): number | null {
  const slopes: number[] = []
  for (const [i, a] of values.entries())
    for (const b of values.slice(i + 1))
      if (b.day > a.day) slopes.push(((b.value - a.value) / (b.day - a.day)) * 365.25)
  if (values.length < enough || slopes.length === 0) return null
  const slope = median(slopes)
  const agree = slopes.filter((one) => Math.sign(one) === Math.sign(slope)).length
  return slope !== 0 && agree >= 0.75 * slopes.length ? slope : null
}

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}
