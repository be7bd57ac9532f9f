import { useCallback, useEffect, useState } from 'react'
import { flushSync } from 'react-dom'
import type { Standing } from '../../core/standing/standing.ts'
import { DueBell, DueDefs } from '../../ui/DueBell.tsx'
import { DueScale } from '../../ui/DueScale.tsx'
import { dueAxis } from '../../ui/due-axis.ts'
import { counted, dayNear, daysUntil, figure, halfWidth } from '../../ui/format.ts'
import { Key } from '../../ui/Key.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { meansItself, rowAfter } from '../../ui/typing.ts'
import { urgencyInk, urgencyOf } from '../../ui/urgency.ts'
import { WorkingColumn } from '../../ui/WorkingColumn.tsx'
import { mostCounted, type RoundChoices, type RoundPage, type RoundRow } from '../../views/round-page.ts'
import { cautionWords, dueSentence, governs, title } from '../standing-words.ts'
import { useFetched } from '../use-fetched.ts'
import { useNear } from '../use-near.ts'
import { countWords } from './count-words.ts'
import { FilterSentence, type RoundFilter } from './FilterSentence.tsx'

interface Props {
  first: RoundPage
  choices: RoundChoices
  firm: string
  today: string
  filter: RoundFilter
}

const staleDays = 60
/** More rows than this are no list for a van. */
const mostPrinted = 500

