/** What may be left in a machine and is not to be drunk, as it is said. */
export const notToDrink = { detergent: 'detergent', 'milk-cleaner': 'milk cleaner', descaler: 'acid' } as const
export type NotToDrink = keyof typeof notToDrink
