import { addMonths, fromDay, toDay, weekday } from '../../core/quantity/local-day.ts'
import { dayLong, monthYear } from '../../ui/format.ts'

interface Props {
  today: string
  openWeekdays: number[]
  closures: { from: string; to: string; name?: string }[]
}

const width = 380

/** The year ahead as one strip: thick where the place is open, hollow where it is closed. */
export function ClosureStrip({ today, openWeekdays, closures }: Props) {
  const start = toDay(today)
  const end = addMonths(start, 12)
  const x = (day: number) => ((Math.min(Math.max(day, start), end) - start) / (end - start)) * width
  const shown = closures.filter(({ from, to }) => toDay(to) >= start && toDay(from) < end)
  const months = Array.from({ length: 12 }, (_, i) => addMonths(toDay(`${today.slice(0, 7)}-01`), i + 1))
  const openDays = Array.from({ length: end - start }, (_, i) => start + i).filter(
    (day) =>
      openWeekdays.includes(weekday(day)) &&
      !closures.some(({ from, to }) => from <= fromDay(day) && fromDay(day) <= to),
  ).length
  const words = `${openDays} open days in the year ahead${shown.length > 0 ? `; closed ${shown.map(({ from, to }) => `${dayLong(from)} to ${dayLong(to)}`).join(', ')}` : ''}`
  return (
    <figure className="m-0">
      <svg viewBox={`0 0 ${width} 44`} className="block w-full" role="img" aria-label={words}>
        <rect x={0} y={8} width={width} height={12} fill="var(--tint)" stroke="var(--deep)" strokeWidth={1.2} />
        {shown.map(({ from, to }) => (
          <rect
            key={`${from} ${to}`}
            x={x(toDay(from))}
            y={5}
            width={Math.max(3, x(toDay(to) + 1) - x(toDay(from)))}
            height={18}
            fill="var(--page)"
            stroke="var(--deep)"
            strokeWidth={1.2}
            strokeDasharray="3 2"
          />
        ))}
        {months.map((day, i) => (
          <g key={day}>
            <path d={`M${x(day)} 20v5`} stroke="var(--second)" strokeWidth={1} />
            {i % 2 === 0 && x(day) < width - 30 && (
              <text x={x(day) + 2} y={38} fontSize={12} fill="var(--second)">
                {monthYear(fromDay(day)).slice(0, 3)}
              </text>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="text-[14px] text-second">{openDays} open days in the year ahead</figcaption>
    </figure>
  )
}
