import { array, object, string } from 'yup'
import { amount, instant, uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'
import { visitTerms, visitTermsWords } from '../visit-terms.ts'

/** One call at a site: who, when, why and on what terms. What was done hangs on it by its visit's id. */
export const visit = entryKind({
  body: Versions.first(
    object({
      v,
      technicianIds: array(uuid().required()).required().min(1).max(10),
      arrivedAt: instant(),
      leftAt: instant(),
      /** Time at the machines, where nobody looked at the clock on arriving and leaving. */
      minutes: amount().integer().max(6000),
      terms: string().oneOf(visitTerms),
      /** The customer’s, for this call. */
      orderNumber: words(60),
    })
      .noUnknown()
      .test('order', 'must not be before arrival', (told, context) =>
        told?.arrivedAt && told.leftAt && told.leftAt < told.arrivedAt ? context.createError({ path: 'leftAt' }) : true,
      ),
  ),
  about: ['site'],
  affects: 'nobody',
  madeBy: 'people',
  words: ({ terms, minutes, orderNumber }) =>
    `Visit${terms ? `, ${visitTermsWords[terms]}` : ''}${minutes ? `, ${minutes} min` : ''}${orderNumber ? `, order ${orderNumber}` : ''}`,
})
