import { partedBy } from '../money/minor.ts'

/** What is known of the time at one machine. */
export interface TimeAt {
  subjectId: string
  /** Minutes that runs and strip-down sheets counted there. */
  countedMin: number
  /** What its work takes by the catalogue, minutes: how the rest of the visit is shared. */
  usualMin: number
}

/**
 * Minutes at each machine of a visit, whole: what was counted there, and of the rest a share by what its work usually
 * takes. Together they are the time between arriving and leaving; where nobody looked at the clock, only what was
 * counted, or failing that the usual, is said.
 *
 * @param thereMin - between arriving and leaving; null where nobody said
 * @example minutesAt(92, [{ subjectId: 'a', countedMin: 40, usualMin: 30 }, { subjectId: 'b', countedMin: 0, usualMin: 15 }])
 * // [{ subjectId: 'a', minutes: 75 }, { subjectId: 'b', minutes: 17 }]
 */
export function minutesAt(
  thereMin: number | null,
  machines: readonly TimeAt[],
): { subjectId: string; minutes: number }[] {
  const own = ({ countedMin, usualMin }: TimeAt) => Math.round(countedMin > 0 ? countedMin : usualMin)
  if (thereMin === null) return machines.map((one) => ({ subjectId: one.subjectId, minutes: own(one) }))
  const there = Math.max(0, Math.round(thereMin))
  const counted = machines.map(({ countedMin }) => Math.round(countedMin))
  const sum = counted.reduce((total, minutes) => total + minutes, 0)
  // Two runs at once count the same minute twice: then the clock on the wall counts.
  const shares =
    sum >= there
      ? partedBy(there, counted)
      : partedBy(
          there - sum,
          machines.map(({ usualMin }) => Math.max(0, Math.round(usualMin))),
        ).map((rest, i) => rest + counted[i]!)
  return machines.map(({ subjectId }, i) => ({ subjectId, minutes: shares[i]! }))
}
