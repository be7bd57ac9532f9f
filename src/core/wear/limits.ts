/** The clocks a part's life can be counted on. Whichever runs out first governs. */
export const clocks = ['shots', 'litres', 'months', 'detergentCycles'] as const
export type Clock = (typeof clocks)[number]

/** Life on each clock that governs; a clock that does not is absent. */
export type Limits = Partial<Record<Clock, number>>

/** The three schools of when to act; "usual" stands in for a maker's figure until the firm enters one. */
export const schools = ['cautious', 'usual', 'longLife'] as const
export type School = (typeof schools)[number]

export const schoolName: Record<School, string> = {
  cautious: 'cautious',
  usual: 'usual',
  longLife: 'long life',
}

export const schoolReason: Record<School, string> = {
  cautious: 'Change before anyone notices: the visit is planned, the trade never stops, parts are cheap.',
  usual: "The maker's figure where the firm has entered one, else what most technicians go by.",
  longLife: 'Use the part up: fewer parts and visits, more looking, and now and then a leak.',
}

/** One life per school, as the tables of the trade give it. */
export type BySchool = Record<School, number>
export type SchoolLimits = Partial<Record<Clock, BySchool>>

/** @example bySchool(3, 6, 12).usual // 6 */
export const bySchool = (cautious: number, usual: number, longLife: number): BySchool => ({
  cautious,
  usual,
  longLife,
})

/** The limits one school sets. */
export function limitsFor(limits: SchoolLimits, school: School): Limits {
  const chosen: Limits = {}
  for (const clock of clocks) if (limits[clock]) chosen[clock] = limits[clock][school]
  return chosen
}
