import type { Fault, FaultBook } from './fault.ts'
import { outcomeOf } from './outcome-of.ts'

/** The last reading of a measure in a machine’s ledger, and the one before. */
export interface LastReading {
  measure: string
  /** As it is called. */
  name: string
  value: number
  /** As the last hands left it, or as somebody found it. */
  state: 'found' | 'left'
  daysAgo: number
  before?: number
}

/** Multipliers of a technician; from memory. */
const factors = { offBand: 3, drifts: 2, stillWell: 0.7 } as const
/** Older readings say nothing of today. */
const withinDays = 120
/** A reading so lately well that what would show there is less likely now. */
const wellWithinDays = 14
/** What a fault shows that often, it is known by. */
const knownBy = 0.5
/** So much of the width of what is good from one visit to the next is drift. */
const driftShare = 0.2

/**
 * What a reading in the ledger makes of a fault: one that was off speaks for what shows it so, one that drifts for what
 * it drifts to, one that was well a few days ago against what would not leave it so.
 *
 * @returns at most one reason
 */
export function readingReason(
  { tests }: FaultBook,
  fault: Fault,
  { measure, name, value, state, daysAgo, before }: LastReading,
): { words: string; factor: number }[] {
  const test = tests.find(({ reads }) => reads?.measure === measure)
  const shown = test && outcomeOf(test, value)
  if (!test || !shown || daysAgo > withinDays) return []
  const sees = test.sees[fault.id] ?? {}
  const usual = Object.entries(test.normal).sort((a, b) => b[1] - a[1])[0]![0]
  const when = `${name} ${state === 'left' ? 'left' : 'found'} at ${Number(value.toPrecision(3))} ${test.reads!.unit} ${daysAgo} ${daysAgo === 1 ? 'day' : 'days'} ago`
  if (shown.id !== usual)
    return (sees[shown.id] ?? 0) >= knownBy ? [{ words: `${when}: ${shown.words}`, factor: factors.offBand }] : []
  const off = test.outcomes.filter(({ id }) => id !== usual && (sees[id] ?? 0) >= knownBy)
  if (off.length === 0) return []
  const { from, to } = test.reads!.good
  const drift = before === undefined || !Number.isFinite(to) ? 0 : (value - before) / (to - from)
  const good = test.outcomes.find(({ id }) => id === usual)!.from ?? 0
  const towards = off.some(({ from: edge = 0 }) => (drift < 0 ? edge < good : edge > good))
  if (Math.abs(drift) >= driftShare && towards)
    return [
      { words: `${when}, ${drift < 0 ? 'down' : 'up'} from ${Number(before!.toPrecision(3))}`, factor: factors.drifts },
    ]
  return daysAgo <= wellWithinDays ? [{ words: `${when}: as it should be`, factor: factors.stillWell }] : []
}
