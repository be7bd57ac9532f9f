import { useMemo } from 'react'
import type { Kind } from '../../../core/kinds/kind.ts'
import { serialWords } from '../../../core/ledger/settings/papers.ts'
import { effective, ofKind } from '../../../core/standing/histories.ts'
import { holding } from '../../../core/visits/warranties.ts'
import { dayLong } from '../../../ui/format.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { EntryPhotos } from '../../EntryPhotos.tsx'
import { numbersHere } from './numbers-here.ts'
import { warrantiesHere } from './warranties-here.ts'

interface Props {
  bundle: MachineBundle
  kind: Kind
  part: string
  group?: number | undefined
  today: string
}

/** What a hand wants to know of a part besides its wear: the maker's number, and whether somebody still stands by it. */
export function PartPapers({ bundle, kind, part, group, today }: Props) {
  const numbers = useMemo(() => numbersHere(bundle, part).filter(({ fits }) => fits !== false), [bundle, part])
  const warranties = useMemo(
    () =>
      holding(warrantiesHere(bundle, kind), today).filter(
        (one) => one.of === 'machine' || (one.part === part && (group === undefined || (one.group ?? group) === group)),
      ),
    [bundle, group, kind, part, today],
  )
  const seen = useMemo(
    () =>
      ofKind(effective(bundle.ledgers), 'machine', 'pictured')
        .filter(({ body }) => body.part === part && (group === undefined || (body.group ?? group) === group))
        .slice(-3),
    [bundle, group, part],
  )
  if (numbers.length + warranties.length + seen.length === 0) return null
  return (
    <div className="pt-2 text-[14px]">
      {numbers.map(({ id, number, fits }) => (
        <p key={id} className="m-0">
          Maker's number <b className="mono">{number.number}</b>
          {serialWords(number)}
          {fits === null && ': compare the serial by hand'}
          {number.note && `. ${number.note}`}
        </p>
      ))}
      {seen.map((entry) => (
        <p key={entry.id} className="m-0">
          Seen {dayLong(entry.happenedOn)}
          {entry.body.text && `: ${entry.body.text}`}
          <EntryPhotos entry={entry} />
        </p>
      ))}
      {warranties.map(({ of, until, by, since, name }) => (
        <p key={`${of} ${until} ${name}`} className="m-0">
          <b>Under warranty until {dayLong(until)}</b>
          {of === 'machine' && (by ? `: the machine, by ${by}` : ': the machine')}
          {of === 'part' && `: fitted ${dayLong(since!)}`}
          {of === 'work' && `: our work, ${name}`}. Before it is charged, see whether it is a claim.
        </p>
      ))}
    </div>
  )
}
