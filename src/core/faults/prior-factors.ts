import type { Fault, FaultBook } from './fault.ts'
import { type LastReading, readingReason } from './prior-readings.ts'

/** What a machine's own records say before anything is tried. */
export interface PriorEvidence {
  /** Share of its life each part has used. */
  lifeUsed: Record<string, number>
  /** Parts that were fitted new, and how long ago. */
  fitted: Record<string, number>
  /** Share of what was allowed since a part was last cleaned or looked after. */
  careUsed: Record<string, number>
  /** Share of the chalk allowed since the last descale; null where nobody reckons it. */
  chalkUsed: number | null
  /** The same of each vessel, by its station. */
  chalkAt: Record<string, number>
  /** The last test of what leaves the treatment found it spent, and nothing was renewed since. */
  spentOutlet: { mgL: number; daysAgo: number } | null
  /** The machine asked to be descaled, and was not since: how long ago. */
  askedToDescaleDaysAgo: number | null
  /** The last reading of each measure that is in the ledger. */
  readings: LastReading[]
  /** Faults that were repaired here, and how long ago. */
  repaired: { fault: string; daysAgo: number }[]
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
  fitted: {},
  careUsed: {},
  chalkUsed: null,
  chalkAt: {},
  spentOutlet: null,
  askedToDescaleDaysAgo: null,
  readings: [],
  repaired: [],
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
  fittedLately: 0.2,
  askedToDescale: 2,
  spentOutlet: 1.5,
  again: 2,
  handsThere: 20,
  handsNear: 5,
  descaledChalk: 0.4,
  descaledFlakes: 2,
  stood: 4,
  treatmentChanged: 5,
  wintered: 3,
  beansNoted: 3,
} as const
const openedWithinDays = 14
const fittedWithinDays = 30
const againWithinDays = 180
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
    book.faults.map((fault) => [
      fault.id,
      [
        ...reasonsFor(fault, evidence),
        ...evidence.readings.flatMap((reading) => readingReason(book, fault, reading)),
        ...confirmedFor(fault),
      ],
    ]),
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

/** Shape of a part that wears, where nothing else is said; from memory: 2 to 3. */
const wearShape = 2.2
/** Parts in use are up to this share of a life old, as often at each age. From memory. */
const oldestInUse = 1.2

const between = (least: number, most: number, factor: number) => Math.min(most, Math.max(least, factor))

/**
 * How much oftener a part of an age fails than one of any age: its hazard by Weibull's law over the mean hazard.
 *
 * @param used - share of its usual life
 * @see Weibull 1951, A statistical distribution function of wide applicability, J. Appl. Mech. 18, 293
 * @example wornBy(1.3) // ≈ 2.4
 */
const wornBy = (used: number): number =>
  between(0.15, 4, (wearShape * used ** (wearShape - 1)) / oldestInUse ** (wearShape - 1))

/** How much oftener something is dirty by the share of the time to its next care; from memory. */
const dirtyBy = (share: number): number => between(0.5, 2, 0.5 + 0.5 * share)

/** How much oftener chalk is the cause by the share of what is allowed; from memory. */
const chalkedBy = (share: number): number => between(0.3, 3, 0.3 + 1.1 * share)

/** A reason worth saying: one that moves next to nothing is none. */
const telling = (reason: PriorReason): PriorReason[] => (Math.abs(Math.log(reason.factor)) < 0.15 ? [] : [reason])

function reasonsFor(fault: Fault, evidence: PriorEvidence): PriorReason[] {
  const reasons: PriorReason[] = []
  const has = (trait: NonNullable<Fault['traits']>[number]) => fault.traits?.includes(trait) === true
  // What hands left so is no matter of age.
  const ofPart = fault.part === undefined || has('refit') ? null : fault.part
  const fitted = ofPart === null ? undefined : evidence.fitted[ofPart]
  const isNew = fitted !== undefined && fitted <= fittedWithinDays
  const used = ofPart === null ? undefined : evidence.lifeUsed[ofPart]
  // A part that was just fitted is seldom worn: it is misfitted, or something beside it is.
  if (isNew) reasons.push({ words: `fitted new ${days(fitted)} ago`, factor: factors.fittedLately })
  else if (used !== undefined) {
    const age = `${Math.round(used * 100)} % of its usual life`
    reasons.push(...telling({ words: used >= 1 ? `past it: ${age}` : age, factor: wornBy(used) }))
  }
  const care = ofPart === null ? undefined : evidence.careUsed[ofPart]
  if (care !== undefined)
    reasons.push(
      ...telling({ words: `${Math.round(care * 100)} % of the time to its next care`, factor: dirtyBy(care) }),
    )
  const opened = evidence.opened.find(
    ({ station, daysAgo }) => station === fault.station && daysAgo <= openedWithinDays,
  )
  // How somebody doses is not changed by who opened it.
  if (opened && !isNew && !fault.repair.tell)
    reasons.push({ words: `opened there ${days(opened.daysAgo)} ago`, factor: factors.openedLately })
  if (has('refit')) {
    const recent = evidence.hands.filter(({ daysAgo }) => daysAgo <= handsWithinDays)
    const there = recent.find(({ station }) => station === fault.station)
    const near = recent[0]
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
  const { askedToDescaleDaysAgo: asked, spentOutlet: spent } = evidence
  // What its own vessel laid down, where that is reckoned; else the one that has most.
  const own = fault.station === null ? undefined : evidence.chalkAt[fault.station]
  const chalk = own ?? evidence.chalkUsed
  const lately = descaled !== null && descaled <= descaledWithinDays
  if (chalk !== null && !lately && has('chalk'))
    reasons.push(
      ...telling({
        words: `${Math.round(chalk * 100)} % of the chalk allowed${own === undefined ? '' : ' there'}`,
        factor: chalkedBy(chalk),
      }),
    )
  if (asked !== null && has('chalk'))
    reasons.push({ words: `it asked to be descaled ${days(asked)} ago`, factor: factors.askedToDescale })
  if (spent && !lately && has('chalk'))
    reasons.push({
      words: `${Math.round(spent.mgL)} mg/L after the treatment ${days(spent.daysAgo)} ago: spent`,
      factor: factors.spentOutlet,
    })
  const before = evidence.repaired.find((one) => one.fault === fault.id && one.daysAgo <= againWithinDays)
  if (before) reasons.push({ words: `it was this ${days(before.daysAgo)} ago`, factor: factors.again })
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
