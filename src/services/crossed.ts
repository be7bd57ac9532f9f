import { crossedIn } from '../core/ledger/crossed.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import { crossedSubjects } from '../records/crossed.ts'
import { type Db, lookIn } from '../records/database.ts'
import { technicians } from '../records/firms.ts'
import { entriesOf } from '../records/ledger.ts'
import type { CrossedLine } from '../views/crossed-list.ts'

/** What nobody compared for so long nobody will, days. */
const withinDays = 90
const most = 50

/** Machines at which two wrote of one thing without knowing of each other, and nobody has compared it yet. */
export async function crossedList(db: Db, firmId: string, now: Date): Promise<CrossedLine[]> {
  return lookIn(db, firmId, async (trx) => {
    const since = new Date(now.getTime() - withinDays * 86_400_000)
    const subjects = await crossedSubjects(trx, since, most)
    if (subjects.length === 0) return []
    const [entries, people] = await Promise.all([
      entriesOf(
        trx,
        subjects.map(({ subjectId }) => subjectId),
      ),
      technicians(trx),
    ])
    const names = new Map(people.map(({ id, name }) => [id, name]))
    const ledgers = new Map<string, RecordedEntry[]>()
    for (const entry of entries) ledgers.set(entry.subjectId, [...(ledgers.get(entry.subjectId) ?? []), entry])
    const lines = new Map<string, CrossedLine>()
    for (const { subjectId, machineId, machineName, siteName } of subjects) {
      const asks = crossedIn(ledgers.get(subjectId) ?? []).crossings.filter(({ differs }) => differs)
      if (asks.length === 0) continue
      const line = lines.get(machineId) ?? { machineId, machineName, siteName, differs: 0, by: [] }
      line.differs += asks.length
      const by = asks.flatMap(({ lines }) => lines.map(({ recordedBy }) => names.get(recordedBy) ?? 'somebody'))
      line.by = [...new Set([...line.by, ...by])]
      lines.set(machineId, line)
    }
    return [...lines.values()]
  })
}
