import type { Kind } from '../core/kinds/kind.ts'

/** A kind of machine in the list of them. */
export interface KindRow {
  id: string
  /** The firm made it: a copy, or from nothing. */
  ownMake?: true
  /** The name of the kind it was copied from. */
  basedOn?: string
  name: string
  about: string
  parts: number
  tasks: number
  machines: number
}

/** One kind, and whether this firm's machines are reckoned by it. */
export interface KindPage {
  firmId: string
  kind: Kind
  /** The firm's: a copy of one that ships, or made from nothing. */
  isOwn: boolean
  /** Of the kind it is based on. */
  machines: number
  inUse: boolean
}

/** What a change of a kind would move. */
export interface KindMoves {
  /** Machines that were reckoned for this. */
  read: number
  machines: number
  moved: number
  rows: { machine: string; site: string; name: string; before: string | null; after: string | null }[]
}
