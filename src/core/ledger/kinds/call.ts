import { object, string } from 'yup'
import { uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { upper } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** What a call came to. `done`: it was rung back, and nothing more is to do. */
const callEnds = ['visit', 'solved', 'ring-back', 'done'] as const
export type CallEnd = (typeof callEnds)[number]

const endWords: Record<CallEnd, string> = {
  visit: 'a visit was arranged',
  solved: 'solved on the telephone',
  'ring-back': 'to be rung back',
  done: 'nothing more to do',
}

/** Somebody rang. Who drives notes that alone; about the machine, the place, or the firm where nobody knew of what. */
export const call = entryKind({
  body: Versions.first(
    object({
      v,
      /** In the caller’s words. */
      text: words(2000),
      caller: words(120),
      /** Where to ring back, where the customer’s own number is not it. */
      phone: words(60),
      end: string().oneOf(callEnds).required(),
      /** The fault that was reported. */
      report: uuid(),
      /** The call that was to be rung back, and was. */
      answers: uuid(),
    }).noUnknown(),
  ),
  about: ['machine', 'site', 'firm'],
  affects: 'nobody',
  madeBy: 'people',
  corrects: () => ({ field: 'text', label: 'What was said', is: 'words' }),
  words: ({ text, caller, phone, end, answers }) =>
    `${answers ? 'Rung back' : 'Call'}${caller ? `, ${caller}` : ''}${phone ? `, ${phone}` : ''}: ${text ? `${text}. ` : ''}${upper(endWords[end])}`,
})
