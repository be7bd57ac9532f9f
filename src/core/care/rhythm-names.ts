import type { Rhythm } from '../kinds/care-words.ts'

/** How often, as a heading. */
export const rhythmNames: Record<Rhythm, string> = {
  shot: 'At every drink',
  hours: 'In the shift',
  day: 'Every day',
  week: 'Every week or so',
  month: 'Every few weeks, every month',
  said: 'As often as it says',
}
