import { clockName, type Standing } from '../core/standing/standing.ts'
import { standingTitle } from '../core/standing/standing-title.ts'
import { dayLong, dayNear, daysUntil, halfWidth } from '../ui/format.ts'
import { quantity, quantityWords } from '../ui/quantity.ts'
import { unsure, unsureWords, usedOn, wholeOrNot } from '../ui/urgency.ts'

/** How a standing is called on every screen. */
export const title = standingTitle

/** The day a part that is to be replaced was seen failed. */
const failedOn = ({ condition, action }: Standing): string | undefined =>
  condition?.grade === 4 && action === 'replace' ? condition.on : undefined

/** What governs, and how much of it is used. */
export function governs(standing: Standing, today: string): string {
  if (failedOn(standing)) return `seen failed ${dayNear(failedOn(standing)!, today)}`
  const one = standing.uses.find((candidate) => candidate.clock === standing.governing)
  if (!one) return 'no clock runs out'
  const now = usedOn(one, standing.asOf, today)
  const said = (value: number) =>
    one.clock === 'months' ? value.toFixed(1) : quantity(wholeOrNot(value, one.limit), one.unit).value
  // The row counts on to today, the working ends where the ledger does: both are said.
  const then = said(one.used) === said(now) ? '' : ` today, ${said(one.used)} on ${dayNear(standing.asOf, today)}`
  return `${clockName[one.clock]}, ${said(now)} of ${quantityWords(one.limit, one.unit)}${then}`
}

/** The answer above a working. */
export function dueSentence(standing: Standing, today: string): string {
  if (!standing.due || !standing.governing) return 'No clock runs out within ten years.'
  const days = daysUntil(standing.due.p50, today)
  const spread = halfWidth(standing.due)
  const by = failedOn(standing) ? 'for it was seen failed' : `by ${clockName[standing.governing]}`
  const over = days < 0 ? `, overdue ${-days} ${days === -1 ? 'day' : 'days'}` : ''
  if (days >= 0 && unsure(standing.due, today)) return `When is ${unsureWords(standing.due, today)}, ${by}`
  return `Due ${dayLong(standing.due.p50)}${spread > 0 ? (spread < 365 ? ` ± ${spread} days` : ` ± ${Math.round(spread / 365.25)} years`) : ''}, ${by}${over}`
}
