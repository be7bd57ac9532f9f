import { toDay } from '../quantity/local-day.ts'
import { type Histories, ofKind } from './histories.ts'

/**
 * The days a machine's water came through a softener. A machine that never moved has been behind it from
 * the start; each move says what it left and what it came to.
 *
 * @param histories - of a machine that is, or once was, behind this softener
 * @returns day numbers, from included, to not; Infinity while it is still behind it
 */
export function daysBehind(histories: Histories, softenerId: string): { from: number; to: number }[] {
  const moves = ofKind(histories, 'machine', 'moved')
  const spans: { from: number; to: number }[] = []
  const first = moves[0]
  let from: number | null = !first || first.body.fromSoftenerId === softenerId ? Number.NEGATIVE_INFINITY : null
  for (const move of moves) {
    const day = toDay(move.happenedOn)
    const behind = move.body.toSoftenerId === softenerId
    if (from !== null && !behind) spans.push({ from, to: day })
    if (!behind) from = null
    else from ??= day
  }
  if (from !== null) spans.push({ from, to: Number.POSITIVE_INFINITY })
  return spans
}
