import type { Dice } from '../quantity/dice.ts'

/** With what something is found out, and how far it errs. */
export type Instrument =
  | 'test-gauge'
  | 'machine-gauge'
  | 'steam-gauge'
  | 'jug-and-watch'
  | 'scale'
  | 'gram-scale'
  | 'watch'
  | 'thermometer'
  | 'multimeter'
  | 'pen'
  | 'eye'
  | 'ear'
  | 'customer'
  | 'hand'

/** A figure shown, or a thing seen by its outcome’s id. */
export type Shown = number | string

/** One kind of machine on the bench: what it is like, what may break, what tests show of it. */
export interface BenchKind<State> {
  kind: string
  /** A sound one, with the scatter of new parts. */
  sound(dice: Dice): State
  /** What each fault does to it; severity 0 … 1. */
  faults: Record<string, (state: State, severity: number, dice: Dice) => void>
  /** What whoever works with it would notice, by symptom; several may be. */
  notices(state: State): string[]
  /** What each test shows of it, before the instrument errs. */
  tests: Record<string, { by: Instrument; shows(state: State): Shown }>
}
