import type { LeftStop } from '../../../core/rounds/standing-order.ts'
import { dayNear } from '../../../ui/format.ts'
import type { DayStop, DayTask } from '../../../views/day-page.ts'

/** Why a task is done today. @example whyToday(task, '2026-11-26') // 'pulled forward 6 days' */
export function whyToday({ over, due, sure }: DayTask, today: string): string {
  if (over > 0) return `over by ${over} ${over === 1 ? 'day' : 'days'}`
  if (over === 0) return 'due this day'
  return `${-over} d early, due ${dayNear(due, today)}${sure ? '' : ', not sure'}`
}

/** What a task is beside the others: past its day, due about now, or taken along. */
export const markOf = ({ over }: DayTask): 'over' | 'due' | 'along' =>
  over > 0 ? 'over' : over >= -3 ? 'due' : 'along'

export const stateShort: Record<DayStop['state'], string> = {
  proposed: 'proposed',
  taken: 'not asked yet',
  asked: 'asked',
  agreed: 'agreed',
  'under way': 'somebody is there',
  done: 'done',
}

/** Why a stop is left out of a day, and what would help. */
export const leftWords: Record<LeftStop['why'], string> = {
  'no-hours':
    'Its hours do not hold the work, or the time promised lies outside them: other hours, another time or another day would.',
  'out-of-reach':
    'Nobody is there within its hours and back in time, even if it were the only stop: an earlier start, other hours or another day would help.',
  full: 'The day is full: another day, another technician or less work elsewhere makes room.',
}
