/** A limit as it is typed, with a comma or a point. */
export const limitOf = (text: string): number => Number(text.trim().replace(',', '.'))

/** Whether what is typed is one: a number over 0. */
export const isLimit = (text: string): boolean =>
  text.trim() !== '' && limitOf(text) > 0 && Number.isFinite(limitOf(text))
