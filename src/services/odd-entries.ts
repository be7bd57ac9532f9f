import { issuesOfValues } from '../core/ledger/plausible.ts'
import type { SubjectKind } from '../core/ledger/subject.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import { type Db, type Trx, withFirm } from '../records/database.ts'
import { theFirm } from '../records/firms.ts'
import { keptByIds } from '../records/kept.ts'
import { entriesSince } from '../records/ledger.ts'
import type { OddEntries } from '../views/odd-entries.ts'
import { issuesOfReferences } from './judge-references.ts'

const stretch = 2000

/**
 * Looks through a stretch of the ledger for what today's rules would refuse. It was written before they held, or by
 * another firm: it stays readable and counts as it always did; somebody may want to correct it.
 */
export async function oddEntries(db: Db, firmId: string, since: number, limit = stretch): Promise<OddEntries> {
  return withFirm(db, firmId, async (trx) => {
    const kept = await entriesSince(trx, since, limit)
    const entries = kept.map(inTodaysWords)
    const pointing = await issuesOfReferences(trx, firmId, entries)
    const odd = entries.flatMap((entry, i) => {
      const issues = [...issuesOfValues(entry), ...pointing[i]!]
      return issues.length > 0
        ? [{ entry, why: issues.map(({ path, message }) => `${path.replace(/^body\./, '')} ${message}`) }]
        : []
    })
    const names = await namesOf(
      trx,
      odd.map(({ entry }) => entry),
    )
    const last = kept.at(-1)
    return {
      rows: odd.map(({ entry: { id, subjectKind, subjectId, kind, happenedOn: on }, why }) => {
        const name = names.get(subjectId)
        return { id, subjectKind, subjectId, ...(name && { name }), kind, on, why }
      }),
      ...(kept.length === limit && last && { next: last.seq }),
      of: (await theFirm(trx))?.seq ?? 0,
    }
  })
}

async function namesOf(
  trx: Trx,
  subjects: { subjectKind: SubjectKind; subjectId: string }[],
): Promise<Map<string, string>> {
  const names = new Map<string, string>()
  for (const kind of ['machine', 'site', 'softener', 'supply'] as const) {
    const ids = subjects.filter(({ subjectKind }) => subjectKind === kind).map(({ subjectId }) => subjectId)
    for (const { id, name } of await keptByIds(trx, kind, [...new Set(ids)])) names.set(id, name)
  }
  return names
}
