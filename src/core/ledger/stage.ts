/** Where in its life a machine or softener stands. */
export const stages = ['working', 'still', 'winterised', 'retired'] as const
export type Stage = (typeof stages)[number]
