import type { ChargeLine } from '../../core/close-out/charge-line.ts'
import { totalsOf } from '../../core/close-out/charge-line.ts'
import { type CloseOut, closeOut } from '../../core/close-out/close-out.ts'
import { type InTheWay, type Isolated, isOf, stillOpen } from '../../core/close-out/in-the-way.ts'
import type { MachineThere } from '../../core/close-out/left-subjects.ts'
import type { Sentence } from '../../core/close-out/sentences.ts'
import { signedOf } from '../../core/close-out/signed-of.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import type { Body } from '../../core/ledger/entry-kinds.ts'
import { upper } from '../../core/ledger/phrases.ts'
import type { Unversioned } from '../../core/ledger/versions.ts'
import { browserNow } from '../../ui/clock.ts'
import { dayShort } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'
import type { LeavingPage } from '../../views/leaving-page.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { kindOf } from '../machine/kind-of.ts'
import { makeEntry } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import type { KeptLeaving } from './kept-leaving.ts'

type Closed = Unversioned<Body<'visit-closed'>>

/** A machine’s bundle as the end of a visit reads it. */
export const machineThere = (bundle: MachineBundle, underWay: MachineThere['underWay']): MachineThere => ({
  id: bundle.machine.id,
  name: bundle.machine.name,
  model: [bundle.machine.maker, bundle.machine.model].filter(Boolean).join(' '),
  kind: kindOf(bundle),
  ledgers: bundle.ledgers,
  softener: bundle.softener,
  warrantyUntil: bundle.machine.warrantyUntil,
  warrantyBy: bundle.machine.warrantyBy,
  underWay,
})

/** The end of a visit with what was put right by hand: what is shown, what is missing, what would be signed. */
export interface Leaving extends CloseOut {
  lines: ChargeLine[]
  totals: ReturnType<typeof totalsOf>
  missing: InTheWay[]
  isolated: Isolated[]
  left: NonNullable<Closed['left']>
  told: (CloseOut['open'][number] & { until: string | null })[]
  sentences: Sentence[]
}

export function leavingOf(page: LeavingPage, machines: MachineThere[], today: string, kept: KeptLeaving): Leaving {
  const reckoned = closeOut(
    { visitId: page.visitId ?? '', on: today, now: browserNow().toISOString(), machines, currency: page.currency },
    {
      minutes: kept.minutes,
      ...(kept.roadMinutes !== undefined && { roadMinutes: kept.roadMinutes }),
      ...(kept.roadKm !== undefined && { roadKm: kept.roadKm }),
    },
  )
  const asClosed = kept.id === '' ? reckoned.closed : null
  const found = asClosed ? withClosed(reckoned, asClosed.body) : reckoned
  const lines = asClosed?.body.lines ?? [...found.charges.map((line) => byHand(line, kept)), ...added(kept)]
  const totals = totalsOf(lines, found.rates.taxBp)
  const isolated = found.ways.flatMap((way): Isolated[] => {
    const how = kept.isolated[way.key]?.trim()
    if (way.closesAs !== 'isolated' || !how) return []
    return [
      { subjectId: way.subjectId, ...(way.heldId && { held: way.heldId }), ...(way.part && { part: way.part }), how },
    ]
  })
  const left = found.ways.flatMap((way) => {
    const reason = kept.reasons[way.key]?.trim()
    return way.closesAs === 'reason' && reason ? [{ subjectId: way.subjectId, what: 'counter' as const, reason }] : []
  })
  const nameOf = (id: string) => machines.find((machine) => machine.id === id)?.name ?? ''
  const told = asClosed
    ? (asClosed.body.open ?? []).map((one, i) => ({
        ...one,
        key:
          found.open.find(({ subjectId, name }) => subjectId === one.subjectId && closedName(name) === one.name)?.key ??
          `${i}`,
        machine: nameOf(one.subjectId),
        until: one.until ?? null,
      }))
    : found.open.map((one) => ({ ...one, until: kept.until[one.key] || null }))
  return {
    ...found,
    lines,
    totals,
    isolated,
    left,
    missing: stillOpen(found.ways, { left, isolated }),
    told,
    sentences: signedOf(
      {
        subjects: found.subjects,
        withTax: found.withTax,
        taxBp: found.rates.taxBp,
        lines,
        told,
        isolated: isolated.map(({ subjectId }) => nameOf(subjectId)),
      },
      { day: dayShort, sum: (minor) => moneyOf(minor, page.currency) },
    ),
  }
}

/** What is open as a closed visit calls it. */
const closedName = (name: string): string => upper(name).slice(0, 160)

/** As it was closed: its minutes and its tax are what they were, whatever is set by now. */
function withClosed(found: CloseOut, { minutes, taxBp, withTax, currency: _ }: Closed): CloseOut {
  const at = new Map(minutes.map(({ subjectId, minutes: own }) => [subjectId, own]))
  return {
    ...found,
    subjects: found.subjects.map((subject) => ({ ...subject, minutes: at.get(subject.id) ?? subject.minutes })),
    rates: { ...found.rates, taxBp },
    withTax: withTax ?? false,
  }
}

