import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'

/** A fault that came back soon after it was repaired. */
export interface Comeback {
  /** The repair that did not hold. */
  repairId: string
  repairedOn: LocalDay
  /** The report or repair that followed. */
  againId: string
  againOn: LocalDay
  days: number
  /** Whether both name the same part; null where one of them names none. */
  samePart: boolean | null
}

/** Within so many days a repair is said to have come back. Common practice. */
const comebackDays = 30

/**
 * Repairs of one machine after which a fault was reported, or something repaired, within 30 days on
 * another visit. Each repair counts once, by what came first.
 *
 * @param entries - effective entries of one machine, in order
 */
export function comebacks(entries: Entry[]): Comeback[] {
  const troubles = entries.filter((entry) => isKind('repaired')(entry) || isKind('fault-reported')(entry))
  const found: Comeback[] = []
  troubles.forEach((repair, i) => {
    if (!isKind('repaired')(repair)) return
    const again = troubles.slice(i + 1).find((entry) => !sameVisit(entry, repair))
    if (!again) return
    const days = toDay(again.happenedOn) - toDay(repair.happenedOn)
    if (days > comebackDays) return
    const [was, is] = [repair.body.part, isKind('repaired')(again) ? again.body.part : undefined]
    found.push({
      repairId: repair.id,
      repairedOn: repair.happenedOn,
      againId: again.id,
      againOn: again.happenedOn,
      days,
      samePart: was === undefined || is === undefined ? null : was === is,
    })
  })
  return found
}

/** What was reported and repaired on one call is one trouble, not its own return. */
const sameVisit = (a: Entry, b: Entry) =>
  a.visitId !== undefined && b.visitId !== undefined ? a.visitId === b.visitId : a.happenedOn === b.happenedOn
