import { object } from 'yup'
import { localDay } from '../../parse/fields.ts'
import { position, slug, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { noteWords, partWords, plain } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** A new part went in. */
export const fitted = entryKind({
  body: Versions.first(
    object({
      v,
      ...position,
      variant: slug(),
      size: words(60),
      warrantyUntil: localDay(),
      note: words(500),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  words: (body, pen) =>
    `Fitted: ${partWords(body, pen)}${body.variant ? `, ${plain(body.variant)}` : ''}${body.size ? `, ${body.size}` : ''}${body.warrantyUntil ? `, under warranty until ${pen.day(body.warrantyUntil)}` : ''}${noteWords(body)}`,
})
