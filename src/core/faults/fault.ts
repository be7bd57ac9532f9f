import type { Mark } from '../quantity/working.ts'

/** What of the records makes a fault likelier or less; `refit`: hands left it so. See `prior-factors`. */
export type FaultTrait = 'chalk' | 'flakes' | 'airlock' | 'stuck' | 'user' | 'grind' | 'probe' | 'frost' | 'refit'

/** How a fault comes and goes: from one day to the next or from week to week; now and then; only hot, only cold. */
export type Comes = 'sudden' | 'slowly' | 'sometimes' | 'hot' | 'cold'

/** A suspect that is in no book: what nobody wrote down. */
export const somethingElse = 'something-else'

/** A machine that is as it should be: the fault of no fault. */
export const nothingWrong = 'nothing'

/** Something that can be wrong. */
export interface Fault {
  id: string
  /** As a technician says it. */
  name: string
  /** Where on the path it sits; null for what lies outside the machine. */
  station: string | null
  /** Share of the calls to such a machine, in a hundred; in a kind's own list its weight in its family. From memory. */
  per100: number
  /** How often each complaint is made of it, by symptom; the rest of a whole is spread over all others. */
  complaints: Record<string, number>
  traits?: FaultTrait[]
  comes?: Comes[]
  /** The part whose age speaks for it. */
  part?: string
  repair: Repair
}

/** What cures it. */
export interface Repair {
  say: string
  /** Hands’ minutes once it is open. */
  minutes: number
  /** A procedure of the library. */
  procedure?: string
  /** Nothing is replaced: a word with whoever runs it. */
  tell?: true
}

/** How a machine must stand for a test. `on`: switched on and shut; `shut-again`: opened dead, and shut before it runs. */
export type MachineState = 'on' | 'hot' | 'off' | 'open' | 'cold' | 'no-pressure' | 'shut-again'

/** A gate is never traded for information. */
export type Gate = 'live'

/** What a test can show. */
export interface Outcome {
  id: string
  /** As it is pressed. */
  words: string
  /** Of a reading: from this value on, up to the next one’s. */
  from?: number
}

/** One thing to try. */
export interface Test {
  id: string
  /** What the hands do, as an instruction. */
  say: string
  how?: string
  /** Where on the path. */
  station: string
  minutes: number
  tools: string[]
  /** What finds it out, where no figure is read and no tool does; the eye where nothing is said. */
  by?: 'ear' | 'hand' | 'word'
  needs: MachineState[]
  gate?: Gate
  /** What may hurt. */
  hazard?: 'scald' | 'pressure' | 'mains' | 'live' | 'moving'
  /** What is read, where it is a number; a measure of the kind where it has one. */
  reads?: { unit: string; measure?: string; good: { from: number; to: number } }
  outcomes: Outcome[]
  /** Chance of each outcome where nothing it tells of is wrong. */
  normal: Record<string, number>
  /** Chance of outcomes under the faults it tells of; the rest of a whole is spread as where nothing is wrong. */
  sees: Record<string, Record<string, number>>
  mark: Mark
}

/** A complaint, in the customer’s and the technician’s words. */
export interface Symptom {
  id: string
  name: string
  /** Other words it is found by. */
  words: string[]
  station: string | null
}

/** What is known of a kind’s faults. */
export interface FaultBook {
  kind: string
  faults: Fault[]
  symptoms: Symptom[]
  tests: Test[]
  /** Tests that can be asked on the telephone, as the customer is asked. */
  phone: Record<string, string>
  /** What the customer can safely do about a fault, until somebody comes or instead of it. */
  customer: Record<string, string>
  /** Minutes to bring it to a standing it is not in. */
  toStand: Record<MachineState, number>
}
