import { useEffect, useState } from 'react'
import { StopMark } from '../../ui/LensSwitch.tsx'
import { meansItself } from '../../ui/typing.ts'
import type { RingBack } from '../../views/call-page.ts'
import { useFetched } from '../use-fetched.ts'

const stops = [
  { id: 'due', key: '1', name: 'Coming due', href: '/round' },
  { id: 'weeks', key: '2', name: 'Weeks ahead', href: '/round/weeks' },
  { id: 'day', key: '3', name: 'The day', href: '/round/day' },
] as const

/** The stops of the round on one rule: what is due, who goes where when, and one day. Their numbers are their keys. */
export function RoundStops({ at }: { at: (typeof stops)[number]['id'] }) {
  const [toRing, setToRing] = useState(0)
  useFetched<{ calls: RingBack[] }>('/api/calls', ({ calls }) => setToRing(calls.length), { afterMs: 400 })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const stop = meansItself(event) ? undefined : stops.find(({ key }) => key === event.key)
      if (stop && stop.id !== at) location.assign(stop.href)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [at])
  return (
    <nav
      aria-label="Stops of the round"
      className="ml-auto flex items-center max-md:ml-0 max-md:w-full max-md:flex-wrap max-md:justify-between"
      data-noprint
    >
      {toRing > 0 && (
        <a
          href="/round/call"
          className="mr-4 inline-flex max-md:order-1 max-md:mr-0 min-h-[44px] items-center font-semibold whitespace-nowrap text-copper"
        >
          {toRing} to ring back
        </a>
      )}
      {stops.map(({ id, key, name, href }, i) => {
        const on = id === at
        return (
          <span key={id} className="flex items-center">
            {i > 0 && <span className="mx-1 h-px w-3 bg-hair max-md:hidden" aria-hidden="true" />}
            <a
              href={href}
              aria-current={on ? 'page' : undefined}
              className="flex min-h-[44px] items-center gap-1.5 whitespace-nowrap max-md:gap-0.5"
            >
              <StopMark number={key} on={on} />
              <span className={on ? 'font-semibold' : 'text-second'}>{name}</span>
            </a>
          </span>
        )
      })}
      <a
        href="/visits"
        className="ml-4 inline-flex min-h-[44px] items-center whitespace-nowrap text-second max-md:order-1 max-md:ml-0"
      >
        Visits made
      </a>
    </nav>
  )
}
