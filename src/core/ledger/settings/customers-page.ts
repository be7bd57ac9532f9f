import { object, string } from 'yup'
import { photoName, v, words } from '../body-fields.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

/** How the firm is reached, as it stands on its papers and on the pages of its customers. */
export const letterhead = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['letterhead']).required(),
      phone: words(60),
      email: words(120).email('is not an e-mail address'),
      address: words(200),
      /** What the law wants on a letter: register, tax number, account. */
      numbers: words(300),
      /** The mark of the house, as it was drawn anew for paper. */
      logo: photoName(),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ phone, email, address, numbers, logo }) =>
    `Letterhead: ${[phone, email, address, numbers, logo && 'with a logo'].filter(Boolean).join(', ') || 'nothing'}`,
})

/** Four figures that people at a place type once on a phone: what they send from it then counts as from there. */
export const siteWord = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['site-word']).required(),
      /** None: whatever is sent stands as from somebody unknown. */
      word: string().matches(/^\d{4}$/, 'must be four figures'),
    }).noUnknown(),
  ),
  affects: 'nobody',
  // The ledger is handed on with a machine, and its word opens a page to whoever reads it.
  words: ({ word }) => (word ? 'Four-figure word of the place set' : 'No four-figure word of the place any more'),
})
