import { array, boolean, number, object, string } from 'yup'
import { chargeLineField, currencyField, minorField, taxBpField } from '../../close-out/charge-line-fields.ts'
import { localDay, uuid } from '../../parse/fields.ts'
import { slug, v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** What was said to a quote; `withdrawn` is by us. */
const answers = ['yes', 'no', 'withdrawn'] as const
export type QuoteAnswer = (typeof answers)[number]

/**
 * What is advised and what it would cost, as it was put to a customer. What they said to it corrects it, by the same
 * quote: its lines and sums stay what they were.
 */
export const quoted = entryKind({
  body: Versions.first(
    object({
      v,
      /** Of the quote itself: what corrects it is of the same one. */
      quote: uuid().required(),
      currency: currencyField(),
      taxBp: taxBpField(),
      /** Told with tax in it, as to a household. */
      withTax: boolean(),
      validUntil: localDay().required(),
      /** What is advised, and what waiting may cost. */
      items: array(
        object({
          subjectId: uuid().required(),
          name: words(160).required(),
          part: slug(),
          waits: array(
            object({
              by: localDay().required(),
              /** That it is due by then, thousandths. */
              chanceMilli: number().integer().min(0).max(1000).required(),
              addsMinor: minorField().required(),
            })
              .noUnknown()
              .required(),
          ).max(2),
        })
          .noUnknown()
          .required(),
      )
        .min(1, 'chooses nothing')
        .max(50)
        .required(),
      /** Coming for it alone, which the chances above are of. */
      callMinor: minorField(),
      /** It is done on a visit of its own: the call is in the lines. */
      ownVisit: boolean(),
      lines: array(chargeLineField()).max(120).required(),
      note: words(500),
      answer: object({
        said: string().oneOf(answers).required(),
        on: localDay().required(),
        name: words(120),
        orderNumber: words(60),
      })
        .noUnknown()
        .optional()
        .default(undefined),
    }).noUnknown(),
  ),
  about: ['site'],
  affects: 'nobody',
  madeBy: 'people',
  // Without its sum: what reckons with money is in no page that only tells the ledger.
  words: ({ answer, items }, { day }) => {
    const of = `Quote for ${items.map(({ name }) => name.toLowerCase()).join(', ')}`
    return answer ? `${of}: ${answerWords[answer.said]}${answer.name ? `, ${answer.name}` : ''}, ${day(answer.on)}` : of
  },
})

export const answerWords: Record<QuoteAnswer, string> = {
  yes: 'they said yes',
  no: 'they said no',
  withdrawn: 'taken back by us',
}
