import { Fragment, useEffect, useState } from 'react'
import { DueDefs } from '../../ui/DueBell.tsx'
import { DueScale } from '../../ui/DueScale.tsx'
import { dueAxis } from '../../ui/due-axis.ts'
import { counted, figure } from '../../ui/format.ts'
import { KeyBar } from '../../ui/KeyBar.tsx'
import { later } from '../../ui/later.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { meansItself, rowAfter } from '../../ui/typing.ts'
import { mostCounted, type RoundChoices, type RoundPage } from '../../views/round-page.ts'
import { fromPage } from '../from-page.tsx'
import { useNear } from '../use-near.ts'
import type { BackupBandProps, BackupCame } from './BackupBand.tsx'
import type { BoardSheetsProps } from './BoardSheets.tsx'
import { countWords } from './count-words.ts'
import { FilterSentence, gatherWords, type RoundFilter } from './FilterSentence.tsx'
import type { GroupHeadProps } from './GroupHead.tsx'
import { machineHref } from './machine-href.ts'
import type { NothingDueProps } from './NothingDue.tsx'
import type { OpenSheet } from './open-sheet.ts'
import type { MarkedBarProps } from './put/MarkedBar.tsx'
import { rowKey as keyOf, useMarked } from './put/use-marked.ts'
import { RoundStops } from './RoundStops.tsx'
import { Row, staleDays } from './Row.tsx'
import type { RowWorkingProps } from './RowWorking.tsx'
import { tripThreads } from './trip-threads.ts'
import { useDetail } from './use-detail.ts'
import { useKeptRow } from './use-kept-row.ts'
import { mostPrinted, useRoundPage } from './use-round-page.ts'

interface Props {
  first: RoundPage
  choices: RoundChoices
  firm: string
  today: string
  filter: RoundFilter
  /** What came of the last backup, for the owner. */
  backup: BackupCame | null
}

/** What a board seldom needs, or only once it stands: in one piece after the page. */
const parts = () => import('./board-parts.ts')
const RowWorking = later<RowWorkingProps>(() => parts().then((part) => part.RowWorking))
const BoardSheets = later<BoardSheetsProps>(() => parts().then((part) => part.BoardSheets))
const NothingDue = later<NothingDueProps>(() => parts().then((part) => part.NothingDue))
const BackupBand = later<BackupBandProps>(() => parts().then((part) => part.BackupBand))
const MarkedBar = later<MarkedBarProps>(() => parts().then((part) => part.MarkedBar))
const GroupHead = later<GroupHeadProps>(() => parts().then((part) => part.GroupHead))

