import { object, string } from 'yup'
import { amount } from '../../parse/fields.ts'
import { slug, v, words } from '../body-fields.ts'
import { plain } from '../phrases.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

/** The maker's number of a part of a model, where it matters from and up to which serial number it fits. */
export const partNumber = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['part-number']).required(),
      maker: string().max(120),
      model: string().max(120).required(),
      part: slug().required(),
      number: words(60).required(),
      serialFrom: words(60),
      serialTo: words(60),
      note: words(200),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ maker, model, part, number, ...range }) =>
    `Number of ${plain(part)}, ${[maker, model].filter(Boolean).join(' ')}: ${number}${serialWords(range)}`,
})

/** From and up to which serial number something holds. @example serialWords({ serialFrom: 'A100' }) // ', from serial A100' */
export function serialWords({
  serialFrom,
  serialTo,
}: {
  serialFrom?: string | undefined
  serialTo?: string | undefined
}) {
  if (serialFrom && serialTo) return `, serials ${serialFrom} to ${serialTo}`
  if (serialFrom) return `, from serial ${serialFrom}`
  return serialTo ? `, up to serial ${serialTo}` : ''
}

/** How long the firm stands by parts it fitted and work it did. */
export const warranty = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['warranty']).required(),
      partsMonths: amount().integer().max(240).required(),
      workMonths: amount().integer().max(240).required(),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ partsMonths, workMonths }) => `Our own warranty: parts ${partsMonths} months, work ${workMonths} months`,
})
