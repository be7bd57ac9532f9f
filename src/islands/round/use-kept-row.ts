import { useEffect, useRef } from 'react'

/** A list that is read page by page. */
interface Listed<Row> {
  rows: readonly Row[]
  keyOf(row: Row): string
  /** Whether there are more, and how they are fetched. */
  next: boolean
  more(): void
}

/** Nobody waits for more pages than these to be back where they were. */
const mostPages = 8

/**
 * Whoever goes to a machine and comes back finds the row they were at: it is kept with the page in the browser’s own
 * history.
 *
 * @param at - the row that is looked at; null where there is none
 * @param choose - called with the row it was, once that is there
 */
export function useKeptRow<Row>(
  { rows, keyOf, next, more }: Listed<Row>,
  at: number,
  choose: (at: number) => void,
): void {
  const seeking = useRef<string | null>(null)
  const pages = useRef(0)
  useEffect(() => {
    seeking.current = (history.state as { row?: string } | null)?.row ?? null
  }, [])
  useEffect(() => {
    if (seeking.current === null) return
    const found = rows.findIndex((row) => keyOf(row) === seeking.current)
    if (found >= 0) choose(found)
    else if (next && pages.current < mostPages) {
      pages.current += 1
      more()
      return
    }
    seeking.current = null
  })
  const row = rows[at]
  const key = row ? keyOf(row) : null
  useEffect(() => {
    if (seeking.current === null && key !== null) history.replaceState({ ...history.state, row: key }, '')
  }, [key])
}
