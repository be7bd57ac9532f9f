import { isKind } from '../../core/ledger/is-kind.ts'
import { papersTo, visitLetter } from '../../core/letters/visit-letter.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { keptById } from '../../records/kept.ts'
import { entriesHeld } from '../../records/ledger.ts'
import type { EntriesAnswer } from '../../views/entry-verdict.ts'
import type { Actor } from '../judge-entry.ts'
import type { PaperWords } from '../papers/paper-words.ts'
import { reportFile } from '../papers/visit-papers.ts'
import { writeLetter } from './write-letter.ts'

/**
 * Writes the letters that were asked for where visits were closed, as soon as their closings are in the ledger: the report
 * as it is then, to the address the firm keeps of that customer. A letter goes by the id of its closing: sent again by a
 * device that heard no answer, it goes out once.
 *
 * @param sent - entries as they came: most hold no closing, and cost nothing here
 * @param answer - what became of them
 * @returns how many were written; nothing where the customer has no address any more
 * @throws where a report cannot be made
 */
export async function writeReportsAsked(
  db: Db,
  firm: { id: string; name: string; timeZone: string },
  actor: Actor,
  sent: readonly unknown[],
  answer: Pick<EntriesAnswer, 'verdicts'>,
  { now, words }: { now: Date; words: PaperWords },
): Promise<number> {
  const closing = new Set(sent.flatMap((one) => (isClosing(one) ? [one.id] : [])))
  const there = answer.verdicts.flatMap(({ id, verdict }) =>
    closing.has(id) && (verdict === 'saved' || verdict === 'already') ? [id] : [],
  )
  if (there.length === 0) return 0
  const asked = await lookIn(db, firm.id, async (trx) => {
    const closings = (await entriesHeld(trx, there)).filter(isKind('visit-closed'))
    return Promise.all(
      closings
        .filter(({ body, visitId }) => body.reportByMail && visitId)
        .map(async (closing) => {
          const site = await keptById(trx, 'site', closing.subjectId)
          const customer = site && (await keptById(trx, 'customer', site.customerId))
          return { closing, site: site?.name ?? '', to: customer ? papersTo(customer) : '' }
        }),
    )
  })
  let written = 0
  for (const { closing, site, to } of asked) {
    const visitId = closing.visitId!
    const file = to && (await reportFile(db, firm, visitId, { now, words }))
    if (!file) continue
    const letter = visitLetter({ day: words.day(closing.happenedOn), site, firm: firm.name })
    const told = await writeLetter(
      db,
      actor,
      { id: closing.id, to, ...letter },
      { of: { visitId }, files: [file], now },
    )
    if (told.ok) written += 1
  }
  return written
}

const isClosing = (one: unknown): one is { id: string } =>
  typeof one === 'object' && one !== null && 'kind' in one && one.kind === 'visit-closed' && 'id' in one
