import { useEffect, useState } from 'react'
import type { Standing } from '../../core/standing/standing.ts'
import { DueDefs } from '../../ui/DueBell.tsx'
import { DueScale } from '../../ui/DueScale.tsx'
import { dueAxis } from '../../ui/due-axis.ts'
import { counted, figure } from '../../ui/format.ts'
import { KeyBar } from '../../ui/KeyBar.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { meansItself, rowAfter } from '../../ui/typing.ts'
import { WorkingColumn } from '../../ui/WorkingColumn.tsx'
import { mostCounted, type RoundChoices, type RoundPage, type RoundRow } from '../../views/round-page.ts'
import { fromPage } from '../from-page.tsx'
import { cautionWords, dueSentence, title } from '../standing-words.ts'
import { useFetched } from '../use-fetched.ts'
import { useNear } from '../use-near.ts'
import { BackupBand, type BackupCame } from './BackupBand.tsx'
import { countWords } from './count-words.ts'
import { FilterSentence, type RoundFilter } from './FilterSentence.tsx'
import { RoundStops } from './RoundStops.tsx'
import { Row, staleDays } from './Row.tsx'
import { useKeptRow } from './use-kept-row.ts'
import { mostPrinted, useRoundPage } from './use-round-page.ts'
import { machineHref, WhereTo } from './WhereTo.tsx'

interface Props {
  first: RoundPage
  choices: RoundChoices
  firm: string
  today: string
  filter: RoundFilter
  /** What came of the last backup, for the owner. */
  backup: BackupCame | null
}

/** Everything due, in order of when and how surely, on one time axis that gives the near future more room. */
function RoundBoard({ first, choices, firm, today, filter: firstFilter, backup }: Props) {
  const [filter, setFilter] = useState(firstFilter)
  const [at, setAt] = useState(0)
  const [sheet, setSheet] = useState(false)
  const { page, counts, failed, lost, more, fetchAll } = useRoundPage(first, filter, () => setAt(0))
  const print = async () => {
    if (await fetchAll()) window.print()
  }
  const rows = page.rows
  const chosen = rows[at] ?? null
  const detail = useDetail(chosen)
  useKeptRow({ rows, keyOf, next: Boolean(page.next), more }, at, setAt)
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
            ...(counts.overdue > 0 && { tone: 'text-seal-ink' }),
          },
          { label: 'Here', value: countWords(counts.matching), source: `of ${countWords(counts.all)} in this time` },
          {
            label: 'Stale readings',
            value: figure(counts.staleReadings),
            source: `older than ${staleDays} d`,
            ...(counts.staleReadings > 0 && { tone: 'text-brass-ink' }),
          },
          ...(counts.waiting > 0
            ? [
                {
                  label: 'Being reckoned',
                  value: figure(counts.waiting),
                  // Softeners are among them: more can wait than there are machines.
                  source: 'machines and softeners, dates may move',
                },
              ]
            : []),
        ]}
      />
      <BackupBand backup={backup} today={today} />
      <div className="flex min-w-0 flex-1">
        <section className="min-w-0 flex-1 bg-enamel pb-10" aria-label="Coming due">
          <div className="flex flex-wrap-reverse items-center gap-x-4 px-4 pt-1 lg:px-6">
            <FilterSentence
              filter={filter}
              choices={choices}
              matching={counts.matching}
              all={counts.all}
              onChange={setFilter}
            />
            <RoundStops at="due" />
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
              <p className="m-0 hidden px-4 text-[13px] print:block">
                {rows.length < counts.matching
                  ? `On this paper: ${figure(rows.length)} of ${countWords(counts.matching)}, the soonest.`
                  : `All ${figure(rows.length)} that are due in this time.`}
              </p>
              <ul className="m-0 list-none p-0">
                {rows.map((row, i) => (
                  <Row
                    key={keyOf(row)}
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
              <KeyBar
                keys={[
                  [['j', 'k'], 'row'],
                  [['Enter'], 'open the machine'],
                  [['n'], 'new entry there'],
                  [['f'], 'change a word of the first line'],
                ]}
              >
                <span className="ml-auto">Taller: surer in days. Dashed: the last reading is old.</span>
                <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={print}>
                  {counts.matching > mostPrinted
                    ? `Print the first ${figure(mostPrinted)} of ${countWords(counts.matching)}`
                    : `Print all ${figure(counts.matching)}`}
                </button>
              </KeyBar>
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

const keyOf = ({ subjectId, standing }: RoundRow) => `${subjectId} ${standing.key}`

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
        <a href="/import/readings" className="plain inline-flex items-center">
          Readings from a spreadsheet
        </a>
      </p>
    </div>
  )
}

export const RoundIsland = fromPage(RoundBoard)
