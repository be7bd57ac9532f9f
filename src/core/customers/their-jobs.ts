import type { CareItem, CareSheet } from '../care/care-terms.ts'
import { fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'
import { type Histories, ofKind } from '../standing/histories.ts'

/** A job of the care sheet that comes round less often than daily, and when it was done. */
export interface TheirJob extends CareItem {
  job: { name: string; everyDays: number }
  /** The last that anybody noted; null: nobody did. */
  lastOn: LocalDay | null
  /** When it comes round again; null where nobody knows when it was done. */
  dueOn: LocalDay | null
}

/** Jobs whoever works with the machine may say they did, the one that comes round most often first. */
export function theirJobs(sheet: CareSheet, histories: Histories): TheirJob[] {
  const done = ofKind(histories, 'machine', 'care-done')
  return sheet.rhythms
    .flatMap(({ items }) => items)
    .flatMap((item): TheirJob[] => {
      const { job } = item
      if (!job) return []
      const lastOn = done.findLast(({ body }) => body.what === job.name)?.happenedOn ?? null
      return [{ ...item, job, lastOn, dueOn: lastOn && fromDay(toDay(lastOn) + job.everyDays) }]
    })
    .sort((a, b) => a.job.everyDays - b.job.everyDays)
}
