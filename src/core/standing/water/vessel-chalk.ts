import type { Vessel, WaterUse } from '../../kinds/vessel.ts'
import { atChance, product, type Spread, spreadOf } from '../../quantity/spread.ts'
import { type ChalkPerLitre, chalkPerLitre } from '../../scale/chalk-per-litre.ts'
import { scaleG, thicknessMm } from '../../scale/deposit.ts'
import { steamTempC } from '../../steam/saturation-line.ts'
import type { TestedWater } from '../../water/carbonate.ts'
import { type Along, alongADay, alongAfter, alongBetween } from '../along.ts'
import type { MachineFacts } from '../machine-facts.ts'
import type { FeedWater } from './feed-water.ts'
import { type SetFigure, takeFigure, takeVesselFigure } from './set-figure.ts'
import type { WaterSpan } from './water-spans.ts'

/** The figures one vessel is reckoned with. */
export interface VesselFigures {
  stick: SetFigure
  residual: SetFigure
  porosity: SetFigure
  wallOver: SetFigure
  wettedCm2: SetFigure
  limitMm: SetFigure
  /** Where the chalk falls out, °C. */
  wallC: number
}

/** Chalk of one vessel, from when it was last clean. */
export interface VesselChalk {
  vessel: Vessel
  figures: VesselFigures
  /** What falls out of a litre of the present water. */
  perLitre: ChalkPerLitre
  /** What sticks, g per drink and per open day, of the present water; likely. */
  stuck: Along
  /** The same of another water. */
  stuckWith(water: TestedWater): Along
  /** Share of the machine's brew water that passes it: of the busiest group. */
  share: number
  /** How sure the mass is, as a factor around its likely value. */
  sure: Spread
  limitG: number
  /** Likely mass on a day since it was clean; behind a softener, with what its tests told. */
  gramsAt(day: number): number
  /** What was laid down between two days. */
  gramsBetween(from: number, to: number): number
  thicknessOf(grams: number): number
  /** First day the likely limit is reached at a chance of being sooner; null beyond ten years. */
  dayAtLimit(chance: number): number | null
}

/** The vessel's figures for this machine, with the temperature of its wall. */
function vesselFigures(facts: MachineFacts, vessel: Vessel): VesselFigures {
  const { histories, kind, policy } = facts
  const around = vessel.inside ? kind.vessels.find(({ id }) => id === vessel.inside)! : vessel
  const wallOver = takeFigure(histories, 'wall-over')
  return {
    stick: takeFigure(histories, vessel.heats === 'steam' ? 'steam-stick' : 'brew-stick'),
    residual: takeFigure(histories, 'residual'),
    porosity: takeFigure(histories, 'porosity'),
    wallOver,
    wettedCm2: takeVesselFigure(histories, vessel, 'wettedCm2', vessel.wettedCm2),
    limitMm: takeVesselFigure(histories, vessel, 'limitMm', vessel.limitMm[policy.value]),
    wallC:
      around.setBar !== undefined
        ? steamTempC(around.setBar, 0)
        : around.outletC! + (vessel.heats === 'flow' ? wallOver.value : 0),
  }
}

/**
 * Chalk in a vessel: what its water drops there, day by day since it was last clean, and on at the present
 * water and use.
 *
 * @param since - day number it was clean
 * @param spans - water since then
 * @param learned - this machine's own share that sticks over the usual one, from what descales removed
 */
