/** Where in its life a machine or softener stands. */
export const stages = ['working', 'still', 'winterised', 'workshop', 'retired'] as const
/** Machines that are away are looked for by where they are. */
export const listedStages = ['workshop', 'retired'] as const satisfies readonly Stage[]
export type ListedStage = (typeof listedStages)[number]
export type Stage = (typeof stages)[number]
