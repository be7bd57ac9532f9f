import { array, number, object, string } from 'yup'
import { amount } from '../../parse/fields.ts'
import { drives } from '../../strip-down/thing.ts'
import { photoName, slug, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** What came off in a strip-down, in order; what of it was left over, and why. */
export const stripDown = entryKind({
  body: Versions.first(
    object({
      v,
      title: words(120).required(),
      known: slug(),
      /** Where on the path. */
      station: slug(),
      minutes: amount().max(6000).required(),
      things: array(
        object({
          name: words(80).required(),
          where: words(200),
          way: words(200),
          mark: words(200),
          fasteners: array(
            object({
              drive: string().oneOf(drives).required(),
              size: words(20),
              count: number().integer().min(1).max(200).required(),
              kind: words(60),
            }).noUnknown(),
          ).max(20),
          /** Seconds since the sheet was opened. */
          offS: amount().max(1e7).required(),
          /** Absent for what is not back in. */
          inS: amount().max(1e7),
          photos: array(photoName().required()).max(30),
          note: words(500),
        }).noUnknown(),
      )
        .min(1)
        .max(200)
        .required(),
      leftOver: words(500),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people',
  words: ({ title, things, leftOver }) => {
    const out = things.filter(({ inS }) => inS === undefined)
    const photos = things.reduce((sum, one) => sum + (one.photos?.length ?? 0), 0)
    return `Stripped down: ${title}, ${things.length} ${things.length === 1 ? 'thing' : 'things'} off${
      out.length > 0
        ? `, left over: ${out.map(({ name }) => name.toLowerCase()).join(', ')} (${leftOver})`
        : ', all back in'
    }${photos > 0 ? `, ${photos} ${photos === 1 ? 'photo' : 'photos'}` : ''}`
  },
})
