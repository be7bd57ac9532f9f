/** Why a customer is charged no tax, as it is chosen. */
export const freeOfTax = ['exempt', 'reverse', 'outside'] as const
export type FreeOfTax = (typeof freeOfTax)[number]