export function vesselChalk(
  facts: MachineFacts,
  vessel: Vessel,
  since: number,
  water: FeedWater,
  spans: WaterSpan[],
  learned: Spread | null,
): VesselChalk {
  const figures = vesselFigures(facts, vessel)
  const { use } = facts
  const share = vessel.each === 'group' ? Math.max(...facts.shares.value) : 1
  const { stick, residual, porosity, wettedCm2, limitMm, wallC } = figures
  const sticks = stick.value * (learned?.value ?? 1) * share
  const of = (one: TestedWater) => chalkPerLitre(vessel, one, wallC, residual.value)
  const perLitre = of(water.fed.likely)
  const stuck = stuckOf(facts, vessel, perLitre, sticks)
  const segments = spans.map((span) => ({ ...span, stuck: stuckOf(facts, vessel, of(span.water.fed.likely), sticks) }))
  const gramsBetween = (start: number, end: number): number => {
    let grams = end > facts.asOfDay ? Math.max(0, alongBetween(stuck, use, Math.max(start, facts.asOfDay), end)) : 0
    for (const span of segments) {
      const [from, to] = [Math.max(span.from, start), Math.min(span.to, end)]
      if (to > from) grams += Math.max(0, alongBetween(span.stuck, use, from, to))
    }
    return grams
  }
  const gramsAt = (day: number) => gramsBetween(since, day)
  const limitG = scaleG(limitMm.value, porosity.value, wettedCm2.value)
  const sure = sureOf(facts, vessel, water, figures, learned)
  const now = gramsAt(facts.asOfDay)
  const dayFor = (growth: number, chance: number): number | null => {
    const left = limitG / growth - now
    // Past already: the day it was is sought in the past, straight between then and now.
    if (left <= 0) return now > 0 ? since + Math.round((limitG / growth / now) * (facts.asOfDay - since)) : null
    return alongADay(stuck, use) > 0 ? alongAfter(stuck, use, facts.asOfDay, left).dayAt(chance) : null
  }
  const middle = once(() => dayFor(1, 0.5))
  return {
    vessel,
    figures,
    perLitre,
    stuck,
    stuckWith: (other) => stuckOf(facts, vessel, of(other), sticks),
    share,
    sure,
    limitG,
    gramsAt,
    gramsBetween,
    thicknessOf: (grams) => thicknessMm(grams, porosity.value, wettedCm2.value),
    dayAtLimit(chance) {
      const likely = middle()
      if (chance === 0.5) return likely
      // Sooner where more sticks. What is not known of the chalk and of the use are two things, so their
      // days add in quadrature.
      const byChalk = dayFor(atChance(sure, 1 - chance), 0.5)
      if (likely === null) return chance < 0.5 ? byChalk : null
      const byUse = dayFor(1, chance)
      if (byChalk === null || byUse === null) return chance < 0.5 ? likely : null
      const apart = Math.round(Math.hypot(likely - byChalk, likely - byUse))
      return chance < 0.5 ? likely - apart : likely + apart
    },
  }
}

/** What sticks per drink and per open day. A boiler cannot give back more than it takes in. */
function stuckOf(facts: MachineFacts, vessel: Vessel, { grams }: ChalkPerLitre, sticks: number): Along {
  const { budget, use } = facts
  const sum = (of: (use: WaterUse) => number) =>
    vessel.takes.reduce((total, use) => total + (grams[use] ?? 0) * of(use), 0) * sticks
  const stuck = {
    factor: budget.factor,
    // Grams a litre times a drink's millilitres are thousandths of a gram.
    thousandthsPerDrink: sum((use) => budget.uses[use].mlPerDrink),
    perOpenDay: sum((use) => budget.uses[use].litresPerOpenDay),
  }
  return alongADay(stuck, use) > 0 ? stuck : { factor: 1, thousandthsPerDrink: 0, perOpenDay: 0 }
}

/** How sure the mass is: the share that sticks, the pores, and what the tests leave open of the water. */
function sureOf(
  facts: MachineFacts,
  vessel: Vessel,
  water: FeedWater,
  { stick, porosity, residual, wallC }: VesselFigures,
  learned: Spread | null,
): Spread {
  const daily = (at: TestedWater) =>
    alongADay(stuckOf(facts, vessel, chalkPerLitre(vessel, at, wallC, residual.value), 1), facts.use)
  const likely = daily(water.fed.likely)
  const ofWater =
    likely > 0
      ? spreadOf(1, Math.min(1, daily(water.fed.soft) / likely), Math.max(1, daily(water.fed.hard) / likely))
      : spreadOf(1, 1, 1)
  const solid = (pores: number) => 1 - Math.min(0.95, pores)
  const pores = spreadOf(
    1,
    solid(porosity.value) / solid(atChance(porosity, 0.05)),
    solid(porosity.value) / solid(atChance(porosity, 0.95)),
  )
  const share = learned ?? { value: 1, below: stick.below, above: stick.above }
  return { ...product(share, ofWater, pores), value: 1 }
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null
  return () => {
    made ??= { value: make() }
    return made.value
  }
}
