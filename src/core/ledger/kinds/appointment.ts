import { array, number, object, string } from 'yup'
import { amount, localDay, timeOfDay, uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** How far a visit to come has got with the customer. What was then done there is the visit’s own header. */
const appointmentSteps = ['proposed', 'asked', 'agreed', 'refused', 'called-off'] as const
export type AppointmentStep = (typeof appointmentSteps)[number]

const stepWords: Record<AppointmentStep, string> = {
  proposed: 'proposed',
  asked: 'asked',
  agreed: 'agreed',
  refused: 'they said no',
  'called-off': 'called off',
}

/** A visit to come: the day, who goes, what for. Each step is an entry under the id the visit will have. */
export const appointment = entryKind({
  body: Versions.first(
    object({
      v,
      step: string().oneOf(appointmentSteps).required(),
      on: localDay().required(),
      technicianId: uuid().required(),
      /** A time that was promised, at the site. */
      from: timeOfDay(),
      minutes: amount().integer().max(6000).required(),
      tasks: array(
        object({ subjectId: uuid().required(), key: string().max(80).required() })
          .noUnknown()
          .required(),
      )
        .required()
        .max(200),
      /** A fault somebody goes for, and the minutes it is thought to take beside the tasks. */
      repair: object({ report: uuid().required(), minutes: number().integer().min(0).max(1000).required() })
        .noUnknown()
        .optional()
        .default(undefined),
      /** What they want instead, or why it was called off. */
      note: words(500),
    })
      .noUnknown()
      .test('reason', 'say why', (told, context) =>
        told?.step === 'called-off' && !told.note?.trim() ? context.createError({ path: 'note' }) : true,
      ),
  ),
  about: ['site'],
  affects: 'nobody',
  madeBy: 'people',
  words: ({ step, on, from, minutes, tasks, repair, note }, { day }) =>
    `Visit on ${day(on)}${from ? ` at ${from}` : ''}, ${stepWords[step]}: ${repair ? 'the fault, ' : ''}${tasks.length} ${tasks.length === 1 ? 'task' : 'tasks'}, ${minutes} min${note ? `. ${note}` : ''}`,
})
