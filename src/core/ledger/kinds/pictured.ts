import { array, boolean, object } from 'yup'
import { uuid } from '../../parse/fields.ts'
import { group, photoName, slug, v, words } from '../body-fields.ts'
import { anywhere, entryKind } from '../entry-definition.ts'
import { forUsWords, partWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** Photos of something as it was that day: of a part, or of the whole. */
export const pictured = entryKind({
  body: Versions.first(
    object({
      v,
      photos: array(photoName().required()).min(1).max(20).required(),
      part: slug(),
      group,
      /** The entry it shows, where it was added to one. */
      of: uuid(),
      text: words(500),
      internal: boolean(),
    }).noUnknown(),
  ),
  about: anywhere,
  affects: 'nobody',
  madeBy: 'people',
  corrects: () => ({ field: 'text', label: 'What is seen', is: 'words' }),
  words: ({ photos, part, of, text, internal, ...body }, pen) =>
    `${photos.length === 1 ? 'Photo' : `${photos.length} photos`}${of ? ', added to an entry' : ''}${forUsWords({ internal })}${part ? `, ${partWords({ part, ...body }, pen)}` : ''}${text ? `: ${text}` : ''}`,
})
