import { CartesianGrid, ErrorBar, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { fromDay, toDay } from '../../core/quantity/local-day.ts'
import { dayLong, figure, monthYear } from '../../ui/format.ts'
import type { SoftenerPage } from '../../views/softener-page.ts'

/** Passage over the days, each with what the pen may be off by; the red line is where it is changed. */
export function PassageChart({ passage, today }: { passage: NonNullable<SoftenerPage['passage']>; today: string }) {
  const { tests, limit, trend } = passage
  const percent = (share: number) => Math.round(share * 1000) / 10
  const points = [...tests].reverse().map(({ on, passage: { low, value, high } }) => ({
    day: toDay(on),
    passage: percent(value),
    spread: [percent(value - low), percent(high - value)],
  }))
  const line = trend
    ? [trend.from, trend.to].map(({ on, passage: share }) => ({ day: toDay(on), passage: percent(share) }))
    : []
  return (
    <div
      className="h-[170px]"
      role="img"
      aria-label={
        trend
          ? `Passage ${figure(percent(trend.to.passage))} % on ${dayLong(trend.to.on)}, changed at ${percent(limit)} %`
          : `Not measured since it was changed, due at ${percent(limit)} %`
      }
    >
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 400, height: 170 }}>
        <LineChart margin={{ top: 8, right: 14, bottom: 0, left: 0 }}>
          <CartesianGrid stroke="var(--hair)" vertical={false} />
          <XAxis
            dataKey="day"
            type="number"
            allowDuplicatedCategory={false}
            domain={[Math.min(...points.map(({ day }) => day), ...line.map(({ day }) => day)), toDay(today)]}
            tickFormatter={(day: number) => monthYear(fromDay(day))}
            tick={{ fontSize: 12, fill: 'var(--second)' }}
            stroke="var(--second)"
            minTickGap={30}
          />
          <YAxis
            width={44}
            domain={[0, (most: number) => Math.max(most, percent(limit) * 1.2)]}
            unit=" %"
            tick={{ fontSize: 12, fill: 'var(--second)', fontFamily: 'Spline Sans Mono' }}
            stroke="var(--second)"
          />
          <ReferenceLine y={percent(limit)} stroke="var(--seal)" strokeWidth={1.5} />
          {line.length > 1 && (
            <Line
              data={line}
              dataKey="passage"
              stroke="var(--second)"
              strokeDasharray="3 3"
              dot={false}
              isAnimationActive={false}
            />
          )}
          <Line
            data={points}
            dataKey="passage"
            stroke="var(--water)"
            strokeWidth={1.5}
            dot={{ r: 3, fill: 'var(--water)' }}
            isAnimationActive={false}
          >
            <ErrorBar dataKey="spread" width={4} stroke="var(--deep)" strokeWidth={1} direction="y" />
          </Line>
        </LineChart>
      </ResponsiveContainer>
    </div>
  )
}
