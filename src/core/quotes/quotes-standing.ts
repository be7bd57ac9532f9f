import type { Entry, EntryOf } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import type { LocalDay } from '../quantity/local-day.ts'

/** How a quote stands on a day. */
export type QuoteStage = 'waits' | 'lapsed' | 'yes' | 'done' | 'no' | 'withdrawn'

export interface StandingQuote {
  /** As it was last written, with the answer where there is one. */
  last: EntryOf<'quoted'>
  /** The day it was put to them. */
  quotedOn: LocalDay
  stage: QuoteStage
}

/**
 * The quotes of a place, the latest first. What was agreed is done once each of its parts went in at its machine since;
 * where nothing goes in, nobody can tell from the ledger, and it stays agreed.
 *
 * @param site - effective entries of the place
 * @param fitted - of its machines, as far as they were read
 */
export function quotesStanding(site: readonly Entry[], fitted: readonly Entry[], today: LocalDay): StandingQuote[] {
  const went = fitted.filter(isKind('fitted'))
  const byQuote = new Map<string, EntryOf<'quoted'>>()
  for (const entry of site.filter(isKind('quoted'))) byQuote.set(entry.body.quote, entry)
  return [...byQuote.values()]
    .map((last): StandingQuote => ({ last, quotedOn: last.happenedOn, stage: stageOf(last, went, today) }))
    .sort((a, b) => (a.quotedOn > b.quotedOn ? -1 : a.quotedOn < b.quotedOn ? 1 : a.last.id < b.last.id ? 1 : -1))
}

function stageOf(
  { body, visitId }: EntryOf<'quoted'>,
  went: readonly EntryOf<'fitted'>[],
  today: LocalDay,
): QuoteStage {
  const { answer, items, validUntil } = body
  if (!answer) return today > validUntil ? 'lapsed' : 'waits'
  if (answer.said !== 'yes') return answer.said
  const parts = items.filter(({ part }) => part)
  const isIn = ({ subjectId, part }: { subjectId: string; part?: string | undefined }) =>
    went.some(
      (entry) =>
        entry.subjectId === subjectId &&
        entry.body.part === part &&
        entry.happenedOn >= answer.on &&
        entry.visitId !== visitId,
    )
  return parts.length > 0 && parts.every(isIn) ? 'done' : 'yes'
}
