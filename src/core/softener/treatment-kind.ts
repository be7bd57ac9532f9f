/** What a site's water can be led through before its machines. */
export const treatmentKinds = ['exchanger', 'cartridge', 'membrane', 'carbon'] as const
export type TreatmentKind = (typeof treatmentKinds)[number]

/** A treatment by the name it was taken on with; null for one nobody knows. */
export const treatmentKind = (name: string): TreatmentKind | null =>
  treatmentKinds.find((kind) => kind === name) ?? null
