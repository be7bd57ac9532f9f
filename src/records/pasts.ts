import type { KeptEntry, RecordedEntry } from '../core/ledger/entry.ts'
import { pastRule } from '../core/ledger/long-past.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Trx } from './database.ts'
import { asItCame, toEntry } from './ledger.ts'

/** A subject's ledger as it is read: what is kept of its long past, and all since. */
export interface ReadLedger {
  /** From which day on all of it is here; null where all of it is. */
  pastBefore: LocalDay | null
  past: RecordedEntry[]
  since: RecordedEntry[]
}

/** The ledgers of some subjects, their long pasts from what is kept of them. */
export async function readLedgers(trx: Trx, subjectIds: string[]): Promise<Map<string, ReadLedger>> {
  const ledgers = new Map<string, ReadLedger>()
  const of = (id: string) => {
    const there = ledgers.get(id) ?? { pastBefore: null, past: [], since: [] }
    ledgers.set(id, there)
    return there
  }
  if (subjectIds.length === 0) return ledgers
  const pasts = await trx('past').whereRaw('subject_id = any(?)', [subjectIds]).where({ rule: pastRule })
  for (const { subject_id: id, before_on: pastBefore, entries } of pasts)
    Object.assign(of(id), { pastBefore, past: (entries as KeptEntry[]).map(inTodaysWords) })
  const { rows } = await trx.raw(
    `select e.* from unnest(:ids::uuid[], :from::date[]) s (id, since)
     join entry e on e.subject_id = s.id and e.happened_on >= s.since`,
    { ids: subjectIds, from: subjectIds.map((id) => ledgers.get(id)?.pastBefore ?? '-infinity') },
  )
  for (const row of rows) of(row.subject_id).since.push(toEntry(row))
  return ledgers
}

/** Keeps what a reckoning needs of a subject's long past. Its row must be locked: nobody may write to it meanwhile. */
export async function keepPast(
  trx: Trx,
  firmId: string,
  subjectId: string,
  beforeOn: LocalDay,
  entryIds: string[],
): Promise<void> {
  const rows = await trx('entry').where({ subject_id: subjectId }).whereRaw('id = any(?)', [entryIds])
  await trx('past')
    .insert({
      firm_id: firmId,
      subject_id: subjectId,
      rule: pastRule,
      before_on: beforeOn,
      entries: JSON.stringify(rows.map(asItCame)),
    })
    .onConflict(['firm_id', 'subject_id'])
    .merge()
}

/** Forgets the pasts that some new entries reach into: by their day, or by what they correct. */
export async function forgetPasts(trx: Trx, entries: RecordedEntry[]): Promise<void> {
  await trx.raw(
    `delete from past p using unnest(:subjects::uuid[], :days::date[], :corrected::uuid[]) n (subject_id, day, corrects)
     where p.subject_id = n.subject_id and (n.day < p.before_on or (n.corrects is not null and not exists (
       select from entry e where e.id = n.corrects and e.subject_id = p.subject_id and e.happened_on >= p.before_on)))`,
    {
      subjects: entries.map(({ subjectId }) => subjectId),
      days: entries.map(({ happenedOn }) => happenedOn),
      corrected: entries.map(({ supersedes }) => supersedes ?? null),
    },
  )
}

/** Forgets all pasts of a firm: they are made anew from the ledger. */
export async function forgetAllPasts(trx: Trx): Promise<void> {
  await trx('past').delete()
}
