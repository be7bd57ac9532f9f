import { Area, CartesianGrid, ComposedChart, Line, ReferenceLine, XAxis, YAxis } from 'recharts'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import type { ChalkOnDay } from '../../../core/standing/water/chalk-forecast.ts'
import { dayNear, figure, monthYear } from '../../../ui/format.ts'
import { roundTicks } from '../../../ui/round-ticks.ts'

interface Props {
  /** What was, and is to come, as it is planned. */
  forecast: ChalkOnDay[]
  /** As it would be if the next regeneration waited. */
  late: ChalkOnDay[]
  /** As it would be had every regeneration come in time. */
  onTime: ChalkOnDay[]
  limitMm: number
  /** Day the limit is reached if the regeneration waits; said on its line. */
  lateWords: string
  today: string
  from: number
  to: number
  width: number
  gutter: number
}

const height = 218
const margin = { top: 22, right: 14, bottom: 0, left: 0 }

/** Chalk on a wall over the months, mm: half the chances in the inner band, nine in ten in the outer. */
export function ChalkChart(props: Props) {
  const { forecast, late, onTime, limitMm, lateWords, today, from, to, width, gutter } = props
  const lateOn = new Map(late.map(({ day, likely }) => [day, likely]))
  const onTimeOn = new Map(onTime.map(({ day, likely }) => [day, likely]))
  const days = [...new Set([...forecast, ...late, ...onTime].map(({ day }) => day))].sort((a, b) => a - b)
  const byDay = new Map(forecast.map((one) => [one.day, one]))
  const rows = days.map((day) => {
    const one = byDay.get(day)
    return { day, ...one, late: lateOn.get(day), onTime: onTimeOn.get(day) }
  })
  const last = forecast.at(-1)!
  const highest = Math.max(limitMm * 1.15, ...forecast.map(({ outer }) => Math.min(outer[1], limitMm * 1.6)))
  const now = byDay.get(toDay(today)) ?? forecast.findLast(({ day }) => day <= toDay(today)) ?? last
  const months = monthTicks(from, to)
  const ticks = roundTicks(highest)
  return (
    <div
      role="img"
      aria-label={`Chalk ${figure(now.likely)} mm today, ${figure(last.likely)} mm on ${monthYear(fromDay(last.day))}, limit ${figure(limitMm)} mm`}
    >
      <ComposedChart width={width} height={height} data={rows} margin={margin}>
        <CartesianGrid stroke="var(--hair)" vertical={false} />
        <XAxis
          dataKey="day"
          type="number"
          domain={[from, to]}
          ticks={months}
          allowDataOverflow
          tickFormatter={(day: number) => monthYear(fromDay(day)).slice(0, 3)}
          tick={{ fontSize: 12, fill: 'var(--second)' }}
          stroke="var(--second)"
        />
        <YAxis
          width={gutter}
          domain={[0, ticks.at(-1)!]}
          allowDataOverflow
          ticks={ticks}
          tickFormatter={(value: number) => figure(value)}
          tick={{ fontSize: 12, fill: 'var(--second)', fontFamily: 'Spline Sans Mono' }}
          stroke="var(--second)"
        />
        <Area
          dataKey="outer"
          stroke="none"
          fill="var(--chalk)"
          fillOpacity={0.4}
          isAnimationActive={false}
          connectNulls
        />
        <Area
          dataKey="inner"
          stroke="none"
          fill="var(--chalk)"
          fillOpacity={0.8}
          isAnimationActive={false}
          connectNulls
        />
        {onTime.length > 0 && (
          <Line
            dataKey="onTime"
            stroke="var(--water)"
            strokeWidth={1.5}
            strokeDasharray="2 4"
            dot={false}
            isAnimationActive={false}
            connectNulls
          />
        )}
        {late.length > 0 && (
          <Line
            dataKey="late"
            stroke="var(--ink)"
            strokeWidth={1.25}
            strokeDasharray="6 4"
            dot={false}
            isAnimationActive={false}
            connectNulls
          />
        )}
        <Line dataKey="likely" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false} connectNulls />
        <ReferenceLine
          y={limitMm}
          stroke="var(--seal)"
          strokeWidth={1.5}
          strokeDasharray="7 5"
          label={{
            value: `limit ${figure(limitMm)} mm`,
            position: 'insideBottomRight',
            fontSize: 12.5,
            fill: 'var(--seal-ink)',
          }}
        />
        <ReferenceLine
          x={toDay(today)}
          stroke="var(--ink)"
          strokeWidth={1.25}
          label={{ value: `today, ${figure(now.likely)} mm`, position: 'top', fontSize: 12.5, fill: 'var(--ink)' }}
        />
      </ComposedChart>
      {(late.length > 0 || onTime.length > 0) && (
        <p className="m-0 pl-2 text-[13px] text-second" style={{ marginLeft: gutter }}>
          {late.length > 0 && <>Dashed: {lateWords}. </>}
          {onTime.length > 0 && <>Dotted: had every regeneration come in time.</>}
        </p>
      )}
    </div>
  )
}

/** First days of months between two days. */
function monthTicks(from: number, to: number): number[] {
  const ticks: number[] = []
  const [year, month] = fromDay(from).split('-').map(Number) as [number, number]
  for (let i = 1; ; i += 1) {
    const at = new Date(Date.UTC(year, month - 1 + i, 1)).toISOString().slice(0, 10)
    if (toDay(at) > to) return ticks
    ticks.push(toDay(at))
  }
}

/** The plot's own x of a day: what hangs below the chart shares it. */
export const plotX = (day: number, { from, to, width, gutter }: Pick<Props, 'from' | 'to' | 'width' | 'gutter'>) =>
  gutter + ((Math.min(to, Math.max(from, day)) - from) / (to - from)) * (width - gutter - margin.right)

export const dayWords = (day: number, today: string) => dayNear(fromDay(day), today)
