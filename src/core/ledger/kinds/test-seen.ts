import { boolean, number, object } from 'yup'
import { finite, uuid } from '../../parse/fields.ts'
import { slug, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { plain, upper } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** A test on the way to a fault, and what it showed; `report` is the entry of the fault that was looked for. */
export const testSeen = entryKind({
  body: Versions.first(
    object({
      v,
      test: slug().required(),
      outcome: slug().required(),
      /** Both as they read when it was written: a ledger line is a sentence, whatever a later book calls them. */
      words: words(400),
      value: finite(),
      /** Said on the telephone, not seen. */
      said: boolean(),
      /** Not each time: so often of so many times. */
      times: object({
        n: number().integer().min(1).max(1000).required(),
        of: number().integer().min(2).max(1000).required(),
      })
        .noUnknown()
        .optional(),
      report: uuid(),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people',
  words: ({ test, outcome, words: sentence, value, said, times }, { figure }) =>
    `${said ? 'Told' : 'Tested'}. ${sentence ?? `${upper(plain(test))}: ${plain(outcome)}`}${value === undefined ? '' : `, ${figure(value)}`}${times ? `, ${times.n} of ${times.of} times` : ''}`,
})
