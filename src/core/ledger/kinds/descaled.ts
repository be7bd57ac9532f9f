import { object } from 'yup'
import { amount, divisor } from '../../parse/fields.ts'
import { slug, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** Freed of chalk: with which acid, and what it took along. */
export const descaled = entryKind({
  body: Versions.first(
    object({
      v,
      task: slug().required(),
      acid: words(40),
      grams: amount(),
      /** Hardness of the spent solution, mg/L CaCO₃ (the drops of a 1:100 sample times a hundred), and how much of it. */
      spent: object({ hardnessMgL: amount().max(500_000).required(), litres: divisor().max(1000).required() })
        .noUnknown()
        .optional()
        .default(undefined),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  corrects: () => ({ field: 'grams', label: 'Acid, g', is: 'number' }),
  words: ({ acid, grams, spent }, { figure }) =>
    `Descaled${acid ? ` with ${acid}` : ''}${grams ? `, ${figure(grams)} g` : ''}${spent ? `; ${figure((spent.hardnessMgL * spent.litres) / 1000)} g of chalk in the spent solution` : ''}`,
})
