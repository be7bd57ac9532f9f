import { DueBell } from '../../ui/DueBell.tsx'
import type { DueAxis } from '../../ui/due-axis.ts'
import { dayNear, dayShort, daysUntil, figure, halfWidth, weekdayShort } from '../../ui/format.ts'
import { spreadWords, unsure, urgencyOf, urgencyText } from '../../ui/urgency.ts'
import type { RoundRow } from '../../views/round-page.ts'
import { governs, title } from '../standing-words.ts'
import { machineHref } from './machine-href.ts'
import type { TripThread } from './trip-threads.ts'
import { waitsWords } from './waits-words.ts'

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
  /** Ticked to be put on a visit. */
  marked: boolean
  onMark: () => void
  /** The trip of the row that is looked at: its day, and whether its thread runs through here. */
  thread: TripThread
  initials: Map<string, string>
}

/** One thing due: where, what, when on the axis, and how surely. */
export function Row(props: RowProps) {
  const { row, index, on, today, axis, phoneAxis, onChoose, marked, onMark, thread, initials } = props
  const { standing } = row
  const urgency = urgencyOf(standing.due, today)
  const readingAge = row.readingOn ? -daysUntil(row.readingOn, today) : null
  const counts = standing.uses.some((use) => use.clock !== 'months' && use.clock !== 'hygiene')
  const stale = row.subjectKind === 'machine' && counts && (readingAge === null || readingAge > staleDays)
  const over = standing.due ? -daysUntil(standing.due.p50, today) : 0
  return (
    <li className={`relative border-t border-hair ${on ? 'chosen' : ''}`}>
      <label className="row-mark" data-noprint>
        <input
          type="checkbox"
          checked={marked}
          onChange={onMark}
          aria-label={`Put on a visit: ${title(standing)}, ${row.siteName}, ${row.machineName}`}
        />
      </label>
      <button
        type="button"
        data-row={index}
        aria-pressed={on}
        onClick={onChoose}
        onDoubleClick={() => location.assign(machineHref(row))}
        className="grid min-h-[56px] w-full grid-cols-[1fr_auto] items-center gap-x-2 py-1 pr-4 pl-[46px] text-left md:flex md:min-h-[37px] md:gap-x-0 md:py-0.5 md:pl-[30px] lg:pr-6"
      >
        <span className="mr-2 hidden h-3.5 w-3.5 shrink-0 border border-ink print:block" aria-hidden="true" />
        <span className="min-w-0 max-md:order-2 max-md:text-[14px] md:w-[22%] md:min-w-[140px] md:pr-2 md:pl-1">
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
          {standing.due && <DueBell due={standing.due} axis={axis} y={16} reach={12} stale={stale} />}
          {thread && (
            <path d={`M${thread.x} 0V34`} stroke="var(--copper)" strokeDasharray="1.500 3" strokeWidth={1.5} />
          )}
          {row.goes && (
            <circle
              cx={axis.x(row.goes.on)}
              cy={29}
              r={3.5}
              fill={row.goes.state === 'agreed' ? (thread?.isOn ? 'var(--copper)' : 'var(--deep)') : 'var(--enamel)'}
              stroke={thread?.isOn ? 'var(--copper)' : 'var(--deep)'}
              strokeWidth={1.75}
            />
          )}
        </svg>
        <svg width={phoneAxis.width} height={24} className="block max-md:order-1 md:hidden" aria-hidden="true">
          <path d={`M${phoneAxis.todayX} 0V24`} stroke="var(--ink)" strokeWidth={1.25} />
          {standing.due && <DueBell due={standing.due} axis={phoneAxis} y={12} reach={9} stale={stale} />}
        </svg>
        <span
          className={`mono shrink-0 text-[13px] leading-tight max-md:order-3 max-md:text-right md:w-[98px] md:pl-2 ${urgencyText[urgency]}`}
        >
          <span className="block font-semibold">
            {standing.due && (daysUntil(standing.due.p50, today) === 0 ? 'today' : dayNear(standing.due.p50, today))}
          </span>
          <span className="block">
            {over > 0
              ? `${figure(over)} d over`
              : standing.due && halfWidth(standing.due) > 0
                ? unsure(standing.due, today)
                  ? 'not known'
                  : spreadWords(halfWidth(standing.due))
                : 'to the day'}
          </span>
        </span>
        <Goes
          goes={row.goes}
          waits={row.waits}
          today={today}
          initials={initials}
          isChosen={!on && (thread?.isOn ?? false)}
        />
      </button>
    </li>
  )
}

interface GoesProps {
  waits: RoundRow['waits']
  goes: RoundRow['goes']
  today: string
  initials: Map<string, string>
  isChosen: boolean
}

/** The visit it goes with: its day, who, how far that has got, and how much else is done then. */
function Goes({ goes, waits, today, initials, isChosen }: GoesProps) {
  return (
    <span className={`narrow goes-with ${isChosen ? 'text-copper' : ''}`}>
      {waits && (!goes || !waits.until || waits.until > goes.on || waits.until <= today) ? (
        <span className="font-semibold text-brass-ink">{waitsWords(waits, today, dayShort)}</span>
      ) : goes ? (
        <>
          <span className="md:block md:font-semibold">
            {goes.on === today ? 'today' : `${weekdayShort(goes.on)} ${dayShort(goes.on)}`}
            {goes.from && `, ${goes.from}`}
            <span className="md:hidden">, </span>
          </span>
          <span className={`md:block ${isChosen ? '' : 'text-second'}`}>
            {initials.get(goes.technicianId)}
            {goes.state === 'agreed' || goes.state === 'asked' ? `, ${goes.state}` : ''}, {goes.tasks} in all
          </span>
        </>
      ) : (
        <span className="text-second max-md:hidden">on no visit yet</span>
      )}
    </span>
  )
}
