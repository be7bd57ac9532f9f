import { array, object, string } from 'yup'
import { shownUnit } from '../../kinds/kind.ts'
import { amount } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind, machineOrSoftener, type Pen } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

const most = 1e9

/** What a counter or a water meter showed. */
export const reading = entryKind({
  body: Versions.first(
    object({
      v,
      counter: string().oneOf(['shots', 'litres']).required(),
      count: amount().max(most).required(),
      /** What it counts apart, all since it began: each group, each drink by its kind's name, rinses among its count. */
      groups: array(amount().max(most).required()).max(4),
      drinks: array(object({ name: words(60).required(), count: amount().max(most).required() }).noUnknown()).max(20),
      rinses: amount().max(most),
      /** Whoever read it, where it was none of us: it counts for less until one of us reads it again. */
      by: string().oneOf(['customer']),
    })
      .noUnknown()
      .test(
        'rinses',
        'are more than the whole counter shows',
        (told, context) =>
          told.rinses === undefined ||
          told.rinses <= told.count ||
          context.createError({ path: 'rinses', message: 'are more than the whole counter shows' }),
      ),
  ),
  about: machineOrSoftener,
  affects: 'along',
  madeBy: 'people and devices',
  corrects: () => ({ field: 'count', label: 'Counter', is: 'number' }),
  words: (body, pen) =>
    body.counter === 'litres'
      ? `Water meter ${pen.quantity(body.count, 'L')}`
      : `Counter ${pen.figure(body.count)} ${pen.machine ? shownUnit(pen.machine) : ''}${apartWords(body, pen)}${body.by ? ', read by the customer' : ''}`,
})

/** What a reading told apart. @example apartWords({ groups: [640, 460], rinses: 12 }, pen) // '; groups 640, 460; 12 rinses' */
function apartWords(
  {
    groups,
    drinks,
    rinses,
  }: {
    groups?: number[] | undefined
    drinks?: { name: string; count: number }[] | undefined
    rinses?: number | undefined
  },
  { figure }: Pen,
): string {
  return [
    groups?.length ? `; groups ${groups.map((count) => figure(count)).join(', ')}` : '',
    drinks?.length ? `; ${drinks.map(({ name, count }) => `${figure(count)} ${name}`).join(', ')}` : '',
    rinses === undefined ? '' : `; ${figure(rinses)} rinses`,
  ].join('')
}
