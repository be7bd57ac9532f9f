import { toDay } from '../../quantity/local-day.ts'
import { type Likelihood, learned, type Spread } from '../../quantity/spread.ts'
import { ofKind } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { knownSince } from '../taken-over.ts'
import type { WaterFacts } from './feed-water.ts'
import { feedWater } from './feed-water.ts'
import { takeFigure } from './set-figure.ts'
import { vesselChalk } from './vessel-chalk.ts'
import { waterSpans } from './water-spans.ts'

/** A descale whose spent solution was tested: what came off against what was reckoned. */
export interface RemovedScale {
  on: string
  removedG: number
  reckonedG: number
}

/** What this machine's own descales teach of the share that sticks, as a factor on the usual one. */
export interface ShareLearned extends Spread {
  descales: RemovedScale[]
}

/**
 * How far off a weighed descale is: one drop in a 1:100 sample, the volume by eye, and what the acid left
 * behind. Standard deviation of the logarithm, from memory.
 */
const removedSd = 0.25

/**
 * Corrects the share that sticks by what descales removed.
 * @returns null where no spent solution was ever tested
 */
export function shareLearned(facts: MachineFacts, waterOf: WaterFacts): ShareLearned | null {
  const descaled = ofKind(facts.histories, 'machine', 'descaled')
  if (!descaled.some((entry) => entry.body.spent)) return null
  const water = feedWater(waterOf)
  const descales: RemovedScale[] = []
  let since = toDay(knownSince(facts.histories))
  const spans = waterSpans(waterOf, facts.histories, since, Math.max(facts.asOfDay, since + 1))
  const vessels = facts.kind.vessels.map((vessel) => vesselChalk(facts, vessel, since, water, spans, null))
  for (const entry of descaled) {
    const day = toDay(entry.happenedOn)
    const { spent } = entry.body
    if (spent && day > since) {
      const reckonedG = vessels.reduce((grams, chalk) => grams + chalk.gramsBetween(since, day) / chalk.share, 0)
      const removedG = (spent.hardnessMgL * spent.litres) / 1000
      if (reckonedG > 0) descales.push({ on: entry.happenedOn, removedG, reckonedG })
    }
    since = day
  }
  if (descales.length === 0) return null
  const stick = takeFigure(
    facts.histories,
    facts.kind.vessels.some(({ heats }) => heats !== 'steam') ? 'brew-stick' : 'steam-stick',
  )
  const prior = { value: 1, below: stick.below || 0.3, above: stick.above || 0.3 }
  const evidence = descales.map(({ removedG, reckonedG }): Likelihood => {
    const seen = Math.log(removedG > 0 ? removedG / reckonedG : 1e-3)
    return (factor) => Math.exp(-(((seen - Math.log(factor)) / removedSd) ** 2) / 2) + 1e-9
  })
  return { ...learned(prior, evidence), descales }
}