/** Everything due, in order of when and how surely, on one time axis that gives the near future more room. */
export function RoundBoard({ first, choices, firm, today, filter: firstFilter }: Props) {
  const [page, setPage] = useState(first)
  const [counts, setCounts] = useState(first.counts!)
  const [filter, setFilter] = useState(firstFilter)
  const [at, setAt] = useState(0)
  const [lost, setLost] = useState(false)
  const [sheet, setSheet] = useState(false)
  const asked = query(filter)
  const take = (answer: RoundPage) => {
    history.replaceState(null, '', `?${asked}`)
    setPage(answer)
    if (answer.counts) setCounts(answer.counts)
    setAt(0)
  }
  const failed = useFetched<RoundPage>(`/api/round?${asked}`, take, { answered: true }) || lost
  // While machines are being reckoned the board follows: what it shows may move.
  useEffect(() => {
    if (counts.waiting === 0) return
    const timer = setTimeout(async () => {
      const response = await fetch(`/api/round?${asked}`).catch(() => null)
      if (!response?.ok) return
      const answer = (await response.json()) as RoundPage
      setPage(answer)
      if (answer.counts) setCounts(answer.counts)
    }, 3000)
    return () => clearTimeout(timer)
  }, [counts, asked])
  const rows = page.rows
  const chosen = rows[at] ?? null
  const detail = useDetail(chosen)
  const axis = dueAxis(today, 340)
  const phoneAxis = dueAxis(today, 128)

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event)) return
      setAt((now) => rowAfter(event.key, now, rows.length))
      if (event.key === 'w') setSheet(true)
      if (event.key === 'f') document.querySelector<HTMLElement>('[data-filter-word]')?.focus()
      if (
        event.key === 'Enter' &&
        chosen &&
        !(event.target instanceof HTMLAnchorElement) &&
        !(event.target instanceof HTMLButtonElement)
      )
        location.assign(machineHref(chosen))
      if (event.key === 'n' && chosen?.machineId) location.assign(`/machines/${chosen.machineId}/entry`)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [chosen, rows.length])

  useEffect(() => {
    document.querySelector(`[data-row="${at}"]`)?.scrollIntoView({ block: 'nearest' })
  }, [at])

  const more = useCallback(async () => {
    const response = await fetch(`/api/round?${asked}&cursor=${page.next}`).catch(() => null)
    setLost(!response?.ok)
    if (!response?.ok) return
    const next = (await response.json()) as RoundPage
    // An answer that was asked for twice is added once.
    setPage((now) => (now.next === page.next ? { ...next, rows: [...now.rows, ...next.rows] } : now))
  }, [asked, page.next])

  /** Paper has no more to come: all of it is fetched first, as far as somebody will carry. */
  const print = async () => {
    let all = page
    while (all.next && all.rows.length < mostPrinted) {
      const response = await fetch(`/api/round?${asked}&cursor=${all.next}`).catch(() => null)
      setLost(!response?.ok)
      if (!response?.ok) return
      const next = (await response.json()) as RoundPage
      all = { ...next, rows: [...all.rows, ...next.rows] }
    }
    flushSync(() => setPage(all))
    window.print()
  }

  // Whoever reads on needs no button; it is there for the keyboard and for a network that was gone.
  const end = useNear<HTMLButtonElement>(more, !lost)

  const choose = (i: number) => {
    setAt(i)
    // Where there is no room for the column, the working comes as a sheet.
    if (window.innerWidth < 1024) setSheet(true)
  }
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <DueDefs />
      <TitleBlock
        name="Coming due"
        under={`${firm}, ${counted(counts.machines, 'machine')}`}
        facts={[
          {
            label: 'Overdue',
            value: countWords(counts.overdue),
            source: counts.overdue === 1 ? 'task' : 'tasks',
            ...(counts.overdue > 0 && { tone: 'var(--seal)' }),
          },
          { label: 'Here', value: countWords(counts.matching), source: `of ${countWords(counts.all)} in this time` },
          {
            label: 'Stale readings',
            value: figure(counts.staleReadings),
            source: `older than ${staleDays} d`,
            ...(counts.staleReadings > 0 && { tone: 'var(--brass-ink)' }),
          },
          ...(counts.waiting > 0
            ? [
                {
                  label: 'Being reckoned',
                  value: figure(counts.waiting),
                  source: `of ${figure(counts.machines)}, dates may move`,
                },
              ]
            : []),
        ]}
      />
      <div className="flex min-w-0 flex-1">
        <section className="min-w-0 flex-1 bg-enamel pb-10" aria-label="Coming due">
          <div className="px-4 pt-2 lg:px-6">
            <FilterSentence
              filter={filter}
              choices={choices}
              matching={counts.matching}
              all={counts.all}
              onChange={setFilter}
            />
          </div>
          {failed && (
            <p role="alert" className="m-0 px-6 py-1 font-semibold text-seal-ink">
              No connection: the list is as it was.
            </p>
          )}
          {rows.length === 0 ? (
            <Empty filtered={counts.all > 0} onClear={() => setFilter({ horizon: filter.horizon })} />
          ) : (
            <>
              <div className="slim hidden items-end px-4 text-[13px] text-second md:flex lg:px-6">
                <span className="w-[24%] min-w-[150px] pb-1.5 pl-2.5">Place, machine</span>
                <span className="min-w-0 flex-1 pb-1.5">Task, and what governs</span>
                <DueScale axis={axis} />
                <span className="w-[104px] pb-1.5 pl-3">Due</span>
              </div>
              <ul className="m-0 list-none p-0">
                {rows.map((row, i) => (
                  <Row
                    key={`${row.subjectId} ${row.standing.key}`}
                    row={row}
                    index={i}
                    on={i === at}
                    today={today}
                    axis={axis}
                    phoneAxis={phoneAxis}
                    onChoose={() => choose(i)}
                  />
                ))}
              </ul>
              {page.next && (
                <button ref={end} type="button" className="plain m-4" onClick={more}>
                  More: {counts.matching > mostCounted ? 'later ones' : `${counts.matching - rows.length} later ones`}
                </button>
              )}
              <p
                className="m-0 hidden flex-wrap items-center gap-x-4 gap-y-1 px-6 pt-3 text-[13px] text-second md:flex"
                data-noprint
              >
                <span>
                  <Key>j</Key> <Key>k</Key> row
                </span>
                <span>
                  <Key>Enter</Key> open the machine
                </span>
                <span>
                  <Key>n</Key> new entry there
                </span>
                <span>
                  <Key>f</Key> change a word of the first line
                </span>
                <span className="ml-auto">Taller: surer in days. Dashed: the last reading is old.</span>
                <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={print}>
                  Print what is listed
                </button>
              </p>
            </>
          )}
        </section>
        {chosen && (
          <aside
            className="sticky top-0 hidden h-screen w-[332px] shrink-0 overflow-auto border-l border-hair px-5 pt-3 pb-6 lg:block print:hidden"
            aria-label="Working"
          >
            <h2 className="head m-0">
              <span className="text-copper">Working</span> {title(chosen.standing)}
            </h2>
            <p className="m-0">{dueSentence(chosen.standing, today)}</p>
            <p className="m-0 mb-2 text-[14px] text-second">
              {chosen.siteName}, {chosen.machineName}
              {chosen.model && `, ${chosen.model}`}
            </p>
            <Detail detail={detail} />
            {chosen.standing.caution && (
              <p className="mt-3 mb-0 border-l-4 border-brass pl-3 text-[14px]">
                {cautionWords[chosen.standing.caution]}
              </p>
            )}
            <WhereTo row={chosen} />
          </aside>
        )}
      </div>
      {chosen && (
        <Sheet
          open={sheet}
          onOpenChange={setSheet}
          title={title(chosen.standing)}
          about={`${chosen.siteName}, ${chosen.machineName}. ${dueSentence(chosen.standing, today)}`}
          from="bottom"
        >
          <Detail detail={detail} />
          <WhereTo row={chosen} />
        </Sheet>
      )}
    </div>
  )
}

