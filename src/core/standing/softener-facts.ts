import { toDay } from '../quantity/local-day.ts'
import { type TreatmentKind, treatmentKind } from '../softener/treatment-kind.ts'
import { daysBehind } from './behind-softener.ts'
import { type CounterLine, counterLine } from './counter-line.ts'
import { effective, type Histories, type Ledgers, latestDay, ofKind } from './histories.ts'
import { type MachineFacts, machineFacts } from './machine-facts.ts'
import { siteOpening } from './site-opening.ts'
import { type Draw, fedDraw, meteredDraw } from './softener-draw.ts'

/** Litres an open day a meter is expected to show before its first readings. From memory. */
const usualMeterLitres = 30

/** A softener with the machines it feeds. */
export interface SoftenerFacts {
  histories: Histories
  kind: TreatmentKind
  machines: (MachineFacts & { spans: ReturnType<typeof daysBehind> })[]
  asOf: string
  /** By its meter where it has one, else by what its machines' counts come to. */
  draw: Draw
  /** By the counts, whatever a meter says. */
  counted: Draw
  /** Readings of its own meter, litres. */
  meter: CounterLine | null
}

/** @returns null when nothing dates it yet */
export function softenerFacts(ledgers: Ledgers, fed: Ledgers[], showWorking = true): SoftenerFacts | null {
  const histories = effective(ledgers)
  const taken = ofKind(histories, 'softener', 'commissioned')[0]
  if (!taken) return null
  const machines = fed.flatMap((machine) => {
    const own = effective(machine)
    const facts = machineFacts(own, showWorking, 'softener')
    return facts ? [{ ...facts, spans: daysBehind(own, taken.subjectId) }] : []
  })
  const days = [latestDay(histories, 'softener'), ...machines.map((facts) => facts.asOf)].filter((day) => day !== null)
  const asOf = days.sort().at(-1)!
  const { openDays, shareOpen } = siteOpening(histories)
  const readings = ofKind(histories, 'softener', 'reading')
  const metered = readings.some((entry) => entry.body.counter === 'litres')
  const meter = metered
    ? counterLine(readings, 'litres', openDays, usualMeterLitres, toDay(asOf), toDay(taken.happenedOn))
    : null
  const counted = fedDraw(machines, shareOpen)
  return {
    histories,
    kind: treatmentKind(taken.body.kind) ?? 'exchanger',
    machines,
    asOf,
    draw: meter ? meteredDraw(meter, shareOpen) : counted,
    counted,
    meter,
  }
}

/**
 * What a meter shows over what the counts say, between its first and last reading: least squares through the
 * origin over its intervals.
 *
 * @returns null before it was read twice
 */
export function meterOverCounts({ meter, counted }: SoftenerFacts): { factor: number; intervals: number } | null {
  const pairs = (meter?.intervals ?? []).map(
    ({ fromDay, toDay, count }) => [count, counted.between(fromDay, toDay)] as const,
  )
  const square = pairs.reduce((sum, [, litres]) => sum + litres * litres, 0)
  if (square <= 0) return null
  return { factor: pairs.reduce((sum, [count, litres]) => sum + count * litres, 0) / square, intervals: pairs.length }
}
