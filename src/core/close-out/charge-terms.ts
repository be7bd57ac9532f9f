export const chargeOf = ['part', 'used', 'labour', 'travel', 'call-out', 'other'] as const
export type ChargeOf = (typeof chargeOf)[number]

/** Who pays for a line; `nobody` is the firm itself. */
export const payers = ['contract', 'customer', 'warranty', 'nobody'] as const
export type Payer = (typeof payers)[number]

export const chargeUnits = ['piece', 'min', 'km', 'kg', 'g', 'l'] as const
export type ChargeUnit = (typeof chargeUnits)[number]

/** Behind a figure; a piece is counted and has none. */
export const chargeUnitWords: Record<ChargeUnit, string> = { piece: '', min: 'min', km: 'km', kg: 'kg', g: 'g', l: 'L' }
