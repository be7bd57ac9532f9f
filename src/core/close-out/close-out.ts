import type { Entry, EntryOf } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import type { Setting } from '../ledger/setting-kinds.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import { effective, nearestSetting } from '../standing/histories.ts'
import { appointmentsStanding } from '../visits/appointments.ts'
import type { ChargeLine } from './charge-line.ts'
import { chargesOf } from './charges.ts'
import type { Cover } from './cover.ts'
import type { InTheWay } from './in-the-way.ts'
import { type LeftOpen, leftOpen } from './left-open.ts'
import {
  atMachine,
  type LeftSubject,
  type MachineRead,
  type MachineThere,
  softenersOf,
  wasThere,
} from './left-subjects.ts'
import { minutesAt } from './minutes-at.ts'
import { coverOf, priceAsker, warrantyAsker } from './terms-here.ts'
import { usedUp } from './used-up.ts'

export interface CloseOut {
  /** What the visit was begun with. */
  header: EntryOf<'visit'> | null
  /** How it was closed last, where it was. */
  closed: EntryOf<'visit-closed'> | null
  /** The closing that this one corrects, however often: its id is what the report is called by. */
  closedFirstId: string | null
  /** Lines that came to it since it was closed: a correction, something that was forgotten. */
  sinceClosed: number
  subjects: LeftSubject[]
  ways: InTheWay[]
  open: LeftOpen[]
  charges: ChargeLine[]
  thereMin: number | null
  /** The visit that is agreed next, or only proposed. */
  next: { on: LocalDay; from?: string; isAgreed: boolean } | null
  rates: Partial<Setting<'rates'>> & { taxBp: number }
  /** The firm has said its rates. */
  isRated: boolean
  cover: Cover | null
  withTax: boolean
  /** What is said of the customer's tax, to be kept where one word of it changes. */
  taxTold: Setting<'tax-told'> | null
}

/** What somebody put right by hand before closing. */
export interface ByHand {
  /** Minutes by machine. */
  minutes?: Readonly<Record<string, number>>
  roadMinutes?: number
  roadKm?: number
}

/**
 * All that the end of a visit has to say, from the ledger alone: what was done at each machine, how long, what stands in
 * the way of closing, what stays open, and what it costs whom. What somebody puts right by hand comes in last.
 *
 * @param now - the moment it is asked: until then somebody is still there
 * @param currency - of the firm
 */
