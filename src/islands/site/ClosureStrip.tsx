import { addMonths, fromDay, monthNumber, toDay, weekday } from '../../core/quantity/local-day.ts'
import { dayLong, monthYear } from '../../ui/format.ts'

interface Props {
  today: string
  openWeekdays: number[]
  closures: { from: string; to: string; name?: string }[]
  /** How busy each month is, January first; all alike where that is not said. */
  months?: number[]
}

const width = 380

/** The year ahead as one strip: as thick as its months are busy, hollow where the place is closed. */
export function ClosureStrip({ today, openWeekdays, closures, months: busy }: Props) {
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
  /** Thickness of the busiest month is the strip's; the others stand in proportion. */
  const most = Math.max(...(busy ?? [1]))
  const steps = [start, ...months.filter((day) => day < end), end].slice(0, -1).map((day, i, all) => {
    const height = busy ? (18 * busy[monthNumber(day) % 12]!) / most : 12
    return { from: x(day), to: x(all[i + 1] ?? end), height }
  })
  const edge = (sign: 1 | -1) =>
    steps.flatMap(({ from, to, height }) => [
      `${from} ${14 + (sign * height) / 2}`,
      `${to} ${14 + (sign * height) / 2}`,
    ])
  const bandPath = `M${[...edge(-1), ...edge(1).reverse()].join('L')}Z`
  const words = `${openDays} open days in the year ahead${shown.length > 0 ? `; closed ${shown.map(({ from, to }) => `${dayLong(from)} to ${dayLong(to)}`).join(', ')}` : ''}`
  return (
    <figure className="m-0">
      <svg viewBox={`0 0 ${width} 44`} className="block w-full" role="img" aria-label={words}>
        <path d={bandPath} fill="var(--tint)" stroke="var(--deep)" strokeWidth={1.2} />
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
