import { dayShort } from '../../../ui/format.ts'
import type { WeeksRow } from '../../../views/weeks-ahead.ts'

/** @example movedWords({ from: '2026-12-08', to: '2026-12-10', savesMin: 22 }) // 'moved from 8 Dec to 10 Dec: saves 22 min' */
export function movedWords({ from, to, savesMin }: WeeksRow['moved'][number]): string {
  const went = to ? `moved from ${dayShort(from)} to ${dayShort(to)}` : `no longer on ${dayShort(from)}`
  const why =
    savesMin === null
      ? 'closed, or nobody who could go then'
      : savesMin > 0
        ? `saves ${savesMin} min`
        : 'it goes with others that moved'
  return `${went}: ${why}`
}
