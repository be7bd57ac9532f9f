import type { PathLine, Station } from '../../core/kinds/kind.ts'
import { half } from './half-widths.ts'

/** Room a station of a branch takes. */
export const besideSlot = 122

/** Room that branches want between two places of the main line; −1 is its left edge. */
export function branchRoom(
  branches: PathLine[],
  main: Station[],
  count: (line: PathLine) => number,
): { from: number; to: number; room: number }[] {
  const at = (end: { station: string } | undefined) => main.findIndex(({ id }) => id === end?.station)
  const upper = branches
    .filter(({ lane }) => lane < 0)
    .map((line) => ({ line, from: at(line.from), to: at(line.to), long: count(line) * besideSlot }))
  const wanted: { from: number; to: number; room: number }[] = []
  for (const { line, from, to, long } of upper) {
    // One that comes back wants its room between its ends, one that only comes in, ahead of where it does.
    if (line.from ? from >= 0 && to > from : to >= 0)
      wanted.push({ from, to, room: (line.from ? 34 : 0) + long + half(main[to]!) + 8 })
    const next = upper
      .filter((other) => other.line !== line && other.line.lane === line.lane)
      .map((other) => ({ begins: other.line.from ? other.from : other.to, long: other.line.from ? 0 : other.long }))
      .filter(({ begins }) => from >= 0 && begins > from)
      .sort((a, b) => a.begins - b.begins)[0]
    if (next) wanted.push({ from, to: next.begins, room: 34 + long + next.long })
  }
  return wanted
}
