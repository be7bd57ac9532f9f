import type { FoundLeft } from '../../core/close-out/done-lines.ts'
import { foundLeftWords } from '../../ui/found-left-words.ts'
import { quantity } from '../../ui/quantity.ts'

const width = 76
const height = 16
const inset = 6

/** Where it was found against where it was left, on the scale both stand on; what is accepted is shaded. */
export function FoundLeftRule({ of }: { of: FoundLeft }) {
  const { found, left, accepted } = of
  const span = Math.max(accepted.to - accepted.from, 1e-9)
  const values = [...found, ...(left === undefined ? [] : [left])]
  const [from, to] =
    of.is === 'grade'
      ? [0, 4]
      : [Math.min(accepted.from - span / 2, ...values), Math.max(accepted.to + span / 2, ...values)]
  const x = (value: number) => inset + ((value - from) / (to - from)) * (width - 2 * inset)
  const isOut = (value: number) => value < accepted.from || value > accepted.to
  const worst = found.length > 0 ? (of.is === 'grade' ? Math.max(...found) : found[0]!) : undefined
  const isMoved = worst !== undefined && left !== undefined && worst !== left
  const mid = height / 2
  return (
    <svg width={width} height={height} role="img" aria-label={ruleWords(of)} className="block shrink-0">
      <rect
        x={x(accepted.from)}
        y={2}
        width={x(accepted.to) - x(accepted.from)}
        height={height - 4}
        fill="var(--tint)"
      />
      <path d={`M${inset} ${mid}H${width - inset}`} stroke="var(--second)" strokeWidth={1} />
      {of.is === 'grade' &&
        [0, 1, 2, 3, 4].map((grade) => (
          <path key={grade} d={`M${x(grade)} ${mid - 3}v6`} stroke="var(--second)" strokeWidth={1} />
        ))}
      {isMoved && <path d={`M${x(worst)} ${mid}H${x(left)}`} stroke="var(--deep)" strokeWidth={2} />}
      {isMoved && (
        <path
          d={`M${x(worst)} ${mid - 4.5}l4.500 4.500-4.500 4.500-4.500-4.500z`}
          fill="var(--enamel)"
          stroke={isOut(worst) ? 'var(--seal)' : 'var(--deep)'}
          strokeWidth={1.5}
        />
      )}
      {left !== undefined && <circle cx={x(left)} cy={mid} r={4} fill={isOut(left) ? 'var(--seal)' : 'var(--deep)'} />}
      {left === undefined && worst !== undefined && (
        <path
          d={`M${x(worst)} ${mid - 4.5}l4.500 4.500-4.500 4.500-4.500-4.500z`}
          fill="var(--enamel)"
          stroke="var(--seal)"
          strokeWidth={1.5}
        />
      )}
    </svg>
  )
}

const ruleWords = (of: FoundLeft): string =>
  `${foundLeftWords(of)}; accepted ${of.is === 'grade' ? `to ${of.accepted.to}` : `${quantity(of.accepted.from, of.unit).value} to ${quantity(of.accepted.to, of.unit).value}`}`
