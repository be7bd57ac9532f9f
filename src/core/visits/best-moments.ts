import { lostUntil, type Urgency } from './call-urgency.ts'

/** A moment on some day, as far as it is weighed. */
export interface WeighedMoment {
  technicianId: string
  /** Days from today. */
  dayAfter: number
  detourMin: number
  beginMin: number
  /** A stop that has no room then, whatever it is. */
  out: unknown
  /** They do not usually go there. */
  isOther: boolean
  /** They know the kind of machine. */
  knowsKind: boolean
  /** Days the place is open from today on, that day left out; whether it is today, and on that day. */
  openDays: number
  openToday: boolean
  isOpen: boolean
}

/** What a day of waiting costs, in minutes of the firm’s time. From memory. */
const waitingPerDay: Record<Urgency, number> = { 'can-wait': 4, 'drink-short': 60, 'stands-still': 240 }
/** A stop that goes to another day has its road again. From memory. */
const outMin = 30
/** Somebody else than who usually goes there. */
const otherMin = 8
/** Somebody who does not know the kind: half the time somebody else has to come after them. From memory. */
const unknownKindMin = 60
/** Two moments of one day that lie nearer than this are one choice. */
const apartMin = 90

/** What a moment costs over all: road, waiting, what must go for it. */
export function momentCost(
  { technicianId: _, dayAfter, detourMin, beginMin, out, isOther, knowsKind }: WeighedMoment,
  urgency: Urgency,
  nowMin: number,
): number {
  const waits = dayAfter + (beginMin - nowMin) / (24 * 60)
  const who = (isOther ? otherMin : 0) + (knowsKind ? 0 : unknownKindMin)
  return detourMin + waitingPerDay[urgency] * waits + (out === null ? 0 : outMin) + who
}

/**
 * The moments that cost least, each a choice of its own: of one person’s day only those well apart.
 *
 * @param most - so many at most
 */
export function bestMoments<M extends WeighedMoment>(
  all: readonly M[],
  { urgency, nowMin, most = 3 }: { urgency: Urgency; nowMin: number; most?: number },
): M[] {
  const cost = new Map(all.map((one) => [one, momentCost(one, urgency, nowMin)]))
  const chosen: M[] = []
  for (const one of [...all].sort((a, b) => cost.get(a)! - cost.get(b)!)) {
    if (chosen.length === most) break
    const isAlike = chosen.some(
      (other) =>
        other.technicianId === one.technicianId &&
        other.dayAfter === one.dayAfter &&
        Math.abs(other.beginMin - one.beginMin) < apartMin,
    )
    if (!isAlike) chosen.push(one)
  }
  return chosen
}

/** Drinks that are not made until a moment; null where nobody knows how many are lost a day. */
export const lostTill = (
  moment: Pick<WeighedMoment, 'openDays' | 'openToday' | 'isOpen' | 'beginMin'>,
  lostPerDay: number | null,
  nowMin: number,
): number | null => (lostPerDay === null ? null : lostUntil(lostPerDay, { nowMin, ...moment }))
