import { number, object } from 'yup'
import { v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** A line of the care sheet was done between visits, by whoever works with the machine. It moves no date of ours. */
export const careDone = entryKind({
  body: Versions.first(
    object({
      v,
      /** As the care sheet says it. */
      what: words(120).required(),
      /** How often it was agreed to be done, days. */
      everyDays: number().integer().min(1).max(400).required(),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people',
  words: ({ what }) => `Done between visits: ${what}`,
})
