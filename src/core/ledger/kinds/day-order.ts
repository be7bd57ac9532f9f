import { array, object } from 'yup'
import { localDay, uuid } from '../../parse/fields.ts'
import { v } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** In which order somebody drives a day; the last one said counts. */
export const dayOrder = entryKind({
  body: Versions.first(
    object({
      v,
      on: localDay().required(),
      technicianId: uuid().required(),
      siteIds: array(uuid().required()).required().max(60),
    }).noUnknown(),
  ),
  about: ['firm'],
  affects: 'nobody',
  madeBy: 'people',
  words: ({ on, siteIds }, { day }) =>
    `Order of ${day(on)} set, ${siteIds.length} ${siteIds.length === 1 ? 'stop' : 'stops'}`,
})
