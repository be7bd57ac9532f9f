import { atChance, type Spread } from '../../core/quantity/spread.ts'
import { capacitySd, takenUpGPerL } from '../../core/softener/learned-capacity.ts'
import { figure } from '../../ui/format.ts'
import type { SoftenerPage } from '../../views/softener-page.ts'

const [width, left, right] = [380, 8, 372]

/** Capacity from memory above, as its own tests made it below; each test a tick where it had got to. */
export function CapacityScale({ capacity }: { capacity: NonNullable<SoftenerPage['capacity']> }) {
  const { usualGPerL, value, below, above, tests, isSet, resinL } = capacity
  const prior: Spread = { value: usualGPerL, below: capacitySd, above: capacitySd }
  const unit = resinL === null ? 'g CaCO₃' : 'g CaCO₃ a litre'
  const most = Math.max(usualGPerL * 1.6, atChance(prior, 0.97), atChance({ value, below, above }, 0.97))
  const step = stepOf(most)
  const x = (g: number) => left + (Math.min(g, most) / most) * (right - left)
  const bell = (of: Spread, y: number) => {
    const [a, m, b] = [x(atChance(of, 0.05)), x(of.value), x(atChance(of, 0.95))]
    return `M${a} ${y}Q${(a + m) / 2} ${y} ${m} ${y - 16}Q${(m + b) / 2} ${y} ${b} ${y}Z`
  }
  return (
    <svg
      width={width}
      height={88}
      viewBox={`0 0 ${width} 88`}
      className="block max-w-full"
      role="img"
      aria-label={`${resinL === null ? 'Printed on it' : 'From memory'} ${figure(usualGPerL)} ${unit}, as it showed ${figure(value)}`}
    >
      <path d={bell(prior, 26)} fill="none" stroke="var(--second)" strokeDasharray="3 3" />
      <text x={x(usualGPerL) + 6} y={12} fontSize={12.5} className="narrow" fill="var(--second)">
        {resinL === null ? 'printed on it' : 'from memory'}, {figure(usualGPerL)}
      </text>
      <path d={`M${left} 52H${right}`} stroke="var(--deep)" strokeWidth={1.5} />
      {!isSet && tests.length > 0 && (
        <path d={bell({ value, below, above }, 52)} fill="var(--water)" fillOpacity={0.4} stroke="var(--water)" />
      )}
      <path d={`M${x(value)} 34V56`} stroke="var(--copper)" strokeWidth={2} />
      {tests.map((test) => {
        const at = x(takenUpGPerL(test, resinL ?? 1))
        return (
          <path
            key={test.on}
            d={`M${at} 52v${test.spent ? 12 : 7}`}
            stroke={test.spent ? 'var(--seal)' : 'var(--deep)'}
            strokeWidth={test.spent ? 2 : 1}
          />
        )
      })}
      {[0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10]
        .map((n) => n * step)
        .filter((g) => g <= most * 0.7)
        .map((g) => (
          <text
            key={g}
            x={x(g)}
            y={80}
            fontSize={12}
            textAnchor={g === 0 ? 'start' : 'middle'}
            className="mono"
            fill="var(--second)"
          >
            {g}
          </text>
        ))}
      <text x={right} y={80} fontSize={12} textAnchor="end" className="narrow" fill="var(--second)">
        {unit}
      </text>
    </svg>
  )
}

/** A round step that parts a scale into three to eight. @example stepOf(75) // 20 */
function stepOf(most: number): number {
  const ten = 10 ** Math.floor(Math.log10(most / 3))
  return [5, 2, 1].map((n) => n * ten).find((step) => step <= most / 3)!
}
