import type { Measure } from '../../core/kinds/kind.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import type { MeasureHistory } from '../../core/visits/measure-history.ts'
import { dayLong } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { asReckoned, firmUnit, quantity } from '../../ui/quantity.ts'

/** One reading as left: what is accepted, and what this machine had before. */
export interface LeftRow {
  key: string
  measure: Measure
  group?: number
  last?: { value: number; on: string }
  own: MeasureHistory['own']
}

interface Props {
  rows: LeftRow[]
  typed: Record<string, string>
  onType: (key: string, text: string) => void
}

/** Readings as left, each beside the accepted range and this machine’s own of before. */
export function LeftReadings({ rows, typed, onType }: Props) {
  if (rows.length === 0) return null
  return (
    <div className="grid gap-x-5 pt-2 sm:grid-cols-2 lg:grid-cols-1 2xl:grid-cols-2">
      {rows.map((row) => {
        const { key, measure, group, last, own } = row
        const value = numberIn(typed[key] ?? '', { unit: firmUnit(measure.unit) })
        const reckoned = value === null ? null : asReckoned(value, measure.unit)
        const wrong = reckoned !== null && (reckoned < measure.good.from || reckoned > measure.good.to)
        const unlike = reckoned !== null && own !== null && !wrong && (reckoned < own.from || reckoned > own.to)
        const name = `${measure.name}${group === undefined ? '' : `, group ${group}`}`
        return (
          <label key={key} className="flex min-h-[52px] items-center gap-2 border-t border-hair py-1 text-[14px]">
            <span className="min-w-0 flex-1">
              {name}
              <span className="block text-[13px] text-second">
                accepted {span(measure.good.from, measure.good.to, measure.unit)}
                {own && `; this one ${span(own.from, own.to, measure.unit)}`}
                {last && `; left at ${quantity(last.value, measure.unit).value} on ${dayLong(last.on)}`}
              </span>
              {unlike && (
                <b className="block text-[13px] text-brass-ink">Accepted, but not as this machine was left.</b>
              )}
            </span>
            <NumberInput
              className="field mono w-[84px] text-right"
              aria-label={`${name}, ${firmUnit(measure.unit)}`}
              aria-invalid={wrong}
              text={typed[key] ?? ''}
              onText={(text) => onType(key, text)}
              reads={{ unit: firmUnit(measure.unit) }}
            />
          </label>
        )
      })}
    </div>
  )
}

function span(from: number, to: number, unit: string): string {
  const [low, high] = [quantity(from, unit), quantity(to, unit)]
  return `${low.value} to ${high.value} ${high.unit}`
}
