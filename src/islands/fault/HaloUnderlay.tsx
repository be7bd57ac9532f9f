import type { PathLayout } from '../path/layout.ts'
import { haloHalf, haloPath, haloReach } from './halo.ts'

interface Props {
  layout: PathLayout
  at: Map<string, number>
  /** Station of the next test, and of those that are done, by number, with what they showed. */
  next: string | null
  done: { station: string; n: number; shows?: string }[]
}

/** Suspicion as a halo behind the path, where the next test cuts, and the tests that are done. */
export function HaloUnderlay({ layout, at, next, done }: Props) {
  const of = (hangs: 'band' | 'beside' | 'rail') => layout.stations.filter((placed) => placed.hangs === hangs)
  const bells = of('band').flatMap(({ station, at: { x, y } }) =>
    y === layout.mainY ? [{ x, p: at.get(station.id) ?? 0 }] : [],
  )
  const besides = layout.stations.filter(
    ({ hangs, at: { y }, station }) => (hangs !== 'band' || y !== layout.mainY) && (at.get(station.id) ?? 0) > 0.02,
  )
  const cut = layout.stations.find(({ station }) => station.id === next)
  const numbers = new Map<string, number[]>()
  const showed = new Map(done.map(({ station, shows }) => [station, shows]))
  for (const { station, n } of done) numbers.set(station, [...(numbers.get(station) ?? []), n])
  return (
    <g>
      <path
        d={haloPath(bells, layout.mainY, haloHalf, haloReach)}
        fill="var(--copper)"
        fillOpacity={0.42}
        stroke="var(--copper)"
        strokeWidth={0.75}
      />
      {besides.map(({ station, at: { x, y }, hangs }) => (
        <path
          key={station.id}
          d={haloPath([{ x, p: at.get(station.id)! }], y, hangs === 'rail' ? 26 : 34, 15)}
          fill="var(--copper)"
          fillOpacity={0.42}
          stroke="var(--copper)"
          strokeWidth={0.75}
        />
      ))}
      {cut && (
        <text
          {...(cut.hangs === 'band'
            ? { x: cut.at.x + 8, y: cut.at.y + 60 }
            : {
                // At the right end of the path the words begin earlier: nothing is cut off.
                x: Math.min(cut.at.x - 30, layout.width - 86),
                y: cut.at.y + (cut.hangs === 'rail' ? -30 : 36),
              })}
          fontSize={13}
          className="slim"
          fill="var(--copper)"
        >
          next test here
        </text>
      )}
      {layout.stations.flatMap(({ station, hangs, at: { x, y } }) =>
        (numbers.get(station.id) ?? []).slice(-3).map((n, i) => (
          <g
            key={`${station.id} ${n}`}
            transform={
              hangs === 'rail' ? `translate(${x + 24 + i * 20} ${y + 12})` : `translate(${x - 22 + i * 20} ${y + 44})`
            }
          >
            <circle r={9} fill="var(--deep)" />
            <text y={4.5} textAnchor="middle" fontSize={12} className="mono" fill="var(--enamel)">
              {n}
            </text>
          </g>
        )),
      )}
      {/* What the last test there showed, where the line leaves room for it. */}
      {layout.pleats.length === 0 &&
        layout.stations.map(({ station, hangs, at: { x, y } }) =>
          hangs === 'band' && y === layout.mainY && showed.get(station.id) ? (
            <text
              key={station.id}
              x={x - 8}
              y={y + 68}
              textAnchor="end"
              fontSize={12.5}
              className="slim"
              fill="var(--deep)"
            >
              {showed.get(station.id)}
            </text>
          ) : null,
        )}
      {/* Folded for a phone there is no room for the scale: the percentages below say it. */}
      {layout.pleats.length === 0 && at.size > 0 && (
        <g
          transform={
            // Where steam branches off above, its names stand on the right; the lens switch leaves room below it.
            layout.top === 0
              ? 'translate(16 54)'
              : `translate(${layout.width - 196} ${Math.max(layout.top + 10, layout.mainY - 168)})`
          }
        >
          <path d={haloPath([{ x: 8, p: 0.1 }], 10, haloHalf, 5)} fill="var(--copper)" fillOpacity={0.42} />
          <path d="M2 4H14M2 16H14" stroke="var(--copper)" strokeWidth={1.5} />
          <text x={26} y={14} fontSize={12.5} className="slim" fill="var(--second)">
            halo: so wide is 10 % suspicion
          </text>
        </g>
      )}
    </g>
  )
}
