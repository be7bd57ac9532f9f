import type { LearnedLife } from '../core/lifetimes/learned-life.ts'
import type { LifeClock, PartLife } from '../core/standing/part-lives.ts'

/** One part of a kind, as a row of what the firm has learned. */
export interface PartRow {
  taskId: string
  variant?: string
  name: string
  clock: LifeClock
  unit: string
  failures: number
  /** Still in, or changed while good. */
  censored: number
  catalogueLife: number
  learnedLife: number
  /** What the firm adopted; null where the catalogue stands. */
  adopted: { value: number; entryId: string } | null
}

/** A kind of machine and how many of them this firm has. */
export interface KindCount {
  id: string
  name: string
  machines: number
}

export interface PartsPage {
  firmId: string
  kinds: KindCount[]
  kind: { id: string; name: string; machines: number; read: number } | null
  rows: PartRow[]
  chosen: {
    row: PartRow
    learned: LearnedLife
    lives: (PartLife & { machine: { id: string; name: string; site: string } })[]
    unknownAge: number
    fittedWrongly: number
    minutes: number
    labourPerMinute: number | null
  } | null
}
