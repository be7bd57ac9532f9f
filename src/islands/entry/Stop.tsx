import type { ReactNode } from 'react'

interface Props {
  number: number
  title: string
  hint: ReactNode
  done: boolean
  children: ReactNode
}

/** One stop of the form's upright pipe: solid when something is written there, ringed where the hand is. */
export function Stop({ number, title, hint, done, children }: Props) {
  return (
    <section
      className="group relative grid grid-cols-[36px_1fr] border-b border-hair pt-2.5 pb-3"
      aria-labelledby={`stop-${number}`}
    >
      <div className="relative" aria-hidden="true">
        <span className="absolute top-0 -bottom-6 left-[13px] w-[5px] border-x-[1.5px] border-deep bg-tint group-last-of-type:-bottom-2" />
        <svg width={32} height={32} viewBox="0 0 32 32" className="relative -left-px" aria-hidden="true">
          <circle
            cx={16}
            cy={13}
            r={10}
            fill={done ? 'var(--deep)' : 'var(--enamel)'}
            stroke="var(--deep)"
            strokeWidth={1.5}
          />
          <g className="opacity-0 group-focus-within:opacity-100" fill="none" stroke="var(--copper)" strokeWidth={2.5}>
            <circle cx={16} cy={13} r={12} />
            <path d="M7 22l-5 5" strokeWidth={3.5} />
          </g>
          <text
            x={16}
            y={17.5}
            textAnchor="middle"
            fontSize={13}
            className="mono"
            fill={done ? 'var(--enamel)' : 'var(--ink)'}
          >
            {number}
          </text>
        </svg>
      </div>
      <div className="min-w-0 pl-1.5">
        <h2 id={`stop-${number}`} className="head m-0">
          {title} <span className="ml-1 text-[13px] font-normal text-second">{hint}</span>
        </h2>
        {children}
      </div>
    </section>
  )
}
