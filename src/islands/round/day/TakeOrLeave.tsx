import type { ReactNode } from 'react'

interface Props {
  busy: boolean
  onTake: () => void
  onLeave: () => void
  /** What taking it is called. */
  children: ReactNode
}

/** A change of the day that is offered: nothing changes by itself. */
export const TakeOrLeave = ({ busy, onTake, onLeave, children }: Props) => (
  <div className="flex flex-wrap gap-2 pt-1">
    <button type="button" className="act" disabled={busy} onClick={onTake}>
      {children}
    </button>
    <button type="button" className="plain" onClick={onLeave}>
      Leave it as it is
    </button>
  </div>
)
