import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { figure } from '../../ui/format.ts'
import type { BesideExpected } from './expected-of.ts'

interface Props {
  read: BesideExpected[]
  me: string
  whose: (line: RecordedEntry) => string
}

/** Two readings on one rule, with where the count was expected: one's own tick is filled, the other's hollow. */
export function TwoWriters({ read, me, whose }: Props) {
  const { expected } = read[0]!
  const counts = read.map(({ line }) => line.body.count)
  const from = Math.min(expected.last, ...counts)
  const to = Math.max(expected.high, ...counts)
  const x = (count: number) => 30 + ((count - from) / Math.max(1, to - from)) * 290
  const anchor = (count: number) => (x(count) < 80 ? 'start' : x(count) > 270 ? 'end' : 'middle')
  return (
    <svg viewBox="0 0 350 78" className="mb-2 block w-full max-w-[420px]" aria-hidden="true">
      <text x={30} y={12} fontSize={12.5} className="mono" fill="var(--second)">
        {figure(expected.last)}
      </text>
      <text x={340} y={12} fontSize={12.5} textAnchor="end" className="mono" fill="var(--ink)">
        expected {figure(Math.round(expected.value))} ± {figure(Math.round(expected.high - expected.value))}
      </text>
      <rect
        x={x(expected.low)}
        y={20}
        width={Math.max(3, x(expected.high) - x(expected.low))}
        height={18}
        fill="var(--water)"
        opacity={0.3}
      />
      <path d={`M30 29H340M${x(expected.last)} 22v14`} stroke="var(--second)" fill="none" />
      {read.map(({ line }, i) => (
        <g key={line.id}>
          <path
            d={`M${x(line.body.count)} 18v26`}
            stroke={line.recordedBy === me ? 'var(--copper)' : 'var(--deep)'}
            strokeWidth={2}
          />
          <path
            d={`M${x(line.body.count) - 6} 52h12l-6 -8z`}
            stroke={line.recordedBy === me ? 'var(--copper)' : 'var(--deep)'}
            fill={line.recordedBy === me ? 'var(--copper)' : 'var(--enamel)'}
            strokeWidth={1.5}
          />
          <text
            x={x(line.body.count)}
            y={66 + (isNear(counts, i) ? 10 : 0)}
            fontSize={12.5}
            fontWeight={600}
            textAnchor={anchor(line.body.count)}
            fill={line.recordedBy === me ? 'var(--ink)' : 'var(--deep)'}
          >
            {whose(line)}
          </text>
        </g>
      ))}
    </svg>
  )

  /** A name that would lie on the one before goes a line lower. */
  function isNear(all: number[], i: number): boolean {
    return i > 0 && Math.abs(x(all[i]!) - x(all[i - 1]!)) < 60
  }
}
