import type { VisitTerms } from '../ledger/visit-terms.ts'
import type { Minor } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { ChargeLine } from './charge-line.ts'
import type { ChargeOf, Payer } from './charge-terms.ts'
import { type Cover, coveredBy, holdsOn } from './cover.ts'
import type { DoneLine } from './done-lines.ts'

/** What an hour, a kilometre and a call cost, before tax, in the firm's currency; absent: nobody said. */
export interface Rates {
  labourPerHourMinor?: Minor
  travelPerHourMinor?: Minor
  perKmMinor?: Minor
  callOutMinor?: Minor
}

/** What is used up of a visit, and its price. */
export interface UsedUp {
  name: string
  subjectId?: string
  quantityMilli: number
  unit: 'g' | 'kg' | 'l' | 'piece'
  priceMinor: Minor | null
  per?: number
}

/** What a visit is charged from. */
export interface ToCharge {
  on: LocalDay
  machines: {
    subjectId: string
    lines: readonly DoneLine[]
    minutes: number
    priceOf(part: string): Minor | null
    /** Somebody stands by this part on that day. */
    underWarranty(part: string): boolean
  }[]
  used: readonly UsedUp[]
  roadMinutes: number
  roadKm: number
  rates: Rates
  cover: Cover | null
  terms: VisitTerms | null
}

/**
 * Every line of what a visit costs, each with who pays: what the visit was said to be first (goodwill, warranty), then a
 * warranty on the part, then the contract by its clauses, else the customer. Nothing is charged twice; work and road are
 * one line each over the whole visit, and the call once.
 */
export function chargesOf(visit: ToCharge): ChargeLine[] {
  const cover = holdsOn(visit.cover, visit.on) ? visit.cover : null
  const lines: ChargeLine[] = []
  for (const machine of visit.machines)
    for (const { fitted, name } of machine.lines) {
      if (!fitted) continue
      const priceMinor = machine.priceOf(fitted.part)
      const { pays, why } = payerOf(visit.terms, cover, {
        of: 'part',
        part: fitted.part,
        priceMinor,
        isUnderWarranty: machine.underWarranty(fitted.part),
      })
      lines.push({
        id: `part ${machine.subjectId} ${fitted.part}`,
        of: 'part',
        name: [name, fitted.size].filter(Boolean).join(', '),
        subjectId: machine.subjectId,
        part: fitted.part,
        quantityMilli: fitted.pieces * 1000,
        unit: 'piece',
        priceMinor,
        pays,
        ...(why && { why }),
      })
    }
  for (const [i, used] of visit.used.entries()) {
    const { pays, why } = payerOf(visit.terms, cover, { of: 'used', priceMinor: used.priceMinor })
    lines.push({ id: `used ${i}`, of: 'used', ...used, pays, ...(why && { why }) })
  }
  const minutes = visit.machines.reduce((sum, machine) => sum + machine.minutes, 0)
  const { labourPerHourMinor, travelPerHourMinor, perKmMinor, callOutMinor } = visit.rates
  const whole = (
    of: Exclude<ChargeOf, 'part' | 'used' | 'other'>,
    name: string,
    quantity: number,
    unit: 'min' | 'km' | 'piece',
    priceMinor: Minor | undefined,
    per?: number,
  ) => {
    if (quantity <= 0) return
    const { pays, why } = payerOf(visit.terms, cover, { of, priceMinor: priceMinor ?? null })
    lines.push({
      id: `${of} ${unit}`,
      of,
      name,
      quantityMilli: Math.round(quantity * 1000),
      unit,
      priceMinor: priceMinor ?? null,
      ...(per && { per }),
      pays,
      ...(why && { why }),
    })
  }
  whole('labour', 'Work', minutes, 'min', labourPerHourMinor, 60)
  // A road that nobody prices is not a line that waits for a price: many firms charge the call alone.
  if (travelPerHourMinor !== undefined) whole('travel', 'The road', visit.roadMinutes, 'min', travelPerHourMinor, 60)
  if (perKmMinor !== undefined) whole('travel', 'Kilometres', visit.roadKm, 'km', perKmMinor)
  if (callOutMinor !== undefined) whole('call-out', 'The call', 1, 'piece', callOutMinor)
  return lines
}

/** Who pays for something: what the visit was said to be first, then a warranty, then the contract, else the customer. */
export function payerOf(
  terms: VisitTerms | null,
  cover: Cover | null,
  line: { of: ChargeOf; part?: string; priceMinor: Minor | null; isUnderWarranty?: boolean },
): { pays: Payer; why?: string } {
  if (terms === 'goodwill') return { pays: 'nobody', why: 'goodwill' }
  if (terms === 'warranty') return { pays: 'warranty', why: 'the visit is under warranty' }
  if (line.isUnderWarranty) return { pays: 'warranty', why: 'under warranty' }
  if (!cover || terms === 'chargeable') return { pays: 'customer' }
  const covered = coveredBy(cover, line)
  return covered.pays ? { pays: 'contract' } : { pays: 'customer', ...(covered.why && { why: covered.why }) }
}
