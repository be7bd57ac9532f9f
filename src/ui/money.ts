import { preferences } from './preferences.ts'

/** A sum in the firm's currency. @example money(12.5) // '€12.50' */
export const money = (sum: number): string =>
  new Intl.NumberFormat('en-GB', {
    style: 'currency',
    currency: preferences().currency,
    ...(Number.isInteger(sum) && { minimumFractionDigits: 0 }),
  }).format(sum)

/** Up to what sum somebody may say yes. @example agreedUpTo({ agreesUpTo: 300 }) // ' up to €300' */
export const agreedUpTo = ({ agreesUpTo }: { agreesUpTo?: number }): string =>
  agreesUpTo === undefined ? ', no sum agreed' : ` up to ${money(agreesUpTo)}`
