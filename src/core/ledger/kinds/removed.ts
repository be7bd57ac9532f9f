import { object, string } from 'yup'
import { condition, position, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { conditionWords, noteWords, partWords } from '../phrases.ts'
import { removalReasons, removalWords } from '../removal.ts'
import { Versions } from '../versions.ts'

/** A part came out; why, where somebody said: only wear tells of a life. */
export const removed = entryKind({
  body: Versions.first(
    object({ v, ...position, condition, why: string().oneOf(removalReasons), note: words(500) }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  corrects: () => ({ field: 'condition', label: 'Condition, 0 to 4', is: 'number' }),
  words: (body, pen) =>
    `Took out: ${partWords(body, pen)}${conditionWords(body)}${body.why ? `, ${removalWords[body.why]}` : ''}${noteWords(body)}`,
})
