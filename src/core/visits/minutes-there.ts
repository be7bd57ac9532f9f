/** One piece of work of a visit. */
export interface Handwork {
  /** Minutes of the hands. */
  minutes: number
  /** Minutes it goes on by itself: a bath, a programme, a block that cools. */
  idleMin?: number
  /** Whether nothing else can be done at the machine meanwhile. */
  holds?: boolean
  /** What it is done at. */
  subjectId?: string
}

/**
 * Minutes of some work at one place by one pair of hands, what soaks meanwhile used for the rest: as long as the hands
 * are at work, or as the slowest piece takes with its own time, or as one machine does where its programmes hold it.
 * It is never less than somebody who lays it out well needs; where pieces do not fit each other it takes a little more.
 *
 * @example minutesThere([{ minutes: 10, idleMin: 20 }]) // 30: nothing else to do
 * @example minutesThere([{ minutes: 10, idleMin: 20 }, { minutes: 25 }]) // 35: the soak is used
 */
export function minutesThere(work: readonly Handwork[]): number {
  let hands = 0
  let waits = false
  for (const { minutes, idleMin } of work) {
    hands += minutes
    if (idleMin) waits = true
  }
  if (!waits) return hands
  let longest = hands
  for (const { minutes, idleMin = 0, holds, subjectId } of work) {
    if (!idleMin) continue
    let own = minutes + idleMin
    if (holds && subjectId !== undefined) {
      own = 0
      for (const other of work)
        if (other.subjectId === subjectId) own += other.minutes + (other.holds ? (other.idleMin ?? 0) : 0)
    }
    if (own > longest) longest = own
  }
  return longest
}

/** Minutes one after the other would take more: what the soaks are used for. */
export const savedByOverlap = (work: readonly Handwork[]): number =>
  work.reduce((sum, { minutes, idleMin = 0 }) => sum + minutes + idleMin, 0) - minutesThere(work)
