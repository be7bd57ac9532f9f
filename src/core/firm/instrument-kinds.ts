/** What a technician measures with, that is calibrated or expires. */
export const instrumentKinds = ['gauge', 'meter', 'tester', 'thermometer', 'scale', 'reagent'] as const
export type InstrumentKind = (typeof instrumentKinds)[number]