/** Everything due, in order of when and how surely, on one time axis that gives the near future more room. */
function RoundBoard({ first, choices, firm, today, filter: firstFilter, backup }: Props) {
  const [filter, setFilter] = useState(firstFilter)
  const [at, setAt] = useState(0)
  const { page, counts, failed, lost, more, fetchAll, refresh } = useRoundPage(first, filter, () => setAt(0))
  const print = async () => {
    if (await fetchAll()) window.print()
  }
  const rows = page.rows
  const chosen = rows[at] ?? null
  const detail = useDetail(chosen)
  useKeptRow({ rows, keyOf, next: Boolean(page.next), more }, at, setAt)
  const axis = dueAxis(today, 300)
  const marked = useMarked()
  const [open, setOpen] = useState<OpenSheet | null>(null)
  const [said, setSaid] = useState('')
  const names = new Map(choices.technicians.map(({ id, name }) => [id, name]))
  const initials = new Map(choices.technicians.map((one) => [one.id, one.initials]))
  const threads = tripThreads(rows, chosen, axis)
  const phoneAxis = dueAxis(today, 128)

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event)) return
      setAt((now) => rowAfter(event.key, now, rows.length))
      if (event.key === 'w') setOpen({ what: 'row' })
      if (event.key === 'x' && chosen) marked.toggle(chosen)
      if (event.key === 'v' && chosen) setOpen({ what: 'put', rows: marked.rows.length > 0 ? marked.rows : [chosen] })
      if (event.key === 'g') setFilter(gatheredOtherwise)
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
  })

  useEffect(() => {
    document.querySelector(`[data-row="${at}"]`)?.scrollIntoView({ block: 'nearest' })
  }, [at])

  // Whoever reads on needs no button; it is there for the keyboard and for a network that was gone.
  const end = useNear<HTMLButtonElement>(more, !lost)

  const choose = (i: number) => {
    setAt(i)
    // Where there is no room for the column, the working comes as a sheet.
    if (window.innerWidth < 1024) setOpen({ what: 'row' })
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
      {backup && <BackupBand backup={backup} today={today} />}
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
          {said && (
            <p role="status" className="m-0 px-6 py-1">
              {said}.
            </p>
          )}
          {failed && (
            <p role="alert" className="m-0 px-6 py-1 font-semibold text-seal-ink">
              No connection: the list is as it was.
            </p>
          )}
          {rows.length === 0 ? (
            <NothingDue filtered={counts.all > 0} onClear={() => setFilter({ horizon: filter.horizon })} />
          ) : (
            <>
              <div className="slim hidden items-end px-4 text-[13px] text-second md:flex lg:px-6">
                <span className="w-[22%] min-w-[140px] pb-1.5 pl-3.5">Place, machine</span>
                <span className="min-w-0 flex-1 pb-1.5">Task, and what governs</span>
                <DueScale axis={axis} />
                <span className="w-[98px] pb-1.5 pl-2">Due</span>
                <span className="w-[100px] pb-1.5">Goes with</span>
              </div>
              <p className="m-0 hidden px-4 text-[13px] print:block">
                {rows.length < counts.matching
                  ? `On this paper: ${figure(rows.length)} of ${countWords(counts.matching)}, the soonest.`
                  : `All ${figure(rows.length)} that are due in this time.`}
              </p>
              <ul className="m-0 list-none p-0">
                {rows.map((row, i) => (
                  <Fragment key={keyOf(row)}>
                    {row.group && row.group.id !== rows[i - 1]?.group?.id && (
                      <GroupHead row={row} gather={filter.gather} names={names} />
                    )}
                    <Row
                      row={row}
                      index={i}
                      on={i === at}
                      today={today}
                      axis={axis}
                      phoneAxis={phoneAxis}
                      onChoose={() => choose(i)}
                      marked={marked.has(row)}
                      onMark={() => marked.toggle(row)}
                      thread={threads(i)}
                      initials={initials}
                    />
                  </Fragment>
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
                  [['x'], 'choose it'],
                  [['v'], 'put on a visit'],
                  [['g'], 'gather'],
                  [['f'], 'the first line'],
                ]}
              >
                <span className="ml-auto">
                  Taller: surer. Dashed: an old reading. Ring: the day it is gone to, filled: agreed.
                </span>
                <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={print}>
                  {counts.matching > mostPrinted
                    ? `Print the first ${figure(mostPrinted)} of ${countWords(counts.matching)}`
                    : `Print all ${figure(counts.matching)}`}
                </button>
              </KeyBar>
            </>
          )}
          {marked.rows.length > 0 && (
            <MarkedBar
              rows={marked.rows}
              onPut={() => setOpen({ what: 'put', rows: marked.rows })}
              onClear={marked.clear}
            />
          )}
        </section>
        {chosen && (
          <aside
            className="sticky top-0 hidden h-screen w-[332px] shrink-0 overflow-auto border-l border-hair px-5 pt-3 pb-6 lg:block print:hidden"
            aria-label="Working"
          >
            <RowWorking row={chosen} detail={detail} today={today} names={names} onOpen={setOpen} />
          </aside>
        )}
      </div>
      {open && chosen && (
        <BoardSheets
          open={open}
          row={chosen}
          detail={detail}
          today={today}
          names={names}
          onOpen={setOpen}
          onDone={(words) => {
            setOpen(null)
            setSaid(words)
            if (open.what === 'put') marked.clear()
            void refresh()
          }}
        />
      )}
    </div>
  )
}

/** The next way to gather, after the last one by date again. */
const gatheredOtherwise = (filter: RoundFilter): RoundFilter => {
  const ways = gatherWords.map(([id]) => id)
  return { ...filter, gather: ways[(ways.indexOf(filter.gather ?? '') + 1) % ways.length] || undefined }
}

export const RoundIsland = fromPage(RoundBoard)
