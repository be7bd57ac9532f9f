import type { CloseOut } from '../core/close-out/close-out.ts'
import type { MachineThere } from '../core/close-out/left-subjects.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'
import { jot } from '../core/ledger/jot.ts'
import { upper } from '../core/ledger/phrases.ts'
import { fromDay, type LocalDay, toDay } from '../core/quantity/local-day.ts'
import { advisedHere } from '../core/quotes/advised.ts'
import { isCallTheirs, ownCall } from '../core/quotes/own-call.ts'
import { quoteLines } from '../core/quotes/quote-lines.ts'
import { quotedItems } from '../core/quotes/quoted-items.ts'
import { callsSomebody, twoVisits } from '../core/quotes/waiting.ts'

interface Leaving {
  visitId: string
  on: LocalDay
  left: CloseOut
  machines: MachineThere[]
  currency: string
  /** What parts cost that day, where no price book has them. */
  pricesMinor: Record<string, number>
  roadMinutes: number
}

/** How many things a quote of the demo is about. */
const most = 2

/**
 * A quote as its technician would write it at the end of a visit: the first things that are advised and have a price, with
 * what waiting adds. Nothing where nothing is advised that anybody can price.
 */
export function quoteHere(
  quote: string,
  { visitId, on, left, machines, currency, pricesMinor, roadMinutes }: Leaving,
): Jotting | null {
  const { rates, cover, withTax, next, subjects, open } = left
  const touched = subjects.filter(({ kind }) => kind === 'machine').map(({ id }) => id)
  const { advised } = advisedHere({ visitId, today: on, nextOn: next?.on ?? null, currency, machines, touched, open })
  const taken = advised
    .flatMap((one) => {
      const partMinor = one.partMinor ?? pricesMinor[one.part ?? '']
      return callsSomebody(one.part) && one.minutes !== null && partMinor !== undefined ? [{ ...one, partMinor }] : []
    })
    .slice(0, most)
  if (taken.length === 0) return null
  const validUntil = fromDay(toDay(on) + 30)
  const road = { minutes: roadMinutes, km: Math.round(roadMinutes * 0.7) }
  const callMinor = isCallTheirs(cover, validUntil) ? ownCall(rates, road) : null
  const items = taken.map(({ partName, minutes, ...one }) => ({
    ...one,
    name: partName ?? one.name,
    minutes: minutes ?? 0,
  }))
  const lines = quoteLines(items, { rates, cover, validUntil, own: next === null ? road : null })
  // What their contract pays for anyway is asked of nobody.
  if (!lines.some(({ of, pays }) => of === 'part' && pays === 'customer')) return null
  return jot('quoted', {
    quote,
    currency,
    taxBp: rates.taxBp,
    ...(withTax && { withTax: true }),
    validUntil,
    items: quotedItems(taken, twoVisits(on, next?.on ?? null), callMinor),
    ...(callMinor !== null && { callMinor }),
    ...(next === null && { ownVisit: true }),
    lines: lines.map((line) => ({ ...line, name: upper(line.name) })),
  })
}
