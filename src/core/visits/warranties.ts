import type { Kind } from '../kinds/kind.ts'
import type { Entry, EntryOf } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { addMonths, fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'

/** Something somebody still stands by, or stood by until that day. */
export interface Warranty {
  of: 'machine' | 'part' | 'work'
  /** As it is called: the part, what was done. */
  name: string
  part?: string
  group?: number
  since?: LocalDay
  until: LocalDay
  /** Who stands by it: a maker, a seller; the firm itself where nobody is named. */
  by?: string
}

interface Given {
  machine: { warrantyUntil?: LocalDay | undefined; warrantyBy?: string | undefined }
  kind: Kind | null
  /** Effective entries of the machine, in order. */
  entries: Entry[]
  /** How long the firm stands by its own, months; null where it never said. */
  own: { partsMonths: number; workMonths: number } | null
}

/**
 * Every warranty of a machine: its own as it was bought, of each part that is in now, of each repair that held. A day
 * that was written down counts before the firm's rule.
 *
 * @example warrantiesOf({ machine: { warrantyUntil: '2027-03-31' }, kind, entries: [], own: null })
 * // [{ of: 'machine', name: 'The machine', until: '2027-03-31' }]
 */
export function warrantiesOf({ machine, kind, entries, own }: Given): Warranty[] {
  const found: Warranty[] = []
  if (machine.warrantyUntil)
    found.push({
      of: 'machine',
      name: 'The machine',
      until: machine.warrantyUntil,
      ...(machine.warrantyBy && { by: machine.warrantyBy }),
    })
  for (const entry of partsIn(entries)) {
    const { part, group, warrantyUntil } = entry.body
    const until = warrantyUntil ?? (own && own.partsMonths > 0 ? after(entry.happenedOn, own.partsMonths) : null)
    if (until === null) continue
    const name = kind?.parts.find(({ id }) => id === part)?.name ?? part
    found.push({
      of: 'part',
      name,
      part,
      ...(group !== undefined && { group }),
      since: entry.happenedOn,
      until,
    })
  }
  if (own && own.workMonths > 0)
    for (const { happenedOn, body } of entries.filter(isKind('repaired')))
      if (body.cured !== false)
        found.push({
          of: 'work',
          name: body.text,
          ...(body.part && { part: body.part }),
          ...(body.group !== undefined && { group: body.group }),
          since: happenedOn,
          until: after(happenedOn, own.workMonths),
        })
  return found.sort((a, b) => (a.until < b.until ? 1 : a.until > b.until ? -1 : 0))
}

/** Those that still hold on a day: the last day is the warranty's. */
export const holding = (warranties: Warranty[], today: LocalDay): Warranty[] =>
  warranties.filter(({ since, until }) => until >= today && (since === undefined || since <= today))

/** The last fitting of each part of each group: what was replaced since is not in it any more. */
function partsIn(entries: Entry[]): EntryOf<'fitted'>[] {
  const last = new Map<string, EntryOf<'fitted'>>()
  for (const entry of entries.filter(isKind('fitted'))) last.set(`${entry.body.part}@${entry.body.group ?? 0}`, entry)
  return [...last.values()]
}

/** So many months later, by the calendar. */
const after = (day: LocalDay, months: number): LocalDay => fromDay(addMonths(toDay(day), months))
