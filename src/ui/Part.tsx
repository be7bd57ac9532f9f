import type { ReactNode } from 'react'

/** A part of a page: its head, what can be done with it at the right, and what stands in it. */
export function Part({ title, action, children }: { title: string; action?: ReactNode; children: ReactNode }) {
  return (
    <section aria-label={title} className="pb-5">
      <div className="flex items-baseline gap-4 pb-1">
        <h2 className="head m-0">{title}</h2>
        {action && <span className="ml-auto text-[14px]">{action}</span>}
      </div>
      {children}
    </section>
  )
}

/** A word that does something, beside a head or a row. */
export const Act = ({ onClick, children }: { onClick: () => void; children: ReactNode }) => (
  <button type="button" className="min-h-[44px] font-semibold text-copper lg:min-h-[32px]" onClick={onClick}>
    {children}
  </button>
)
