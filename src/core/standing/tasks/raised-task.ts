import type { Unnumbered } from '../../ledger/entry-kinds.ts'
import type { LocalDay } from '../../quantity/local-day.ts'
import type { TreatmentKind } from '../../softener/treatment-kind.ts'
import type { Histories } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import type { SoftenerFacts } from '../softener-facts.ts'
import type { Standing } from '../standing.ts'
import type { BoilerConcentrate } from '../water/boiler-concentrate.ts'
import type { MachineChalk } from '../water/machine-chalk.ts'

/** A task as a page carries it: enough to write down that it was done. */
export type TaskToWrite = Unnumbered & { id: string; about: 'machine' | 'softener' }

/** How a softener stands at its site, as far as its renewals go. */
export interface Treatment {
  kind: TreatmentKind
  regeneratesItself: boolean
  /** Carbon before it, or alone. */
  prefilter: boolean
}

/** What is noted as done on a softener's own page. */
export interface RenewalWords {
  /** As it is said once done. */
  name: string
  /** Apart from what renews the treatment itself: chosen from a list. */
  besides?: boolean
  /** What of it can be said: the field of the entry it goes into, and what it usually is. */
  amount?: {
    label: string
    unit: string
    field: string
    usual?: 'capacityG' | 'saltTankKg' | 'saltKg'
    needed?: boolean
  }
}

/**
 * A task that no kind of machine lists: the reckoning itself raises it, from the water, the treatment or a
 * standstill. All that is known of it stands in one file.
 */
interface Raised {
  /** What its standing is called by, and the ledger where an entry names a task. */
  id: string
  /** As the Round finds it, in small letters. */
  searchNames: string[]
  /** What is written when it is ticked as done; null where it is signed off in another way. */
  written: ((histories: Histories) => Unnumbered) | null
  /** Along the year of water: its name there, and the days it was done. */
  rail?: { name: string; doneOn(histories: Histories): LocalDay[] }
}

export interface MachineTask extends Raised {
  about: 'machine'
  /** @returns null where nothing raises it */
  standing(facts: MachineFacts, water: MachineWater): Standing | null
}

export interface SoftenerTask extends Raised {
  about: 'softener'
  standing(facts: SoftenerFacts, showWorking: boolean): Standing | null
  renewal?: RenewalWords & { of(treatment: Treatment): boolean }
}

export type RaisedTask = MachineTask | SoftenerTask

/** What a machine's water makes of it: worked out once, for all its tasks. */
export interface MachineWater {
  chalk: MachineChalk | null
  concentrate: BoilerConcentrate | null
}

/** Days of some entries. */
export const daysOf = (entries: { happenedOn: LocalDay }[]): LocalDay[] => entries.map(({ happenedOn }) => happenedOn)