/** What is put right begins with what was said when it was closed. */
export function keptFromClosed({ closed, ways, open }: CloseOut, id: string): KeptLeaving {
  const body = closed!.body
  return {
    id,
    minutes: Object.fromEntries(body.minutes.map(({ subjectId, minutes }) => [subjectId, minutes])),
    ...(body.roadMinutes !== undefined && { roadMinutes: body.roadMinutes }),
    ...(body.roadKm !== undefined && { roadKm: body.roadKm }),
    changed: Object.fromEntries(
      body.lines.flatMap((line) =>
        line.changed && line.of !== 'other'
          ? [
              [
                line.id,
                {
                  pays: line.pays,
                  ...(line.priceMinor !== null && { priceMinor: line.priceMinor }),
                  why: line.changed,
                },
              ],
            ]
          : [],
      ),
    ),
    added: body.lines
      .filter(({ of }) => of === 'other')
      .map(({ id: of, name, priceMinor, pays, changed = '' }) => ({
        id: of,
        name,
        priceMinor: priceMinor ?? 0,
        pays,
        why: changed,
      })),
    reasons: saidOf(body, ways, 'reason'),
    isolated: saidOf(body, ways, 'isolated'),
    until: Object.fromEntries(
      open.flatMap((one) => {
        const until = (body.open ?? []).find(
          ({ subjectId, name }) => subjectId === one.subjectId && name === closedName(one.name),
        )?.until
        return until ? [[one.key, until]] : []
      }),
    ),
    name: body.signed.name ?? '',
    as: body.signed.as ?? '',
  }
}

const saidOf = (body: Closed, ways: InTheWay[], closesAs: InTheWay['closesAs']): Record<string, string> =>
  Object.fromEntries(
    ways.flatMap((way) => {
      const said = way.closesAs === closesAs ? saidAtClosing(body, way) : ''
      return said ? [[way.key, said]] : []
    }),
  )

/** What was said of something in the way when the visit was closed over it. */
export const saidAtClosing = ({ left = [], isolated = [] }: Closed, way: InTheWay): string =>
  (way.closesAs === 'isolated'
    ? isolated.find((one) => isOf(one, way))?.how
    : left.find(({ subjectId, what }) => subjectId === way.subjectId && what === way.what)?.reason) ?? ''

/** A line as somebody changed it, with the reason. */
function byHand(line: ChargeLine, { changed }: KeptLeaving): ChargeLine {
  const one = changed[line.id]
  if (!one) return line
  return {
    ...line,
    ...(one.pays && { pays: one.pays }),
    ...(one.priceMinor !== undefined && { priceMinor: one.priceMinor }),
    changed: one.why,
  }
}

const added = (kept: KeptLeaving): ChargeLine[] =>
  kept.added.map(({ why, ...one }) => ({
    ...one,
    of: 'other',
    quantityMilli: 1000,
    unit: 'piece',
    ...(why && { changed: why }),
  }))

/** How a visit is signed. */
export type Signed = Closed['signed']

/**
 * What closes a visit: that somebody left, where nobody said so yet, and what was said and signed. A visit that was
 * closed before is closed anew, as its revision.
 */
export function closingEntries(
  page: LeavingPage,
  leaving: Leaving,
  kept: KeptLeaving,
  signed: Signed,
  struck: ReadonlySet<number>,
  who: {
    me: string
    today: string
    /** Of whoever pays, where this visit has none of its own. */
    orderNumber?: string
  },
): Entry[] {
  const visitId = page.visitId!
  const { header, closed } = leaving
  const orderNumber = header?.body.orderNumber || who.orderNumber
  const entries: Entry[] = []
  const now = `${browserNow().toISOString().slice(0, 16)}Z`
  if (!header?.body.leftAt) {
    const body = header?.body ?? { technicianIds: [who.me] }
    // Closed on a later day nobody knows when they left.
    const isToday = header === null || header.happenedOn === who.today
    if (isToday)
      entries.push(
        makeEntry('site', page.site.id, 'visit', { ...body, leftAt: now }, header?.happenedOn ?? who.today, {
          visitId,
          ...(header && { supersedes: header.id }),
        }),
      )
  }
  const body: Closed = {
    minutes: leaving.subjects
      .filter(({ kind }) => kind === 'machine')
      .map(({ id, minutes }) => ({ subjectId: id, minutes })),
    ...(kept.roadMinutes !== undefined && { roadMinutes: kept.roadMinutes }),
    ...(kept.roadKm !== undefined && { roadKm: kept.roadKm }),
    ...(leaving.left.length > 0 && { left: leaving.left }),
    ...(leaving.isolated.length > 0 && { isolated: leaving.isolated }),
    ...(leaving.told.length > 0 && {
      open: leaving.told.map(({ subjectId, name, part, entry, until, fittedMinor }) => ({
        subjectId,
        name: closedName(name),
        ...(part && { part }),
        ...(entry && { entry }),
        ...(until && { until }),
        ...(fittedMinor !== undefined && { fittedMinor }),
      })),
    }),
    ...(leaving.next && { next: { on: leaving.next.on, ...(leaving.next.from && { from: leaving.next.from }) } }),
    currency: page.currency,
    taxBp: leaving.rates.taxBp,
    ...(leaving.withTax && { withTax: true }),
    lines: leaving.lines.map(({ name, ...line }) => ({ ...line, name: name.slice(0, 160) })),
    ...(orderNumber && { orderNumber }),
    ...(kept.reportByMail && { reportByMail: true }),
    sentences: leaving.sentences.map((sentence, i) => ({ ...sentence, ...(struck.has(i) && { struck: true }) })),
    signed,
  }
  entries.push(
    makeEntry('site', page.site.id, 'visit-closed', body, header?.happenedOn ?? who.today, {
      id: closed ? newId() : kept.id,
      visitId,
      ...(closed && { supersedes: closed.id }),
    }),
  )
  return entries
}
