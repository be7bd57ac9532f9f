import { useState } from 'react'
import { dayNear, daysUntil, figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { urgencyInk, urgencyOf } from '../../ui/urgency.ts'
import type { MachinePage } from '../../views/machine-page.ts'
import { useFetched } from '../use-fetched.ts'

interface Props {
  first: MachinePage
  text: string
  today: string
  kinds: { id: string; name: string }[]
  firm: string
}

/** Every machine by place and name, with its last reading and what is due next. */
export function MachineList({ first, text: firstText, today, kinds, firm }: Props) {
  const [page, setPage] = useState(first)
  const [text, setText] = useState(firstText)
  const [kind, setKind] = useState('')
  const [lost, setLost] = useState(false)
  const query = new URLSearchParams({ ...(text && { text }), ...(kind && { kind }) })
  const failed = useFetched<MachinePage>(`/api/machines?${query}`, setPage, { answered: true }) || lost

  const more = async () => {
    query.set('cursor', page.next!)
    const response = await fetch(`/api/machines?${query}`).catch(() => null)
    setLost(!response?.ok)
    if (!response?.ok) return
    const next = (await response.json()) as MachinePage
    setPage({ ...next, rows: [...page.rows, ...next.rows] })
  }
  const kindName = new Map(kinds.map((entry) => [entry.id, entry.name]))
  return (
    <div>
      <TitleBlock
        name="Machines"
        under={`${firm}, ${page.all} machines`}
        facts={[]}
        action={
          <a href="/readings" className="plain inline-flex items-center">
            Readings from a spreadsheet
          </a>
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
          {failed && (
            <span role="alert" className="font-semibold text-seal-ink">
              No connection: the list is as it was.
            </span>
          )}
        </div>
        {page.rows.length === 0 && (
          <p className="text-second">No machine has all these words. Try fewer, or part of the serial number.</p>
        )}
        <ul className="m-0 mt-3 list-none p-0">
          {page.rows.map((row) => {
            const urgency = urgencyOf(
              row.nextDue ? { p10: row.nextDue, p50: row.nextDue, p90: row.nextDue } : undefined,
              today,
            )
            const age = row.counter ? -daysUntil(row.counter.on, today) : null
            return (
              <li key={row.id} className="border-t border-hair">
                <a
                  href={`/machines/${row.id}`}
                  className="grid min-h-[44px] grid-cols-2 items-center gap-x-4 py-1.5 hover:bg-copper-tint md:grid-cols-[1fr_1.3fr_1.9fr_1.2fr_0.8fr]"
                >
                  <span className="font-semibold">{row.name}</span>
                  <span className="narrow max-md:text-right">
                    {row.siteName}, <span className="text-second">{row.area}</span>
                  </span>
                  <span className="narrow text-[14px]">
                    {row.maker} {row.model} <span className="text-second">· {kindName.get(row.kind)}</span>
                  </span>
                  <span className="mono text-[13px] max-md:hidden">
                    {row.counter ? (
                      <>
                        {figure(row.counter.count)}{' '}
                        <span className={age! > 60 ? 'text-brass-ink' : 'text-second'}>
                          {row.counter.unit}, {dayNear(row.counter.on, today)}
                        </span>
                      </>
                    ) : (
                      <span className="text-brass-ink">not read yet</span>
                    )}
                  </span>
                  <span className="mono text-right text-[13px]" style={{ color: urgencyInk[urgency] }}>
                    {row.nextDue
                      ? urgency === 'overdue'
                        ? `overdue ${-daysUntil(row.nextDue, today)} d`
                        : `next ${dayNear(row.nextDue, today)}`
                      : 'nothing due'}
                  </span>
                </a>
              </li>
            )
          })}
        </ul>
        {page.next && (
          <button type="button" className="plain mt-3" onClick={more}>
            More machines
          </button>
        )}
      </div>
    </div>
  )
}