export function closeOut(
  {
    visitId,
    on,
    now,
    machines,
    currency,
  }: { visitId: string; on: LocalDay; now: string; machines: readonly MachineThere[]; currency: string },
  byHand: ByHand = {},
): CloseOut {
  const read: MachineRead[] = machines.map((machine) => ({ machine, histories: effective(machine.ledgers) }))
  const site = read[0]?.histories.site?.entries ?? []
  const header = site.filter(isKind('visit')).findLast((entry) => (entry.visitId ?? entry.id) === visitId) ?? null
  const closed = site.filter(isKind('visit-closed')).findLast((entry) => entry.visitId === visitId) ?? null
  const first = read[0]?.histories ?? {}
  // Closed on a later day, contract and warranty are those of the day somebody was there.
  const day = header?.happenedOn ?? on
  const here = read.map((one) => ({ ...one, left: atMachine(one, visitId) }))
  const touched = here.filter(({ left }) => wasThere(left))
  const thereMin = minutesThere(header, now)
  const shares = minutesAt(
    thereMin,
    touched.map(({ left: { id, countedMin, usualMin } }) => ({ subjectId: id, countedMin, usualMin })),
  )
  const own = new Map(shares.map(({ subjectId, minutes }) => [subjectId, byHand.minutes?.[subjectId] ?? minutes]))
  const subjects: LeftSubject[] = [
    ...touched.map(({ left: { countedMin: _, usualMin: __, ...subject } }) => ({
      ...subject,
      minutes: own.get(subject.id) ?? 0,
    })),
    ...softenersOf(read, visitId),
  ]
  const rates = nearestSetting(first, 'rates')?.body
  const told = nearestSetting(first, 'tax-told')?.body
  const cover = coverOf(first)
  const charges = chargesOf({
    on: day,
    machines: touched.map((one) => ({
      subjectId: one.left.id,
      lines: one.left.lines,
      minutes: own.get(one.left.id) ?? 0,
      priceOf: priceAsker(one, currency),
      underWarranty: warrantyAsker(one, visitId, day),
    })),
    used: usedUp(read, visitId, currency),
    roadMinutes: byHand.roadMinutes ?? 0,
    roadKm: byHand.roadKm ?? 0,
    rates: rates ?? {},
    cover,
    terms: header?.body.terms ?? null,
  })
  return {
    header,
    closed,
    closedFirstId: closed && firstOf(closed, machines[0]?.ledgers.site ?? []),
    sinceClosed: closed ? writtenAfter(closed, read, visitId) : 0,
    subjects,
    ways: subjects.flatMap(({ ways }) => ways),
    open: here.flatMap((one) => leftOpen(one, one.left.lines, priceAsker(one, currency))),
    charges,
    thereMin,
    next: nextVisit(site, on),
    // Who pays no tax is charged none, whatever the rate.
    rates: { ...rates, taxBp: told?.exempt ? 0 : (rates?.taxBp ?? 0) },
    isRated: rates !== undefined,
    cover,
    withTax: told?.withTax ?? false,
    taxTold: told ?? null,
  }
}

/** Where a chain of corrections begins: closings of one moment stand in the ledger in no order of their own. */
function firstOf(closed: Entry, ledger: readonly Entry[]): string {
  const corrected = new Map(ledger.map(({ id, supersedes }) => [id, supersedes]))
  let id = closed.id
  // Nothing that came from elsewhere may run round in a circle.
  for (let left = ledger.length; left > 0; left -= 1) {
    const before = corrected.get(id)
    if (!before) break
    id = before
  }
  return id
}

/** Lines of a visit that the ledger got after it was closed. */
function writtenAfter(closed: Entry, read: readonly MachineRead[], visitId: string): number {
  const seqOf = (entry: Entry) => ('seq' in entry && typeof entry.seq === 'number' ? entry.seq : null)
  const from = seqOf(closed)
  if (from === null) return 0
  const all = read.flatMap(({ histories }) => [
    ...(histories.machine?.entries ?? []),
    ...(histories.softener?.entries ?? []),
  ])
  const later = all.filter((entry) => {
    const seq = seqOf(entry)
    return entry.visitId === visitId && seq !== null && seq > from
  })
  return new Set(later.map(({ id }) => id)).size
}

/** Between arriving and leaving; still there: until now. Null where nobody looked at the clock. */
function minutesThere(header: EntryOf<'visit'> | null, now: string): number | null {
  if (!header) return null
  const { arrivedAt, leftAt, minutes } = header.body
  if (arrivedAt) {
    const between = (Date.parse(leftAt ?? now) - Date.parse(arrivedAt)) / 60_000
    // Closed on another day than it was begun nobody knows when it ended.
    if (between >= 0 && between <= 16 * 60) return Math.round(between)
  }
  return minutes ?? null
}

/** The next visit to this site after a day: what is agreed first, else what is proposed. */
function nextVisit(site: readonly Entry[], after: LocalDay): CloseOut['next'] {
  const ahead = appointmentsStanding([...site])
    .map(({ last }) => last.body)
    .filter(({ on, step }) => on > after && step !== 'refused' && step !== 'called-off')
    .sort((a, b) => (a.on < b.on ? -1 : 1))
  const agreed = ahead.find(({ step }) => step === 'agreed')
  const one = agreed ?? ahead[0]
  return one ? { on: one.on, ...(one.from && { from: one.from }), isAgreed: one.step === 'agreed' } : null
}
