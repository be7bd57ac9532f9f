import { useEffect, useMemo, useState } from 'react'
import { benchOf } from '../../core/bench/benches.ts'
import {
  bestRun,
  caseOf,
  newTraining,
  type Training,
  type TrainingBench,
  type TrainingPress,
  trainingStep,
  yourRun,
} from '../../core/bench/training.ts'
import { bookOf } from '../../core/faults/books.ts'
import { networkOf } from '../../core/faults/network.ts'
import { asFound, nextTests, standingAfter } from '../../core/faults/next-test.ts'
import { rankCauses } from '../../core/faults/rank-causes.ts'
import { kindById } from '../../core/kinds/index.ts'
import { type Kind, withOptions } from '../../core/kinds/kind.ts'
import { figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { AsideNote } from '../AsideNote.tsx'
import { HaloUnderlay } from '../fault/HaloUnderlay.tsx'
import { suspectedAt } from '../fault/halo.ts'
import { island } from '../island.tsx'
import type { PathLayout } from '../path/layout.ts'
import { PathDrawing } from '../path/PathDrawing.tsx'
import { CaseEnd } from './CaseEnd.tsx'
import { CaseSetup } from './CaseSetup.tsx'
import { ClockBar } from './ClockBar.tsx'
import { dropCase, keepCase, type PastCase, pastCases, readCase } from './kept-cases.ts'
import { TestPicker } from './TestPicker.tsx'

/** What a kept case names that the book has not any more. */
function strange(training: Training): string | null {
  const book = bookOf(training.kind)
  if (!book || !benchOf(training.kind)) return `there is no bench of ${training.kind}`
  const away = training.tests.find(
    ({ test, outcome }) => !book.tests.find(({ id }) => id === test)?.outcomes.some(({ id }) => id === outcome),
  )
  return away ? `what it calls ${away.test} has another name now` : null
}

/** The bench to practise on: a case set up, searched, and looked back at. */
function TrainerPage({ asked, today }: { asked: { kind: string; seed: number } | null; today: string }) {
  const [training, setTraining] = useState<Training | null | undefined>(undefined)
  const [past, setPast] = useState<PastCase[]>([])
  const [aside, setAside] = useState<string | null>(null)
  useEffect(() => {
    void Promise.all([readCase(strange), pastCases()]).then(([{ value: kept, aside: why }, ended]) => {
      setPast(ended)
      setAside(why)
      // A case that was set for somebody comes before one that was left.
      setTraining(asked && (kept?.kind !== asked.kind || kept.seed !== asked.seed) ? null : kept)
    })
  }, [asked])
  const become = (next: Training) => {
    void keepCase(next)
    setTraining(next)
  }
  if (training === undefined) return <p className="p-6 text-second">Looking for what was begun here …</p>
  const book = training && bookOf(training.kind)
  const bench = training && benchOf(training.kind)
  if (!training || !book || !bench)
    return (
      <>
        <AsideNote what="A case" why={aside} />
        <CaseSetup past={past} asked={asked} onStart={(kind, seed, hints) => become(newTraining(kind, seed, hints))} />
      </>
    )
  const again = () => {
    void dropCase().then(pastCases).then(setPast)
    setTraining(null)
  }
  return <Case at={{ book, bench }} training={training} today={today} onChange={become} onAgain={again} />
}

interface Props {
  at: TrainingBench
  training: Training
  today: string
  onChange: (training: Training) => void
  onAgain: () => void
}

function Case({ at, training, today, onChange, onAgain }: Props) {
  const { book } = at
  const kind: Kind = useMemo(() => withOptions(kindById(training.kind)!, new Map()), [training.kind])
  const secret = useMemo(() => caseOf(at, training), [at, training])
  const [naming, setNaming] = useState('')
  const [halo, setHalo] = useState(false)
  const press = (event: TrainingPress) => {
    if (event.type !== 'halo') setHalo(false)
    onChange(trainingStep(at, training, event))
  }
  const network = useMemo(() => networkOf(book, secret.symptom), [book, secret.symptom])
  const belief = rankCauses(network, training.tests) ?? network.prior
  const standing = training.tests.reduce(
    (now, { test }) => standingAfter(book.tests.find(({ id }) => id === test)!, now),
    asFound.standing,
  )
  const hint = training.hints
    ? (nextTests(book, network, belief, training.tests, { ...asFound, standing })[0]?.test ?? null)
    : null
  const mine = yourRun(at, training)
  const symptom = book.symptoms.find(({ id }) => id === secret.symptom)!
  const seen = suspectedAt(book, belief).at
  const show = halo || training.ended !== null
  const done = training.tests.map(({ test }, i) => ({
    station: book.tests.find(({ id }) => id === test)!.station,
    n: i + 1,
  }))
  const last = training.tests.at(-1)
  /** What was last read at each station of the path; a rail has no room for it, and a look is told beside. */
  const rail = new Set(kind.lines.filter(({ medium }) => medium === 'control').flatMap(({ stations }) => stations))
  const showedAt = new Map(
    training.tests.flatMap((one) => {
      const { reads, station } = book.tests.find(({ id }) => id === one.test)!
      return reads && !rail.has(station) ? [[station, shownWords(book, one)]] : []
    }),
  )
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="The bench"
        under={`${kind.name}, case ${training.seed}`}
        facts={[
          { label: 'Hidden fault', value: `1 of ${book.faults.length}` },
          { label: 'Tests', value: training.tests.length },
          { label: 'Hints', value: training.hints ? 'on' : 'off' },
        ]}
        action={
          <button type="button" className="plain" onClick={onAgain}>
            Another case
          </button>
        }
      />
      <section aria-label="The case" className="border-b border-hair bg-enamel px-4 pt-3 lg:px-6">
        <div className="grid gap-x-8 lg:grid-cols-[1fr_560px]">
          <div>
            <p className="slim m-0 text-[14px] text-second">The customer says</p>
            <p className="m-0 text-[22px] leading-snug font-[560]">“{symptom.name}.”</p>
          </div>
          <div>
            <p className="slim m-0 text-[14px] text-second">Your clock</p>
            <ClockBar stops={mine.stops} minutes={mine.minutes} until={Math.max(30, mine.minutes)} label="Your clock" />
          </div>
        </div>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a wide drawing scrolls, and the keyboard must reach it */}
        <section className="overflow-x-auto" tabIndex={0} aria-label="Water path, scrolls sideways">
          <PathDrawing
            kind={kind}
            today={today}
            without={new Set()}
            hanging={
              new Map(
                kind.stations.map(({ id }) => [
                  id,
                  {
                    standings: [],
                    ...(showedAt.has(id) && { words: showedAt.get(id)! }),
                    ...(show && (seen.get(id) ?? 0) >= 0.005 && { words: `${Math.round(100 * seen.get(id)!)} %` }),
                  },
                ]),
              )
            }
            chosen={training.ended ? (book.faults.find(({ id }) => id === secret.fault)!.station ?? null) : null}
            onChoose={() => {}}
            underlay={(layout: PathLayout) => (
              <HaloUnderlay layout={layout} at={show ? seen : new Map()} next={null} done={done} />
            )}
          />
        </section>
      </section>
      {training.ended ? (
        <CaseEnd
          book={book}
          training={training}
          secret={secret}
          mine={mine}
          best={bestRun(at, training)}
          onAgain={onAgain}
        />
      ) : (
        <div className="grid min-w-0 flex-1 bg-enamel lg:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
          <TestPicker
            book={book}
            bench={at.bench}
            training={training}
            standing={standing}
            hint={hint}
            onTest={(test) => press({ type: 'test', test })}
          />
          <aside aria-label="So far" className="border-hair px-5 py-3 max-lg:order-first max-lg:border-b lg:border-l">
            <div className="lg:sticky lg:top-3">
              <h2 className="head m-0">It showed</h2>
              {last && (
                <p className="m-0 py-1 text-[20px] font-semibold" role="status" data-shown>
                  {shownWords(book, last)}
                </p>
              )}
              <ol className="m-0 max-h-[280px] list-none overflow-y-auto p-0 text-[14px]">
                {training.tests.map((one, i) => (
                  <li key={i} className="grid grid-cols-[24px_1fr] border-t border-hair py-1">
                    <span className="mono text-second">{i + 1}</span>
                    <span>
                      {book.tests.find(({ id }) => id === one.test)!.say}:{' '}
                      <b className="font-semibold">{shownWords(book, one)}</b>
                    </span>
                  </li>
                ))}
              </ol>
              {training.wrong.length > 0 && (
                <p role="alert" className="m-0 border-l-4 border-seal py-1 pl-3">
                  Repaired, and it was not:{' '}
                  {training.wrong.map((id) => book.faults.find((one) => one.id === id)!.name.toLowerCase()).join('; ')}.
                </p>
              )}
              <label className="mt-3 flex flex-col gap-0.5">
                <span className="slim text-[14px]">I know what it is</span>
                <select className="field w-full" value={naming} onChange={(event) => setNaming(event.target.value)}>
                  <option value="">choose …</option>
                  {[...book.faults]
                    .sort((a, b) => (a.name < b.name ? -1 : 1))
                    .map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                </select>
              </label>
              <div className="flex flex-wrap gap-3 pt-3">
                <button
                  type="button"
                  className="act"
                  disabled={naming === ''}
                  onClick={() => {
                    press({ type: 'name', fault: naming })
                    setNaming('')
                  }}
                >
                  Repair that
                </button>
                <button
                  type="button"
                  className="plain"
                  disabled={halo}
                  onClick={() => {
                    setHalo(true)
                    press({ type: 'halo' })
                  }}
                >
                  Show the halo, 5 min
                </button>
                <button type="button" className="plain" onClick={() => press({ type: 'give up' })}>
                  Give up, show me
                </button>
              </div>
              <p className="m-0 pt-2 text-[13px] text-second">
                Minutes of tests are from memory. A wrong repair costs what it takes. Nothing here is a machine to
                touch: on a real one mains, pressure and heat come first.
              </p>
            </div>
          </aside>
        </div>
      )}
    </div>
  )
}

/** What a test showed, as it is read. */
function shownWords(book: TrainingBench['book'], { test, shown, outcome }: Training['tests'][number]): string {
  const known = book.tests.find(({ id }) => id === test)!
  if (!known.reads) return known.outcomes.find(({ id }) => id === outcome)!.words
  return typeof shown === 'number'
    ? `${figure(shown)} ${known.reads.unit}`
    : known.reads.unit === 'Ω'
      ? 'open'
      : 'it never comes'
}

export const TrainerPageIsland = island(TrainerPage)
