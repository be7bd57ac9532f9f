import type { Ledgers } from './histories.ts'
import type { ReckonOptions } from './reckon-machine.ts'
import { softenerFacts } from './softener-facts.ts'
import { stageNow } from './stages.ts'
import { type Reckoning, reckoningVersion } from './standing.ts'
import { softenerTasks } from './tasks/index.ts'
import { waterKnown } from './water-known.ts'

/**
 * Reckons a softener or cartridge from its own history and the machines it feeds.
 * @param fed - ledgers of each machine behind it, now or since it was last regenerated
 * @returns null when nothing dates it yet
 */
export function reckonSoftener(
  ledgers: Ledgers,
  fed: Ledgers[],
  { showWorking = true }: ReckonOptions = {},
): Reckoning | null {
  const facts = softenerFacts(ledgers, fed, showWorking)
  if (!facts) return null
  const { histories, draw, asOf } = facts
  const { stage, since } = stageNow(histories, 'softener')
  const rests = stage === 'retired' || stage === 'winterised'
  const standings = rests ? [] : softenerTasks.map((task) => task.standing(facts, showWorking))
  return {
    version: reckoningVersion,
    asOf,
    standings: standings.filter((standing) => standing !== null),
    stage,
    ...(since && { stageSince: since }),
    litresPerOpenDay: draw.perOpenDay,
    flags: [],
    rivals: [...(histories.softener?.rivals ?? [])].sort(),
    water: waterKnown(histories),
  }
}
