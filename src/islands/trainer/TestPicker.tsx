import type { Instrument } from '../../core/bench/bench-kind.ts'
import type { AnyBench } from '../../core/bench/benches.ts'
import type { Training } from '../../core/bench/training.ts'
import type { FaultBook, MachineState } from '../../core/faults/fault.ts'
import { testMinutes } from '../../core/faults/next-test.ts'
import { figure } from '../../ui/format.ts'
import { InstrumentDrawing, type InstrumentName } from '../fault/InstrumentDrawing.tsx'
import { needWords } from '../fault/test-words.ts'

interface Props {
  book: FaultBook
  bench: AnyBench
  training: Training
  standing: MachineState[]
  hint: string | null
  onTest: (test: string) => void
}

const groups: { name: string; drawn: InstrumentName; by: Instrument[] }[] = [
  { name: 'Ask, look, listen', drawn: 'eye', by: ['customer', 'eye', 'ear'] },
  { name: 'Hands', drawn: 'hand', by: ['hand'] },
  { name: 'Gauges', drawn: 'gauge', by: ['test-gauge', 'machine-gauge', 'steam-gauge'] },
  { name: 'Cup, scale, watch', drawn: 'scale', by: ['jug-and-watch', 'scale', 'gram-scale', 'watch'] },
  { name: 'Thermometer', drawn: 'thermometer', by: ['thermometer'] },
  { name: 'Conductivity pen', drawn: 'pen', by: ['pen'] },
  { name: 'Multimeter', drawn: 'multimeter', by: ['multimeter'] },
]

/** Instruments with what can be tried by each, and what it costs. */
export function TestPicker({ book, bench, training, standing, hint, onTest }: Props) {
  return (
    <section aria-label="Tests" className="min-w-0 px-4 py-3 lg:px-6">
      <h2 className="head m-0">Pick a test</h2>
      <div className="gap-x-6 md:columns-2">
        {groups.map(({ name, drawn, by }) => {
          const tests = book.tests.filter(({ id, gate }) => !gate && by.includes(bench.tests[id]!.by))
          return (
            tests.length > 0 && (
              <section key={name} aria-label={name} className="break-inside-avoid-column pb-2">
                <h3 className="m-0 flex items-center gap-2 pt-1 text-[14px] font-semibold text-second">
                  <InstrumentDrawing instrument={drawn} size={48} />
                  {name}
                </h3>
                <ul className="m-0 list-none p-0">
                  {tests.map((test) => {
                    const done = training.tests.findIndex((one) => one.test === test.id)
                    return (
                      <li key={test.id} className="border-t border-hair">
                        <button
                          type="button"
                          className={`flex min-h-[48px] w-full items-center gap-2 py-1 text-left text-[14px] ${hint === test.id ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)] pl-2' : ''}`}
                          onClick={() => onTest(test.id)}
                        >
                          {done >= 0 && (
                            <span className="mono flex h-6 w-6 shrink-0 items-center justify-center rounded-full bg-deep text-[12.5px] text-enamel">
                              {done + 1}
                            </span>
                          )}
                          <span className="min-w-0 flex-1">
                            {test.say}
                            {hint === test.id && <b className="text-ink"> best now</b>}
                          </span>
                          <span className="mono text-right whitespace-nowrap text-second">
                            {figure(testMinutes(book, { ...test, hazard: undefined }, standing))} min
                            <span className="block max-w-[150px] text-[12.5px] whitespace-normal">
                              {needWords(test, book)}
                            </span>
                          </span>
                        </button>
                      </li>
                    )
                  })}
                </ul>
              </section>
            )
          )
        })}
      </div>
    </section>
  )
}
