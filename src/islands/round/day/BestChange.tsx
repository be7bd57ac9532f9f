import { oneMoved } from '../../../core/rounds/standing-order.ts'
import { Key } from '../../../ui/Key.tsx'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { clockOf, type DayTimes } from './day-times.ts'
import { TakeOrLeave } from './TakeOrLeave.tsx'

interface Props {
  page: DayPage
  person: DayPerson
  now: DayTimes
  then: DayTimes
  busy: boolean
  onTake: () => void
  onLeave: () => void
}

/** What another order saves: both on one scale, and what it changes at each stop. */
export function BestChange({ page, person, now, then, busy, onTake, onLeave }: Props) {
  const number = (stop: number) => now.order.indexOf(stop) + 1 + person.been.length
  const one = oneMoved(now.order, then.order)
  const saved = Math.round(now.roadMin - then.roadMin)
  const sooner = Math.round(now.finishMin - then.finishMin)
  const what = one
    ? `Stop ${number(one.stop)} ${one.before === null ? 'last' : `before ${number(one.before)}`}`
    : 'Another order'
  const longest = Math.max(now.roadMin, then.roadMin, 1)
  const changed = then.stops.flatMap(({ stop, beginMin }) => {
    const was = now.stops.find((timed) => timed.stop === stop)
    return was && Math.abs(was.beginMin - beginMin) >= 5 ? [{ stop, beginMin, wasMin: was.beginMin }] : []
  })
  return (
    <section aria-label="Best change" className="pb-3">
      <h2 className="head m-0">
        <span className="text-copper">Best change</span> {what} saves{' '}
        {saved > 0 ? `${saved} min of road` : `${sooner} min of the day`}
      </h2>
      {(['now', 'then'] as const).map((which) => {
        const times = which === 'now' ? now : then
        return (
          <div key={which} className="flex items-center gap-2 text-[14px]">
            <span className={`w-[64px] ${which === 'then' ? 'font-semibold text-copper' : 'font-semibold'}`}>
              {which === 'now' ? 'as it is' : 'changed'}
            </span>
            <svg width={230} height={22} aria-hidden="true">
              <path
                d={`M4 11H${4 + (times.roadMin / longest) * 220}`}
                stroke={which === 'now' ? 'var(--deep)' : 'var(--copper)'}
                strokeWidth={5}
              />
              <path d={`M4 11H${4 + (times.roadMin / longest) * 220}`} stroke="var(--enamel)" strokeWidth={2} />
            </svg>
            <span className="mono ml-auto">{Math.round(times.roadMin)} min</span>
          </div>
        )
      })}
      <ul className="m-0 list-none p-0 text-[14px]">
        {changed.map(({ stop, beginMin, wasMin }) => (
          <li key={stop} className="flex gap-2 border-t border-hair py-0.5">
            <span className="min-w-0 flex-1 truncate">{page.stops[stop]!.name}</span>
            <span className="mono">
              <s className="text-second">{clockOf(page, wasMin)}</s> {clockOf(page, beginMin)}
            </span>
          </li>
        ))}
      </ul>
      <p className="m-0 py-1 text-[13px] text-second">
        Back {clockOf(page, then.finishMin)} instead of {clockOf(page, now.finishMin)}. Times that were promised hold.
      </p>
      <TakeOrLeave busy={busy} onTake={onTake} onLeave={onLeave}>
        Take it <Key>s</Key>
      </TakeOrLeave>
    </section>
  )
}
