import { type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { technicians, theFirm } from '../../records/firms.ts'
import { keptByIds } from '../../records/kept.ts'
import { dueUntil } from '../../records/plan.ts'
import type { PutOnVisit, VisitToJoin } from '../../views/put-on-visit.ts'
import { veryOwnKindsIn } from '../own-kinds.ts'
import { firmPlanFigures } from './firm-planning.ts'
import { asTaken, ownMinutes } from './own-minutes.ts'
import { workOf } from './planned-task.ts'
import { type VisitAhead, visitsAhead } from './visits-ahead.ts'

/** However far ahead something is due, it can be put on a visit. */
const everDue = '9999-12-31'

/** The visits to come of some sites, for whoever wants to put something on one of them. */
export function visitsToJoin(db: Db, firmId: string, today: LocalDay, siteIds: string[]): Promise<PutOnVisit> {
  return lookIn(db, firmId, async (trx) => {
    const [visits, due, sites, people, firm, figures] = await Promise.all([
      visitsAhead(trx, today, siteIds),
      dueUntil(trx, everDue, siteIds),
      keptByIds(trx, 'site', siteIds),
      technicians(trx),
      theFirm(trx),
      firmPlanFigures(trx, firmId),
    ])
    const own = await veryOwnKindsIn(trx)
    const jobs = await ownMinutes(trx, toDay(today), own, figures.stopMin)
    const taken = due.map((task) => asTaken(task, jobs))
    const work = new Map(taken.map((task) => [`${task.subjectId} ${task.standing.key}`, workOf(task)]))
    const toJoin = ({ on, technicianId, state, arranged, tasks }: VisitAhead): VisitToJoin => ({
      on,
      technicianId,
      state,
      ...(arranged?.visitId && { visitId: arranged.visitId }),
      ...(arranged?.body.from && { from: arranged.body.from }),
      ...(arranged?.body.repair && { repair: arranged.body.repair }),
      tasks: tasks.map(([subjectId, key]) => ({ minutes: 0, ...work.get(`${subjectId} ${key}`), subjectId, key })),
    })
    return {
      sites: sites.map(({ id, name, technicianId }) => ({
        siteId: id,
        name,
        technicianId,
        due: taken
          .filter(({ siteId }) => siteId === id)
          .map((task) => ({ ...workOf(task), subjectId: task.subjectId, key: task.standing.key })),
        visits: visits
          .filter(({ siteId }) => siteId === id)
          .map(toJoin)
          .sort((a, b) => a.on.localeCompare(b.on)),
      })),
      technicians: people.filter(({ leftOn }) => !leftOn).map(({ id, name }) => ({ id, name })),
      stopMin: figures.stopMin,
      seq: firm!.seq,
    }
  })
}
