import { array, boolean, number, object, string } from 'yup'
import { chargeLineField, currencyField, minorField, taxBpField } from '../../close-out/charge-line-fields.ts'
import { sentenceKinds } from '../../close-out/sentence-kinds.ts'
import { isDrawn, mostPoints, mostStrokes } from '../../close-out/signature.ts'
import { finite, instant, localDay, timeOfDay, uuid } from '../../parse/fields.ts'
import { group, slug, v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

const wholeMinutes = () => number().integer().min(0).max(6000)

/** How a visit’s end was signed, or why it was not. */
const signings = ['signed', 'nobody', 'refused', 'cannot'] as const
export type Signing = (typeof signings)[number]

export const signingWords: Record<Signing, string> = {
  signed: 'signed',
  nobody: 'nobody there to sign',
  refused: 'not signed: the customer did not want to',
  cannot: 'agreed aloud: the customer could not sign',
}

/**
 * A visit is closed: what was left and why, what was made safe, what is charged to whom, what was said and signed. What
 * was done is not in it: that is the ledger’s own. A later one of the same visit is its revision.
 */
export const visitClosed = entryKind({
  body: Versions.first(
    object({
      v,
      minutes: array(
        object({ subjectId: uuid().required(), minutes: wholeMinutes().required() }).noUnknown().required(),
      )
        .max(200)
        .required(),
      roadMinutes: wholeMinutes(),
      roadKm: finite().min(0).max(2000),
      /** What was not done before closing, each with its reason. */
      left: array(
        object({
          subjectId: uuid().required(),
          what: string()
            .oneOf(['counter'] as const)
            .required(),
          reason: words(300).required(),
        })
          .noUnknown()
          .required(),
      ).max(200),
      /** Machines that nobody may use: made safe, and a tag on them. */
      isolated: array(
        object({ subjectId: uuid().required(), held: uuid(), part: slug(), group, how: words(300).required() })
          .noUnknown()
          .required(),
      ).max(50),
      /** What stays open, and what the customer was told and chose. */
      open: array(
        object({
          subjectId: uuid().required(),
          name: words(160).required(),
          part: slug(),
          entry: uuid(),
          /** Chosen to wait until then; absent: told, and not decided. */
          until: localDay(),
          fittedMinor: minorField(),
        })
          .noUnknown()
          .required(),
      ).max(100),
      next: object({ on: localDay().required(), from: timeOfDay() }).noUnknown().optional().default(undefined),
      currency: currencyField(),
      taxBp: taxBpField(),
      /** Prices are told with tax in them, as to a household. */
      withTax: boolean(),
      lines: array(chargeLineField()).max(300).required(),
      orderNumber: words(60),
      /** Its report goes to the customer’s address, as the firm keeps it, once this is in the ledger. */
      reportByMail: boolean(),
      sentences: array(
        object({
          of: string().oneOf(sentenceKinds).required(),
          text: words(500).required(),
          /** Struck out by who signed. */
          struck: boolean(),
        })
          .noUnknown()
          .required(),
      )
        .min(1)
        .max(60)
        .required(),
      signed: object({
        how: string().oneOf(signings).required(),
        name: words(120),
        /** What they are there: owner, manager on duty. */
        as: words(80),
        at: instant().required(),
        /** In a field a thousand wide: x, y, x, y … of each stroke. */
        strokes: array(
          array(number().integer().min(-2000).max(4000).required())
            .min(2)
            .max(mostPoints * 2)
            .required(),
        ).max(mostStrokes),
      })
        .noUnknown()
        .required()
        .test('signed', 'needs a name in letters', (told, context) =>
          told?.how !== 'signed' || told.name?.trim() ? true : context.createError({ path: 'signed.name' }),
        )
        .test('strokes', 'has no stroke in it', (told, context) =>
          told?.how !== 'signed' || isDrawn(told.strokes ?? [])
            ? true
            : context.createError({ path: 'signed.strokes' }),
        ),
    }).noUnknown(),
  ),
  about: ['site'],
  affects: 'nobody',
  madeBy: 'people',
  words: ({ lines, signed, isolated, left }) => {
    const charged = lines.filter(({ pays, priceMinor }) => pays === 'customer' && priceMinor !== 0).length
    return [
      'Visit closed',
      charged === 0 ? 'nothing charged' : charged === 1 ? 'one line charged' : `${charged} lines charged`,
      signed.how === 'signed' ? `signed by ${signed.name}` : signingWords[signed.how],
      isolated?.length ? 'isolated and tagged' : '',
      left?.length ? `${left.length === 1 ? 'a counter' : `${left.length} counters`} not read` : '',
    ]
      .filter(Boolean)
      .join('; ')
  },
})
