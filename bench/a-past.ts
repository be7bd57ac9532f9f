import type { Fault, FaultBook } from '../src/core/faults/fault.ts'
import { nothingKnown, type PriorEvidence } from '../src/core/faults/prior-factors.ts'
import type { Kind } from '../src/core/kinds/kind.ts'
import type { Dice } from '../src/core/quantity/dice.ts'

/** What a machine went through, as its ledger tells it, and how much likelier each fault has become by it. */
export interface APast {
  evidence: PriorEvidence
  /** By fault, its hazard against that of a machine of which nothing is known. */
  hazard: (fault: Fault) => number
}

/** Lives scatter by Weibull's law; where a kind says no shape, wear. From memory. */
const usualShape = 2.2
/** A mean hazard of 1 for ages drawn evenly up to this share of a life. */
const oldest = 1.4
/** Of a hundred machines hands were at so many within a month. */
const handsAt = 0.3

/**
 * A past drawn at random: ages of parts, chalk, care, hands. Hazards follow from wear, not from the factors of the
 * search: a part of shape β at a share u of its life fails β·u^(β−1) as often as on the average.
 *
 * @param worked - hands were at it within the month
 * @see Weibull 1951, A statistical distribution function of wide applicability, J. Appl. Mech. 18, 293
 */
export function aPast(kind: Kind, book: FaultBook, dice: Dice, worked = dice.next() < handsAt): APast {
  const ages = new Map(kind.parts.map(({ id }) => [id, dice.between(0.02, oldest)]))
  const care = new Map(
    kind.tasks
      .filter(({ action, part }) => part && (action === 'clean' || action === 'grease'))
      .map(({ part }) => [part!, dice.between(0, 2)]),
  )
  const chalk = dice.between(0, 1.6)
  const descaledDaysAgo = dice.next() < 0.2 ? Math.floor(dice.between(1, 60)) : null
  const stoodDays = dice.next() < 0.1 ? Math.floor(dice.between(22, 60)) : null
  const touched = worked ? dice.pick(kind.parts) : null
  const handsDaysAgo = Math.floor(dice.between(1, 28))
  const fitted = touched && dice.next() < 0.6 ? touched : null
  if (fitted) ages.set(fitted.id, 0.01)
  const shapes = new Map(kind.tasks.flatMap(({ part, beta }) => (part && beta ? [[part, beta] as const] : [])))
  const lately = descaledDaysAgo !== null && descaledDaysAgo <= 14
  const chalked = lately ? 0.2 : chalk
  const left = Math.max(1, ...book.faults.map(({ traits }) => (traits?.includes('refit') ? 1 : 0)))
  return {
    evidence: {
      ...nothingKnown,
      // What a ledger says of an age is a reckoning: it errs.
      lifeUsed: Object.fromEntries(
        [...ages].map(([part, used]) => [part, Math.max(0, used * (1 + 0.15 * dice.normal()))]),
      ),
      careUsed: Object.fromEntries(care),
      chalkUsed: chalked * (1 + 0.15 * dice.normal()),
      descaledDaysAgo,
      stoodDays,
      ...(fitted && { fitted: { [fitted.id]: handsDaysAgo } }),
      ...(touched && {
        opened: [{ station: touched.station, daysAgo: handsDaysAgo }],
        hands: [{ what: fitted ? 'a part fitted' : 'repaired', station: touched.station, daysAgo: handsDaysAgo }],
      }),
    },
    hazard: ({ part, station, traits = [] }) => {
      if (traits.includes('refit')) return (touched ? (touched.station === station ? 12 : 2.5) : 0.25) * left
      const age = part === undefined ? undefined : ages.get(part)
      const shape = shapes.get(part ?? '') ?? usualShape
      const wear = age === undefined ? 1 : (shape * age ** (shape - 1)) / oldest ** (shape - 1)
      const dirty = part !== undefined && care.has(part) ? 0.4 + 0.5 * care.get(part)! : 1
      const scale = traits.includes('chalk') ? 0.25 + 1.1 * chalked : 1
      const loose = traits.includes('flakes') && lately ? 3 : 1
      const stood = stoodDays !== null && (traits.includes('airlock') || traits.includes('stuck')) ? 5 : 1
      return wear * dirty * scale * loose * stood
    },
  }
}
