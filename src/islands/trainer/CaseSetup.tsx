import { useState } from 'react'
import { benches } from '../../core/bench/benches.ts'
import { kindById } from '../../core/kinds/index.ts'
import { figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { PastCase } from './kept-cases.ts'

interface Props {
  past: PastCase[]
  /** As the address asks for it: a case set for an apprentice. */
  asked: { kind: string; seed: number } | null
  onStart: (kind: string, seed: number, hints: boolean) => void
}

const mostSeed = 99_999

/** Before a case: which machine, with or without hints, and its number. */
export function CaseSetup({ past, asked, onStart }: Props) {
  const [kind, setKind] = useState(asked?.kind ?? benches[0]!.kind)
  const [hints, setHints] = useState(false)
  const [text, setText] = useState(asked ? String(asked.seed) : '')
  const typed = Number(text)
  const wrong = text.trim() !== '' && !(Number.isInteger(typed) && typed >= 1 && typed <= mostSeed)
  const start = () => {
    const seed = text.trim() === '' ? 1 + (crypto.getRandomValues(new Uint32Array(1))[0]! % mostSeed) : typed
    onStart(kind, seed, hints)
  }
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="The bench"
        under="a machine, broken in secret"
        facts={
          past.length > 0
            ? [
                { label: 'Your last', value: `${past.length} ${past.length === 1 ? 'case' : 'cases'}` },
                { label: 'Found', value: `${past.filter(({ found }) => found).length} of ${past.length}` },
                {
                  label: 'Your minutes',
                  value: `${figure(
                    past.reduce((sum, one) => sum + one.minutes, 0) /
                      Math.max(
                        1,
                        past.reduce((sum, one) => sum + one.bestMinutes, 0),
                      ),
                  )} ×`,
                  source: 'the best',
                },
              ]
            : []
        }
        action={
          <a href="/procedures" className="plain inline-flex items-center whitespace-nowrap">
            All procedures
          </a>
        }
      />
      <div className="flex-1 bg-enamel px-4 py-4 lg:px-6">
        <p className="m-0 max-w-[70ch]">
          A customer complains; you pick tests, each costs a technician’s minutes, instruments err as real ones do. When
          you know, name it. Afterwards your way stands beside the best one.
        </p>
        <fieldset className="m-0 mt-3 border-0 p-0">
          <legend className="head p-0">Machine on the bench</legend>
          {benches.map((bench) => (
            <label key={bench.kind} className="flex min-h-[52px] items-center gap-3 border-t border-hair">
              <input
                type="radio"
                name="kind"
                className="h-6 w-6"
                checked={kind === bench.kind}
                onChange={() => setKind(bench.kind)}
              />
              <span>
                <b className="font-semibold">{kindById(bench.kind)!.name}</b>{' '}
                <span className="text-[14px] text-second">{Object.keys(bench.faults).length} faults it may have</span>
              </span>
            </label>
          ))}
        </fieldset>
        <label className="flex min-h-[52px] items-center gap-3 border-t border-hair">
          <input type="checkbox" className="h-6 w-6" checked={hints} onChange={() => setHints(!hints)} />
          <span>
            With hints <span className="text-[14px] text-second">the best next test is marked</span>
          </span>
        </label>
        <label className="flex max-w-[420px] flex-col gap-0.5 border-t border-hair pt-2">
          <span className="slim text-[14px]">Case number, 1 to {figure(mostSeed)}; empty draws one</span>
          <input
            className="field mono"
            inputMode="numeric"
            value={text}
            aria-invalid={wrong}
            onChange={(event) => setText(event.target.value)}
          />
          <span className="text-[13px] text-second">
            The same number is the same machine, broken alike: set it and compare.
          </span>
        </label>
        <button
          type="button"
          className="act mt-4 min-h-[64px] min-w-[220px] text-[20px]"
          disabled={wrong}
          onClick={start}
        >
          Break it
        </button>
      </div>
    </div>
  )
}
