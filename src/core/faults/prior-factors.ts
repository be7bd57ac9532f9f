import type { Fault, FaultBook } from './fault.ts'

/** What a machine's own records say before anything is tried. */
export interface PriorEvidence {
  /** Share of its life each part has used. */
  lifeUsed: Record<string, number>
  /** Stations that were opened, and how long ago. */
  opened: { station: string; daysAgo: number }[]
  /** Whatever anybody worked on: what it was, in a word, where it was if that is known, how long ago. */
  hands: { what: string; station: string | null; daysAgo: number }[]
  descaledDaysAgo: number | null
  stoodDays: number | null
  treatmentChangedDaysAgo: number | null
  /** Put away for the season, and going again since so many days. */
  winteredDaysAgo: number | null
  /** Somebody noted other beans, another roast or a new hand: what, and how long ago. */
  beansNoted: { words: string; daysAgo: number } | null
  /** Causes this firm confirmed on machines of the kind, once adopted. */
  confirmed: Record<string, number>
}

export const nothingKnown: PriorEvidence = {
  lifeUsed: {},
  opened: [],
  hands: [],
  descaledDaysAgo: null,
  stoodDays: null,
  treatmentChangedDaysAgo: null,
  winteredDaysAgo: null,
  beansNoted: null,
  confirmed: {},
}

/** One reason why a fault is likelier or less. */
export interface PriorReason {
  words: string
  factor: number
}

/** Multipliers of a technician; all from memory. */
const factors = {
  openedLately: 6,
  handsThere: 20,
  handsNear: 5,
  pastItsLife: 2.5,
  nearlyNew: 0.5,
  descaledChalk: 0.4,
  descaledFlakes: 2,
  stood: 4,
  treatmentChanged: 5,
  wintered: 3,
  beansNoted: 3,
} as const
const openedWithinDays = 14
const handsWithinDays = 30
const descaledWithinDays = 14
const stoodDays = 21
const treatmentWithinDays = 60
const winteredWithinDays = 30
const beansWithinDays = 21
/** Calls the book's own shares count for, beside the firm's confirmed causes. */
const bookCalls = 40

/**
 * What the records make of each fault, with the reasons.
 *
 * @example priorReasons(pkFaults, { ...nothingKnown, stoodDays: 30 }).airlock // [{ words: 'stood 30 days', factor: 4 }]
 */
export function priorReasons(book: FaultBook, evidence: PriorEvidence): Record<string, PriorReason[]> {
  const total = Object.values(evidence.confirmed).reduce((sum, n) => sum + n, 0)
  const shares = book.faults.reduce((sum, { per100 }) => sum + per100, 0)
  return Object.fromEntries(
    book.faults.map((fault) => [fault.id, [...reasonsFor(fault, evidence), ...confirmedFor(fault)]]),
  )

  /** Dirichlet counts: the book weighs so many calls, the firm's own weigh what they are. */
  function confirmedFor(fault: Fault): PriorReason[] {
    if (total === 0) return []
    const own = evidence.confirmed[fault.id] ?? 0
    const share = fault.per100 / shares
    const factor = (bookCalls * share + own) / ((bookCalls + total) * share)
    return Math.abs(factor - 1) < 0.05 ? [] : [{ words: `${own} of ${total} causes this firm confirmed`, factor }]
  }
}

function reasonsFor(fault: Fault, evidence: PriorEvidence): PriorReason[] {
  const reasons: PriorReason[] = []
  const has = (trait: NonNullable<Fault['traits']>[number]) => fault.traits?.includes(trait) === true
  // What hands left so is no matter of age.
  const used = fault.part === undefined || has('refit') ? undefined : evidence.lifeUsed[fault.part]
  if (used !== undefined && used >= 1)
    reasons.push({ words: `past its usual life, ${Math.round(used * 100)} %`, factor: factors.pastItsLife })
  if (used !== undefined && used < 0.1)
    reasons.push({ words: `nearly new, ${Math.round(used * 100)} % of its life`, factor: factors.nearlyNew })
  const opened = evidence.opened.find(
    ({ station, daysAgo }) => station === fault.station && daysAgo <= openedWithinDays,
  )
  if (opened) reasons.push({ words: `opened there ${days(opened.daysAgo)} ago`, factor: factors.openedLately })
  if (has('refit')) {
    const lately = evidence.hands.filter(({ daysAgo }) => daysAgo <= handsWithinDays)
    const there = lately.find(({ station }) => station === fault.station)
    const near = lately[0]
    if (there)
      reasons.push({ words: `${there.what} ${days(there.daysAgo)} ago: last hands there`, factor: factors.handsThere })
    else if (near)
      reasons.push({ words: `${near.what} ${days(near.daysAgo)} ago: last hands`, factor: factors.handsNear })
  }
  const { descaledDaysAgo: descaled } = evidence
  if (descaled !== null && descaled <= descaledWithinDays) {
    if (has('chalk')) reasons.push({ words: `descaled ${days(descaled)} ago`, factor: factors.descaledChalk })
    if (has('flakes'))
      reasons.push({ words: `descaled ${days(descaled)} ago: flakes come loose`, factor: factors.descaledFlakes })
  }
  if (evidence.stoodDays !== null && evidence.stoodDays > stoodDays && (has('airlock') || has('stuck')))
    reasons.push({ words: `stood ${days(evidence.stoodDays)}`, factor: factors.stood })
  const { treatmentChangedDaysAgo: treatment } = evidence
  if (treatment !== null && treatment <= treatmentWithinDays && has('probe'))
    reasons.push({ words: `water treatment changed ${days(treatment)} ago`, factor: factors.treatmentChanged })
  const { winteredDaysAgo: wintered, beansNoted: beans } = evidence
  if (wintered !== null && wintered <= winteredWithinDays && has('frost'))
    reasons.push({
      words: `put away for the season, going since ${days(wintered)}: frost splits joints`,
      factor: factors.wintered,
    })
  if (beans && beans.daysAgo <= beansWithinDays && has('grind'))
    reasons.push({ words: `noted ${days(beans.daysAgo)} ago: “${beans.words}”`, factor: factors.beansNoted })
  return reasons
}

const days = (n: number) => `${n} ${n === 1 ? 'day' : 'days'}`

/** The reasons of each fault multiplied. */
export const priorFactors = (reasons: Record<string, PriorReason[]>): Record<string, number> =>
  Object.fromEntries(
    Object.entries(reasons).map(([fault, list]) => [fault, list.reduce((product, { factor }) => product * factor, 1)]),
  )
