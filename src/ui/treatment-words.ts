import type { TreatmentKind } from '../core/softener/treatment-kind.ts'

/** What each treatment is called in a row, and where it stands on a drawing. */
export const treatmentNames: Record<TreatmentKind, string> = {
  exchanger: 'salt softener',
  cartridge: 'decarbonising cartridge',
  membrane: 'reverse osmosis',
  carbon: 'carbon filter',
}
