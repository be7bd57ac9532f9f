import { useEffect, useState } from 'react'
import { counted, dayLong, figure } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { ImportPage } from '../../views/import.ts'
import type { RowVerdict } from '../../views/judged-row.ts'
import { island } from '../island.tsx'
import { send } from '../keep.ts'
import { listWords, stateWords, verdictWords } from './import-words.ts'

const isUnderWay = (state: ImportPage['state']) => state === 'waiting' || state === 'going-back'
const everyMs = 1000

/** One list that was brought in: how far it is, what it made, what was refused; and taking it back. */
function ImportProgress({ list: first, firm }: { list: ImportPage; firm: string }) {
  const [list, setList] = useState(first)
  const [asking, setAsking] = useState(false)
  const [problem, setProblem] = useState('')
  useEffect(() => {
    if (!isUnderWay(list.state)) return
    const timer = setTimeout(async () => {
      try {
        const answer = await fetch(`/api/imports/${list.id}`)
        if (answer.ok) setList(await answer.json())
        else setList({ ...list })
      } catch {
        setProblem('No connection just now; it goes on by itself.')
        setList({ ...list })
      }
    }, everyMs)
    return () => clearTimeout(timer)
  }, [list])
  const ask = async (what: 'stop' | 'back') => {
    setAsking(false)
    const told = await send<object>('POST', `/api/imports/${list.id}/${what}`, {})
    if (!told.ok) return setProblem(told.issues[0]!.message)
    setProblem('')
    setList({ ...list, state: what === 'back' ? 'going-back' : 'stopped' })
  }
  const words = listWords[list.what]
  const { records, filled, entries } = list.made
  const made = [
    ...Object.entries(records).map(([kind, n]) => counted(n, kind)),
    ...(filled > 0 ? [`${counted(filled, 'record')} filled in`] : []),
    counted(entries, 'entry', 'entries'),
  ].join(', ')
  const refused = list.refused.length
  return (
    <div>
      <TitleBlock
        name={list.fileName}
        under={`${firm}, ${words.title.toLowerCase()}`}
        facts={[
          { label: 'Brought in', value: dayLong(list.askedAt.slice(0, 10)) },
          { label: 'By', value: list.by },
          { label: 'Rows', value: figure(list.rows) },
        ]}
      />
      <div className="max-w-[980px] px-4 pt-4 pb-12 lg:px-6">
        <p role="status" className="m-0 border-l-4 border-water pl-3 text-[18px]">
          <b>{stateWords[list.state][0]!.toUpperCase() + stateWords[list.state].slice(1)}</b>
          {list.state === 'waiting' &&
            `: ${figure(list.done)} of ${figure(list.rows)} rows. It goes on if this page is closed.`}
          {list.state === 'going-back' && '. It goes on if this page is closed.'}
          {list.state === 'taken-back' &&
            list.takenBackBy &&
            ` by ${list.takenBackBy}. What was written and withdrawn stays to be read in the ledger.`}
        </p>
        {list.state === 'waiting' && (
          <progress
            className="mt-2 h-3 w-full max-w-[480px]"
            value={list.done}
            max={list.rows}
            aria-label="Rows dealt with"
          />
        )}
        {(problem || list.problem) && (
          <p role="alert" className="mt-2 mb-0 font-semibold text-seal-ink">
            {problem || list.problem}
          </p>
        )}
        <dl className="mt-3 mb-0 flex flex-wrap gap-x-8 gap-y-1">
          {(Object.keys(verdictWords) as RowVerdict[])
            .filter((verdict) => list.verdicts[verdict])
            .map((verdict) => (
              <div key={verdict}>
                <dt className="slim text-[13px] text-second">{verdictWords[verdict]}</dt>
                <dd className="mono m-0">{figure(list.verdicts[verdict]!)}</dd>
              </div>
            ))}
        </dl>
        <p className="mt-3 mb-0">
          {list.state === 'taken-back' ? 'It had made' : 'It made'} {made}.
        </p>
        <p className="mt-4 mb-0 flex flex-wrap items-center gap-3">
          {list.state === 'waiting' && (
            <button type="button" className="plain" onClick={() => ask('stop')}>
              Stop it here
            </button>
          )}
          {!isUnderWay(list.state) && list.state !== 'taken-back' && (
            <>
              <a className="act inline-flex items-center" href="/round/sites">
                See what is due
              </a>
              {list.what === 'machines' && (
                <a className="plain inline-flex items-center" href="/machines">
                  The machines
                </a>
              )}
              {list.mayTakeBack && (
                <button type="button" className="plain" onClick={() => setAsking(true)}>
                  Take it all back
                </button>
              )}
            </>
          )}
          {refused > 0 && (
            <a className="plain inline-flex items-center" href={`/api/imports/${list.id}/refused.csv`} download>
              The rows that were not written
            </a>
          )}
          <a className="plain inline-flex items-center" href={`/api/imports/${list.id}/file`} download>
            The file
          </a>
        </p>
        {refused > 0 && (
          <section aria-labelledby="refused" className="mt-6">
            <h2 id="refused" className="head m-0">
              Not written
            </h2>
            <ul className="m-0 list-none p-0">
              {list.refused.map(({ row, verdict, reason }) => (
                <li key={row} className="flex flex-wrap gap-x-4 border-t border-hair py-1 text-[14px]">
                  <span className="mono w-[72px] text-right text-second">row {figure(row + 1)}</span>
                  <b className="w-[130px]">{verdictWords[verdict as RowVerdict]}</b>
                  <span className="min-w-0 flex-1">{reason}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <Sheet
        open={asking}
        onOpenChange={setAsking}
        title="Take it all back"
        about={`${made}: entries are withdrawn, and stay to be read; what was made is removed.`}
      >
        {list.builtUpon.length > 0 && (
          <>
            <p className="m-0 border-l-4 border-brass pl-3">
              {counted(list.builtUpon.length, 'thing')} of it {list.builtUpon.length === 1 ? 'has' : 'have'} been built
              upon since, and {list.builtUpon.length === 1 ? 'stays' : 'stay'} as{' '}
              {list.builtUpon.length === 1 ? 'it is' : 'they are'}, with the place{' '}
              {list.builtUpon.length === 1 ? 'it stands' : 'they stand'} at:
            </p>
            <ul className="m-0 mt-1 list-none p-0">
              {list.builtUpon.map(({ kind, id, name, by }) => (
                <li key={id} className="border-t border-hair py-1 text-[14px]">
                  {kind} <b>{name}</b>: {by}
                </li>
              ))}
            </ul>
          </>
        )}
        <div className="mt-3 flex flex-wrap gap-3">
          <button type="button" className="act" onClick={() => ask('back')}>
            Take back {counted(list.rows, 'row')}
          </button>
          <button type="button" className="plain" onClick={() => setAsking(false)}>
            Leave it
          </button>
        </div>
      </Sheet>
    </div>
  )
}

export const ImportProgressIsland = island(ImportProgress)
