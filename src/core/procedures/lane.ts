import type { Procedure, Way } from './procedure.ts'
import type { Step } from './step.ts'

/** Steps that follow each other: one group's share of a procedure, or what is done once. */
export interface Lane {
  id: string
  title: string
  procedure: string
  group: number | null
  /** Steam side it is about: 1 left, 2 right. */
  side: number | null
  /** How many groups and sides there are of what it touches. */
  machine: { groups: number; sides: number }
  steps: Step[]
  /** Lanes that must be through first. */
  after: string[]
  /** Steps that begin only once a step of another lane is through. */
  waits?: { step: string; for: { lane: string; step: string } }[]
}

/** What is run together: a procedure in one of its ways. */
export interface Chosen {
  procedure: Procedure
  way: Way
}