/** From a row to its machine, or straight to an entry there. */
function WhereTo({ row }: { row: RoundRow }) {
  return (
    <p className="mt-4 mb-0 flex gap-3">
      <a href={machineHref(row)} className="plain inline-flex items-center">
        Open the machine
      </a>
      {row.machineId && (
        <a href={`/machines/${row.machineId}/entry`} className="plain inline-flex items-center">
          New entry
        </a>
      )}
    </p>
  )
}

const machineHref = (row: RoundRow) => `/machines/${row.machineId}?task=${encodeURIComponent(row.standing.key)}`

function query(filter: RoundFilter): string {
  const entries = Object.entries(filter).filter((entry): entry is [string, string] => Boolean(entry[1]))
  return new URLSearchParams(entries).toString()
}

/** The working of the chosen row, fetched when somebody looks at it. */
function useDetail(row: RoundRow | null): Standing | null | 'failed' {
  const [detail, setDetail] = useState<{ url: string; standing: Standing } | null>(null)
  const url = row ? `/api/standings/${row.subjectId}?key=${encodeURIComponent(row.standing.key)}` : null
  const failed = useFetched<Standing>(url, (standing) => setDetail({ url: url!, standing }), { afterMs: 60 })
  if (detail && detail.url === url) return detail.standing
  return failed ? 'failed' : null
}

function Detail({ detail }: { detail: Standing | null | 'failed' }) {
  if (detail === 'failed')
    return <p className="text-second">The working needs the network. The machine's own page has it too.</p>
  return detail ? <WorkingColumn working={detail.working} /> : <div className="min-h-[200px]" aria-busy="true" />
}

interface RowProps {
  row: RoundRow
  index: number
  on: boolean
  today: string
  axis: ReturnType<typeof dueAxis>
  phoneAxis: ReturnType<typeof dueAxis>
  onChoose: () => void
}

