import { useMemo } from 'react'
import { CartesianGrid, Line, LineChart, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { fromDay, toDay } from '../../core/quantity/local-day.ts'
import { counterForecast } from '../../core/standing/counter-forecast.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineFacts } from '../../core/standing/machine-facts.ts'
import type { Flag } from '../../core/standing/standing.ts'
import { dayLong, dayShort, figure, monthYear } from '../../ui/format.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { flagWords } from './flag-words.ts'

interface Props {
  bundle: MachineBundle
  flags: Flag[]
  unit: string
  onCorrect: (entry: RecordedEntry) => void
}

/** The counter as it was read and as it will go on; readings that do not count are hollow rings, and can be judged. */
export function CounterChart({ bundle, flags, unit, onCorrect }: Props) {
  const entries = bundle.ledgers.machine ?? []
  const ahead = useMemo(() => {
    const facts = machineFacts(effective(bundle.ledgers), false)
    return facts?.stage.stage === 'working' ? counterForecast(facts.use) : []
  }, [bundle])
  const odd = new Map(
    flags.filter((flag) => flag.kind === 'impossible' || flag.kind === 'outlier').map((flag) => [flag.entryId, flag]),
  )
  const readings = effectiveHistory(entries)
    .entries.filter(isKind('reading'))
    .filter((entry) => entry.body.counter === 'shots')
    .map((entry) => ({ id: entry.id, day: toDay(entry.happenedOn), count: entry.body.count }))
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
  const last = used.at(-1)!
  const top = Math.max(...used.map((reading) => reading.count), ...ahead.map(({ count }) => count))
  const end = Math.max(last.day, ...ahead.map(({ late }) => late))
  const along = (bound: 'early' | 'likely' | 'late') => [
    { day: last.day, count: last.count },
    ...ahead.map((one) => ({ day: one[bound], count: one.count })),
  ]
  const far = ahead.at(-1)
  const doubtful = flags.flatMap((flag) => {
    const entry = entries.find(({ id }) => id === flag.entryId)
    return entry ? [{ flag, entry }] : []
  })
  return (
    <>
      <h2 className="head m-0">Counter</h2>
      <p className="m-0 text-[13px] text-second">
        {used.length} readings that count, {unit}.{odd.size > 0 ? ` ${odd.size} kept and not used: rings.` : ''}
        {far &&
          ` ${figure(far.count)} by ${dayLong(fromDay(far.likely))}, eight times in ten between ${dayShort(fromDay(far.early))} and ${dayShort(fromDay(far.late))}.`}
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
              domain={[used[0]!.day, end]}
              allowDuplicatedCategory={false}
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
            {(['early', 'likely', 'late'] as const).map((bound) => (
              <Line
                key={bound}
                data={along(bound)}
                dataKey="count"
                stroke="var(--copper)"
                strokeWidth={bound === 'likely' ? 1.75 : 1}
                strokeDasharray={bound === 'likely' ? '5 4' : undefined}
                dot={false}
                isAnimationActive={false}
              />
            ))}
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
      {doubtful.length > 0 && (
        <ul className="m-0 mt-2 list-none p-0 text-[14px]" aria-label="Readings in doubt">
          {doubtful.map(({ flag, entry }) => (
            <li key={entry.id} className="flex items-baseline gap-3 border-t border-hair py-1">
              <span className="min-w-0 flex-1">
                <b className="mono">{figure(flag.count)}</b> on {dayLong(flag.day)}: {flagWords[flag.kind]}
              </span>
              <button
                type="button"
                className="min-h-[44px] font-semibold whitespace-nowrap text-copper"
                onClick={() => onCorrect(entry)}
              >
                Put it right
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  )
}
