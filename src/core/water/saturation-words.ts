/** Where brew water and boiler water stand, °C: the saturation index is told there. */
export const brewC = 93
export const steamC = 120

/**
 * A saturation index as it is read: with its sign, to a hundredth.
 * @example indexWords(1.236) // '+1.24'
 */
export const indexWords = (si: number | undefined | null): string =>
  si === undefined || si === null ? 'none' : `${si >= 0 ? '+' : '−'}${Math.abs(si).toFixed(2)}`
