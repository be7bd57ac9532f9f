import { array, object } from 'yup'
import { uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { anywhere, entryKind } from '../entry-definition.ts'
import { noteWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** Somebody looked at what two wrote of one thing without knowing of each other, and said which line counts. */
export const compared = entryKind({
  body: Versions.first(
    object({
      v,
      entries: array(uuid().required()).required().min(2).max(20),
      /** The line that counts; without it all of them stand. */
      counts: uuid(),
      note: words(500),
    })
      .noUnknown()
      .test(
        'counts',
        'must be one of the lines that were compared',
        ({ counts, entries }, context) =>
          counts === undefined ||
          entries.includes(counts) ||
          context.createError({ path: 'counts', message: 'must be one of the lines that were compared' }),
      ),
  ),
  about: anywhere,
  affects: 'nobody',
  madeBy: 'people',
  words: (body) =>
    `Compared what ${body.entries.length === 2 ? 'two' : String(body.entries.length)} lines say: ${body.counts ? 'one counts' : 'all of them stand'}${noteWords(body)}`,
})
