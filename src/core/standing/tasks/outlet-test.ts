import type { Entry } from '../../ledger/entry.ts'
import { toDay } from '../../quantity/local-day.ts'
import { startWorking } from '../../quantity/working.ts'
import type { TreatmentKind } from '../../softener/treatment-kind.ts'
import { policyName } from '../../wear/limits.ts'
import { type Histories, ofKind, ownPolicy } from '../histories.ts'
import { policyOf } from '../machine-facts.ts'
import { ageClock } from '../softener-age.ts'
import type { Standing } from '../standing.ts'
import { finish } from '../task-standing.ts'
import { policyFigure } from '../water/set-figure.ts'
import type { SoftenerTask } from './raised-task.ts'

/** What tells that a treatment is spent: each by its own test, and no other says anything. Common practice. */
const outletTestName: Record<TreatmentKind, string> = {
  exchanger: 'Test hardness after softener',
  cartridge: 'Test carbonate after cartridge',
  membrane: 'Measure conductivity after membrane',
  carbon: 'Test chlorine after carbon',
}

/** What comes out is tested at every visit, monthly at least: a spent treatment tells nobody. */
function outletTestStanding(histories: Histories, kind: TreatmentKind, asOf: string, showWorking: boolean): Standing {
  const tested = lastTest(histories, kind)
  const since = (tested ?? ofKind(histories, 'softener', 'commissioned')[0])!.happenedOn
  const policy = policyOf(ownPolicy(histories, 'outlet-test')).value
  const months = { cautious: 0.25, usual: 1, longLife: 3 }[policy]
  const working = startWorking(showWorking)
  const cap = policyFigure(histories, 'outlet-test-months', months, `${policyName[policy]}, from memory`)
  const clock = ageClock(since, toDay(asOf), cap, 'Test every', working.add)
  const head = {
    key: 'outlet-test',
    task: 'outlet-test',
    name: outletTestName[kind],
    action: 'check' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(tested),
    minutes: 5,
  }
  return finish(head, [clock], working, asOf)
}

function lastTest(histories: Histories, kind: TreatmentKind): Entry | undefined {
  const samples = ofKind(histories, 'softener', 'water-figures')
  if (kind === 'membrane') return samples.findLast(({ body }) => body.conductivityUsCm !== undefined)
  if (kind === 'carbon')
    return samples.findLast(({ body }) => body.freeChlorineMgL !== undefined || body.totalChlorineMgL !== undefined)
  return ofKind(histories, 'softener', 'water-test').at(-1)
}

export const outletTest: SoftenerTask = {
  id: 'outlet-test',
  searchNames: Object.values(outletTestName).map((name) => name.toLowerCase()),
  about: 'softener',
  // Done by the test itself, with what it showed.
  written: null,
  standing: ({ histories, kind, asOf }, showWorking) => outletTestStanding(histories, kind, asOf, showWorking),
}
