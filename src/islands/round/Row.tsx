import { DueBell } from '../../ui/DueBell.tsx'
import type { DueAxis } from '../../ui/due-axis.ts'
import { dayNear, daysUntil, figure, halfWidth } from '../../ui/format.ts'
import { spreadWords, unsure, urgencyOf, urgencyText } from '../../ui/urgency.ts'
import type { RoundRow } from '../../views/round-page.ts'
import { governs, title } from '../standing-words.ts'
import { machineHref } from './WhereTo.tsx'

/** A reading older than this makes a forecast wide: the row says so. */
export const staleDays = 60

interface RowProps {
  row: RoundRow
  index: number
  on: boolean
  today: string
  axis: DueAxis
  phoneAxis: DueAxis
  onChoose: () => void
}

/** One thing due: where, what, when on the axis, and how surely. */
export function Row({ row, index, on, today, axis, phoneAxis, onChoose }: RowProps) {
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
          className={`mono shrink-0 text-[13px] leading-tight max-md:order-3 max-md:text-right md:w-[104px] md:pl-3 ${urgencyText[urgency]}`}
        >
          <span className="block font-semibold">
            {standing.due && (daysUntil(standing.due.p50, today) === 0 ? 'today' : dayNear(standing.due.p50, today))}
          </span>
          <span className="block">
            {over > 0
              ? `${figure(over)} d over`
              : standing.due && halfWidth(standing.due) > 0
                ? unsure(standing.due, today)
                  ? 'not known yet'
                  : spreadWords(halfWidth(standing.due))
                : 'to the day'}
          </span>
        </span>
      </button>
    </li>
  )
}
