import type { Entry } from '../../../core/ledger/entry.ts'
import { minutesThere } from '../../../core/visits/minutes-there.ts'
import type { PutOnVisit, SiteToJoin, TaskMinutes, VisitToJoin } from '../../../views/put-on-visit.ts'
import { makeEntry } from '../../make-entry.ts'
import { madeAt, newId } from '../../new-id.ts'

/** Where the chosen tasks of a site are to go: on a visit that stands, or on one of their own. */
export type PutWhere = { visit: VisitToJoin } | { on: string; technicianId: string }

/** A site’s tasks and where they go. */
export interface PutThere {
  site: SiteToJoin
  tasks: readonly TaskMinutes[]
  where: PutWhere
}

const keyOf = ({ subjectId, key }: Pick<TaskMinutes, 'subjectId' | 'key'>) => `${subjectId} ${key}`

/**
 * What is written so that tasks are on a visit: the visit with them, under the step it is at, and every other arranged
 * visit of the site without them. One that was only taken up and has nothing left is called off.
 */
export function putEntries(
  { site, tasks, where }: PutThere,
  stopMin: number,
  today: string,
  dayWords: (day: string) => string,
): Entry[] {
  const target = 'visit' in where ? where.visit : site.visits.find(({ on }) => on === where.on)
  const moving = new Set(tasks.map(keyOf))
  const entry = (visit: Omit<VisitToJoin, 'state'> & Pick<Partial<VisitToJoin>, 'state'>, note?: string) => {
    const id = newId()
    const { on, technicianId, state = 'taken', visitId = newId(), from, repair, tasks: those } = visit
    const minutes = stopMin + (repair?.minutes ?? 0) + minutesThere(those)
    return makeEntry(
      'site',
      site.siteId,
      'appointment',
      {
        step: note ? 'called-off' : state === 'asked' || state === 'agreed' ? state : 'proposed',
        on,
        technicianId,
        minutes: Math.round(minutes),
        tasks: those.map(({ subjectId, key }) => ({ subjectId, key })),
        ...(from && { from }),
        ...(repair && { repair }),
        ...(note && { note }),
      },
      today,
      { id, happenedAt: madeAt(id), visitId },
    )
  }
  const others = site.visits
    .filter((visit) => visit !== target && visit.visitId && visit.tasks.some((task) => moving.has(keyOf(task))))
    .map((visit) => {
      const left = visit.tasks.filter((task) => !moving.has(keyOf(task)))
      const isEmpty = left.length === 0 && visit.state === 'taken' && !visit.repair
      const to = 'visit' in where ? where.visit.on : where.on
      return entry({ ...visit, tasks: left }, isEmpty ? `Its tasks go along on ${dayWords(to)}` : undefined)
    })
  const had = target?.tasks.filter((task) => !moving.has(keyOf(task))) ?? []
  const joined = [...had, ...tasks]
  return [...others, entry(target ? { ...target, tasks: joined } : { ...(where as OnDay), tasks: joined })]
}

type OnDay = Extract<PutWhere, { on: string }>

/** How long a visit is now and with some tasks more. */
export function minutesWith(
  visit: VisitToJoin,
  tasks: PutThere['tasks'],
  stopMin: PutOnVisit['stopMin'],
): { before: number; after: number } {
  const own = new Set(visit.tasks.map(keyOf))
  const beside = stopMin + (visit.repair?.minutes ?? 0)
  const more = tasks.filter((task) => !own.has(keyOf(task)))
  return {
    before: Math.round(beside + minutesThere(visit.tasks)),
    after: Math.round(beside + minutesThere([...visit.tasks, ...more])),
  }
}
