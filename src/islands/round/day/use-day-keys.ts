import { useEffect } from 'react'
import { meansItself, rowAfter } from '../../../ui/typing.ts'

interface DayKeys {
  /** Stops in the order they stand on the page. */
  rows: number[]
  chosen: number | null
  choose(stop: number): void
  move(stop: number, by: 1 | -1): void
  take: (() => void) | null
  turn(): void
  open(stop: number): void
  go(by: 1 | -1): void
  /** Something lies over the page. */
  isOff: boolean
}

/** The day by keys alone. */
export function useDayKeys({ rows, chosen, choose, move, take, turn, open, go, isOff }: DayKeys): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isOff || meansItself(event)) return
      const { key, target } = event
      if (key === 'j' || key === 'k') {
        const next = rows[rowAfter(key, rows.indexOf(chosen ?? -1), rows.length)]
        if (next !== undefined) choose(next)
      }
      if ((key === 'J' || key === 'K') && chosen !== null) move(chosen, key === 'J' ? 1 : -1)
      if (key === 's') take?.()
      if (key === 'm') turn()
      if (key === 'x') document.querySelector<HTMLInputElement>('[data-load]:not(:checked)')?.click()
      // What has the focus has these keys for itself.
      if (target instanceof HTMLElement && target.closest('a, button, input, select')) return
      if (key === 'Enter' && chosen !== null) open(chosen)
      if (key === 'ArrowLeft') go(-1)
      if (key === 'ArrowRight') go(1)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
}
