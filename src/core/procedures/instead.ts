/** Procedures that do the same: of those a machine takes the first is told, the others left out. */
export const instead: string[][] = [['wash-programme', 'tablet-programme', 'detergent-backflush', 'group-clean']]
