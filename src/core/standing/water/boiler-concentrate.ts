import type { Vessel } from '../../kinds/vessel.ts'
import { mgLPer } from '../../quantity/hardness.ts'
import { toDay } from '../../quantity/local-day.ts'
import { boilerBound } from '../../scale/boiler-bound.ts'
import {
  afterFlush,
  type ConcentratingBoiler,
  factorAfter,
  flushEveryDays,
  steadyFactor,
} from '../../water/concentrate.ts'
import { touching } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { flushTask } from '../raised-tasks.ts'
import { knownSince } from '../taken-over.ts'
import { litresADay } from '../water-budget.ts'
import type { MachineChalk } from './machine-chalk.ts'
import { type SetFigure, takeFigure, takeVesselFigure } from './set-figure.ts'

/** Something dissolved that a boiler keeps: what comes in, and how much of it may stand there. */
export interface Solute {
  name: string
  unit: string
  feed: number
  limit: SetFigure
  /** How many times the feed it may reach. */
  factor: number
}

/** What a steam boiler keeps of its water. Days are open days. */
export interface BoilerConcentrate {
  vessel: Vessel
  boiler: ConcentratingBoiler
  volume: SetFigure
  solutes: Solute[]
  /** The one that reaches its limit first. */
  first: Solute
  /** Where it settles; null where nothing is drawn hot and it grows without limit. */
  steady: number | null
  flushShare: SetFigure
  /** Open days between flushes; null where it settles below every limit. */
  everyDays: number | null
  /** Hot water a day that keeps it under the limit without a flush, L. */
  hotWaterInstead: number
  /** Last flush, or when it was taken on. */
  since: string
  flushed: boolean
  /** On the day of reckoning. */
  factorNow: number
}

/** @returns null where no boiler gives steam */
export function boilerConcentrate(facts: MachineFacts, chalk: MachineChalk): BoilerConcentrate | null {
  const vessel = facts.kind.vessels.find(({ heats }) => heats === 'steam')
  if (!vessel) return null
  const { histories, budget, use } = facts
  const volume = takeVesselFigure(histories, vessel, 'waterL', vessel.waterL)
  const litres = (of: 'steam' | 'hot-water') => litresADay({ factor: budget.factor, ...budget.uses[of] }, use)
  const boiler = { volumeL: volume.value, steamLPerDay: litres('steam'), hotWaterLPerDay: litres('hot-water') }
  const { likely } = chalk.water.fed
  const bound = boilerBound(likely)
  const solute = (name: string, unit: string, feed: number, limit: SetFigure): Solute => ({
    name,
    unit,
    feed,
    limit,
    factor: feed > 0 ? limit.value / feed : Number.POSITIVE_INFINITY,
  })
  // Hardness does not concentrate: it falls out, and takes its share of what conducts along.
  const fallen = Math.min(bound.mgL, likely.hardnessMgL)
  const usPerMgL = takeFigure(histories, 'us-cm-per-dh').value / mgLPer.dH
  const chloride = chalk.facts.sample.chlorideMgL
  const solutes = [
    solute(
      'alkalinity',
      'mg/L CaCO₃',
      Math.max(0, likely.alkalinityMgL - fallen),
      takeFigure(histories, 'boiler-alkalinity'),
    ),
    solute(
      'conductivity',
      'µS/cm',
      Math.max(0, likely.conductivityUsCm - fallen * usPerMgL),
      takeFigure(histories, 'boiler-conductivity'),
    ),
    ...(chloride
      ? [solute('chloride', 'mg/L', chloride.value * chalk.water.ionShare, takeFigure(histories, 'boiler-chloride'))]
      : []),
  ]
  const first = solutes.reduce((least, one) => (one.factor < least.factor ? one : least))
  const flushShare = takeFigure(histories, 'flush-share')
  const steady = steadyFactor(boiler)
  const everyDays =
    first.factor > 1 && Number.isFinite(first.factor) && boiler.steamLPerDay > 0
      ? flushEveryDays(boiler, first.factor, flushShare.value, 1)
      : null
  const done = touching(histories, 'machine', flushTask).at(-1)
  const since = done?.happenedOn ?? knownSince(histories)
  const days = use.open.count(toDay(since), Math.max(facts.asOfDay, toDay(since)))
  const start = done ? afterFlush(Math.min(first.factor, steady ?? first.factor), flushShare.value, 1) : 1
  const now = factorAfter(boiler, start, days)
  return {
    vessel,
    boiler,
    volume,
    solutes,
    first,
    steady,
    flushShare,
    everyDays,
    hotWaterInstead: first.factor > 1 ? boiler.steamLPerDay / (first.factor - 1) : Number.POSITIVE_INFINITY,
    since,
    flushed: Boolean(done),
    factorNow: Number.isFinite(now) ? now : 1,
  }
}
