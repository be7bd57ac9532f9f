import type { PathLayout } from '../path/layout.ts'
import { haloPath } from './halo.ts'

interface Props {
  layout: PathLayout
  /** Suspicion by station now, and after the answer. */
  now: Map<string, number>
  after: Map<string, number>
}

const width = 260
const half = 22

/** The main line in small with the halo an answer would leave; today's is dotted over it. */
export function AnswerLine({ layout, now, after }: Props) {
  const main = layout.stations.filter(({ hangs, at }) => hangs === 'band' && at.y === layout.mainY)
  const xs = main.map(({ at }) => at.x)
  const [from, to] = [Math.min(...xs), Math.max(...xs)]
  const x = (at: number) => 10 + ((at - from) / Math.max(1, to - from)) * (width - 20)
  const bells = (of: Map<string, number>) => main.map(({ station, at }) => ({ x: x(at.x), p: of.get(station.id) ?? 0 }))
  return (
    <svg viewBox={`0 0 ${width} 50`} className="block w-full max-w-[280px]" aria-hidden="true">
      <path d={haloPath(bells(after), 25, half, 8)} fill="var(--copper)" fillOpacity={0.55} />
      <path
        d={haloPath(bells(now), 25, half, 8)}
        fill="none"
        stroke="var(--copper)"
        strokeWidth={1}
        strokeDasharray="2 2.5"
      />
      <path d={`M4 25H${width - 4}`} stroke="var(--deep)" strokeWidth={2} />
      {main.map(({ station, at }) => (
        <circle
          key={station.id}
          cx={x(at.x)}
          cy={25}
          r={2.5}
          fill="var(--enamel)"
          stroke="var(--deep)"
          strokeWidth={1.5}
        />
      ))}
    </svg>
  )
}
