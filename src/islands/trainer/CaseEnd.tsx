import { useEffect, useState } from 'react'
import type { SecretCase } from '../../core/bench/secret-case.ts'
import type { Clocked, Training } from '../../core/bench/training.ts'
import type { FaultBook } from '../../core/faults/fault.ts'
import { suspectName } from '../../core/faults/shares.ts'
import { figure } from '../../ui/format.ts'
import { ClockBar } from './ClockBar.tsx'
import { addPast, type PastCase } from './kept-cases.ts'

interface Props {
  book: FaultBook
  training: Training
  secret: SecretCase
  mine: Clocked
  best: Clocked & { named: string }
  onAgain: () => void
}

/** After a case: what it was, your way and the best one on the same minutes. */
export function CaseEnd({ book, training, secret, mine, best, onAgain }: Props) {
  const [past, setPast] = useState<PastCase[]>([])
  const { kind, seed, ended } = training
  useEffect(() => {
    void addPast({ kind, seed, minutes: mine.minutes, bestMinutes: best.minutes, found: ended === 'found' }).then(
      setPast,
    )
  }, [kind, seed, ended, mine.minutes, best.minutes])
  const fault = book.faults.find(({ id }) => id === secret.fault)!
  const until = Math.max(20, mine.minutes, best.minutes)
  const idle = mine.stops.filter(({ nothingNew }) => nothingNew)
  const name = (id: string) => book.tests.find((test) => test.id === id)!.say
  const ratio =
    past.reduce((sum, one) => sum + one.minutes, 0) /
    Math.max(
      1,
      past.reduce((sum, one) => sum + one.bestMinutes, 0),
    )
  return (
    <section aria-label="Afterwards" className="flex-1 bg-enamel px-4 py-4 lg:px-6">
      <h2 className="m-0 text-[24px] font-[640]">
        {ended === 'found' ? 'Found: ' : 'It was: '}
        {fault.name.toLowerCase()}
      </h2>
      <p className="m-0 text-second">
        {fault.repair.say}, about {fault.repair.minutes} min.
      </p>
      <div className="grid gap-x-10 pt-3 lg:grid-cols-2">
        {[
          { who: 'You', run: mine, found: ended === 'found', instead: null },
          {
            who: 'The best next test',
            run: best,
            found: best.named === secret.fault,
            instead: suspectName(book, best.named).toLowerCase(),
          },
        ].map(({ who, run, found, instead }) => (
          <section key={who} aria-label={who} className="pb-3">
            <h3 className="head m-0">{who}</h3>
            <ClockBar stops={run.stops} minutes={run.minutes} until={until} found={found} label={who} />
            <ol className="m-0 list-none p-0 text-[14px]">
              {run.stops.map(({ test, nothingNew }, i) => (
                <li key={`${test} ${i + 1}`} className="grid grid-cols-[24px_1fr] border-t border-hair py-1">
                  <span className="mono text-second">{i + 1}</span>
                  <span>
                    {name(test)}
                    {nothingNew && <span className="text-second"> told nothing new</span>}
                  </span>
                </li>
              ))}
            </ol>
            {!found && instead && (
              <p className="m-0 text-[14px] text-second">It would have named “{instead}” first: instruments err.</p>
            )}
          </section>
        ))}
      </div>
      <p className="m-0 border-t border-ink pt-2">
        <b>
          {idle.length === 0
            ? 'Every test of yours told something.'
            : `${idle.length} of ${mine.stops.length} tests told nothing new.`}
        </b>{' '}
        {training.wrong.length > 0 &&
          `${training.wrong.length} wrong ${training.wrong.length === 1 ? 'repair' : 'repairs'}. `}
        {training.halos > 0 && `Halo asked for ${training.halos} ×. `}
        {past.length > 1 && `Over your last ${past.length}: ${figure(ratio)} × the best minutes.`}
      </p>
      <p className="m-0 text-[14px] text-second">
        Case {seed} of this kind is the same for everybody:{' '}
        <a className="word" href={`/procedures/bench?kind=${kind}&case=${seed}`}>
          its address
        </a>{' '}
        sets it for somebody else.
      </p>
      <button type="button" className="act mt-4 min-h-[52px]" onClick={onAgain}>
        Another case
      </button>
    </section>
  )
}
