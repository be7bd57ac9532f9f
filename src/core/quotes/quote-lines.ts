import type { ChargeLine } from '../close-out/charge-line.ts'
import { payerOf, type Rates } from '../close-out/charges.ts'
import { type Cover, holdsOn } from '../close-out/cover.ts'
import type { Minor } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { Road } from './own-call.ts'

/** What is chosen to be offered, with what somebody put right of it. */
export interface ToQuote {
  key: string
  subjectId: string
  name: string
  part?: string
  pieces: number
  /** Of one piece, before tax; null: nothing goes in. */
  partMinor: Minor | null
  minutes: number
  isUnderWarranty: boolean
}

/**
 * The lines of a quote: each part, the work in one line, and the call with its road where it is a visit of its own; each
 * with who pays, as the visit itself would be charged.
 *
 * @param validUntil - a contract pays where it still holds on that day
 */
export function quoteLines(
  items: readonly ToQuote[],
  { rates, cover, validUntil, own }: { rates: Rates; cover: Cover | null; validUntil: LocalDay; own: Road | null },
): ChargeLine[] {
  const holds = holdsOn(cover, validUntil) ? cover : null
  const line = (
    of: 'part' | 'labour' | 'travel' | 'call-out',
    one: Pick<ChargeLine, 'id' | 'name' | 'quantityMilli' | 'unit' | 'priceMinor' | 'per' | 'subjectId' | 'part'>,
    isUnderWarranty = false,
  ): ChargeLine => {
    const { pays, why } = payerOf(null, holds, {
      of,
      ...(one.part && { part: one.part }),
      priceMinor: one.priceMinor,
      isUnderWarranty,
    })
    return { ...one, of, pays, ...(why && { why }) }
  }
  const parts = items.flatMap(({ key, subjectId, name, part, pieces, partMinor, isUnderWarranty }) =>
    part === undefined && partMinor === null
      ? []
      : [
          line(
            'part',
            {
              id: `part ${key}`.slice(0, 120),
              name,
              subjectId,
              ...(part && { part }),
              quantityMilli: pieces * 1000,
              unit: 'piece',
              priceMinor: partMinor,
            },
            isUnderWarranty,
          ),
        ],
  )
  const minutes = items.reduce((sum, one) => sum + one.minutes, 0)
  const { labourPerHourMinor = null, travelPerHourMinor, perKmMinor, callOutMinor } = rates
  const milli = (quantity: number) => Math.round(quantity * 1000)
  return [
    ...parts,
    ...(minutes > 0
      ? [
          line('labour', {
            id: 'labour',
            name: 'Work',
            quantityMilli: milli(minutes),
            unit: 'min',
            priceMinor: labourPerHourMinor,
            per: 60,
          }),
        ]
      : []),
    ...(own && own.minutes > 0 && travelPerHourMinor !== undefined
      ? [
          line('travel', {
            id: 'travel min',
            name: 'The road',
            quantityMilli: milli(own.minutes),
            unit: 'min',
            priceMinor: travelPerHourMinor,
            per: 60,
          }),
        ]
      : []),
    ...(own && own.km > 0 && perKmMinor !== undefined
      ? [
          line('travel', {
            id: 'travel km',
            name: 'Kilometres',
            quantityMilli: milli(own.km),
            unit: 'km',
            priceMinor: perKmMinor,
          }),
        ]
      : []),
    ...(own && callOutMinor !== undefined
      ? [
          line('call-out', {
            id: 'call-out',
            name: 'The call',
            quantityMilli: 1000,
            unit: 'piece',
            priceMinor: callOutMinor,
          }),
        ]
      : []),
  ]
}
