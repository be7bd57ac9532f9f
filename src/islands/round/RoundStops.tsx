import { useEffect } from 'react'
import { meansItself } from '../../ui/typing.ts'

const stops = [
  { id: 'due', key: '1', name: 'Coming due', href: '/round' },
  { id: 'weeks', key: '2', name: 'Weeks ahead', href: '/round/weeks' },
] as const

/** The stops of the round on one rule: what is due, and who goes where when. Their numbers are their keys. */
export function RoundStops({ at }: { at: (typeof stops)[number]['id'] }) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const stop = meansItself(event) ? undefined : stops.find(({ key }) => key === event.key)
      if (stop && stop.id !== at) location.assign(stop.href)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [at])
  return (
    <nav aria-label="Stops of the round" className="ml-auto flex items-center max-md:ml-0" data-noprint>
      {stops.map(({ id, key, name, href }, i) => {
        const on = id === at
        return (
          <span key={id} className="flex items-center">
            {i > 0 && <span className="mx-1 h-px w-3 bg-hair" aria-hidden="true" />}
            <a
              href={href}
              aria-current={on ? 'page' : undefined}
              className="flex min-h-[44px] items-center gap-1.5 whitespace-nowrap"
            >
              <svg width={32} height={32} viewBox="0 0 32 32" aria-hidden="true">
                {on ? (
                  <g fill="none" stroke="var(--copper)" strokeWidth={2.5}>
                    <circle cx={17} cy={15} r={11.5} />
                    <path d="M8.500 23.500l-4.500 4.500" strokeWidth={3.5} />
                  </g>
                ) : (
                  <circle cx={17} cy={15} r={9} fill="none" stroke="var(--hair)" strokeWidth={1.5} />
                )}
                <text
                  x={17}
                  y={19.5}
                  textAnchor="middle"
                  fontSize={12.5}
                  className="mono"
                  fill={on ? 'var(--copper)' : 'var(--second)'}
                >
                  {key}
                </text>
              </svg>
              <span className={on ? 'font-semibold' : 'text-second'}>{name}</span>
            </a>
          </span>
        )
      })}
    </nav>
  )
}
