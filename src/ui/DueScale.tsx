import type { DueAxis } from './due-axis.ts'

/** Head of a due axis: names of the bands, ticks of days, weeks and months. */
export function DueScale({ axis, bands = true }: { axis: DueAxis; bands?: boolean }) {
  const height = bands ? 44 : 22
  const base = height - 6
  return (
    <svg
      width={axis.width}
      height={height}
      viewBox={`0 0 ${axis.width} ${height}`}
      className="block"
      aria-hidden="true"
    >
      {bands &&
        axis.bands.map((band) =>
          band.to - band.from > 44 ? (
            <text
              key={band.name}
              x={band.name === 'overdue' ? 0 : (band.from + band.to) / 2}
              y={12}
              textAnchor={band.name === 'overdue' ? 'start' : 'middle'}
              className="slim"
              fontSize={13}
              fill={band.name === 'overdue' ? 'var(--seal)' : 'var(--ink)'}
            >
              {band.name}
            </text>
          ) : null,
        )}
      <path d={`M0 ${base}H${axis.width}`} stroke="var(--second)" strokeWidth={1} />
      {axis.ticks.map((tick) => (
        <g key={tick.x}>
          <path d={`M${tick.x} ${base}v${tick.label ? -11 : -5}`} stroke="var(--second)" strokeWidth={1} />
          {tick.label && (
            <text x={tick.x + 3} y={base - 4} fontSize={12} className="narrow" fill="var(--second)">
              {tick.label}
            </text>
          )}
        </g>
      ))}
      <path d={`M${axis.todayX} ${bands ? 16 : 2}V${height}`} stroke="var(--ink)" strokeWidth={1.25} />
    </svg>
  )
}
