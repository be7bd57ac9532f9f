import { toDay } from '../../quantity/local-day.ts'
import { ofKind } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { knownSince } from '../taken-over.ts'
import { type FeedWater, feedWater, type WaterFacts, waterFacts } from './feed-water.ts'
import { type ShareLearned, shareLearned } from './removed-scale.ts'
import { type VesselChalk, vesselChalk } from './vessel-chalk.ts'
import { type WaterSpan, waterSpans } from './water-spans.ts'

/** Chalk in all of a machine's vessels. */
export interface MachineChalk {
  facts: WaterFacts
  water: FeedWater
  learned: ShareLearned | null
  /** Last descaled, or taken on. */
  since: string
  descaled: boolean
  spans: WaterSpan[]
  vessels: VesselChalk[]
}

/** @returns null for a machine that heats no water */
export function machineChalk(facts: MachineFacts): MachineChalk | null {
  if (facts.kind.vessels.length === 0) return null
  const done = ofKind(facts.histories, 'machine', 'descaled').at(-1)
  const since = done?.happenedOn ?? knownSince(facts.histories)
  const start = toDay(since)
  const of = waterFacts(facts.histories)
  const water = feedWater(of)
  const learned = shareLearned(facts, of)
  const spans = waterSpans(of, facts.histories, start, Math.max(facts.asOfDay, start + 1))
  return {
    facts: of,
    water,
    learned,
    since,
    descaled: Boolean(done),
    spans,
    vessels: facts.kind.vessels.map((vessel) => vesselChalk(facts, vessel, start, water, spans, learned)),
  }
}

/** The same vessel, had every regeneration come in time. */
export function hadItBeenOnTime(facts: MachineFacts, chalk: MachineChalk, vessel: VesselChalk): VesselChalk {
  const start = toDay(chalk.since)
  const spans = waterSpans(chalk.facts, facts.histories, start, Math.max(facts.asOfDay, start + 1), true)
  return vesselChalk(facts, vessel.vessel, start, chalk.water, spans, chalk.learned)
}

/** Acid the last descale took, as it was noted: how much scale it could have dissolved at the most. */
export const lastAcid = (facts: MachineFacts) => {
  const last = ofKind(facts.histories, 'machine', 'descaled').findLast((entry) => entry.body.grams !== undefined)
  return last ? { on: last.happenedOn, acid: last.body.acid, grams: last.body.grams! } : null
}
