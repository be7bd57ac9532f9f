import { cadenceS, phaseAt, phases } from '../../core/procedures/cadence.ts'
import type { StepOf } from '../../core/procedures/step.ts'
import { runningClock } from './clock-words.ts'

interface Props {
  step: StepOf<'cadence'>
  positionS: number
}

const width = 800
const high = 62
const low = 8

/** The strokes on one trace: tall is on, low is off, width is seconds. Done is solid, current fills, coming is empty. */
export function CadenceStrip({ step, positionS }: Props) {
  const total = cadenceS(step)
  const all = phases(step)
  const at = phaseAt(step, positionS)
  const x = (s: number) => 2 + (s / total) * (width - 4)
  const on = all.filter((phase) => phase.on)
  // Numbers stand under each stroke as long as there is room for them.
  const every = on.length > 12 ? 5 : 1
  return (
    <figure className="m-0 px-4 pt-2 pb-1 lg:px-6">
      <figcaption className="flex justify-between text-[15px]">
        <span className="slim">
          {step.onS} s on, {step.offS} s off
          {step.firstOffS ? `, ${step.firstOffS} s after the first` : ''}
        </span>
        <span className="slim">
          this step: <b className="mono">{runningClock(total - Math.max(0, positionS))}</b> left
        </span>
      </figcaption>
      <svg
        viewBox={`0 0 ${width} 106`}
        className="block w-full"
        role="img"
        aria-label={
          at ? `Stroke ${at.stroke} of ${step.times}, water ${at.on ? 'on' : 'off'}` : `${step.times} strokes`
        }
      >
        {all.map((phase) => {
          const height = phase.on ? high : low
          const done = positionS >= phase.toS
          const now = at === phase || (at?.stroke === phase.stroke && at.on === phase.on)
          const share = Math.min(1, Math.max(0, (positionS - phase.fromS) / (phase.toS - phase.fromS)))
          const box = { x: x(phase.fromS), y: 14 + high - height, width: x(phase.toS) - x(phase.fromS), height }
          return (
            <g key={`${phase.stroke} ${phase.on}`}>
              <rect
                {...box}
                fill={done ? 'var(--deep)' : 'var(--field)'}
                stroke="var(--deep)"
                strokeWidth={now ? 3 : 1.5}
              />
              {now && share > 0 && <rect {...box} width={box.width * share} fill="var(--water)" />}
              {done && phase.on && box.width > 26 && (
                <path
                  d={`M${box.x + box.width / 2 - 9} ${14 + high / 2}l6 7l12 -13`}
                  fill="none"
                  stroke="var(--enamel)"
                  strokeWidth={3}
                />
              )}
            </g>
          )
        })}
        {at && <path d={`M${x(Math.max(0, positionS)) - 7} 0h14l-7 11z`} fill="var(--copper)" />}
        {on.map((phase) => {
          if (phase.stroke % every !== 0 && phase.stroke !== 1) return null
          const now = at?.stroke === phase.stroke
          return (
            <text
              key={phase.stroke}
              x={(x(phase.fromS) + x(phase.toS)) / 2}
              y={99}
              fontSize={now ? 21 : 18}
              fontWeight={now ? 700 : 500}
              textAnchor="middle"
              className="mono"
              fill={now ? 'var(--copper)' : 'var(--second)'}
            >
              {phase.stroke}
            </text>
          )
        })}
      </svg>
    </figure>
  )
}
