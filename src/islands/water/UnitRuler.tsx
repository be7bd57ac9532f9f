import { type HardnessUnit, hardnessFromMgL, hardnessSymbol, mgLPer } from '../../core/quantity/hardness.ts'
import type { Interval } from '../../core/quantity/interval.ts'
import { figure } from '../../ui/format.ts'

/** A hardness cut through all five scales. */
export interface Cursor {
  words: string
  mgL: Interval
  tone: 'copper' | 'water'
  /** Drawn dashed: reckoned, not measured. */
  reckoned?: boolean
}

interface Props {
  cursors: Cursor[]
  width: number
}

const units: HardnessUnit[] = ['dH', 'fH', 'mgL', 'gpg', 'mmolL']
/** How hard a water is called, mg/L CaCO₃: common practice. */
const classes: [string, number, number][] = [
  ['soft', 0, 150],
  ['middling', 150, 250],
  ['hard', 250, 375],
  ['very hard', 375, Number.POSITIVE_INFINITY],
]
const pitch = 31
const top = 44

/** One hardness on five scales of one length, each with its own round ticks; a cursor cuts all five. */
export function UnitRuler({ cursors, width }: Props) {
  const narrow = width < 480
  const [left, right] = [narrow ? 82 : 92, width - 8]
  const most = Math.max(535, ...cursors.map(({ mgL }) => mgL.high * 1.15))
  const x = (mgL: number) => left + (Math.min(mgL, most) / most) * (right - left)
  const bottom = top + units.length * pitch
  const said = cursors
    .map(
      ({ words, mgL }) =>
        `${words}: ${units.map((unit) => `${figure(hardnessFromMgL(mgL.value, unit))} ${hardnessSymbol[unit]}`).join(', ')}`,
    )
    .join('. ')
  const ordered = [...cursors].sort((a, b) => a.mgL.value - b.mgL.value)
  const boxOf = (n: number, unit: HardnessUnit) => {
    const { mgL } = ordered[n]!
    const at = x(mgL.value)
    const text = figure(hardnessFromMgL(mgL.value, unit))
    const wide = text.length * 7.8 + 10
    // Values of neighbours must not run into one another: the first writes to its left.
    const toLeft = n === 0 && ordered.length > 1 && x(ordered[1]!.mgL.value) - at < 120 && at - left > 90
    return { text, wide, toLeft, x: toLeft || at + wide + 8 > right ? at - wide - 4 : at + 4 }
  }
  /** A tick's figure gives way to a cursor's. */
  const isCovered = (at: number, unit: HardnessUnit) =>
    ordered.some((_, n) => {
      const box = boxOf(n, unit)
      return at > box.x - 14 && at < box.x + box.wide + 14
    })
  return (
    <svg width={width} height={bottom + 24} className="block" role="img" aria-label={said || 'No hardness yet'}>
      {classes.map(([name, from, to]) => {
        if (from >= most) return null
        const [a, b] = [x(from), x(Math.min(to, most))]
        return (
          <g key={name}>
            <path d={`M${a + 1} 16V10H${b - 1}V16`} fill="none" stroke="var(--second)" />
            {b - a > 44 && (
              <text
                x={(a + b) / 2}
                y={14}
                fontSize={12.5}
                textAnchor="middle"
                className="narrow"
                fill="var(--second)"
                stroke="var(--enamel)"
                strokeWidth={6}
                paintOrder="stroke"
              >
                {name}
              </text>
            )}
          </g>
        )
      })}
      {cursors.map(({ mgL, words, tone }) => (
        <rect
          key={words}
          x={x(mgL.low)}
          y={top - 8}
          width={Math.max(0, x(mgL.high) - x(mgL.low))}
          height={bottom - top + 2}
          fill={`var(--${tone})`}
          opacity={0.14}
        />
      ))}
      {units.map((unit, i) => {
        const y = top + i * pitch
        const step = roundStep(hardnessFromMgL(most, unit) / (narrow ? 4 : 6))
        const ticks = Array.from({ length: Math.floor(hardnessFromMgL(most, unit) / step) + 1 }, (_, n) => n * step)
        return (
          <g key={unit}>
            <text x={left - 8} y={y + 5} fontSize={12.5} textAnchor="end" className="slim" fill="var(--ink)">
              {hardnessSymbol[unit]}
            </text>
            <path d={`M${left} ${y}H${right}`} stroke="var(--deep)" strokeWidth={1.5} />
            {ticks.map((tick) => (
              <g key={tick}>
                <path d={`M${x(tick * mgLPer[unit])} ${y}v7`} stroke="var(--deep)" />
                <path d={`M${x((tick + step / 2) * mgLPer[unit])} ${y}v4`} stroke="var(--deep)" strokeWidth={0.75} />
                {!isCovered(x(tick * mgLPer[unit]), unit) && (
                  <text
                    x={x(tick * mgLPer[unit])}
                    y={y + 19}
                    fontSize={12}
                    textAnchor="middle"
                    className="mono"
                    fill="var(--second)"
                  >
                    {figure(tick)}
                  </text>
                )}
              </g>
            ))}
          </g>
        )
      })}
      {ordered.map(({ words, mgL, tone, reckoned }, n) => {
        const at = x(mgL.value)
        const last = n === ordered.length - 1
        const { toLeft } = boxOf(n, 'dH')
        return (
          <g key={words}>
            <path
              d={`M${at} ${top - 6}V${bottom}`}
              stroke={`var(--${tone})`}
              strokeWidth={2}
              strokeDasharray={reckoned ? '4 3' : undefined}
            />
            <path d={`M${at - 5} ${top - 14}h10l-5 8z`} fill={`var(--${tone})`} />
            {units.map((unit, i) => {
              const { text, wide, x: boxX } = boxOf(n, unit)
              return (
                <g key={unit}>
                  <rect
                    x={boxX}
                    y={top + i * pitch + 4}
                    width={wide}
                    height={19}
                    rx={2}
                    fill="var(--enamel)"
                    stroke={`var(--${tone})`}
                  />
                  <text
                    x={boxX + wide / 2}
                    y={top + i * pitch + 18}
                    fontSize={13}
                    textAnchor="middle"
                    className="mono"
                    fontWeight={600}
                    fill={tone === 'copper' ? 'var(--copper)' : 'var(--deep)'}
                  >
                    {text}
                  </text>
                </g>
              )
            })}
            <text
              x={toLeft || (last && at > right - 90) ? at - 4 : at + 4}
              y={bottom + 15}
              fontSize={12.5}
              textAnchor={toLeft || (last && at > right - 90) ? 'end' : 'start'}
              className="slim"
              fill={tone === 'copper' ? 'var(--copper)' : 'var(--deep)'}
            >
              {words}
            </text>
          </g>
        )
      })}
    </svg>
  )
}

function roundStep(about: number): number {
  const power = 10 ** Math.floor(Math.log10(about))
  return [1, 2, 5, 10].map((n) => n * power).find((n) => n >= about)!
}
