import type { Dice } from '../quantity/dice.ts'
import type { Instrument, Shown } from './bench-kind.ts'

/** Standard deviation of a reading: a share of it, and so much besides, in its own unit. From memory. */
const errors: Record<Exclude<Instrument, 'eye' | 'ear' | 'customer' | 'hand'>, { share: number; plus: number }> = {
  'test-gauge': { share: 0, plus: 0.2 },
  'machine-gauge': { share: 0, plus: 0.5 },
  'steam-gauge': { share: 0, plus: 0.05 },
  'jug-and-watch': { share: 0.03, plus: 6 },
  scale: { share: 0, plus: 1 },
  'gram-scale': { share: 0, plus: 0.1 },
  watch: { share: 0.02, plus: 0.5 },
  thermometer: { share: 0, plus: 1.5 },
  multimeter: { share: 0.01, plus: 0.2 },
  pen: { share: 0.04, plus: 5 },
}

/** How often a look, a sound, an answer is wrong. From memory: ear 1 in 6, eye 1 in 10, a customer 1 in 5. */
const mistakes: Record<'eye' | 'ear' | 'customer' | 'hand', number> = {
  eye: 0.1,
  ear: 1 / 6,
  customer: 0.2,
  hand: 0.05,
}

/** An instrument's reading of what is there. @param others - outcomes it may be mistaken for */
export function readBy(by: Instrument, shown: Shown, others: string[], dice: Dice): Shown {
  if (typeof shown === 'string') {
    const wrong = by in mistakes ? mistakes[by as keyof typeof mistakes] : 0.03
    const left = others.filter((one) => one !== shown)
    return left.length > 0 && dice.next() < wrong ? dice.pick(left) : shown
  }
  const { share, plus } = errors[by as keyof typeof errors] ?? { share: 0.02, plus: 0 }
  // What never comes is read as never: no noise makes it come.
  return Number.isFinite(shown) ? Math.max(0, shown + dice.normal() * Math.hypot(share * shown, plus)) : shown
}
