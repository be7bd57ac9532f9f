/**
 * The clocks a part's life can be counted on. Whichever runs out first governs. Shots and litres come from
 * counters, months from the calendar; the rest is counted along with drinks and open days.
 */
export const clocks = [
  'shots',
  'litres',
  'months',
  'detergentCycles',
  'kilograms',
  'milkDrinks',
  'openings',
  'heatUps',
  'switchings',
  'starts',
  'runningHours',
  'uses',
] as const
export type Clock = (typeof clocks)[number]

/** Clocks that nobody reads off: so many a drink, so many an open day. */
export const alongClocks = [
  'kilograms',
  'milkDrinks',
  'openings',
  'heatUps',
  'switchings',
  'starts',
  'runningHours',
  'uses',
] as const satisfies Clock[]
export type AlongClock = (typeof alongClocks)[number]

/** How each of those is called, and in what it is counted. */
export const alongWords: Record<AlongClock, { name: string; unit: string }> = {
  kilograms: { name: 'coffee through it', unit: 'kg' },
  milkDrinks: { name: 'milk drinks', unit: 'drinks' },
  openings: { name: 'openings', unit: 'openings' },
  heatUps: { name: 'heat-ups', unit: 'heat-ups' },
  switchings: { name: 'switchings', unit: 'switchings' },
  starts: { name: 'starts', unit: 'starts' },
  runningHours: { name: 'running hours', unit: 'h' },
  uses: { name: 'uses', unit: 'uses' },
}

/** The three policies of when to act; "usual" stands in for a maker's figure until the firm enters one. */
export const policies = ['cautious', 'usual', 'longLife'] as const
export type Policy = (typeof policies)[number]

export const policyName: Record<Policy, string> = {
  cautious: 'cautious',
  usual: 'usual',
  longLife: 'long life',
}

export const policyReason: Record<Policy, string> = {
  cautious: 'Change before anyone notices: the visit is planned, the trade never stops, parts are cheap.',
  usual: "The maker's figure where the firm has entered one, else what most technicians go by.",
  longLife: 'Use the part up: fewer parts and visits, more looking, and now and then a leak.',
}

/** One life per policy, as the tables of the trade give it. */
export type ByPolicy = Record<Policy, number>
export type PolicyLimits = Partial<Record<Clock, ByPolicy>>

/** @example byPolicy(3, 6, 12).usual // 6 */
export const byPolicy = (cautious: number, usual: number, longLife: number): ByPolicy => ({
  cautious,
  usual,
  longLife,
})
