import type { Takes } from '../trade/what-stops.ts'

/** How soon somebody has to be there. */
export const urgencies = ['can-wait', 'drink-short', 'stands-still'] as const
export type Urgency = (typeof urgencies)[number]

/** A machine of the place as a call weighs it. */
export interface MachineAtPlace {
  /** Drinks an open day; null where nobody has read its counter twice. */
  perDay: number | null
  /** It is out of use as well. */
  isOut?: boolean
}

export interface CallUrgency {
  level: Urgency
  /** Drinks a day that are not made till it runs; null where nothing is known of it. */
  lostPerDay: number | null
  /** Of so many that the place makes on all its machines. */
  ofPerDay: number | null
  /** Of those it would have made, others there can make so many. */
  takenOver: number
  /** Nobody lives by so few. */
  isSmall: boolean
}

/** A place that makes fewer drinks a day does not live by them. From memory. */
const smallPerDay = 15
/** From this share of its drinks on a trade stands still. From memory. */
const standsShare = 0.5
/** Of the drinks of one machine, where some of them fall short. From memory. */
const someShare = 0.5

/**
 * How urgent a call is: what the complaint takes from the place, less what other machines there can make besides. A
 * machine beside it can make about as many drinks again as it does; from memory.
 *
 * @param takes - null where nobody knows
 * @param here - the machine that was rung about
 * @param isDanger - something must stop first: it makes nothing till somebody was there
 * @example callUrgency({ takes: 'all', here: { perDay: 58 }, beside: [{ perDay: 12 }] }).lostPerDay // 46
 */
export function callUrgency({
  takes,
  here,
  beside,
  isDanger = false,
}: {
  takes: Takes | null
  here: MachineAtPlace
  beside: readonly MachineAtPlace[]
  isDanger?: boolean
}): CallUrgency {
  const known = beside.flatMap(({ perDay }) => (perDay === null ? [] : [perDay]))
  const helping = beside.flatMap(({ perDay, isOut }) => (perDay === null || isOut ? [] : [perDay]))
  const share = isDanger || takes === 'all' ? 1 : takes === 'some' ? someShare : 0
  const ofPerDay = here.perDay === null ? null : here.perDay + sum(known)
  const wouldMiss = here.perDay === null ? null : here.perDay * share
  const takenOver = Math.min(wouldMiss ?? 0, sum(helping))
  const lostPerDay = takes === null && !isDanger ? null : wouldMiss === null ? null : wouldMiss - takenOver
  const isSmall = ofPerDay !== null && ofPerDay < smallPerDay
  return { level: levelOf(), lostPerDay, ofPerDay, takenOver, isSmall }

  function levelOf(): Urgency {
    if (takes === 'quality' && !isDanger) return 'can-wait'
    if (share < 1) return 'drink-short'
    if (isSmall) return 'drink-short'
    if (lostPerDay === null || ofPerDay === null)
      return beside.some(({ isOut }) => !isOut) ? 'drink-short' : 'stands-still'
    return lostPerDay >= standsShare * ofPerDay ? 'stands-still' : 'drink-short'
  }
}

const sum = (of: readonly number[]): number => of.reduce((all, one) => all + one, 0)

/** A day’s drinks are made between these. From memory. */
const makesFrom = 7 * 60
const makesTo = 18 * 60

/**
 * Drinks that are not made from now until a minute of a day.
 *
 * @param openDays - days the place is open from today on, that day left out
 * @param openToday - whether it is open today, and `isOpen` on that day
 * @example lostUntil(60, { nowMin: 420, openDays: 1, openToday: true, isOpen: true, beginMin: 420 }) // 60
 */
export function lostUntil(
  lostPerDay: number,
  {
    nowMin,
    openDays,
    openToday,
    isOpen,
    beginMin,
  }: { nowMin: number; openDays: number; openToday: boolean; isOpen: boolean; beginMin: number },
): number {
  const through = (minute: number) => Math.min(1, Math.max(0, (minute - makesFrom) / (makesTo - makesFrom)))
  // What was made before the telephone rang is not lost.
  const today = openToday ? through(nowMin) : 0
  return Math.max(0, lostPerDay * (openDays + (isOpen ? through(beginMin) : 0) - today))
}
