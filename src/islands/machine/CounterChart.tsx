import { CartesianGrid, Line, LineChart, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import { bodyOf, isKind } from '../../core/ledger/upcast.ts'
import { fromDay, toDay } from '../../core/quantity/local-day.ts'
import type { Flag } from '../../core/standing/standing.ts'
import { dayLong, figure, monthYear } from '../../ui/format.ts'

/** The counter as it was read, with the readings that do not count as hollow rings. */
export function CounterChart({ entries, flags, unit }: { entries: Entry[]; flags: Flag[]; unit: string }) {
  const odd = new Map(
    flags.filter((flag) => flag.kind === 'impossible' || flag.kind === 'outlier').map((flag) => [flag.entryId, flag]),
  )
  const readings = effectiveHistory(entries)
    .entries.filter(isKind('reading'))
    .filter((entry) => bodyOf(entry).counter === 'shots')
    .map((entry) => ({ id: entry.id, day: toDay(entry.happenedOn), count: bodyOf(entry).count }))
  const used = readings.filter((reading) => !odd.has(reading.id))
  if (used.length < 2) {
    return (
      <>
        <h2 className="head m-0">Counter</h2>
        <p className="text-second">
          {used.length === 0
            ? 'Never read. The first two readings give the use a day.'
            : 'Read once. A second reading gives the use a day.'}
        </p>
      </>
    )
  }
  const top = Math.max(...used.map((reading) => reading.count))
  return (
    <>
      <h2 className="head m-0">Counter</h2>
      <p className="m-0 text-[13px] text-second">
        {used.length} readings that count, {unit}.{odd.size > 0 ? ` ${odd.size} kept and not used: rings.` : ''}
      </p>
      <div
        className="mt-1 h-[210px]"
        role="img"
        aria-label={`Counter from ${figure(used[0]!.count)} on ${dayLong(fromDay(used[0]!.day))} to ${figure(used.at(-1)!.count)} on ${dayLong(fromDay(used.at(-1)!.day))}`}
      >
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 340, height: 210 }}>
          <LineChart data={used} margin={{ top: 8, right: 10, bottom: 0, left: 0 }}>
            <CartesianGrid stroke="var(--hair)" vertical={false} />
            <XAxis
              dataKey="day"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickFormatter={(day: number) => monthYear(fromDay(day))}
              tick={{ fontSize: 12, fill: 'var(--second)' }}
              stroke="var(--second)"
              minTickGap={24}
            />
            <YAxis
              width={64}
              domain={['auto', 'auto']}
              tickFormatter={(value: number) => figure(value)}
              tick={{ fontSize: 12, fill: 'var(--second)', fontFamily: 'Spline Sans Mono' }}
              stroke="var(--second)"
            />
            <Line
              dataKey="count"
              stroke="var(--deep)"
              strokeWidth={1.5}
              dot={{ r: 2.5, fill: 'var(--deep)' }}
              isAnimationActive={false}
            />
            {[...odd.values()].map((flag) => (
              <ReferenceDot
                key={flag.entryId}
                x={toDay(flag.day)}
                y={Math.min(flag.count, top)}
                r={5}
                fill="none"
                stroke="var(--seal)"
                strokeWidth={2}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
    </>
  )
}
