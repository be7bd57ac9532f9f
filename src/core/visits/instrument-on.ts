import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import type { LocalDay } from '../quantity/local-day.ts'

/** Whether an instrument or reagent could be trusted on a day. */
export type InstrumentState =
  | { state: 'good'; until: LocalDay }
  | { state: 'expired'; since: LocalDay }
  | { state: 'never' }

/**
 * The state of an instrument on a day: by its latest calibration up to then, so that a figure taken last
 * year is judged by last year's sticker.
 *
 * @param entries - effective entries of the instrument, in order
 */
export function instrumentOn(entries: Entry[], day: LocalDay): InstrumentState {
  const last = entries
    .filter(isKind('calibrated'))
    .filter((entry) => entry.happenedOn <= day)
    .at(-1)
  if (!last) return { state: 'never' }
  const { dueOn } = last.body
  return day <= dueOn ? { state: 'good', until: dueOn } : { state: 'expired', since: dueOn }
}
