/** What tests of it need, and what shows through all of them. */

export const screws = ['screwdrivers', 'torch']
export const meter = ['multimeter']
export const inside = { tools: screws, needs: ['off', 'open'] as const, hazard: 'mains' as const }
export const shut = {
  tools: ['spanners'],
  needs: ['off', 'open', 'cold', 'no-pressure'] as const,
  hazard: 'pressure' as const,
}
export const hot = { tools: ['jug', 'scale'], needs: ['hot'] as const, hazard: 'scald' as const }
export const opened = (more: typeof inside | typeof shut | typeof hot) => ({ ...more, needs: [...more.needs] })

/** What shows nothing at all shows so much of every test. */
export const lifeless = (outcome: string) => ({ 'no-mains': { [outcome]: 0.95 }, 'board-dead': { [outcome]: 0.6 } })
export const noWater = (outcome: string) => ({
  ...lifeless(outcome),
  'board-dead': { [outcome]: 0.8 },
  'keys-dead': { [outcome]: 0.9 },
  'three-way-shut': { [outcome]: 0.95 },
  'three-way-coil': { [outcome]: 0.95 },
})
