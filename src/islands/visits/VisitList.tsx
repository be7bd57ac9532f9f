import { useState } from 'react'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { VisitPage } from '../../views/visit-page.ts'
import { fromPage } from '../from-page.tsx'
import { useFetched } from '../use-fetched.ts'
import { VisitLine } from './VisitLine.tsx'

interface Props {
  first: VisitPage
  firm: string
  today: string
  technicians: { id: string; name: string }[]
  filter: { siteId?: string; machineId?: string; technicianId?: string }
  /** The site or machine whose visits these are, if only those. */
  of: string | null
}

/** Every call, the latest first: by site, machine or technician. */
function VisitList({ first, firm, today, technicians, filter: firstFilter, of }: Props) {
  const [page, setPage] = useState(first)
  const [filter, setFilter] = useState(firstFilter)
  const [lost, setLost] = useState(false)
  const query = new URLSearchParams(filter as Record<string, string>)
  const take = (answer: VisitPage) => {
    history.replaceState(null, '', `?${query}`)
    setPage(answer)
  }
  const failed = useFetched<VisitPage>(`/api/visits?${query}`, take, { answered: true }) || lost
  const more = async () => {
    const response = await fetch(`/api/visits?${query}&cursor=${page.next}`).catch(() => null)
    setLost(!response?.ok)
    if (!response?.ok) return
    const next = (await response.json()) as VisitPage
    setPage({ ...next, rows: [...page.rows, ...next.rows] })
  }
  return (
    <div>
      <TitleBlock name="Visits" under={of ? `${of}, ${firm}` : firm} facts={[]} />
      <div className="px-4 pt-2 pb-8 lg:px-6">
        <div className="flex flex-wrap items-center gap-3 pb-2">
          <label className="flex items-center gap-2">
            <span className="text-second">By</span>
            <select
              className="field"
              aria-label="Technician"
              value={filter.technicianId ?? ''}
              onChange={(event) => {
                const { technicianId: _, ...rest } = filter
                setFilter(event.target.value ? { ...rest, technicianId: event.target.value } : rest)
              }}
            >
              <option value="">anyone</option>
              {technicians.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          {of && (
            <a className="word min-h-[24px]" href="/visits">
              At any place
            </a>
          )}
          {failed && (
            <span role="alert" className="font-semibold text-seal-ink">
              No connection: the list is as it was.
            </span>
          )}
        </div>
        {page.rows.length === 0 && (
          <p className="m-0 max-w-[560px] text-second">
            No visit here yet. A new entry at a machine is one; entries of the same day at the same site belong
            together.
          </p>
        )}
        <ul className="m-0 list-none p-0">
          {page.rows.map((visit) => (
            <VisitLine key={visit.visitId} visit={visit} today={today} withSite={!filter.siteId} />
          ))}
        </ul>
        {page.next && (
          <button type="button" className="plain mt-3" onClick={more}>
            Earlier ones
          </button>
        )}
      </div>
    </div>
  )
}

export const VisitListIsland = fromPage(VisitList)
