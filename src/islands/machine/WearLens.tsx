import { useEffect, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Line } from '../../core/quantity/working.ts'
import { type ClockUse, clockName, type Reckoning, type Standing } from '../../core/standing/standing.ts'
import { gradeWordsOf } from '../../core/wear/grade-words.ts'
import { DueBell } from '../../ui/DueBell.tsx'
import { DueScale } from '../../ui/DueScale.tsx'
import { dueAxis } from '../../ui/due-axis.ts'
import { dayLong, dayNear, dayShort, daysUntil, figure, halfWidth } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { preferences } from '../../ui/preferences.ts'
import { firmUnit, quantity } from '../../ui/quantity.ts'
import { GradeBars } from '../../ui/Seal.tsx'
import { meansItself } from '../../ui/typing.ts'
import { spreadWords, unsure, unsureShort, urgencyOf, urgencyText, usedOn, wholeOrNot } from '../../ui/urgency.ts'
import { WorkingColumn } from '../../ui/WorkingColumn.tsx'
import { WorkingDrawer } from '../../ui/WorkingDrawer.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { cautionWords } from '../caution-words.ts'
import { dueSentence, governs, title } from '../standing-words.ts'
import { usePrinting } from '../use-printing.ts'
import { Fetching } from './Fetching.tsx'
import { PolicyLine } from './PolicyLine.tsx'

const PartPapers = later(() => import('./papers/PartPapers.tsx').then((module) => module.PartPapers))
const SheetLinks = later(() => import('./SheetLinks.tsx').then((module) => module.SheetLinks))
const Routine = later(() => import('./Routine.tsx').then((module) => module.Routine))

interface Props {
  bundle: MachineBundle
  kind: Kind
  reckoning: Reckoning | null
  standings: Standing[]
  today: string
  chosen: Standing | null
  /** The rest of the machine could not be fetched. */
  failed: boolean
  onChoose: (key: string) => void
  onAdjust: (standing: Standing, line: Line) => void
  /** Says what is known of the ages of all that waits for the first look. */
  onAges: () => void
  onSaved: () => Promise<void>
}

/** Rows before somebody asks for the rest. */
const firstRows = 14
/** As many as are seen without scrolling: the page brings these drawn, the others follow at once. */
const drawnRows = 7

