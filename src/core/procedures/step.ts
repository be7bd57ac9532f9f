import type { Mark } from '../quantity/working.ts'
import type { DoseAmount } from './dose.ts'
import type { HeldReason } from './held-reasons.ts'
import type { KeyPattern, Programme } from './key-patterns.ts'
import type { State, Tool } from './states.ts'

export type Hazard =
  | 'mains'
  | 'live'
  | 'pressure'
  | 'scald'
  | 'acid'
  | 'detergent'
  | 'milk'
  | 'pinch'
  | 'spring'
  | 'sharp'
  | 'heavy'
  | 'water'
  | 'parts'

/** Where the hand is about to be: told before the step, not in a manual. */
export interface StepCaution {
  hazard: Hazard
  /** The one line that must be read. */
  say: string
  /** What to do about it. */
  how?: string
}

/** Words of a step that may differ by kind. */
export interface StepWords {
  say?: string
  how?: string
  normal?: string
  wrong?: string
  on?: string
  onHow?: string
  off?: string
  offHow?: string
  ask?: string
  example?: KeyPattern
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
  /** Asked only of a machine that has one of these stations. */
  where?: string[]
  /** Asked only of these kinds. */
  only?: string[]
  /**
   * How things stand while it is done, and stay for the steps after it until one says otherwise: its conditions,
   * its cautions and what may go on beside it follow from this.
   */
  state?: State
  /** What it has for itself from here on; what it gives back when it is done. */
  takes?: Tool[]
  gives?: Tool[]
  /** Its words on one kind, where they are others there. */
  as?: Record<string, StepWords>
  /** Of a bath that others may share: where it is made, where things go in, come out, and where it is poured away. */
  bath?: 'made' | 'in' | 'out' | 'poured'
  /** For whoever is qualified alone: the case is open and it is live. */
  qualified?: true
  caution?: StepCaution
  /** What may hurt besides. */
  besides?: StepCaution[]
  /** Hands' time, s, for the plan. */
  handsS: number
  /** Must be done: a run cannot pass it by. */
  gate?: true
  /** What is in the machine from here on: no drink until a step that clears it. */
  puts?: HeldReason
  /** All that is not to be drunk, or the one thing it names. */
  clears?: true | HeldReason
  /** Parts that are new once it is done. */
  fits?: string[]
  mark?: Mark
}

/** Water on and off, so many times. */
export interface Cadence {
  onS: number
  offS: number
  times: number
  /** The pause after the first stroke, where it is longer: it lets the powder dissolve. */
  firstOffS?: number
  /** What must be said to be so after each pause before the next stroke: until then it stands. */
  standsUntil?: string
}

export interface Answer {
  id: string
  words: string
  /** Go on, do a stretch again, or end here. */
  leads: 'pass' | 'repeat' | 'stop'
  /** The step of this part to go on from again. */
  from?: string
  /** How often it is gone back as a rule before it goes on: a litre in portions is never one portion. For the plan. */
  usually?: number
  /** Why it is done again, or how it ends. */
  because?: string
  /** It goes on, and what the step would clear stays open. */
  keeps?: true
  /** Parts that are new where this is answered. */
  fits?: string[]
}

/** What a step asks of the hands; each kind of step has its own face in a run. */
export type Act =
  | { act: 'do' }
  /** Something by weight, spoon or tablet. */
  | { act: 'dose'; dose: DoseAmount; into: string }
  | ({ act: 'cadence'; on: string; onHow: string; off: string; offHow: string } & Cadence)
  /** It works by itself: the hands are free. */
  | { act: 'soak'; what: string; seconds: number; mostS?: number }
  /** It works by itself until something is seen; watched it keeps whoever stands there. */
  | { act: 'wait'; until: string; aboutS: number; watched?: true }
  | { act: 'measure'; measure?: string; ask: string; unit: string; from?: number; to?: number }
  | { act: 'check'; ask: string; answers: Answer[] }
  /** Keys held together; of a programme an example, until this model's own are set. */
  | { act: 'hold'; keys: string[]; seconds: number; programme?: Programme }
  /** A key pressed so many times within so many seconds. */
  | { act: 'press'; key: string; times: number; withinS: number; programme?: Programme }
  /** A programme of this model started by its keys: what ships shows the shape alone. */
  | { act: 'keys'; programme: Programme; example: KeyPattern }
  /** Done before a window closes; after that it starts again from an earlier step. */
  | { act: 'window'; withinS: number; from: string }
  | { act: 'photo'; of: string }
  /** Drinks pulled and thrown away. */
  | { act: 'season'; drinks: number }

export type Step = StepBase & Act
export type ActName = Act['act']
/** A step of one kind. @example StepOf<'cadence'> */
export type StepOf<A extends ActName> = Extract<Step, { act: A }>
