import type { Crossing } from '../../core/ledger/crossed.ts'
import type { RecordedEntry, RecordedEntryOf } from '../../core/ledger/entry.ts'
import { jot } from '../../core/ledger/jot.ts'
import { effective } from '../../core/standing/histories.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import { type Expected, expectedCount } from '../../core/usage/expected-count.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { reckonBundle } from '../machine/reckon-bundle.ts'

/** A reading beside what was expected of it, had nobody written it. */
export interface BesideExpected {
  line: RecordedEntryOf<'reading'>
  expected: Expected
}

/** The bundle as it would be if these lines were taken back. */
export function bundleWithout(bundle: MachineBundle, struck: RecordedEntry[]): MachineBundle {
  const ids = new Set(struck.map(({ id }) => id))
  const ledgers = Object.fromEntries(
    Object.entries(bundle.ledgers).map(([level, entries]) => [
      level,
      entries.flatMap((entry): RecordedEntry[] =>
        ids.has(entry.id)
          ? [entry, { ...entry, ...jot('withdrawn', {}), id: `${entry.id} struck`, supersedes: entry.id }]
          : [entry],
      ),
    ]),
  )
  return { ...bundle, ledgers }
}

/** Each reading of a machine's counter with what it was expected to show; nothing where nobody can say. */
export function besideExpected({ lines }: Pick<Crossing, 'lines'>, bundle: MachineBundle): BesideExpected[] {
  const read = lines.filter((line): line is RecordedEntryOf<'reading'> => line.kind === 'reading')
  const isOwn = read.every(({ subjectId, body }) => subjectId === bundle.machine.id && body.counter === 'shots')
  if (read.length === 0 || !isOwn) return []
  const before = bundleWithout(bundle, lines)
  const { counter, use } = reckonBundle(before).reckoning ?? {}
  if (!counter || !use) return []
  const open = siteOpening(effective(before.ledgers)).openDays
  return read.flatMap((line) =>
    counter.on <= line.happenedOn ? [{ line, expected: expectedCount(counter, use, open, line.happenedOn) }] : [],
  )
}

/** The one reading that lies where it was expected, where no other does; null where nobody can say. */
export function fitting(crossing: Crossing, bundle: MachineBundle): string | null {
  const all = besideExpected(crossing, bundle)
  const lies = ({ line, expected }: BesideExpected) =>
    line.body.count >= expected.low && line.body.count <= expected.high
  const good = all.filter(lies)
  return good.length === 1 && all.length === crossing.lines.length ? good[0]!.line.id : null
}
