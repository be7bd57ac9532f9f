import type { Mark } from '../quantity/working.ts'
import type { DoseAmount } from './dose.ts'
import type { NotToDrink } from './not-to-drink.ts'

/** Where the hand is about to be: told before the step, not in a manual. */
export interface StepCaution {
  hazard: 'mains' | 'pressure' | 'scald' | 'acid' | 'detergent' | 'milk' | 'pinch' | 'parts'
  /** The one line that must be read. */
  say: string
  /** What to do about it. */
  how?: string
}

interface StepBase {
  /** Short name, once in its part. */
  id: string
  /** What the hands do, in a line that is read from two metres. */
  say: string
  /** Under it: how. */
  how?: string
  /** What is right to see or hear. */
  normal?: string
  /** What to do when it is not. */
  wrong?: string
  /** Stations of the water path that are being worked on; those a machine does not have are passed over. */
  at?: string[]
  /** Asked only of a machine that has none of these stations. */
  without?: string[]
  caution?: StepCaution
  /** Hands' time, s, for the plan. */
  handsS: number
  /** Must be done: a run cannot pass it by. */
  gate?: true
  /** What is in the machine from here on: no drink until a step that clears it. */
  puts?: NotToDrink
  clears?: true
  mark?: Mark
}

/** Water on and off, so many times. */
export interface Cadence {
  onS: number
  offS: number
  times: number
  /** The pause after the first stroke, where it is longer: it lets the powder dissolve. */
  firstOffS?: number
}

export interface Answer {
  id: string
  words: string
  /** Go on, do a stretch again, or end here. */
  leads: 'pass' | 'repeat' | 'stop'
  /** The step of this part to go on from again. */
  from?: string
  /** Why it is done again, or how it ends. */
  because?: string
}

/** What a step asks of the hands; each kind of step has its own face in a run. */
export type Act =
  | { act: 'do' }
  /** Something by weight, spoon or tablet. */
  | { act: 'dose'; dose: DoseAmount; into: string }
  | ({ act: 'cadence'; on: string; onHow: string; off: string; offHow: string } & Cadence)
  /** It works by itself: the hands are free. */
  | { act: 'soak'; what: string; seconds: number; mostS?: number }
  /** Watched by whoever stands there, until something is seen. */
  | { act: 'wait'; until: string; aboutS: number }
  | { act: 'measure'; measure?: string; ask: string; unit: string; from?: number; to?: number }
  | { act: 'check'; ask: string; answers: Answer[] }
  /** Keys held together. */
  | { act: 'hold'; keys: string[]; seconds: number }
  /** A key pressed so many times within so many seconds. */
  | { act: 'press'; key: string; times: number; withinS: number }
  /** Done before a window closes; after that it starts again from an earlier step. */
  | { act: 'window'; withinS: number; from: string }
  | { act: 'photo'; of: string }
  /** Drinks pulled and thrown away. */
  | { act: 'season'; drinks: number }

export type Step = StepBase & Act
export type ActName = Act['act']
/** A step of one kind. @example StepOf<'cadence'> */
export type StepOf<A extends ActName> = Extract<Step, { act: A }>
