import type { Task } from '../kinds/kind.ts'
import { inOrder } from '../ledger/effective-history.ts'
import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import { type Histories, ofKind, touching } from './histories.ts'
import { type AgeTold, ageTold } from './taken-over.ts'

export interface LastDone {
  on: LocalDay
  /** The same as a day number. */
  day: number
  /** How it is said: "fitted", "cleaned", "taken on". */
  how: string
  /** False when the machine came with parts of unknown age. */
  known: boolean
  /** Nobody knows how old it is: nothing is dated until it is seen. */
  unseen?: true
  /** It was seen with all the rest, and nothing was wrong with it. */
  looksRight?: true
}

/**
 * When a task's clocks last started: the latest entry that did it, else the fitting of its part, else
 * the day the machine was taken on.
 *
 * @returns null for a machine that was never taken on: nothing can be dated
 */
export function lastDone(histories: Histories, task: Task, index: number | undefined): LastDone | null {
  const fitted = task.part ? latest(touching(histories, 'machine', task.part), isFitting(task.part, index)) : null
  const done =
    task.doneBy === 'fitted'
      ? null
      : latest(touching(histories, 'machine', task.id), (entry) => {
          if (entry.kind !== task.doneBy || !('task' in entry.body) || entry.body.task !== task.id) return false
          return !('group' in entry.body) || entry.body.group === undefined || sameIndex(entry.body.group, index)
        })
  const later = done && fitted ? (inOrder(done, fitted) > 0 ? done : fitted) : (done ?? fitted)
  const told = ageTold(histories, task)
  // A full service does what there is to do; a part that it did not change stays as old as it is.
  const serviced = told?.as === 'good' && task.action !== 'replace' ? told : null
  if (later && !(serviced && serviced.on > later.happenedOn))
    return { on: later.happenedOn, day: toDay(later.happenedOn), how: later.kind, known: true }
  if (told) return startTold(told, task)
  const taken = ofKind(histories, 'machine', 'commissioned')[0]
  if (!taken) return null
  // A second-hand machine's parts are counted from the day it came: older than that, nobody knows.
  return { on: taken.happenedOn, day: toDay(taken.happenedOn), how: 'taken on', known: taken.body.partsNew }
}

/** Where nothing was done on record, and the machine was taken over in the middle of its life. */
function startTold({ as, on, day }: AgeTold, task: Task): LastDone {
  if (as === 'good') return { on, day, how: 'known good', known: true }
  if (as === 'unknown') return { on, day, how: 'taken over', known: false, unseen: true }
  // What is looked at is as old as it looks; what is cleaned or checked begins anew.
  return task.action === 'replace'
    ? { on, day, how: 'seen', known: false, unseen: true, looksRight: true }
    : { on, day, how: 'seen', known: true }
}

/** The condition last seen of a part since it was fitted. */
export function lastCondition(histories: Histories, part: string, index: number | undefined) {
  const fits = isFitting(part, index)
  const seen = latest(
    touching(histories, 'machine', part),
    (entry) => fits(entry) || (isKind('inspected')(entry) && sameIndex(entry.body.group, index)),
  )
  if (!seen || !isKind('inspected')(seen)) return null
  const { condition, note } = seen.body
  return { grade: condition, on: seen.happenedOn, ...(note && { note }) }
}

/** The material fitted last; null when none was named. */
export function fittedVariant(histories: Histories, part: string, index: number | undefined): string | null {
  return fittings(histories, part, index).findLast(({ body }) => body.variant)?.body.variant ?? null
}

/** The size of the one fitted last, where somebody noted it. */
export function fittedSize(histories: Histories, part: string, index: number | undefined): string | null {
  return fittings(histories, part, index).at(-1)?.body.size ?? null
}

/** Every time one was fitted there, in order. */
const fittings = (histories: Histories, part: string, index: number | undefined) =>
  touching(histories, 'machine', part).filter(isKind('fitted')).filter(isFitting(part, index))

const isFitting = (part: string, index: number | undefined) => (entry: Entry) =>
  isKind('fitted')(entry) && entry.body.part === part && sameIndex(entry.body.group, index)

function latest(entries: Entry[], matches: (entry: Entry) => boolean): Entry | null {
  for (let i = entries.length - 1; i >= 0; i -= 1) if (matches(entries[i]!)) return entries[i]!
  return null
}

const sameIndex = (a: number | undefined, b: number | undefined) => (a ?? 1) === (b ?? 1)
