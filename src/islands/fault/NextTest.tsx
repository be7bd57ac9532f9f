import { useEffect, useRef, useState } from 'react'
import type { FaultBook, Test } from '../../core/faults/fault.ts'
import type { Worth } from '../../core/faults/next-test.ts'
import { outcomeOf } from '../../core/faults/outcome-of.ts'
import { showsMachine } from '../../core/faults/own-looks.ts'
import { asTaken, expectedOutcomes } from '../../core/faults/rank-causes.ts'
import { comesAndGoes, onlyWhen, type Search, type Suspicion } from '../../core/faults/search.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { figure } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import type { PathLayout } from '../path/layout.ts'
import { AnswerLine } from './AnswerLine.tsx'
import { suspectedAt } from './halo.ts'
import { InstrumentDrawing, instrumentOf } from './InstrumentDrawing.tsx'
import { lookDrawing } from './look-drawings.tsx'
import { NotEachTime } from './NotEachTime.tsx'
import { doubtCleared, needWords, testHazards } from './test-words.ts'

interface Props {
  book: FaultBook
  search: Search
  suspicion: Suspicion
  worth: Worth
  test: Test
  layout: PathLayout
  /** Chosen by hand, not the best one. */
  other: boolean
  /** The suspect it looks at before a part of it is touched. */
  proves: string | null
  onSeen: (outcome: string, value?: number, times?: { n: number; of: number }) => void
  /** None of its answers: what it was, in words. */
  onOther: (words: string) => void
  onCannot: () => void
  onBack: () => void
}

