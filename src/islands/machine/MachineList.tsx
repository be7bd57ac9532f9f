import { useState } from 'react'
import { flushSync } from 'react-dom'
import { counted, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { MachinePage } from '../../views/machine-page.ts'
import { fromPage } from '../from-page.tsx'
import { useAddress } from '../use-address.ts'
import { useFetched } from '../use-fetched.ts'
import { MachineLine } from './MachineLine.tsx'

const WhereItStands = later(() => import('./WhereItStands.tsx').then((module) => module.WhereItStands))

/** More than these are no list for a van. */
const mostPrinted = 1000

interface Props {
  first: MachinePage
  text: string
  kind: string
  stage: '' | 'workshop' | 'retired'
  today: string
  kinds: { id: string; name: string }[]
  firm: string
}

/** Every machine by place and name, with its last reading and what is due next. */
function MachineList({ first, text: firstText, kind: firstKind, stage: firstStage, today, kinds, firm }: Props) {
  const [page, setPage] = useState(first)
  const [text, setText] = useState(firstText)
  const [kind, setKind] = useState(firstKind)
  const [stage, setStage] = useState(firstStage)
  const [lost, setLost] = useState(false)
  const [adding, setAdding] = useState(false)
  useAddress({ text, kind, stage, shown: page.rows.length > first.rows.length ? String(page.rows.length) : '' })
  const query = new URLSearchParams({ ...(text && { text }), ...(kind && { kind }), ...(stage && { stage }) })
  const failed = useFetched<MachinePage>(`/api/machines?${query}`, setPage, { answered: true }) || lost

  const more = async () => {
    query.set('cursor', page.next!)
    const response = await fetch(`/api/machines?${query}`).catch(() => null)
    setLost(!response?.ok)
    if (!response?.ok) return
    const next = (await response.json()) as MachinePage
    setPage({ ...next, rows: [...page.rows, ...next.rows] })
  }
  /** Paper has no more to come: all of it is fetched first. */
  const print = async () => {
    let all = page
    while (all.next && all.rows.length < mostPrinted) {
      query.set('cursor', all.next)
      const response = await fetch(`/api/machines?${query}`).catch(() => null)
      setLost(!response?.ok)
      if (!response?.ok) return
      const next = (await response.json()) as MachinePage
      all = { ...next, rows: [...all.rows, ...next.rows] }
    }
    flushSync(() => setPage(all))
    window.print()
  }
  return (
    <div>
      <TitleBlock
        name="Machines"
        under={`${firm}, ${counted(page.all, 'machine')}`}
        facts={[]}
        action={
          <>
            <a href="/import/readings" className="plain inline-flex items-center max-md:hidden">
              Readings from a spreadsheet
            </a>
            <button type="button" className="act whitespace-nowrap" onClick={() => setAdding(true)}>
              Add a machine
            </button>
          </>
        }
      />
      <div className="px-4 pt-3 pb-8 lg:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <input
            className="field w-full md:w-[340px]"
            placeholder="Place, name, maker or serial"
            aria-label="Find among the machines"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <select
            className="field"
            aria-label="Kind of machine"
            value={kind}
            onChange={(event) => setKind(event.target.value)}
          >
            <option value="">any kind of machine</option>
            {kinds.map((entry) => (
              <option key={entry.id} value={entry.id}>
                {entry.name}
              </option>
            ))}
          </select>
          <select
            className="field"
            aria-label="In service or not"
            value={stage}
            onChange={(event) => setStage(event.target.value as Props['stage'])}
          >
            <option value="">in service</option>
            <option value="workshop">in the workshop</option>
            <option value="retired">out of service</option>
          </select>
          {failed && (
            <span role="alert" className="font-semibold text-seal-ink">
              No connection: the list is as it was.
            </span>
          )}
        </div>
        {page.rows.length === 0 && (
          <p className="text-second">
            {page.all === 0 ? (
              <>
                No machine yet.{' '}
                <a className="word" href="/first-steps">
                  The first one
                </a>{' '}
                takes two minutes: where it stands, what it is, what its counter shows.
              </>
            ) : stage === 'workshop' && !text ? (
              'None is in the workshop. One that is taken there is said so on its own page, under Change, with the one on loan in its place.'
            ) : stage && !text ? (
              'None is out of service. One that is retired stands here, and is brought back on its own page, under Change.'
            ) : (
              'No machine has all these words. Try fewer, or part of the serial number.'
            )}
          </p>
        )}
        <p className="m-0 mt-2 hidden text-[13px] print:block">
          {page.next
            ? `On this paper: the first ${figure(page.rows.length)}.`
            : `All ${counted(page.rows.length, 'machine')}.`}
        </p>
        <ul className="m-0 mt-3 list-none p-0">
          {page.rows.map((row) => (
            <MachineLine key={row.id} row={row} today={today} kinds={kinds} withPlace />
          ))}
        </ul>
        <p className="m-0 mt-3 flex flex-wrap items-center gap-4" data-noprint>
          {page.next && (
            <button type="button" className="plain" onClick={more}>
              More machines
            </button>
          )}
          {page.rows.length > 0 && (
            <button type="button" className="word min-h-[44px] max-md:hidden" onClick={print}>
              {page.next ? 'Print all' : 'Print'}
            </button>
          )}
        </p>
      </div>
      {adding && <WhereItStands onClose={() => setAdding(false)} />}
    </div>
  )
}

export const MachineListIsland = fromPage(MachineList)
