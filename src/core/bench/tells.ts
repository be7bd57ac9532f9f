import type { FaultBook } from '../faults/fault.ts'
import type { Dice } from '../quantity/dice.ts'

/** How often a machine that can be so is so, by what is asked. From memory, and not the book’s. */
const soMany = { sometimes: 0.7, sudden: 0.9, slowly: 0.8, hot: 0.7, cold: 0.7, hands: 0.8 }

/** What whoever works with a broken machine can tell: by question, the answer; what was drawn once stays so. */
export function tellsOf({ faults }: FaultBook, fault: string, dice: Dice): Record<string, string> {
  const { comes = [], traits = [] } = faults.find(({ id }) => id === fault)!
  const so = (one: keyof typeof soMany) => dice.next() < soMany[one]
  const has = (one: (typeof comes)[number]) => comes.includes(one) && so(one)
  const rather = comes.includes('sudden') || comes.includes('slowly')
  const suddenly = rather ? comes.includes('sudden') === so('sudden') : dice.next() < 0.5
  return {
    'ask-often': has('sometimes') || dice.next() < 0.1 ? 'sometimes' : 'always',
    'ask-came': suddenly ? 'sudden' : 'slowly',
    'ask-when': has('hot') ? 'hot' : has('cold') ? 'cold' : 'any',
    ...(traits.includes('refit') && so('hands') && { ask: 'worked' }),
  }
}