/** The next test as an instruction, with what each answer would leave. */
export function NextTest({
  book,
  search,
  suspicion,
  worth,
  test,
  layout,
  other,
  proves,
  onSeen,
  onOther,
  onCannot,
  onBack,
}: Props) {
  const { network, belief } = suspicion
  const plain = network.tests.find(({ id }) => id === test.id)!
  const first = search.seen.find((one) => one.test === test.id && !one.said)
  const now = suspectedAt(book, belief).at
  const seldom = !search.phone && comesAndGoes(search) && showsMachine(test)
  const only = onlyWhen(search)
  const drawn = !search.phone && test.outcomes.some(({ id }) => lookDrawing(test, id) !== null)
  const answers = expectedOutcomes(belief, asTaken(plain, search.phone === true, first?.outcome))
  return (
    <section aria-label="Next test" className="min-w-0 px-4 py-3 lg:px-6">
      <p className="m-0 text-[15px] font-semibold text-copper">
        {other
          ? 'Chosen by you'
          : proves
            ? `Before a part is touched: is it “${proves}”?`
            : search.phone
              ? 'Best next question'
              : 'Best next test'}
      </p>
      <h2 className="m-0 text-[18px] leading-snug font-[640]">
        {search.phone ? (
          `“${book.phone[test.id]}”`
        ) : (
          <>
            {first ? 'Once more: ' : ''}
            {test.say}
          </>
        )}
      </h2>
      {!search.phone && test.how && <p className="m-0 text-[15px]">{test.how}</p>}
      {!search.phone && !test.reads && (
        <div className="float-right max-sm:hidden">
          <InstrumentDrawing instrument={instrumentOf(test)} size={84} />
        </div>
      )}
      <dl className="m-0 mt-2 flex flex-wrap gap-x-6 gap-y-1 border-t border-hair py-1.5 text-[14px]">
        <Fact label="Time" value={`${figure(worth.minutes)} min`} note={search.phone ? '' : needWords(test, book)} />
        {!search.phone && <Fact label="Tools" value={test.tools.join(', ') || 'none'} />}
        <Fact label="Tells" value={doubtCleared(worth.bits, belief)} note="on average, whatever it shows" />
      </dl>
      {seldom && (
        <p className="m-0 mb-1 text-[14px]">
          {only === null ? (
            <>
              <b>It comes and goes:</b> try it five times or more, and say how often.
            </>
          ) : (
            <b>It is so only {only === 'hot' ? 'hot, after many cups' : 'from cold'}: try it then.</b>
          )}
        </p>
      )}
      {test.hazard && !search.phone && (
        <p className="m-0 mb-2 border-l-4 border-brass pl-3 text-[14px]">
          <b>Caution.</b> {testHazards[test.hazard]}
        </p>
      )}
      {test.reads && !search.phone && (
        <Reading key={`reading ${test.id} ${search.seen.length}`} test={test} onSeen={onSeen} />
      )}
      <ul className="m-0 list-none p-0">
        {test.outcomes.map(({ id, words }, i) => {
          const answer = answers.find((one) => one.id === id)!
          const left = answer.belief ? topOf(book, belief, answer.belief) : []
          return (
            <li key={id} className="border-t border-hair">
              <button
                type="button"
                className={`grid min-h-[64px] w-full grid-cols-[44px_1fr] items-center gap-3 py-1.5 text-left ${drawn ? 'sm:grid-cols-[44px_1fr_minmax(120px,180px)]' : 'sm:grid-cols-[44px_1fr_minmax(180px,280px)]'}`}
                onClick={() => onSeen(id)}
              >
                <span className="mono flex h-[44px] items-center justify-center border border-deep text-[16px] font-semibold text-deep">
                  {String.fromCharCode(65 + i)}
                </span>
                <span className="flex items-center gap-3">
                  {drawn && <Reference test={test} outcome={id} />}
                  <span>
                    <b className="block text-[15px] leading-tight font-semibold">{words}</b>
                    <span className="block text-[13px] text-second">
                      expect {Math.round(100 * answer.chance)} in 100
                    </span>
                  </span>
                </span>
                <span className="max-sm:hidden">
                  {answer.belief && (
                    <AnswerLine layout={layout} now={now} after={suspectedAt(book, answer.belief).at} />
                  )}
                  {left.map((words) => (
                    <span key={words} className="narrow block text-[13px] leading-tight text-second">
                      {words}
                    </span>
                  ))}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
      <NotEachTime
        key={`seldom ${test.id} ${search.seen.length}`}
        test={test}
        begun={seldom && only === null}
        onSeen={(outcome, times) => onSeen(outcome, undefined, times)}
      />
      <OtherAnswer key={`other ${test.id} ${search.seen.length}`} onOther={onOther} />
      <div className="flex flex-wrap items-center gap-3 border-t border-hair pt-2">
        <button type="button" className="plain" onClick={onCannot}>
          {search.phone ? 'They can’t tell' : 'Can’t do that here'}
        </button>
        <button type="button" className="plain" disabled={search.seen.length === 0} onClick={onBack}>
          Take the last answer back
        </button>
        <span className="ml-auto text-[13px] text-second max-sm:hidden">dotted: suspicion now</span>
      </div>
    </section>
  )
}

/** How it looks where somebody is unsure what to call it: drawn, where it can be. */
function Reference({ test, outcome }: { test: Test; outcome: string }) {
  const drawing = lookDrawing(test, outcome)
  return (
    drawing && (
      <svg viewBox="-36 -26 72 52" width={58} height={42} aria-hidden="true" className="shrink-0">
        {drawing}
      </svg>
    )
  )
}

/** What was seen is none of the answers: it is written down, and speaks for what is in no book. */
function OtherAnswer({ onOther }: { onOther: (words: string) => void }) {
  const [words, setWords] = useState<string | null>(null)
  const field = useRef<HTMLInputElement>(null)
  const open = words !== null
  useEffect(() => {
    if (open) field.current?.focus()
  }, [open])
  if (words === null)
    return (
      <button
        type="button"
        className="min-h-[48px] w-full border-t border-hair text-left text-[15px] font-semibold text-copper"
        onClick={() => setWords('')}
      >
        Something else …
      </button>
    )
  return (
    <form
      className="flex flex-wrap items-end gap-3 border-t border-hair py-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (words.trim() !== '') onOther(words.trim())
      }}
    >
      <label className="flex min-w-[220px] flex-1 flex-col gap-0.5 text-[14px]">
        <span className="slim">What was seen instead</span>
        <input
          className="field"
          ref={field}
          value={words}
          maxLength={300}
          onChange={(event) => setWords(event.target.value)}
        />
      </label>
      <button type="submit" className="act min-h-[44px]" disabled={words.trim() === ''}>
        Note it
      </button>
      <button type="button" className="plain" onClick={() => setWords(null)}>
        Leave it
      </button>
    </form>
  )
}

/** Suspects an answer moves most, by name. */
function topOf(book: FaultBook, before: Float64Array, after: Float64Array): string[] {
  return book.faults
    .map(({ name }, i) => ({ name, from: before[i]!, to: after[i]! }))
    .filter(({ to }) => to > 0.05)
    .sort((a, b) => b.to - a.to)
    .slice(0, 2)
    .map(({ name, from, to }) => `${shortName(name)} ${Math.round(100 * from)}→${Math.round(100 * to)}`)
}

const shortName = (name: string) => (name.length > 34 ? `${name.slice(0, 33)}…` : name)

function Fact({ label, value, note }: { label: string; value: string; note?: string }) {
  return (
    <div>
      <dt className="slim text-[13px] text-second">{label}</dt>
      <dd className="m-0">
        {value} {note && <span className="text-second">{note}</span>}
      </dd>
    </div>
  )
}

function Reading({ test, onSeen }: { test: Test; onSeen: (outcome: string, value?: number) => void }) {
  const [text, setText] = useState('')
  const value = numberIn(text, { unit: test.reads!.unit })
  const outcome = value === null ? null : outcomeOf(test, value)
  const { unit, good } = test.reads!
  const most = rangeOf(test)
  return (
    <form
      className="flex flex-wrap items-center gap-3 pb-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (outcome && value !== null) onSeen(outcome.id, value)
      }}
    >
      <InstrumentDrawing
        instrument={instrumentOf(test)}
        size={112}
        shows={outcome && value !== null ? figure(value) : '–'}
        needle={outcome && value !== null ? value / most : null}
        good={{ from: good.from / most, to: Math.min(1, good.to / most) }}
      />
      <label className="flex flex-col gap-0.5 text-[14px]">
        <span className="slim">Reading, {unit}</span>
        <NumberInput
          className="field mono h-[48px] w-[120px] text-right text-[18px]"
          text={text}
          onText={(text) => setText(text)}
        />
      </label>
      <button type="submit" className="act min-h-[48px]" disabled={!outcome}>
        Note it
      </button>
      <span className="pb-2 text-[14px] text-second" role="status">
        good: {good.from} to {good.to} {unit}
        {outcome && <b className="text-ink">; this is “{outcome.words}”</b>}
      </span>
    </form>
  )
}

/** Where a needle would stand at its end: past the last band, and well past what is good. */
function rangeOf({ reads, outcomes }: Test): number {
  const last = Math.max(...outcomes.map(({ from }) => from ?? 0))
  return Math.max(1.3 * last, 1.5 * Math.min(reads!.good.to, 1e6))
}