function Row({ row, index, on, today, axis, phoneAxis, onChoose }: RowProps) {
  const { standing } = row
  const urgency = urgencyOf(standing.due, today)
  const readingAge = row.readingOn ? -daysUntil(row.readingOn, today) : null
  const counts = standing.uses.some((use) => use.clock !== 'months' && use.clock !== 'hygiene')
  const stale = row.subjectKind === 'machine' && counts && (readingAge === null || readingAge > staleDays)
  const over = standing.due ? -daysUntil(standing.due.p50, today) : 0
  return (
    <li
      className={`border-t border-hair ${on ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)] print:bg-transparent print:shadow-none' : ''}`}
    >
      <button
        type="button"
        data-row={index}
        aria-pressed={on}
        onClick={onChoose}
        onDoubleClick={() => location.assign(machineHref(row))}
        className="grid min-h-[56px] w-full grid-cols-[1fr_auto] items-center gap-x-2 px-4 py-1 text-left md:flex md:gap-x-0 md:min-h-[37px] md:py-0.5 lg:px-6"
      >
        <span className="mr-2 hidden h-3.5 w-3.5 shrink-0 border border-ink print:block" aria-hidden="true" />
        <span className="min-w-0 max-md:order-2 max-md:text-[14px] md:w-[24%] md:min-w-[150px] md:pl-2.5">
          <span className="narrow block truncate text-[14px] leading-tight md:font-semibold">{row.siteName}</span>
          <span className="narrow block truncate text-[13px] leading-tight text-second">
            {row.machineName}
            {row.model && `, ${row.model}`}
          </span>
        </span>
        <span className="min-w-0 max-md:order-1 md:flex-1 md:pr-2">
          <span className="narrow block truncate text-[14px] leading-tight font-semibold max-md:text-[15px]">
            {title(standing)}
          </span>
          <span
            className={`narrow block truncate text-[13px] leading-tight ${stale ? 'text-brass-ink' : 'text-second'}`}
          >
            {stale
              ? readingAge === null
                ? 'never read: wide'
                : `last read ${readingAge} days ago: wide`
              : governs(standing, today)}
          </span>
        </span>
        <svg width={axis.width} height={34} className="hidden shrink-0 md:block" aria-hidden="true">
          <path
            d={axis.bands
              .slice(1)
              .map((band) => `M${band.from} 0V34`)
              .join('')}
            stroke="var(--hair)"
          />
          <path d={`M${axis.todayX} 0V34`} stroke="var(--ink)" strokeWidth={1.25} />
          {standing.due && <DueBell due={standing.due} axis={axis} y={18} reach={12} stale={stale} />}
        </svg>
        <svg width={phoneAxis.width} height={24} className="block max-md:order-1 md:hidden" aria-hidden="true">
          <path d={`M${phoneAxis.todayX} 0V24`} stroke="var(--ink)" strokeWidth={1.25} />
          {standing.due && <DueBell due={standing.due} axis={phoneAxis} y={12} reach={9} stale={stale} />}
        </svg>
        <span
          className="mono shrink-0 text-[13px] leading-tight max-md:order-3 max-md:text-right md:w-[104px] md:pl-3"
          style={{ color: urgencyInk[urgency] }}
        >
          <span className="block font-semibold">
            {standing.due && (daysUntil(standing.due.p50, today) === 0 ? 'today' : dayNear(standing.due.p50, today))}
          </span>
          <span className="block">
            {over > 0
              ? `${figure(over)} d over`
              : standing.due && halfWidth(standing.due) > 0
                ? `± ${figure(halfWidth(standing.due))} d`
                : 'to the day'}
          </span>
        </span>
      </button>
    </li>
  )
}

function Empty({ filtered, onClear }: { filtered: boolean; onClear: () => void }) {
  return (
    <div className="px-6 py-8">
      <p className="head m-0">{filtered ? 'Nothing due matches these words' : 'Nothing is due in this time'}</p>
      <p className="mt-1 text-second">
        {filtered
          ? 'Look further ahead, or let go of a word.'
          : 'A machine shows here once it has been taken on; its first counter readings bring the dates closer. Look further ahead, or read counters in from a spreadsheet.'}
      </p>
      <p className="flex gap-3">
        {filtered && (
          <button type="button" className="plain" onClick={onClear}>
            Any site, kind and technician
          </button>
        )}
        <a href="/readings" className="plain inline-flex items-center">
          Readings from a spreadsheet
        </a>
      </p>
    </div>
  )
}
