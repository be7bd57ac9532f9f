import { useMemo } from 'react'
import type { Crossing } from '../../core/ledger/crossed.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { entryWords } from '../../ui/entry-words.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { verdict } from '../entry/counter-verdict.ts'
import { kindOf } from '../machine/kind-of.ts'
import { besideExpected } from './expected-of.ts'
import { TwoWriters } from './TwoWriters.tsx'
import { whatItMoves } from './what-it-moves.ts'

interface Props {
  crossing: Crossing
  bundle: MachineBundle
  today: string
  me: string
  chosen: string | null
  onChoose: (id: string) => void
}

/** The lines side by side, how each goes with what was known, and what each would move. */
export function CrossedLines({ crossing, bundle, today, me, chosen, onChoose }: Props) {
  const kind = kindOf(bundle)
  const names = new Map(bundle.technicians.map(({ id, name }) => [id, name]))
  const read = useMemo(() => besideExpected(crossing, bundle), [crossing, bundle])
  const moves = useMemo(() => whatItMoves(crossing, bundle, today), [crossing, bundle, today])
  const whose = (line: RecordedEntry) =>
    line.recordedBy === me ? 'yours' : `${names.get(line.recordedBy)?.split(' ')[0] ?? 'somebody'}’s`
  return (
    <>
      {read.length > 1 && <TwoWriters read={read} me={me} whose={whose} />}
      <div role="radiogroup" aria-label="Which line counts" className="grid gap-2 sm:grid-cols-2">
        {crossing.lines.map((line) => {
          const beside = read.find((one) => one.line.id === line.id)
          const said = beside && verdict(String(beside.line.body.count), beside.expected)
          const isChosen = chosen === line.id
          return (
            <label
              key={line.id}
              className={`flex min-h-[64px] cursor-pointer flex-col justify-center border px-3 py-2 has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper ${
                isChosen ? 'border-copper bg-copper-tint' : 'border-line bg-enamel'
              }`}
            >
              <input
                type="radio"
                name={`counts ${crossing.thing}`}
                className="sr-only"
                checked={isChosen}
                onChange={() => onChoose(line.id)}
              />
              <b className="text-[17px]">{entryWords(line, kind)}</b>
              <span>
                {whose(line)}
                {isChosen && ', chosen'}
                {crossing.holds === line.id && ', holds now'}
              </span>
              {said && <span className="text-[14px] text-second">{said.words}</span>}
            </label>
          )
        })}
      </div>
      {moves.length > 0 && (
        <dl className="m-0 mt-3 border-t border-ink pt-2" aria-label="What it moves">
          <dt className="font-semibold">What it moves</dt>
          {moves.map(({ name, dates }) => (
            <dd key={name} className="m-0 flex flex-wrap gap-x-4 border-t border-hair py-1">
              <span className="w-full leading-tight">{name}</span>
              {dates.map(({ line, said }) => (
                <span key={line.id} className="text-second">
                  with {whose(line)} <b className="mono text-ink">{said}</b>
                </span>
              ))}
            </dd>
          ))}
        </dl>
      )}
    </>
  )
}
