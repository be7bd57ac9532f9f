import { numberIn } from '../../core/typed/read-as.ts'
import type { Expected } from '../../core/usage/expected-count.ts'
import { figure } from '../../ui/format.ts'

/** Last value, the shaded window the next should fall into, and a copper tick for what was typed. */
export function PlausibilityRule({ expected, text }: { expected: Expected; text: string }) {
  const width = 250
  const from = expected.last
  const to = expected.high + (expected.high - from) * 0.25 + 1
  const x = (count: number) => 8 + Math.max(0, Math.min(1, (count - from) / (to - from))) * (width - 18)
  const count = numberIn(text, { whole: true })
  const outside = count !== null && (count < from || count > to)
  return (
    <svg width={width} height={44} viewBox={`0 0 ${width} ${44}`} className="max-w-full" aria-hidden="true">
      <rect
        x={x(expected.low)}
        y={18}
        width={Math.max(3, x(expected.high) - x(expected.low))}
        height={14}
        fill="var(--water)"
        opacity={0.3}
      />
      <path d={`M8 25H${width - 8}M8 19v12`} stroke="var(--second)" fill="none" />
      <path d={`M${x(expected.value)} 19v12`} stroke="var(--deep)" strokeWidth={1.5} />
      <text x={8} y={12} fontSize={12.5} className="mono" fill="var(--second)">
        {figure(from)}
      </text>
      <text x={width - 6} textAnchor="end" y={12} fontSize={12.5} className="mono" fill="var(--ink)">
        {figure(Math.round(expected.value))} ± {figure(Math.round(expected.high - expected.value))}
      </text>
      {count !== null && (
        <g>
          <path
            d={`M${count < from ? 4 : x(count)} 15v20`}
            stroke="var(--copper)"
            strokeWidth={2}
            strokeDasharray={outside ? '3 2' : undefined}
          />
          <path d={`M${(count < from ? 4 : x(count)) - 5} 42h10l-5 -7z`} fill="var(--copper)" />
        </g>
      )}
    </svg>
  )
}
