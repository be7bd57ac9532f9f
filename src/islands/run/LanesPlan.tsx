import type { Lane } from '../../core/procedures/lane.ts'
import type { RunPlan } from '../../core/procedures/plan.ts'
import { useWidth } from '../use-width.ts'
import { takes } from './clock-words.ts'

interface Props {
  lanes: Lane[]
  plan: RunPlan
}

const rowHigh = 40

/** The run ahead: a row a lane, solid where hands are wanted, open where it works by itself. */
export function LanesPlan({ lanes, plan }: Props) {
  const [frame, width] = useWidth(760)
  const x = (s: number) => (s / Math.max(1, plan.totalS)) * width
  const minutes = Math.ceil(plan.totalS / 60)
  const pitch = [1, 2, 5, 10, 15, 30, 60].find((each) => minutes / each <= width / 90) ?? 120
  const ticks = Array.from({ length: Math.floor(minutes / pitch) + 1 }, (_, i) => i * pitch).filter(
    (minute) => minute * 60 <= plan.totalS,
  )
  const saved = plan.inTurnS - plan.totalS
  return (
    <figure className="m-0" ref={frame}>
      <figcaption className="pb-1">
        <b className="text-[18px]">{takes(plan.totalS)}</b>{' '}
        <span className="text-second">
          about, hands {takes(plan.handsS)}
          {saved > 20 && `; ${takes(saved)} less than one after the other`}
        </span>
      </figcaption>
      <svg
        viewBox={`0 0 ${width} ${lanes.length * rowHigh + 24}`}
        className="block w-full"
        role="img"
        aria-label={`${lanes.map(({ title }) => title).join('; ')}: ${takes(plan.totalS)} in all`}
      >
        {ticks.map((minute) => (
          <g key={minute}>
            <path d={`M${x(minute * 60)} 0V${lanes.length * rowHigh + 4}`} stroke="var(--hair)" strokeWidth={1} />
            <text
              x={x(minute * 60) + (minute === 0 ? 0 : x(minute * 60) > width - 24 ? -3 : 3)}
              textAnchor={x(minute * 60) > width - 24 ? 'end' : 'start'}
              y={lanes.length * rowHigh + 20}
              fontSize={14}
              className="mono"
              fill="var(--second)"
            >
              {minute === 0 ? 'min 0' : minute}
            </text>
          </g>
        ))}
        {lanes.map((lane, i) => (
          <g key={lane.id}>
            <text x={0} y={i * rowHigh + 14} fontSize={14} className="slim" fill="var(--ink)">
              {lane.title}
            </text>
            {plan.segments
              .filter((segment) => segment.lane === lane.id)
              .map((segment) => (
                <rect
                  key={segment.step}
                  x={x(segment.fromS) + 0.5}
                  y={i * rowHigh + 20}
                  width={Math.max(1.5, x(segment.toS) - x(segment.fromS) - 1)}
                  height={13}
                  fill={segment.hands ? 'var(--deep)' : 'var(--tint)'}
                  stroke="var(--deep)"
                  strokeWidth={1}
                >
                  <title>{`${segment.say}, ${takes(segment.toS - segment.fromS)}`}</title>
                </rect>
              ))}
          </g>
        ))}
      </svg>
      <p className="m-0 text-[13px] text-second">
        Solid: hands at it. Open: it works by itself. Times of the hands are from memory.
      </p>
    </figure>
  )
}
