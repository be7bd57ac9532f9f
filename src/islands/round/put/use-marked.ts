import { useState } from 'react'
import type { RoundRow } from '../../../views/round-page.ts'

export const rowKey = ({ subjectId, standing }: Pick<RoundRow, 'subjectId' | 'standing'>) =>
  `${subjectId} ${standing.key}`

/** Rows ticked to be put on a visit: they stay ticked while the list is narrowed or read on. */
export function useMarked() {
  const [marked, setMarked] = useState<ReadonlyMap<string, RoundRow>>(new Map())
  const toggle = (row: RoundRow) =>
    setMarked((now) => {
      const next = new Map(now)
      if (!next.delete(rowKey(row))) next.set(rowKey(row), row)
      return next
    })
  return {
    rows: [...marked.values()],
    has: (row: RoundRow) => marked.has(rowKey(row)),
    toggle,
    clear: () => setMarked(new Map()),
  }
}
