import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Trx } from '../records/database.ts'
import { technicians } from '../records/firms.ts'
import { entriesOfSince } from '../records/ledger.ts'
import type { WrittenSince } from '../views/entry-verdict.ts'

/**
 * What others wrote about these subjects after a cursor: two people at one machine must hear of each
 * other before the second saves.
 *
 * @param mine - entries being saved: a correction of a newer entry is not a surprise
 * @param sent - ids of everything that came with them: what of it is written already is no surprise either
 */
export async function writtenSince(
  trx: Trx,
  subjectIds: string[],
  seq: number,
  mine: { visitId?: string }[],
  sent: ReadonlySet<unknown>,
): Promise<WrittenSince[]> {
  const visits = new Set(mine.map((entry) => entry.visitId))
  const newer = (await entriesOfSince(trx, subjectIds, seq)).filter(
    (entry) => !sent.has(entry.id) && !(entry.visitId && visits.has(entry.visitId)),
  )
  if (newer.length === 0) return []
  const names = new Map((await technicians(trx)).map((technician) => [technician.id, technician.name]))
  const visitsOfOthers = new Map<string, RecordedEntry[]>()
  for (const entry of newer) {
    const key = entry.visitId ?? entry.id
    visitsOfOthers.set(key, [...(visitsOfOthers.get(key) ?? []), entry])
  }
  return [...visitsOfOthers.values()].map((entries) => ({
    seq: entries.at(-1)!.seq,
    by: names.get(entries[0]!.recordedBy) ?? 'someone',
    recordedAt: entries[0]!.recordedAt,
    said: entries.map(inShort),
  }))
}

function inShort(entry: RecordedEntry): string {
  const { body } = entry
  const about =
    ('count' in body && body.count) ||
    ('task' in body && body.task) ||
    ('part' in body && body.part) ||
    ('text' in body && body.text)
  return about === false || about === undefined ? entry.kind : `${entry.kind} ${about}`
}
