import type { Entry, Envelope } from '../../../src/core/ledger/entry.ts'
import type { EntryKind } from '../../../src/core/ledger/entry-kinds.ts'
import type { SubjectKind } from '../../../src/core/ledger/subject.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import type { Ledgers, Level } from '../../../src/core/standing/histories.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import type { Standing } from '../../../src/core/standing/standing.ts'
import { asKept } from '../ledger/told.ts'

let made = 0

/** An entry of a history under test; ids rise in the order they are made. */
export function entry(kind: EntryKind, on: string, body: object, more: Partial<Envelope> = {}): Entry {
  made += 1
  return asKept({
    id: `01939000-0000-7000-8000-${String(made).padStart(12, '0')}`,
    subjectKind: 'machine',
    subjectId: 'm',
    kind,
    happenedAt: `${on}T09:00:00Z`,
    happenedOn: on,
    body,
    ...more,
  })
}

export const takenOn = (kind: string, on: string, partsNew = true): Entry =>
  entry('commissioned', on, { kind, kindVersion: 1, partsNew })

export const reading = (on: string, count: number): Entry => entry('reading', on, { counter: 'shots', count })

/** Weekly readings of a steady machine, the last on `to`. */
export function steadyReadings(from: string, to: string, perWeek: number, start = 0): Entry[] {
  const entries: Entry[] = []
  for (let day = toDay(from), count = start; day <= toDay(to); day += 7, count += perWeek) {
    entries.push(reading(fromDay(day), count))
  }
  return entries
}

export const setting = (level: SubjectKind, on: string, body: Record<string, unknown>): Entry =>
  entry('setting', on, body, { subjectKind: level, subjectId: level })

/** Open on every day: then shots a day are shots an open day. */
export const everyDay = setting('site', '2024-01-01', { setting: 'opening', openWeekdays: [1, 2, 3, 4, 5, 6, 7] })

/** Ledgers of a machine, its own entries first; the site is open every day unless told otherwise. */
export function ledgers(machine: Entry[], around: Partial<Record<Level, Entry[]>> = {}): Ledgers {
  return { machine, site: [everyDay], ...around }
}

/** The standing of a key; fails with the keys there are. */
export function standingOf(given: Ledgers, key: string): Standing {
  const standings = reckonMachine(given)?.standings ?? []
  const found = standings.find((standing) => standing.key === key)
  if (!found) throw new Error(`no standing "${key}" among ${standings.map((standing) => standing.key).join(', ')}`)
  return found
}
