import { effectiveHistory } from '../core/ledger/effective-history.ts'
import { type Db, lookIn } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { keptById } from '../records/kept.ts'
import { entriesOfKinds } from '../records/ledger.ts'
import type { AlikeCase } from '../views/alike-cases.ts'

/** Machines of a kind whose repairs are read: more would say the same, later. */
const mostMachines = 1000
/** Cases that are told: who looks through more reads none. */
const mostCases = 60

/** What machines of a machine's kind turned out to have, the latest first; null where there is no such machine. */
export async function alikeCases(db: Db, firmId: string, machineId: string): Promise<AlikeCase[] | null> {
  return lookIn(db, firmId, async (trx) => {
    const machine = await keptById(trx, 'machine', machineId)
    if (!machine) return null
    const rows = await machineRows(trx, { kind: machine.kind, stage: 'any' }, null, mostMachines)
    const others = new Map(
      rows.filter(({ id }) => id !== machineId).map(({ id, name, siteName }) => [id, { id, name, site: siteName }]),
    )
    const kinds = ['repaired', 'fault-reported', 'withdrawn'] as const
    const { entries } = effectiveHistory(await entriesOfKinds(trx, [...others.keys()], [...kinds]))
    const reports = new Map(entries.flatMap((one) => (one.kind === 'fault-reported' ? [[one.id, one.body]] : [])))
    return entries
      .flatMap((entry): AlikeCase[] => {
        if (entry.kind !== 'repaired' || !entry.body.cause) return []
        const { body, subjectId, happenedOn } = entry
        const report = body.report ? reports.get(body.report) : undefined
        return [
          {
            machine: others.get(subjectId)!,
            on: happenedOn,
            ...(report?.symptom && { symptom: report.symptom }),
            ...(report && { told: report.text }),
            cause: body.cause!,
            ...(body.fault && { fault: body.fault }),
            cured: body.cured !== false,
          },
        ]
      })
      .sort((a, b) => b.on.localeCompare(a.on))
      .slice(0, mostCases)
  })
}
