import { type ReactNode, useState } from 'react'
import { counted, dayNear } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { urgencyOf, urgencyText } from '../../ui/urgency.ts'
import type { Holding } from '../../views/record-page.ts'
import { useAddress } from '../use-address.ts'
import { useFetched } from '../use-fetched.ts'

interface Row {
  id: string
  name: string
  retiredOn?: string
  holds?: Holding
}
interface Page<R> {
  rows: R[]
  next?: string
  /** What it was looked for by. */
  text?: string
}

interface Props<R extends Row> {
  kind: 'customer' | 'supply' | 'site'
  first: Page<R>
  title: string
  under: string
  today: string
  /** What stands there when there is nothing: what it is for, and how it begins. */
  empty: ReactNode
  action: ReactNode
  href?: (row: R) => string
  describe: (row: R) => ReactNode
  onOpen?: (row: R) => void
}

/** Records of one kind by name, found by typing, a page at a time. */
export function RecordList<R extends Row>(props: Props<R>) {
  const { kind, first, title, under, today, empty, action, href, describe, onOpen } = props
  const [page, setPage] = useState(first)
  const [text, setText] = useState(first.text ?? '')
  useAddress({ text })
  const [lost, setLost] = useState(false)
  const query = new URLSearchParams({ ...(text && { text }) })
  const failed = useFetched<Page<R>>(`/api/records/${kind}?${query}`, setPage, { answered: true }) || lost
  const more = async () => {
    query.set('cursor', page.next!)
    const response = await fetch(`/api/records/${kind}?${query}`).catch(() => null)
    setLost(!response?.ok)
    if (!response?.ok) return
    const next = (await response.json()) as Page<R>
    setPage({ ...next, rows: [...page.rows, ...next.rows] })
  }
  const line = (row: R) => (
    <>
      <span className="font-semibold">{row.name}</span>
      <span className="narrow min-w-0 text-[14px] text-second">{describe(row)}</span>
      {row.holds && <Holds holds={row.holds} today={today} />}
    </>
  )
  const lineClass =
    'grid min-h-[44px] w-full grid-cols-1 items-center gap-x-4 py-1.5 text-left hover:bg-copper-tint md:grid-cols-[1fr_2fr_auto]'
  return (
    <div>
      <TitleBlock name={title} under={under} facts={[]} action={action} />
      <div className="px-4 pt-3 pb-8 lg:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <input
            className="field w-full md:w-[340px]"
            placeholder="Type a name"
            aria-label={`Find among the ${title.toLowerCase()}`}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          {failed && (
            <span role="alert" className="font-semibold text-seal-ink">
              No connection: the list is as it was.
            </span>
          )}
        </div>
        {page.rows.length === 0 && (
          <div className="max-w-[560px] pt-3 text-second">{text ? 'Nothing of that name.' : empty}</div>
        )}
        <ul className="m-0 mt-3 list-none p-0">
          {page.rows.map((row) => (
            <li key={row.id} className="border-t border-hair">
              {href ? (
                <a href={href(row)} className={lineClass}>
                  {line(row)}
                </a>
              ) : (
                <button type="button" className={lineClass} onClick={() => onOpen?.(row)}>
                  {line(row)}
                </button>
              )}
            </li>
          ))}
        </ul>
        {page.next && (
          <button type="button" className="plain mt-3" onClick={more}>
            More
          </button>
        )}
      </div>
    </div>
  )
}

/** How many machines or sites hang on it, and when something is due there. */
function Holds({ holds, today }: { holds: Holding; today: string }) {
  const due = holds.dueOn ? { p10: holds.dueOn, p50: holds.dueOn, p90: holds.dueOn } : undefined
  return (
    <span className="mono flex gap-x-4 text-[13px] whitespace-nowrap text-second md:justify-end">
      {holds.machines !== undefined && <span>{counted(holds.machines, 'machine')}</span>}
      {holds.sites !== undefined && <span>{counted(holds.sites, 'site')}</span>}
      {due && (
        <span className={`md:w-[176px] md:text-right ${urgencyText[urgencyOf(due, today)]}`}>
          {urgencyOf(due, today) === 'overdue' ? 'overdue since' : 'next due'} {dayNear(due.p50, today)}
        </span>
      )}
    </span>
  )
}
