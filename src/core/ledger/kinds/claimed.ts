import { object, string } from 'yup'
import { currencyField, minorField } from '../../close-out/charge-line-fields.ts'
import { uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** How far a claim has come. `kept`: the old part lies here; `dropped`: nobody asks for it any more. */
export const claimSteps = ['kept', 'sent', 'credited', 'refused', 'dropped'] as const
export type ClaimStep = (typeof claimSteps)[number]

export const claimWords: Record<ClaimStep, string> = {
  kept: 'the old part is kept',
  sent: 'the old part went back',
  credited: 'they paid',
  refused: 'they refused',
  dropped: 'not claimed',
}

/** A step of what is claimed under warranty for a line of a closed visit; the last one of a line counts. */
export const claimed = entryKind({
  body: Versions.first(
    object({
      v,
      /** The visit’s, and which of its lines. */
      visit: uuid().required(),
      line: string().max(120).required(),
      name: words(160).required(),
      step: string().oneOf(claimSteps).required(),
      /** Who stands by it, and their own number for the claim. */
      by: words(120),
      reference: words(80),
      creditMinor: minorField(),
      currency: currencyField().optional().default(undefined),
      note: words(500),
    })
      .noUnknown()
      .test(
        'credit',
        'is missing: how much they paid',
        (told, context) =>
          told?.step !== 'credited' || told.creditMinor !== undefined || context.createError({ path: 'creditMinor' }),
      ),
  ),
  about: ['site'],
  affects: 'nobody',
  madeBy: 'people',
  words: ({ name, step, by }) => `Warranty of ${name.toLowerCase()}: ${claimWords[step]}${by ? `, ${by}` : ''}`,
})
