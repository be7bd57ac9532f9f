import type { Entry } from '../core/ledger/entry.ts'
import type { Jotting, JottingOf } from '../core/ledger/entry-kinds.ts'
import { jot } from '../core/ledger/jot.ts'
import type { SubjectKind } from '../core/ledger/subject.ts'
import type { CounterLife } from './counter-life.ts'
import type { Dice } from './dice.ts'
import type { DemoMachine, DemoSite } from './world.ts'

export interface SiteIds {
  siteId: string
  softenerId: string | null
  machineIds: string[]
  technicianId: string
  /** What this technician measures and counts drops with. */
  gaugeId: string
  reagentId: string
}

export interface MachineLife {
  machine: DemoMachine
  id: string
  counter: CounterLife
  firstDay: number
  ledger: Entry[]
  /** Corrections made by two people of one another's reading: kept apart until all is written. */
  rivals: Entry[]
  /** Readings taken so far. */
  readings: number
}

export type Write = (
  ledger: Entry[],
  subjectKind: SubjectKind,
  subjectId: string,
  day: number,
  jottings: Jotting[],
  visitId?: string,
) => void

export const hour = 3_600_000

/** Who came, how long, on whose account. */
export const header = (d: Dice, ids: SiteIds, site: DemoSite): JottingOf<'visit'> =>
  jot('visit', {
    technicianIds: [ids.technicianId],
    terms: site.machines.length > 1 ? 'contract' : 'chargeable',
    minutes: 20 + site.machines.length * d.whole(12, 25),
  })
