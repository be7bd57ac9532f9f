import { object, string } from 'yup'
import { localDay } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { noteWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** What an inspector says of a pressure vessel. */
const certificateOutcomes = ['passed', 'remarks', 'refused'] as const
export type CertificateOutcome = (typeof certificateOutcomes)[number]

const outcomeWords: Record<CertificateOutcome, string> = {
  passed: 'passed',
  remarks: 'passed with remarks',
  refused: 'refused',
}

/**
 * An inspector tested the pressure vessel; the next test is due on the day the certificate says. Which machines need
 * one, and who may inspect, is for local law.
 */
export const certified = entryKind({
  body: Versions.first(
    object({
      v,
      outcome: string().oneOf(certificateOutcomes).required(),
      inspector: words(120).required(),
      number: words(80),
      dueOn: localDay(),
      note: words(500),
    })
      .noUnknown()
      .test('due', 'is missing: the certificate says it', (told, context) =>
        told && told.outcome !== 'refused' && !told.dueOn ? context.createError({ path: 'dueOn' }) : true,
      ),
  ),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  words: ({ outcome, inspector, number, dueOn, ...body }, { day }) =>
    `Pressure vessel inspected: ${outcomeWords[outcome]}, ${inspector}${number ? `, certificate ${number}` : ''}${dueOn ? `, next by ${day(dueOn)}` : ''}${noteWords(body)}`,
})
