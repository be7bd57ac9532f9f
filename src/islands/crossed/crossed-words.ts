import { type Kind, shownUnit } from '../../core/kinds/kind.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import type { EntryKind } from '../../core/ledger/entry-kinds.ts'
import { timeAt } from '../../core/quantity/site-time.ts'
import { dayNear } from '../../ui/format.ts'

const names: Partial<Record<EntryKind, string>> = {
  measured: 'A figure that was measured',
  removed: 'A part taken out',
  fitted: 'A part put in',
  'water-test': 'Water test',
  'water-figures': 'Water, what else is in it',
  setting: 'What is set',
  stage: 'Whether it stands or runs',
  moved: 'Where it stands',
  commissioned: 'How it was taken on',
  'taken-over': 'How it was taken over',
}

/** What two lines speak of. @example thingName(reading, kind) // 'Counter, drinks' */
export function thingName(line: RecordedEntry, kind: Kind | null): string {
  if (line.supersedes) return 'One line, put right twice'
  if (line.kind === 'reading')
    return line.body.counter === 'litres' ? 'Water meter' : `Counter, ${kind ? shownUnit(kind) : 'shots'}`
  if (line.kind === 'inspected') {
    const { part } = line.body
    return `${kind?.parts.find(({ id }) => id === part)?.name ?? 'A part'}, looked at`
  }
  return names[line.kind] ?? 'What was done'
}

/** @example whoWrote(lines, names, me, zone) // 'Odile wrote at 09:58. You wrote at 09:52 without network; it was sent at 11:40.' */
export function whoWrote(lines: RecordedEntry[], people: Map<string, string>, me: string, zone: string): string {
  const today = lines.at(-1)!.happenedOn
  return lines
    .map((line) => {
      const who = line.recordedBy === me ? 'You' : (people.get(line.recordedBy)?.split(' ')[0] ?? 'Somebody')
      const day = line.happenedOn === today ? '' : ` on ${dayNear(line.happenedOn, today)}`
      const wrote = `${who} wrote at ${timeAt(zone, Date.parse(line.happenedAt))}${day}`
      if (line.knownSeq === undefined) return `${wrote}.`
      return `${wrote} without network; it was sent at ${timeAt(zone, Date.parse(line.recordedAt))}.`
    })
    .join(' ')
}
