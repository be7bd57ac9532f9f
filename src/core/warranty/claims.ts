import { comesTo } from '../close-out/charge-line.ts'
import type { EntryOf } from '../ledger/entry.ts'
import type { Minor } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'

/** Something that was fitted or done under warranty, and what came of claiming it. */
export interface Claim {
  key: string
  siteId: string
  visitId: string
  line: string
  on: LocalDay
  machineId: string | null
  name: string
  /** Before tax, as the visit was closed; null where nobody said a price. */
  worthMinor: Minor | null
  currency: string
  /** The last step; null: nobody has claimed it yet. */
  last: EntryOf<'claimed'> | null
}

/** Steps after which nothing more is asked. */
const over = new Set<EntryOf<'claimed'>['body']['step']>(['credited', 'refused', 'dropped'])

export const isOver = ({ last }: Claim): boolean => last !== null && over.has(last.body.step)

/**
 * What is to be claimed of whoever stands by it: each line of a closed visit that a warranty pays, with its last step. The
 * work and the road go along with the visit’s parts; a visit whose closing was put right counts as it stands.
 *
 * @param closings - as they stand
 * @param steps - effective, in order
 * @returns what is still open first, the longest open first; then the rest, the latest first
 */
export function claimsOf(closings: readonly EntryOf<'visit-closed'>[], steps: readonly EntryOf<'claimed'>[]): Claim[] {
  const claims = closings.flatMap(({ subjectId, visitId, happenedOn, body }) =>
    body.lines
      .filter(({ pays }) => pays === 'warranty')
      .flatMap((line): Claim[] =>
        visitId
          ? [
              {
                key: `${visitId} ${line.id}`,
                siteId: subjectId,
                visitId,
                line: line.id,
                on: happenedOn,
                machineId: line.subjectId ?? null,
                name: line.name,
                worthMinor: comesTo(line),
                currency: body.currency,
                last: steps.findLast(({ body: of }) => of.visit === visitId && of.line === line.id) ?? null,
              },
            ]
          : [],
      ),
  )
  const byDay = (a: Claim, b: Claim) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.key < b.key ? -1 : 1)
  return [...claims.filter((claim) => !isOver(claim)).sort(byDay), ...claims.filter(isOver).sort((a, b) => byDay(b, a))]
}
