import { heldReasons, heldWords } from '../../procedures/held-reasons.ts'
import { toDay } from '../../quantity/local-day.ts'
import { startWorking } from '../../quantity/working.ts'
import { heldNow } from '../held-now.ts'
import type { MachineFacts } from '../machine-facts.ts'
import type { Standing } from '../standing.ts'
import { finish } from '../task-standing.ts'
import type { MachineTask } from './raised-task.ts'

/**
 * A machine with something in it that nobody may drink is due at once, on every list it stands on: rinsed and signed
 * off.
 * @returns null where nothing is in it
 */
function releaseStanding(facts: MachineFacts): Standing | null {
  const held = heldNow(facts.histories)
  const first = held[0]
  if (!first) return null
  const reasons = [...new Set(held.map((entry) => entry.body.why))]
  const what = heldWords(reasons)
  const onlyMilk = held.every(({ body }) => body.only === 'milk')
  const drink = reasons.some((why) => heldReasons[why].drink)
  const isHygiene = reasons.some((why) => why === 'milk' || why === 'mould')
  const working = startWorking(facts.showWorking)
  const line = working.add(() => ({
    what: `Held: ${what}`,
    value: held.length,
    unit: held.length === 1 ? 'place' : 'places',
    origin: 'measured',
    source: `since ${first.happenedOn}`,
  }))
  const start = toDay(first.happenedOn)
  return finish(
    {
      key: 'release',
      task: 'release',
      name: `Do not use${onlyMilk ? ' its milk' : ''}: ${what}. ${isHygiene ? 'Clean, release' : drink ? 'Rinse, release' : 'Test, release'}`,
      action: drink ? 'clean' : 'check',
      station: facts.kind.lines[0]!.stations[0]!,
      since: first.happenedOn,
      sinceKnown: true,
      minutes: 10,
      caution: reasons.includes('descaler') ? 'acid' : isHygiene ? 'milk' : drink ? 'detergent' : 'mains',
    },
    [
      {
        use: { clock: 'hygiene', used: 1, limit: 1, unit: 'places', perDay: 0 },
        passage: { name: 'hygiene', fixed: true, dayAt: () => start },
        leftLine: line,
      },
    ],
    working,
    facts.asOf,
  )
}

export const release: MachineTask = {
  id: 'release',
  searchNames: ['do not use rinse test release'],
  about: 'machine',
  // Signed off by hand, on the machine's own page.
  written: null,
  standing: releaseStanding,
}
