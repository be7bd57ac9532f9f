import { counted, dayShort } from '../../../ui/format.ts'
import { hoursWords } from '../../../ui/hours.ts'
import type { WeeksAhead } from '../../../views/weeks-ahead.ts'
import type { WeeksAxis } from './weeks-axis.ts'

const height = 40

/** Each technician’s days as glasses: work below, the road upon it, what is spare empty; what is over stands above the rim. */
export function Columns({ weeks, axis, chosen }: { weeks: WeeksAhead; axis: WeeksAxis; chosen: string | null }) {
  return (
    <section aria-label="Days of each technician" className="border-t-2 border-ink bg-enamel px-4 py-1 lg:px-6">
      {weeks.technicians.map(({ id, name, workDays, days, startUnknown }) => {
        const free = workDays.length - days.length
        const over = days.filter(({ roadMin, workMin, hoursMin }) => roadMin + workMin > hoursMin)
        return (
          <div key={id} className="flex items-center py-1 max-md:flex-col max-md:items-start">
            <p className="narrow m-0 text-[13px] leading-tight md:w-[212px] md:shrink-0 md:pl-2.5">
              <b className="text-[14px]">{name.split(' ')[0]}</b>{' '}
              <span className="text-second">
                {counted(days.length, 'day')} out, {free} free
              </span>
              {startUnknown && <span className="block text-brass-ink">nobody said where the day begins</span>}
            </p>
            <svg width={axis.width} height={height} aria-hidden="true" className="hidden shrink-0 md:block">
              <path
                fill="none"
                stroke="var(--hair)"
                d={workDays
                  .map((d) => {
                    const half = Math.max(1, axis.dayWidth / 2 - 0.8)
                    return `M${axis.at(d) - half} 8V${height - 1}h${2 * half}V8`
                  })
                  .join('')}
              />
              {days.map(({ on, roadMin, workMin, hoursMin }) => {
                const half = Math.max(1, axis.dayWidth / 2 - 0.8)
                const full = hoursMin || 1
                const y = (minutes: number) => height - 1 - (Math.min(minutes, full) / full) * (height - 9)
                const x = axis.x(on) - half
                return (
                  <g key={on}>
                    <rect x={x} y={y(workMin)} width={2 * half} height={height - 1 - y(workMin)} fill="var(--water)" />
                    <rect
                      x={x}
                      y={y(workMin + roadMin)}
                      width={2 * half}
                      height={y(workMin) - y(workMin + roadMin)}
                      fill="var(--tint)"
                    />
                    {workMin + roadMin > hoursMin && (
                      <rect x={x} y={1} width={2 * half} height={6} fill="url(#hatch)" stroke="var(--seal)" />
                    )}
                    {on === chosen && (
                      <path d={`M${axis.x(on)} 0V${height}`} stroke="var(--copper)" strokeDasharray="1.500 3" />
                    )}
                  </g>
                )
              })}
            </svg>
            <p className="mono m-0 text-[13px] leading-tight md:w-[196px] md:pl-3">
              {over.length > 0 ? (
                <span className="text-seal-ink">
                  {over
                    .map(
                      ({ on, roadMin, workMin, hoursMin }) =>
                        `${dayShort(on)} ${Math.round(roadMin + workMin - hoursMin)} min over`,
                    )
                    .join(', ')}
                </span>
              ) : (
                days.slice(0, 2).map(({ on, roadMin, workMin, hoursMin }) => (
                  <span key={on} className="block">
                    {dayShort(on)} <span className="text-second">{hoursWords(hoursMin - roadMin - workMin)} spare</span>
                  </span>
                ))
              )}
            </p>
          </div>
        )
      })}
    </section>
  )
}
