import type { DayHandOver, DayPage } from '../../../views/day-page.ts'
import { clockOf, timesOf } from './day-times.ts'
import { TakeOrLeave } from './TakeOrLeave.tsx'
import { isPromised } from './whose-day.ts'

interface Props {
  page: DayPage
  handOver: DayHandOver
  busy: boolean
  onTake: () => void
  onLeave: () => void
}

/** A stop that somebody else would better go to: what that saves, and when they would be there and home. */
export function HandOver({ page, handOver, busy, onTake, onLeave }: Props) {
  const { moves, savesMin, more, orders } = handOver
  const first = (id: string) => page.people.find((one) => one.id === id)!.name.split(' ')[0]!
  const [one, other] = moves as [DayHandOver['moves'][number], DayHandOver['moves'][number] | undefined]
  const name = (stop: number) => page.stops[stop]!.name
  const what = other
    ? `${name(one.stop)} to ${first(one.toId)}, ${name(other.stop)} to ${first(other.toId)}`
    : `${name(one.stop)} to ${first(one.toId)}`
  const away = page.people.find(({ id }) => id === one.fromId)!.away
  const why =
    more > 0
      ? away
        ? `, who has room. ${first(one.fromId)}: ${away}.`
        : `, who has room for it; ${first(one.fromId)} has not.`
      : ` saves ${savesMin} min of road`
  const promised = moves.filter(({ stop }) => isPromised(page.stops[stop]!))
  return (
    <section aria-label="Better by somebody else" className="border-b border-hair bg-copper-tint px-4 py-2 lg:px-6">
      <h2 className="head m-0 text-[16px]">
        {what}
        {why}
      </h2>
      <ul className="m-0 list-none p-0 text-[14px]">
        {moves.map(({ stop, toId }) => {
          const person = page.people.find(({ id }) => id === toId)!
          const times = timesOf(page, person, orders[toId]!)
          const there = times.stops.find((timed) => timed.stop === stop)
          return (
            <li key={stop}>
              {name(stop)}: {first(toId)} there {there ? clockOf(page, there.beginMin) : 'some time'}, home{' '}
              {clockOf(page, times.finishMin)}
            </li>
          )
        })}
      </ul>
      {promised.length > 0 && (
        <p className="m-0 text-[14px]">
          Promised already: tell {promised.map(({ stop }) => page.stops[stop]!.customer.name).join(' and ')} who comes.
        </p>
      )}
      <TakeOrLeave busy={busy} onTake={onTake} onLeave={onLeave}>
        {other ? 'Exchange them' : `Give it to ${first(one.toId)}`}
      </TakeOrLeave>
    </section>
  )
}
