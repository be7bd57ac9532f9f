import type { Kind } from '../../core/kinds/kind.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { type MeasureHistory, measureHistories } from '../../core/visits/measure-history.ts'
import { dayNear } from '../../ui/format.ts'
import { differenceFigure, firmUnit, quantity } from '../../ui/quantity.ts'

interface Props {
  kind: Kind
  ledger: RecordedEntry[]
  today: string
  /** Only what this visit measured; everything otherwise. */
  visitId?: string
}

/** As found, as left, what is good for any such machine and for this one, and where it is drifting. */
export function MeasureSheet({ kind, ledger, today, visitId }: Props) {
  const histories = measureHistories(effectiveHistory(ledger).entries).filter(
    ({ values }) => !visitId || values.some((value) => value.visitId === visitId),
  )
  if (histories.length === 0)
    return <p className="m-0 text-second">Nothing is measured yet. A new entry has a place for it.</p>
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[620px] border-collapse text-[14px]">
        <thead>
          <tr className="slim text-left text-[13px] text-second">
            <th className="py-1 pr-3 font-semibold">Measured</th>
            <th className="py-1 pr-3 font-semibold">On</th>
            <th className="py-1 pr-3 text-right font-semibold">As found</th>
            <th className="py-1 pr-3 text-right font-semibold">As left</th>
            <th className="py-1 pr-3 font-semibold">Good for the kind</th>
            <th className="py-1 pr-3 font-semibold">Good for this one</th>
            <th className="py-1 font-semibold">Trend as found</th>
          </tr>
        </thead>
        <tbody>
          {histories.map((history) => (
            <Row
              key={`${history.measure} ${history.group}`}
              history={history}
              kind={kind}
              today={today}
              {...(visitId && { visitId })}
            />
          ))}
        </tbody>
      </table>
    </div>
  )
}

function Row({
  history,
  kind,
  today,
  visitId,
}: {
  history: MeasureHistory
  kind: Kind
  today: string
  visitId?: string
}) {
  const measure = kind.measures.find(({ id }) => id === history.measure)
  const unit = measure?.unit ?? ''
  const once = (visitId ? history.values.find((value) => value.visitId === visitId) : history.values.at(-1))!
  const outside = (value: number | undefined) => {
    const range = history.own ?? measure?.good
    return value !== undefined && range !== undefined && (value < range.from || value > range.to)
  }
  const cell = (value: number | undefined) => (
    <td className={`mono py-1.5 pr-3 text-right ${outside(value) ? 'font-semibold text-brass-ink' : ''}`}>
      {value === undefined ? '–' : quantity(value, unit).value}
    </td>
  )
  return (
    <tr className="border-t border-hair">
      <td className="py-1.5 pr-3">
        {measure?.name ?? history.measure}
        {history.group && kind.groups > 1 && <span className="text-second">, group {history.group}</span>}
        <span className="text-second"> {firmUnit(unit)}</span>
      </td>
      <td className="mono py-1.5 pr-3 text-[13px]">{dayNear(once.on, today)}</td>
      {cell(once.found)}
      {cell(once.left)}
      <td className="mono py-1.5 pr-3 text-[13px] text-second">
        {measure ? `${quantity(measure.good.from, unit).value}–${quantity(measure.good.to, unit).value}` : '–'}
      </td>
      <td className="mono py-1.5 pr-3 text-[13px]">
        {history.own ? (
          `${quantity(history.own.from, unit).value}–${quantity(history.own.to, unit).value}`
        ) : (
          <span className="font-sans text-second">after {4 - history.values.length} more</span>
        )}
      </td>
      <td className="py-1.5">
        <Trend history={history} />
        {history.perYear !== null && (
          <span className="mono ml-2 text-[13px]">
            {history.perYear > 0 ? '+' : '−'}
            {differenceFigure(Math.abs(history.perYear), unit)}/year
          </span>
        )}
      </td>
    </tr>
  )
}

/** The last values as a line: as found, joined; as left, rings. */
function Trend({ history }: { history: MeasureHistory }) {
  const values = history.values.slice(-10)
  if (values.length < 2) return <span className="text-[13px] text-second">one value</span>
  const all = values.flatMap(({ found, left }) => [found, left]).filter((value) => value !== undefined)
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const x = (i: number) => 4 + (i * 82) / (values.length - 1)
  const y = (value: number) => (high === low ? 10 : 17 - ((value - low) / (high - low)) * 14)
  const line = values.map(({ found, left }, i) => `${i === 0 ? 'M' : 'L'}${x(i)} ${y(found ?? left!)}`).join('')
  return (
    <svg width={90} height={20} className="inline-block align-middle" aria-hidden="true">
      <path d={line} fill="none" stroke="var(--water)" strokeWidth={1.5} />
      {values.map(({ on, left }, i) =>
        left === undefined ? null : (
          <circle key={on} cx={x(i)} cy={y(left)} r={2.5} fill="var(--enamel)" stroke="var(--deep)" strokeWidth={1.2} />
        ),
      )}
    </svg>
  )
}