/** Everything due on this machine, soonest first, and the working of the row chosen. */
export function WearLens(props: Props) {
  const { bundle, kind, reckoning, standings, today, chosen, failed, onChoose, onAdjust, onAges, onSaved } = props
  const [all, setAll] = useState(false)
  const [rows, setRows] = useState(drawnRows)
  useEffect(() => setRows(firstRows), [])
  const [sheet, setSheet] = useState(false)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'w' && !meansItself(event)) setSheet(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  const printing = usePrinting()
  const chosenAt = standings.findIndex((standing) => standing.key === chosen?.key)
  const visible = all || printing ? standings : standings.slice(0, Math.max(rows, chosenAt + 1))
  const hidden = standings.length - visible.length
  const axis = dueAxis(today, 116, 366, 40)
  const phoneAxis = dueAxis(today, 132, 366, 60)
  if (!reckoning) return <p className="p-6">This machine was never taken on, so nothing can be dated.</p>
  const besides = chosen && (
    <Besides standing={chosen} bundle={bundle} kind={kind} today={today} onAges={onAges} onSaved={onSaved} />
  )
  const meanwhile = bundle.atFirstSight && chosen?.working.lines.length === 0 && <Fetching failed={failed} />
  const recent = reckoning.flags.filter((flag) => daysUntil(today, flag.day) < 180)
  return (
    <div className="flex min-w-0 flex-1">
      <section className="min-w-0 flex-1 px-4 pt-2 pb-6 lg:px-6" aria-label="Parts and tasks by due date">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h2 className="head m-0">By due date</h2>
          <span className="text-[13px] text-second">
            {standings.length} parts and tasks, reckoned to {dayLong(reckoning.asOf)}
            {bundle.stale && '; the Round still waits for these figures'}
          </span>
          <PolicyLine bundle={bundle} today={today} onSaved={onSaved} />
        </div>
        {recent.length > 0 && (
          <p className="m-0 mt-1 text-[14px] text-brass-ink">
            {recent.map((flag) => flagWords(flag)).join(' ')} See the ledger.
          </p>
        )}
        <table className="mt-1 hidden w-full border-collapse text-[14px] md:table">
          <thead>
            <tr className="slim text-left text-[13px] text-second">
              <th className="py-1 pl-2.5 font-semibold">Part, task</th>
              <th className="font-semibold">Since</th>
              <th className="font-semibold">Counted / life</th>
              <th className="font-semibold max-xl:hidden">Months</th>
              <th className="pr-3 font-semibold max-lg:hidden">Governs</th>
              <th className="font-semibold">Due window</th>
              <th className="w-[120px] p-0 align-bottom">
                <DueScale axis={axis} bands={false} />
              </th>
              <th className="pl-3 font-semibold max-xl:hidden">Seen</th>
            </tr>
          </thead>
          <tbody>
            {visible.map((standing) => {
              const on = standing.key === chosen?.key
              const urgency = urgencyOf(standing.due, today)
              return (
                <tr
                  key={standing.key}
                  onClick={() => onChoose(standing.key)}
                  className={`h-[29px] cursor-pointer border-t border-hair ${on ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
                >
                  <td className="narrow w-full max-w-0 pr-3 pl-2.5">
                    <button
                      type="button"
                      aria-pressed={on}
                      className="block w-full min-w-[150px] py-0.5 text-left leading-tight font-semibold"
                      onClick={() => onChoose(standing.key)}
                    >
                      {title(standing)}
                    </button>
                  </td>
                  <td className="mono pr-3 text-[13px] whitespace-nowrap">
                    {standing.since && !standing.unseen ? dayNear(standing.since, today) : '–'}
                    {!standing.sinceKnown && !standing.unseen && (
                      <span title="Age unknown: counted from the day it was taken on">?</span>
                    )}
                  </td>
                  <td className="mono pr-2 text-[13px] whitespace-nowrap">{countUse(standing, today)}</td>
                  <td className="mono pr-2 text-[13px] whitespace-nowrap max-xl:hidden">
                    {use(
                      standing.uses.find((one) => one.clock === 'months'),
                      standing,
                      today,
                      1,
                    )}
                  </td>
                  <td className="narrow pr-3 whitespace-nowrap max-lg:hidden">
                    {standing.governing ? clockName[standing.governing] : '–'}
                  </td>
                  <td className={`mono pr-2 text-[13px] whitespace-nowrap ${urgencyText[urgency]}`}>
                    {windowWords(standing, today)}
                  </td>
                  <td className="p-0">
                    <svg width={axis.width} height={28} className="block" aria-hidden="true">
                      <path d={`M${axis.todayX} 0V28`} stroke="var(--ink)" strokeWidth={1.25} />
                      {standing.due && <DueBell due={standing.due} axis={axis} y={15} reach={10} />}
                    </svg>
                  </td>
                  <td className="narrow pl-3 whitespace-nowrap max-xl:hidden">
                    {standing.condition ? (
                      <>
                        <GradeBars grade={standing.condition.grade} /> {standing.condition.grade}
                        <span className="sr-only">
                          {' '}
                          {gradeWordsOf(standing.part ?? standing.task)[standing.condition.grade]}
                        </span>
                      </>
                    ) : (
                      <span className="text-second">{standing.part && standing.action === 'replace' ? '–' : ''}</span>
                    )}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
        <ul className="m-0 mt-2 list-none p-0 md:hidden">
          {visible.map((standing) => {
            const on = standing.key === chosen?.key
            const urgency = urgencyOf(standing.due, today)
            return (
              <li
                key={standing.key}
                className={`border-t border-hair ${on ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
              >
                <button
                  type="button"
                  aria-pressed={on}
                  className="grid min-h-[56px] w-full grid-cols-[1fr_auto] items-center gap-x-2 px-2 py-1.5 text-left"
                  onClick={() => {
                    if (on) setSheet(true)
                    onChoose(standing.key)
                  }}
                >
                  <span className="font-semibold">{title(standing)}</span>
                  <svg width={phoneAxis.width} height={24} className="block" aria-hidden="true">
                    <path d={`M${phoneAxis.todayX} 0V24`} stroke="var(--ink)" strokeWidth={1.25} />
                    {standing.due && <DueBell due={standing.due} axis={phoneAxis} y={12} reach={9} />}
                  </svg>
                  <span className="text-[14px] text-second">{governs(standing, today)}</span>
                  <span className={`mono text-right text-[14px] font-semibold ${urgencyText[urgency]}`}>
                    {phoneDue(standing, today)}
                  </span>
                </button>
              </li>
            )
          })}
        </ul>
        {hidden > 0 && (
          <button
            type="button"
            className="mt-1 min-h-[44px] font-semibold text-copper"
            data-noprint
            onClick={() => setAll(true)}
          >
            {hidden} more
            {standings[visible.length]?.due ? `, none before ${dayLong(standings[visible.length]!.due!.p50)}` : ''}
          </button>
        )}
        <CustomersOwn bundle={bundle} kind={kind} today={today} failed={failed} />
      </section>
      <aside className="hidden w-[332px] shrink-0 border-l border-hair px-5 pt-2 pb-6 lg:block" aria-label="Working">
        {chosen ? (
          <>
            <h2 className="head m-0">
              <span className="text-copper">Working</span> {title(chosen)}
            </h2>
            <p className="m-0 mb-2">{dueSentence(chosen, today)}</p>
            {meanwhile || <WorkingColumn working={chosen.working} onAdjust={(line) => onAdjust(chosen, line)} />}
            {besides}
          </>
        ) : (
          <p className="text-second">Choose a row to see its working.</p>
        )}
      </aside>
      {chosen && (
        <WorkingDrawer
          title={title(chosen)}
          about={dueSentence(chosen, today)}
          glance={chosen.working.why ?? ''}
          working={chosen.working}
          open={sheet}
          onOpenChange={setSheet}
          onAdjust={(line) => onAdjust(chosen, line)}
          meanwhile={meanwhile}
        >
          {besides}
        </WorkingDrawer>
      )}
    </div>
  )
}

/** What stands below a working, on a desk and on a phone: how early to act, the sheets it comes off on, what may hurt. */
function Besides({
  standing,
  bundle,
  kind,
  today,
  onAges,
  onSaved,
}: { standing: Standing } & Pick<Props, 'bundle' | 'kind' | 'today' | 'onAges' | 'onSaved'>) {
  return (
    <>
      {standing.task === 'first-look' && (
        <button type="button" className="act mt-3" onClick={onAges}>
          Say what is known
        </button>
      )}
      {kind.tasks.some(({ id }) => id === standing.task) && (
        <p className="m-0 pt-2">
          <PolicyLine
            key={standing.task}
            bundle={bundle}
            today={today}
            task={{ id: standing.task, name: standing.name }}
            onSaved={onSaved}
          />
        </p>
      )}
      {standing.part && !bundle.atFirstSight && (
        <PartPapers bundle={bundle} kind={kind} part={standing.part} group={standing.index} today={today} />
      )}
      {standing.part && (
        <SheetLinks part={standing.part} kind={kind.basedOn ?? kind.id} machineId={bundle.machine.id} />
      )}
      {standing.caution && (
        <p className="mt-3 mb-0 border-l-4 border-brass pl-3 text-[14px]">{cautionWords[standing.caution]}</p>
      )}
    </>
  )
}

const use = (one: ClockUse | undefined, standing: Standing, today: string, digits = 0) => {
  if (!one) return '–'
  const now = usedOn(one, standing.asOf, today)
  const used = digits ? now.toFixed(digits) : quantity(wholeOrNot(now, one.limit), one.unit).value
  return (
    <>
      {used} <span className="text-second">/ {quantity(one.limit, one.unit).value}</span>
    </>
  )
}

/** The counted clock that is fullest, with its unit. */
function countUse(standing: Standing, today: string) {
  const counted = standing.uses.filter((one) => one.clock !== 'months')
  const fullest = counted.sort((a, b) => b.used / b.limit - a.used / a.limit)[0]
  if (!fullest) return '–'
  return (
    <>
      {use(fullest, standing, today)}{' '}
      <span className="slim font-sans text-second">{fullest.clock === 'shots' ? '' : firmUnit(fullest.unit)}</span>
    </>
  )
}

function windowWords(standing: Standing, today: string): string {
  if (!standing.due) return standing.unseen ? 'age not known' : 'over 10 years'
  const { p10, p50, p90 } = standing.due
  if (daysUntil(p50, today) < 0) return `from ${dayNear(p50, today)}`
  if (p10 === p90) return dayNear(p50, today)
  const isOneMonth = p10.slice(0, 7) === p90.slice(0, 7) && preferences().dateForm === 'words'
  if (unsure(standing.due, today)) return unsureShort(standing.due, today)
  // Where a window reaches into another year both ends say theirs.
  if (p10.slice(0, 4) !== p90.slice(0, 4)) return `${dayNear(p10, p90)}–${dayNear(p90, p10)}`
  return `${isOneMonth ? Number(p10.slice(8)) : dayShort(p10)}–${dayNear(p90, today)}`
}

const phoneDue = (standing: Standing, today: string): string => {
  if (!standing.due) return standing.unseen ? 'age not known' : 'over 10 years'
  const days = daysUntil(standing.due.p50, today)
  const spread = halfWidth(standing.due)
  if (days >= 0 && unsure(standing.due, today)) return unsureShort(standing.due, today)
  return days < 0
    ? `overdue ${-days} d`
    : `${dayNear(standing.due.p50, today)}${spread > 0 ? ` ${spreadWords(spread)}` : ''}`
}

const flagWords = (flag: Reckoning['flags'][number]): string => {
  const what = {
    reset: `The counter fell to ${figure(flag.count)} on ${dayLong(flag.day)}: taken as a board swap.`,
    rollover: `The counter rolled over before ${dayLong(flag.day)}.`,
    impossible: `${figure(flag.count)} on ${dayLong(flag.day)} is below its neighbours: kept, not used.`,
    outlier: `${figure(flag.count)} on ${dayLong(flag.day)} is far above what this machine makes: kept, not used.`,
  }
  return what[flag.kind]
}

/** Folded away: most visits are about what is worn. */
function CustomersOwn({ bundle, kind, today, failed }: Pick<Props, 'bundle' | 'kind' | 'today' | 'failed'>) {
  const [open, setOpen] = useState(false)
  return (
    <details
      className="mt-4 border-t border-hair pt-2"
      data-noprint
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-[44px] cursor-pointer py-2 font-semibold">
        The customer’s own routine: how, how often, last and next
      </summary>
      {open &&
        (bundle.atFirstSight ? <Fetching failed={failed} /> : <Routine bundle={bundle} today={today} kind={kind} />)}
    </details>
  )
}
