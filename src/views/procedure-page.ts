import type { Procedure } from '../core/procedures/procedure.ts'

/** A procedure in the library's list. */
export interface ProcedureRow {
  id: string
  family: Procedure['family']
  name: string
  about: string
  kinds: string[]
  ways: number
  /** The firm's own: the name of its original, and whether it stands in for it. */
  own?: { of: string; inUse: boolean; version: number }
  /** The firm's own version that stands in for this one. */
  standsIn?: { id: string; name: string }
}

/** One procedure, and what the firm has made of it. */
export interface ProcedurePage {
  firmId: string
  procedure: Procedure
  /** Of the firm's own: every version kept, the newest first. */
  versions: { version: number; on: string; by: string }[]
  /** Whether the firm works by it; what ships is, unless a version of its own stands in. */
  inUse: boolean
  standsIn?: { id: string; name: string }
  /** The firm's own copies that are kept. */
  copies: { id: string; name: string }[]
}
