import { affectsOf } from '../core/ledger/affects.ts'
import type { Entry } from '../core/ledger/entry.ts'
import type { Affects } from '../core/ledger/entry-definition.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import type { Trx } from '../records/database.ts'
import { entriesById } from '../records/ledger.ts'
import { type Reckoned, reckonedBy, reckonedByIds, type Subject } from '../records/subjects.ts'

const widest: Affects[] = ['nobody', 'itself', 'along']
const wider = (a: Affects, b: Affects): Affects => (widest.indexOf(a) > widest.indexOf(b) ? a : b)

/**
 * Machines and softeners whose dates some entries may move: nobody's, its own, or all that reads what it is about. A
 * correction moves what the corrected entry moved, and its own subject at least: who corrects whom stands in what is
 * stored of it.
 */
export async function affectedBy(trx: Trx, entries: Entry[]): Promise<Map<string, Reckoned>> {
  const reach = new Map<string, { subject: Subject; affects: Affects }>()
  const targets = await correctedBy(trx, entries)
  for (const entry of entries) {
    const { subjectId: id, subjectKind: kind, supersedes } = entry
    let affects = entry.kind === 'withdrawn' ? 'nobody' : affectsOf(entry)
    if (supersedes) {
      const target = targets.get(supersedes)
      // What it corrects has not arrived yet: it may be anything.
      affects = wider(wider(affects, 'itself'), target ? affectsOf(target) : 'along')
    }
    const there = reach.get(id)
    reach.set(id, { subject: { id, kind }, affects: there ? wider(there.affects, affects) : affects })
  }
  const moved = new Map<string, Reckoned>()
  const of = (affects: Affects) =>
    [...reach.values()].filter((one) => one.affects === affects).map((one) => one.subject)
  for (const subject of await reckonedByIds(trx, of('itself'))) moved.set(subject.id, subject)
  for (const one of await reckonedBy(trx, of('along'))) moved.set(one.id, one)
  return moved
}

async function correctedBy(trx: Trx, entries: Entry[]): Promise<Map<string, Entry>> {
  const ids = entries.flatMap(({ supersedes }) => supersedes ?? [])
  const kept = await entriesById(trx, ids)
  return new Map([...entries, ...kept.map(inTodaysWords)].map((entry) => [entry.id, entry]))
}
