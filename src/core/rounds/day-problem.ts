/** A stretch of a day, minutes after midnight. */
export interface Span {
  from: number
  to: number
}

/** Work at one place. */
export interface Stop {
  /** Row of the matrix of travel times. */
  place: number
  serviceMin: number
  /** When the work may begin, in order of the day; both ends belong to it. */
  open: readonly Span[]
}

/** A break is begun within its span, before a stop or before the way home. */
export interface Rest extends Span {
  minutes: number
}

/** One technician’s day: from where, till when, back to where. */
export interface Outing {
  start: number
  end: number
  startMin: number
  endMin: number
  rest?: Rest
}

/** Which stops in which order, by whom. */
export interface DayProblem {
  /** Minutes from one place to another; need not be the same both ways. */
  travelMin: readonly (readonly number[])[]
  stops: readonly Stop[]
  outings: readonly Outing[]
  /** Whether a technician may be sent to a stop; all may where it is absent. */
  may?(stop: number, outing: number): boolean
}

/** Each outing’s stops in their order; what is in none is not served. */
export type DayRoutes = readonly (readonly number[])[]

/** How good a day is: fewest stops left out first, then least travel, then home earliest. */
export interface DayCost {
  unserved: number
  travelMin: number
  finishMin: number
}

const tiny = 1e-9

/** Below 0 where the first is the better day. */
export function compareDays(a: DayCost, b: DayCost): number {
  if (a.unserved !== b.unserved) return a.unserved - b.unserved
  if (Math.abs(a.travelMin - b.travelMin) > tiny) return a.travelMin - b.travelMin
  return Math.abs(a.finishMin - b.finishMin) > tiny ? a.finishMin - b.finishMin : 0
}
