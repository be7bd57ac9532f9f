import { array, object, string } from 'yup'
import { slug, v } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** What was known of the parts of a machine that was taken on in the middle of its life. */
const agesKnown = ['unknown', 'looks-right', 'good'] as const
export type AgesKnown = (typeof agesKnown)[number]

/**
 * Taken over in the middle of its life. Of parts whose age nobody knows nothing is overdue: they wait for a first look.
 * `good`: a full service was done that day. `looks-right`: somebody looked, and nothing was wrong. Neither of them is
 * about what guards, and about what is excepted.
 */
export const takenOver = entryKind({
  body: Versions.first(
    object({
      v,
      parts: string().oneOf(agesKnown).required(),
      /** Parts and tasks that this is not said of. */
      except: array(slug().required()).max(200),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  words: ({ parts, except = [] }) => {
    const but = except.length > 0 ? `, but for ${except.length} ${except.length === 1 ? 'part' : 'parts'}` : ''
    if (parts === 'unknown') return 'Taken over, ages not known: a first look is due'
    return parts === 'good' ? `Known good: full service done${but}` : `Seen: all looks right${but}`
  },
})
