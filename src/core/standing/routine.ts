import { routineThere } from '../care/care-told.ts'
import { instances } from '../kinds/index.ts'
import type { Task } from '../kinds/kind.ts'
import { instead } from '../procedures/instead.ts'
import { offeredTo, usualWay } from '../procedures/offered.ts'
import { type Every, type Procedure, rootOf, type Way, type Written, writtenBy } from '../procedures/procedure.ts'
import { fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'
import type { Mark } from '../quantity/working.ts'
import { meanRate } from '../usage/rate.ts'
import type { PolicyLimits } from '../wear/limits.ts'
import { type Histories, nearestWay, ofKind } from './histories.ts'
import { lastDone } from './last-done.ts'
import { type MachineFacts, machineFacts } from './machine-facts.ts'
import { keptProcedures, libraryHere } from './own-procedures.ts'
import { taskStanding } from './task-standing.ts'
import { treatmentBefore } from './water/treatment-before.ts'

/** A line of what is done between visits by whoever works with the machine. */
export interface RoutineLine {
  what: string
  /** The procedure that does it, where one does. */
  procedure: string | null
  /** The way it is done here; null for what needs no way. */
  way: string | null
  /** In words, or by the clocks of its task. */
  every: string | PolicyLimits
  mark: Mark
  /** Null where nothing of it is on record. */
  last: LocalDay | null
  /** Null for what is done at every drink or within the day, and where nobody knows when it was done last. */
  next: LocalDay | null
}

/**
 * The routine of a machine: each procedure in the way it is done here, its kind's own lines and tasks, nothing twice;
 * when each was done last, and when it comes next by its way.
 *
 * @returns nothing for a machine that was never taken on
 */
export function routineHere(histories: Histories): RoutineLine[] {
  const facts = machineFacts(histories, false)
  if (!facts) return []
  const { kind } = facts
  const told = customersOwn(facts)
  const procedures = new Set(told.map(({ procedure }) => rootOf(procedure)))
  const tasks = new Set(told.flatMap(({ tasks: all }) => all))
  return [
    ...told.map(({ procedure, way, task }): RoutineLine => {
      const last = lastOf(facts, rootOf(procedure), task)
      const limits = task ? dueByTask(facts, task) : null
      return {
        what: procedure.name,
        procedure: rootOf(procedure),
        way: way.name,
        every: way.every?.words ?? 'when it asks',
        mark: way.every?.mark ?? 'M',
        last,
        next: nextBy(facts, way.every, last) ?? (way.every ? null : limits),
      }
    }),
    ...routineThere(kind)
      .filter(({ procedure }) => procedure === undefined || !procedures.has(procedure))
      .map(({ what, every, mark, procedure, task, days }): RoutineLine => {
        const last = lastOf(facts, procedure ?? null, kind.tasks.find(({ id }) => id === task) ?? null)
        return {
          what,
          procedure: procedure ?? null,
          way: null,
          every,
          mark,
          last,
          next: last && days ? fromDay(toDay(last) + days) : null,
        }
      }),
    ...kind.tasks
      .filter(
        ({ by, id }) => by === 'customer' && !tasks.has(id) && !routineThere(kind).some(({ task }) => task === id),
      )
      .map((task): RoutineLine => {
        const standing = dueByTask(facts, task)
        return {
          what: task.name,
          procedure: null,
          way: null,
          every: task.limits,
          mark: task.mark,
          last: lastOf(facts, null, task),
          next: standing,
        }
      }),
  ]
}

interface Told {
  procedure: Procedure
  way: Way
  tasks: string[]
  task: Task | null
}

/** Procedures of whoever works with it, each in its way; of two that do one task the one that is usual here. */
function customersOwn(facts: MachineFacts): Told[] {
  const { kind, histories, use } = facts
  const base = kind.basedOn ?? kind.id
  const made = use.intervals.length > 0 ? meanRate(use.rate) : null
  const told = offeredTo(kind, treatmentBefore(histories).kind, libraryHere(histories)).flatMap(
    ({ procedure, refused }): Told[] => {
      if (refused) return []
      const chosen = nearestWay(histories, rootOf(procedure))?.body.way
      const way = procedure.ways.find(({ id }) => id === chosen) ?? usualWay(procedure, kind, made)
      const named = ({ task, taskOf }: Written) => taskOf?.[base] ?? task
      const tasks = writtenBy(procedure, way).map(named)
      const task = kind.tasks.find(({ id }) => id === tasks[0]) ?? null
      const theirs = task ? task.by === 'customer' : tasks.length === 0 && way.every !== undefined
      // A way that dates nothing is still how the task is done here: it is not told a second time.
      return theirs ? [{ procedure, way, tasks: [...tasks, ...procedure.writes.map(named)], task }] : []
    },
  )
  const usual = ({ procedure, way }: Told) => way.usualFor.includes(base) || nearestWay(histories, rootOf(procedure))
  const rank = ({ procedure }: Told) => instead.flat().indexOf(rootOf(procedure))
  return told.filter((one) => {
    const mine = instead.find((alike) => alike.includes(rootOf(one.procedure)))
    const same = told.filter(
      (other) =>
        (mine?.includes(rootOf(other.procedure)) ?? false) ||
        other === one ||
        (one.task !== null && other.task?.id === one.task.id),
    )
    if (same.length === 1) return one.task !== null || usual(one)
    const inTurn = [...same].sort((a, b) => rank(a) - rank(b))
    return one === (inTurn.find(usual) ?? inTurn[0])
  })
}

/** When it was done last: its task on record, else a run of it led to its end; of several groups the longest ago. */
const lastOf = (facts: MachineFacts, procedure: string | null, task: Task | null): LocalDay | null =>
  task ? lastOfTask(facts, task) : procedure ? lastRun(facts, procedure) : null

function lastOfTask({ histories, kind }: MachineFacts, task: Task): LocalDay | null {
  const each = task.each ? instances(kind, task.each) : 1
  const days = Array.from({ length: each }, (_, i) => {
    const done = lastDone(histories, task, each > 1 ? i + 1 : undefined)
    return done && done.how !== 'taken on' ? done.on : null
  })
  return days.every((day) => day !== null) ? days.sort()[0]! : null
}

/** A run at some of the groups is not the last time that it was done on this machine. */
function lastRun({ histories, kind }: MachineFacts, procedure: string): LocalDay | null {
  const versions = new Set([
    procedure,
    ...keptProcedures(histories).flatMap(({ procedure: own }) => (rootOf(own) === procedure ? [own.id] : [])),
  ])
  const run = ofKind(histories, 'machine', 'run').findLast((entry) => {
    const { ended, procedure: done, steps } = entry.body
    const groups = new Set(steps.flatMap(({ group }) => group ?? []))
    return ended === 'done' && versions.has(done) && (groups.size === 0 || groups.size >= kind.groups)
  })
  return run?.happenedOn ?? null
}

/** When a way's rhythm comes round again. */
function nextBy({ use }: MachineFacts, every: Every | undefined, last: LocalDay | null): LocalDay | null {
  if (!every || !last || every.drinks === 1) return null
  const from = toDay(last)
  const byDrinks = every.drinks === undefined ? null : use.dayAfter(from, every.drinks, 0.5)
  const days = [every.days === undefined ? null : from + every.days, byDrinks].filter((day) => day !== null)
  return days.length > 0 ? fromDay(Math.max(from + 1, Math.min(...days))) : null
}

function dueByTask(facts: MachineFacts, task: Task): LocalDay | null {
  const each = task.each ? instances(facts.kind, task.each) : 1
  const due = Array.from(
    { length: each },
    (_, i) => taskStanding(facts, task, task.each && each > 1 ? i + 1 : undefined)?.due?.p50,
  )
  return due.filter((day) => day !== undefined).sort()[0] ?? null
}
