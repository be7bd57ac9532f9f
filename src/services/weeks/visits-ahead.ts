import type { EntryOf } from '../../core/ledger/entry.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { appointmentsStanding } from '../../core/visits/appointments.ts'
import { arrangedSince } from '../../records/calendars.ts'
import type { Trx } from '../../records/database.ts'
import { visitsMade } from '../../records/plan.ts'
import { type KeptProposal, proposedVisits } from '../../records/plan-parts.ts'
import type { VisitState } from '../../views/weeks-ahead.ts'

/** A visit to come, as it was arranged or as the plan proposes it. */
export interface VisitAhead {
  siteId: string
  on: LocalDay
  technicianId: string
  state: VisitState
  /** When it was arranged or proposed. */
  madeOn: LocalDay
  /** Subject and key of each task on it: what was arranged, or what the plan proposes. */
  tasks: [subjectId: string, key: string][]
  /** The plan’s own, done along with what was arranged: nobody was promised it. */
  besides: [subjectId: string, key: string][]
  /** What was arranged; absent where the plan alone has it. */
  arranged?: EntryOf<'appointment'>
}

/**
 * The visits to come of some sites as they are kept, without planning anew: what was arranged, then what the plan
 * proposed for tasks that nothing was arranged for.
 */
export async function visitsAhead(trx: Trx, today: LocalDay, siteIds: string[]): Promise<VisitAhead[]> {
  const [settled, proposals] = await Promise.all([
    arrangedAhead(trx, today, siteIds),
    proposedVisits(trx, { siteIds, from: today }),
  ])
  return [...settled, ...besides(settled, proposals)]
}

/** The visits to come that were arranged. @param siteIds - at these; at all where it is left out */
export async function arrangedAhead(trx: Trx, today: LocalDay, siteIds?: string[]): Promise<VisitAhead[]> {
  const arranged = await arrangedSince(trx, today, siteIds && { siteIds })
  const been = await visitsMade(
    trx,
    arranged.flatMap(({ visitId }) => visitId ?? []),
    today,
  )
  const standing = appointmentsStanding([...arranged, ...been].sort((a, b) => a.seq - b.seq))
  return standing.filter(({ last }) => last.body.on >= today).map(({ last }) => ofArranged(last))
}

/** All that is done on a visit. */
export const allOn = ({ tasks, besides: more }: VisitAhead): VisitAhead['tasks'] => [...tasks, ...more]

function ofArranged(last: EntryOf<'appointment'>): VisitAhead {
  const { step, on, technicianId, tasks } = last.body
  return {
    siteId: last.subjectId,
    on,
    technicianId,
    state: step === 'asked' || step === 'agreed' ? step : 'taken',
    madeOn: last.happenedOn,
    tasks: tasks.map(({ subjectId, key }): [string, string] => [subjectId, key]),
    besides: [],
    arranged: last,
  }
}

/** What the plan proposes for tasks that nothing was arranged for; on a day somebody goes there anyway it joins them. */
function besides(settled: VisitAhead[], proposals: KeptProposal[]): VisitAhead[] {
  const taken = new Set(settled.flatMap(({ tasks }) => tasks.map((task) => task.join(' '))))
  return proposals.flatMap((proposal): VisitAhead[] => {
    const here = proposal.tasks.filter((task) => !taken.has(task.join(' ')))
    const there = settled.find((visit) => visit.siteId === proposal.siteId && visit.on === proposal.on)
    if (there) there.besides.push(...here)
    return there || here.length === 0 ? [] : [{ ...proposal, state: 'proposed', tasks: here, besides: [] }]
  })
}
