import type { Stage } from '../core/ledger/stage.ts'

/** A machine as it stands in a list. */
export interface MachineRow {
  id: string
  name: string
  maker: string
  model: string
  serial: string
  kind: string
  softenerId: string | null
  siteId: string
  siteName: string
  area: string
  technicianId: string
  counter: { count: number; on: string; unit: string } | null
  /** It has no counter. */
  uncounted?: true
  nextDue: string | null
  stale: boolean
  stage: Stage
}

export interface MachinePage {
  rows: MachineRow[]
  next?: string
  all: number
}
