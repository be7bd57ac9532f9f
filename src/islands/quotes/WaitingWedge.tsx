import { tenths } from '../../core/close-out/comes-next.ts'
import type { Minor } from '../../core/money/minor-unit.ts'
import { toDay } from '../../core/quantity/local-day.ts'
import type { Waiting } from '../../core/quotes/waiting.ts'
import { dayShort } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'

interface Props {
  waits: readonly Waiting[]
  callMinor: Minor
  currency: string
  today: string
}

const width = 110
const height = 16

/** What waiting adds by the next two visits, at most: a wedge, and the chance with what it multiplies. Zero is drawn as zero. */
export function WaitingWedge({ waits, callMinor, currency, today }: Props) {
  const last = waits.at(-1)
  if (!last) return null
  const from = toDay(today)
  const days = Math.max(1, toDay(last.by) - from)
  const x = (day: string) => ((toDay(day) - from) / days) * (width - 2) + 1
  const y = (minor: Minor) => height - 2 - (callMinor > 0 ? (minor / callMinor) * (height - 4) : 0)
  const points = waits.map(({ by, addsMinor }) => `${x(by)},${y(addsMinor)}`).join(' ')
  return (
    <span className="block pt-0.5 text-[13px] text-second">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width={width}
        height={height}
        aria-hidden="true"
        className="mr-2 inline-block align-middle"
      >
        <polygon
          points={`1,${height - 2} ${points} ${width - 1},${height - 2}`}
          fill="var(--brass)"
          fillOpacity={0.25}
        />
        <polyline points={`1,${height - 2} ${points}`} fill="none" stroke="var(--brass)" strokeWidth={1.5} />
        {waits.map(({ by }) => (
          <path key={by} d={`M${x(by)} ${height - 4}v4`} stroke="var(--ink)" strokeWidth={1} />
        ))}
      </svg>
      {waits.map(({ by, chanceMilli, addsMinor }, i) => (
        <span key={by}>
          {i > 0 && '; '}
          by {dayShort(by)}{' '}
          <b className="mono font-semibold text-ink">
            {addsMinor > 0 ? '+ ' : ''}
            {moneyOf(addsMinor, currency)}
          </b>{' '}
          ({tenths(chanceMilli / 1000)})
        </span>
      ))}
    </span>
  )
}
