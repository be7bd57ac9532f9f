import type { ReactNode } from 'react'

interface Props {
  n: number
  name: string
  /** Beside the name, in small. */
  aside?: ReactNode
  state: 'done' | 'now' | 'to come'
  children: ReactNode
}

/** One stop of a call on its path: what is asked, and what came of it. */
export function CallStep({ n, name, aside, state, children }: Props) {
  return (
    <li className="grid grid-cols-[44px_1fr] border-b border-hair lg:grid-cols-[56px_1fr]" data-step={n}>
      <span className="relative flex justify-center pt-2.5" aria-hidden="true">
        <span
          className={`absolute top-9 -bottom-3 w-[7px] border-x-[1.5px] border-deep ${state === 'done' ? 'bg-tint' : 'bg-enamel'} [li:last-child_&]:hidden`}
        />
        <span
          className={`mono relative flex h-7 w-7 items-center justify-center rounded-full border-2 text-[14px] font-semibold ${
            state === 'done'
              ? 'border-deep bg-deep text-enamel'
              : state === 'now'
                ? 'border-copper bg-enamel text-copper shadow-[0_0_0_2px_var(--copper)]'
                : 'border-deep bg-enamel text-deep'
          }`}
        >
          {n}
        </span>
      </span>
      <section aria-label={name} className="min-w-0 py-2 pr-4 lg:pr-6">
        <h2 className="m-0 text-[16px] leading-7 font-[620]">
          {name} {aside && <span className="text-[14px] font-normal text-second max-md:hidden">{aside}</span>}
        </h2>
        {children}
      </section>
    </li>
  )
}
