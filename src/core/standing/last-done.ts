import type { Duty } from '../kinds/kind.ts'
import type { Entry } from '../ledger/entry.ts'
import { bodyOf, isKind } from '../ledger/upcast.ts'
import type { LocalDay } from '../quantity/local-day.ts'

export interface LastDone {
  on: LocalDay
  /** How it is said: "fitted", "cleaned", "taken on". */
  how: string
  /** False when the machine came with parts of unknown age. */
  known: boolean
}

/**
 * When a duty's clocks last started: the latest entry that did it, else the fitting of its part, else
 * the day the machine was taken on.
 *
 * @returns null for a machine that was never taken on: nothing can be dated
 */
export function lastDone(entries: Entry[], duty: Duty, index: number | undefined): LastDone | null {
  for (let i = entries.length - 1; i >= 0; i -= 1) {
    const entry = entries[i]!
    if (duty.part && isKind('fitted')(entry)) {
      const body = bodyOf(entry)
      if (body.part === duty.part && sameIndex(body.group, index))
        return { on: entry.happenedOn, how: 'fitted', known: true }
    }
    if (duty.doneBy !== 'fitted' && entry.kind === duty.doneBy && entry.body.task === duty.id) {
      const done = entry.body as { group?: number }
      if (done.group === undefined || sameIndex(done.group, index))
        return { on: entry.happenedOn, how: entry.kind, known: true }
    }
  }
  const taken = entries.find(isKind('commissioned'))
  if (!taken) return null
  // A second-hand machine's parts are counted from the day it came: older than that, nobody knows.
  return { on: taken.happenedOn, how: 'taken on', known: bodyOf(taken).partsNew }
}

/** The condition last seen of a part since it was fitted. */
export function lastCondition(entries: Entry[], part: string, index: number | undefined) {
  for (let i = entries.length - 1; i >= 0; i -= 1) {
    const entry = entries[i]!
    if (isKind('fitted')(entry) && bodyOf(entry).part === part && sameIndex(bodyOf(entry).group, index)) return null
    if (isKind('inspected')(entry)) {
      const body = bodyOf(entry)
      if (body.part === part && sameIndex(body.group, index)) {
        return { grade: body.condition, on: entry.happenedOn, ...(body.note && { note: body.note }) }
      }
    }
  }
  return null
}

/** The material fitted last; null when none was named. */
export function fittedVariant(entries: Entry[], part: string, index: number | undefined): string | null {
  for (let i = entries.length - 1; i >= 0; i -= 1) {
    const entry = entries[i]!
    if (!isKind('fitted')(entry)) continue
    const body = bodyOf(entry)
    if (body.part === part && sameIndex(body.group, index) && body.variant) return body.variant
  }
  return null
}

const sameIndex = (a: number | undefined, b: number | undefined) => (a ?? 1) === (b ?? 1)
