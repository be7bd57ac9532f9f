import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Handwork } from '../core/visits/minutes-there.ts'
import type { VisitRepair, VisitState } from './weeks-ahead.ts'

/** A task as a visit counts it. */
export interface TaskMinutes extends Handwork {
  subjectId: string
  key: string
}

/** A visit to come that a task can be put on. */
export interface VisitToJoin {
  on: LocalDay
  technicianId: string
  state: VisitState
  /** Absent while it is only proposed by the plan. */
  visitId?: string
  from?: string
  repair?: VisitRepair
  tasks: TaskMinutes[]
}

/** A site with its visits to come. */
export interface SiteToJoin {
  siteId: string
  name: string
  /** Who usually goes there. */
  technicianId: string
  /** What is due there, with the minutes it takes this firm. */
  due: TaskMinutes[]
  visits: VisitToJoin[]
}

export interface PutOnVisit {
  sites: SiteToJoin[]
  technicians: { id: string; name: string }[]
  /** Minutes of a visit that are in no task. */
  stopMin: number
  /** The ledger’s last entry that was known. */
  seq: number
}
