/**
 * How long what is left lasts at so much an open day, for a line of a working; what nothing is taken from never ends.
 * @example openDaysLeft(160, 2.5) // { value: 64, unit: 'open days' }
 * @example openDaysLeft(160, 0) // { value: 'never: nothing runs' }
 */
export const openDaysLeft = (left: number, perOpenDay: number): { value: number | string; unit?: string } =>
  perOpenDay > 0 ? { value: Math.round(left / perOpenDay), unit: 'open days' } : { value: 'never: nothing runs' }
