import type { TheirStation } from '../../core/customers/their-path.ts'
import type { Rhythm } from '../../core/kinds/care-words.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { pipePath, type Worked, workedLayout } from '../../islands/leaving/worked-layout.ts'
import { symbols } from '../../islands/path/symbols.tsx'
import { dayShort } from '../../ui/format.ts'
import { type Label, labelsBeside } from './labels-beside.ts'

interface Props {
  kind: Kind
  /** It has a softener before it. */
  softened: boolean
  stations: TheirStation[]
  today: LocalDay
}

/** How often, as shortly as it stands on a drawing, and no surer than the sheet says it. */
const often: Record<Rhythm, string> = {
  shot: 'every drink',
  hours: 'in the shift',
  day: 'daily',
  week: 'every week or so',
  month: 'every few weeks',
  said: 'see below',
}

/** What a place says below its name, the most urgent first. */
function saysOf({ rhythms, dueOn, out }: TheirStation, today: LocalDay): string {
  if (out) return out
  if (dueOn === undefined) return often[rhythms[0] ?? 'said']
  return dueOn === null ? 'yours, day not known' : `yours, ${dueOn < today ? 'was due' : 'by'} ${dayShort(dueOn)}`
}

const inkOf = (label: Label) => (label.isOut ? 'var(--seal-ink)' : label.isLate ? 'var(--brass-ink)' : 'var(--ink)')

/**
 * The machine's path with what is theirs in full and the rest as a ghost: drawn on the server, without script, for a
 * screen as wide as a phone. Nothing for a machine of which nothing is theirs.
 */
export function TheirPath({ kind, softened, stations, today }: Props) {
  if (stations.length === 0) return null
  const theirs = new Map(stations.map((one) => [one.station, one]))
  const kept: Worked = new Map(stations.map(({ station }) => [station, []]))
  const { pipes, on, off, pleats, top, width } = workedLayout(kind, new Set(softened ? [] : ['softener']), kept)
  const said = on.map(({ station, at, hangs }) => {
    const one = theirs.get(station.id)!
    const isLate = typeof one.dueOn === 'string' && one.dueOn < today
    return { at, hangs, name: one.name, says: saysOf(one, today), isOut: one.out !== undefined, isLate }
  })
  const { labels, fontSize, left, right, low, high } = labelsBeside(said, { width, top })
  const alt = said.map(({ name, says }) => `${name}: ${says}`).join('; ')
  return (
    <svg viewBox={`${left} ${high} ${right - left} ${low - high}`} role="img" aria-label={`Yours on its path. ${alt}`}>
      <g opacity={0.35}>
        {pipes.map(({ id, points }) => (
          <path key={id} d={pipePath(points)} fill="none" stroke="var(--deep)" strokeWidth={9} />
        ))}
        {pipes.map(({ id, points }) => (
          <path key={id} d={pipePath(points)} fill="none" stroke="var(--enamel)" strokeWidth={6} />
        ))}
        {off.map(({ station, at }) => (
          <g key={station.id} transform={`translate(${at.x.toFixed(1)} ${at.y})`}>
            {symbols[station.symbol]}
          </g>
        ))}
        {pleats.map(({ at }) => (
          <path
            key={at.x}
            d={`M${at.x - 6} ${at.y - 12}l6 24m6 -24l6 24`}
            stroke="var(--deep)"
            strokeWidth={2}
            fill="none"
          />
        ))}
      </g>
      {on.map(({ station, at, hangs }) => {
        const foot = hangs === 'rail' && labels.find(({ name }) => name === theirs.get(station.id)!.name)
        const [x, y, scale] = foot ? [foot.x - 36, foot.y, 0.6] : [at.x, at.y, 1]
        return (
          <g key={station.id} transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) scale(${scale})`}>
            {symbols[station.symbol]}
          </g>
        )
      })}
      {labels.map((label) => (
        <g key={label.name} fill={inkOf(label)}>
          {label.leader && <path d={label.leader} stroke="var(--second)" strokeWidth={2} fill="none" />}
          <text x={label.x} y={label.y} fontSize={fontSize} fontWeight={600} textAnchor={label.anchor}>
            {label.name}
          </text>
          <text x={label.x} y={label.y + fontSize * 1.15} fontSize={fontSize} textAnchor={label.anchor}>
            {label.says}
          </text>
        </g>
      ))}
    </svg>
  )
}
