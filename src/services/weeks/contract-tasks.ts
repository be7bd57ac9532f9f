import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { fromDay, type LocalDay } from '../../core/quantity/local-day.ts'
import { type ContractVisit, contractCosts, contractVisits } from '../../core/visits/contract-visits.ts'
import type { PlanFigures } from '../../core/visits/plan-figures.ts'
import type { KeptRecord } from '../../records/kept.ts'
import type { PlannedTask } from './planned-task.ts'

/** Before its stretch a visit is none of the contract’s: dearer than anything a day may cost else, minutes. */
const tooEarly = 3e3
/** Signing their book, looking round: from memory. */
const usualMinutes = 10

/**
 * A contract’s visits as things that are due at the site itself, for a plan to put on days.
 *
 * @param been - days somebody was there
 * @param columns - day numbers of the plan and after it
 */
export function contractTasks(
  site: Pick<KeptRecord<'site'>, 'id' | 'name'>,
  contract: Setting<'contract'> | undefined,
  been: LocalDay[],
  columns: number[],
  figures: PlanFigures,
): { visit: ContractVisit; task: PlannedTask }[] {
  const { everyMonths, firstOn, within, minutes = usualMinutes } = contract ?? {}
  if (everyMonths === undefined || firstOn === undefined || within === undefined) return []
  const [today, until] = [columns[0]!, columns.at(-1)!]
  return contractVisits({ everyMonths, firstOn, within }, been, today, until).map((visit) => ({
    visit,
    task: {
      siteId: site.id,
      subjectId: site.id,
      subjectKind: 'site',
      machineName: 'by contract',
      machineKind: null,
      idleMin: 0,
      holds: false,
      coolMin: 0,
      standing: {
        key: `contract@${visit.on}`,
        task: 'contract',
        name: 'Contract visit',
        instance: '',
        action: 'check',
        minutes,
        governing: 'months',
        due: { p10: fromDay(visit.from), p50: visit.on, p90: fromDay(visit.to) },
      },
      late: 'hard',
      costs: {
        ...contractCosts(visit, columns, { tooEarly, perDayLate: figures.hardPerDay }),
        unused: new Float64Array(columns.length),
        chanceDue: Float64Array.from(columns, (day) => (day > visit.to ? 1 : 0)),
      },
    },
  }))
}
