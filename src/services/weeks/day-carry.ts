import { bookFor } from '../../core/faults/books.ts'
import { kindById } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { type CarryWork, carryFor } from '../../core/rounds/carry.ts'
import type { MachineThere } from '../../records/plan.ts'
import type { DayPerson, DayStop } from '../../views/day-page.ts'
import type { DayRead } from './day-read.ts'
import { faultsAt } from './day-stops.ts'

/** What the van needs for what is still to come. */
export function carryOf(read: DayRead, stops: DayStop[], { order, left }: DayPerson) {
  const kindOf = (id: string): Kind | null => kindById(id) ?? read.kinds.get(id) ?? null
  const works = [...order, ...left.map(({ stop }) => stop)].flatMap((i, n): CarryWork[] => {
    const { siteId, tasks: those } = stops[i]!
    const s = read.input.sites.findIndex(({ record }) => record.id === siteId)
    const due = read.input.sites[s]!.tasks
    const chosen = those.map(
      ({ subjectId, key }) => due.find((one) => one.subjectId === subjectId && one.standing.key === key)!,
    )
    const bySubject = new Map(chosen.map((one) => [one.subjectId, one]))
    const machines = new Map(read.machines.map((machine) => [machine.id, machine]))
    return [
      ...[...bySubject.values()].map(
        ({ subjectId, machineKind }): CarryWork => ({
          stop: n,
          kind: machineKind ? kindOf(machineKind) : null,
          model: modelOf(machines.get(subjectId)),
          tasks: chosen.filter((one) => one.subjectId === subjectId).map(({ standing }) => standing),
        }),
      ),
      ...faultsAt(read, siteId).flatMap(({ machine, report }): CarryWork[] => {
        const kind = kindOf(machine.kind)
        const book = kind && bookFor(kind)
        const { symptom } = report.body
        if (!book || !symptom) return []
        const seen = read.reports
          .filter(isKind('test-seen'))
          .flatMap(({ body }) => (body.report === report.id ? [body] : []))
        return [{ stop: n, kind, model: modelOf(machine), tasks: [], fault: { symptom, book, seen } }]
      }),
    ]
  })
  return carryFor(works, { library: read.library, least: read.input.figures.carryChance })
}

const modelOf = (machine: MachineThere | undefined): string =>
  machine ? [machine.maker, machine.model].filter(Boolean).join(' ') : ''
