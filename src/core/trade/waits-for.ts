/** What a task can wait for. */
export const waitsFor = ['part', 'price', 'yes'] as const
export type WaitsFor = (typeof waitsFor)[number]

/** The same as a technician says it. */
export const waitWords: Record<WaitsFor, string> = { part: 'a part', price: 'a price', yes: 'their yes' }
