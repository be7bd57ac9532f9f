import { instances } from '../kinds/index.ts'
import { fromDay } from '../quantity/local-day.ts'
import { meanRate, sdRate } from '../usage/rate.ts'
import { descaleStanding } from './descale-standing.ts'
import { dutyStanding } from './duty-standing.ts'
import { effective, type Ledgers, nearestSetting } from './histories.ts'
import { machineFacts } from './machine-facts.ts'
import { type Reckoning, reckoningVersion, type Standing } from './standing.ts'
import { litresADay } from './water-budget.ts'
import { waterKnown } from './water-known.ts'

/**
 * Reckons a machine: what is due when, from its whole history and that of its site, supply and firm.
 * A pure function of the entries: their order of arrival, and the clock on the wall, do not matter.
 *
 * @returns null for a machine that was never taken on
 */
export function reckonMachine(ledgers: Ledgers): Reckoning | null {
  const histories = effective(ledgers)
  const facts = machineFacts(histories)
  if (!facts) return null
  const { kind, use } = facts
  const standings: Standing[] = []
  const retired = nearestSetting(histories, 'retired')
  if (!retired) {
    for (const duty of kind.duties) {
      const many = duty.each ? instances(kind, duty.each) : 1
      for (let n = 1; n <= many; n += 1) {
        const standing = dutyStanding(facts, duty, duty.each && many > 1 ? n : undefined)
        if (standing) standings.push(standing)
      }
    }
    const descale = kind.descale && descaleStanding(facts, kind.descale)
    if (descale) standings.push(descale)
  }
  return {
    version: reckoningVersion,
    asOf: facts.asOf,
    standings,
    ...(use.last && {
      counter: { count: use.last.count, on: fromDay(use.last.day), unit: kind.counter.unit },
    }),
    use: {
      mean: meanRate(use.rate),
      sd: sdRate(use.rate),
      readings: use.readings,
      assumed: use.intervals.length === 0,
    },
    litresPerOpenDay: litresADay(facts.budget, use),
    flags: use.flags,
    rivals: [...(histories.machine?.rivals ?? [])].sort(),
    water: waterKnown(histories),
  }
}
