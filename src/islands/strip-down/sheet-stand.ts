import type { KnownStripDown } from '../../core/strip-down/known-strip-down.ts'
import { comesNext, inCup, inHand, onBench, type Sheet } from '../../core/strip-down/sheet.ts'

/** Where a sheet stands: what is in the hand, what comes off next, whether all is back. */
export function sheetStand(sheet: Sheet, known: KnownStripDown | null) {
  const hand = inHand(sheet)
  const bench = onBench(sheet)
  const refitting = sheet.turnedAt !== null
  return {
    hand,
    held: hand === null ? null : sheet.things[hand]!,
    bench,
    screws: inCup(sheet).reduce((sum, { count }) => sum + count, 0),
    refitting,
    next: refitting || !known ? null : comesNext(sheet, known.things),
    allBack: refitting && bench.length === 0,
  }
}

export type SheetStand = ReturnType<typeof sheetStand>
