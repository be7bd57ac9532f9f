import type { Entry } from '../core/ledger/entry.ts'
import type { Body } from '../core/ledger/entry-kinds.ts'
import { fromDay, toDay } from '../core/quantity/local-day.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import type { UnsentItem } from './database.ts'

/** Two clocks that go right are no further apart, with the time a page was open, ms. */
const leewayMs = 5 * 60_000
const dayMs = 86_400_000

/**
 * How far the time that a save was given lies off what it was by the server's clock, ms; 0 where they agree.
 *
 * The clock of a device can be set, or run down, between two words with the server. What is known is how long ago the
 * save was made by this device's own count; the server knows what time it is now.
 *
 * @param madeAt - when it was made by the device's clock
 * @param saidAt - what time it was then, as the page believed
 * @param deviceNow - the device's clock now
 * @param serverNow - the server's clock now
 * @example offBy({ madeAt: 0, saidAt: 0 }, 60_000, 60_000 + 7_200_000) // -7_200_000: two hours early
 */
export function offBy(
  { madeAt, saidAt }: Pick<UnsentItem, 'madeAt' | 'saidAt'>,
  deviceNow: number,
  serverNow: number,
): number {
  const agoMs = deviceNow - madeAt
  // Made in the device's own future: it was set back since, and how long ago it was nobody knows.
  const off = saidAt - (serverNow - Math.max(agoMs, 0))
  return Math.abs(off) > leewayMs ? off : 0
}

/**
 * Entries with their times moved to what the server's clock says. What somebody dated themselves stays where they put it.
 *
 * @param saidAt - what time it was believed to be when they were made, ms since 1970
 * @param offMs - how far that is off, see `offBy`
 */
export function setRight(entries: Entry[], saidAt: number, offMs: number, timeZone: string): Entry[] {
  return entries.map((entry) => {
    const at = Date.parse(entry.happenedAt)
    if (Math.abs(at - saidAt) > dayMs / 2) return entry
    const right = new Date(at - offMs)
    const days = toDay(dayAt(timeZone, right)) - toDay(dayAt(timeZone, new Date(at)))
    const moved = {
      ...entry,
      happenedAt: right.toISOString(),
      happenedOn: fromDay(toDay(entry.happenedOn) + days),
    }
    return moved.kind === 'visit' ? { ...moved, body: visitSetRight(moved.body, offMs) } : moved
  })
}

/** Arrived and left by the same clock. */
const visitSetRight = (body: Body<'visit'>, offMs: number): Body<'visit'> => {
  const right = (at: string) => new Date(Date.parse(at) - offMs).toISOString()
  const { arrivedAt, leftAt } = body
  return { ...body, ...(arrivedAt && { arrivedAt: right(arrivedAt) }), ...(leftAt && { leftAt: right(leftAt) }) }
}
