import type { EntryKind } from '../ledger/entry-kinds.ts'
import type { Mark } from '../quantity/working.ts'
import type { BySchool, SchoolLimits } from '../wear/limits.ts'
import type { Vessel, WaterUse } from './vessel.ts'

/** What flows in a line of the path. `control` is the electrical rail below the water. */
export type Medium = 'water' | 'steam' | 'hot-water' | 'drain' | 'coffee' | 'beans' | 'control'

/** How a station is drawn. A new kind of machine picks from these; it needs no drawing code. */
export type StationSymbol =
  | 'mains'
  | 'softener'
  | 'tank'
  | 'valve'
  | 'strainer'
  | 'pump'
  | 'flow-meter'
  | 'jet'
  | 'boiler'
  | 'thermoblock'
  | 'three-way'
  | 'group'
  | 'screen'
  | 'basket'
  | 'nozzle'
  | 'brew-unit'
  | 'pod-head'
  | 'cup'
  | 'tray'
  | 'tap'
  | 'wand'
  | 'relief'
  | 'breather'
  | 'hand-valve'
  | 'joint'
  | 'hopper'
  | 'burrs'
  | 'switch'
  | 'sensor'
  | 'element'
  | 'relay'
  | 'motor'
  | 'keys'
  | 'board'
  | 'gauge'

export interface Station {
  id: string
  /** As a technician says it; short enough for a leader. */
  name: string
  symbol: StationSymbol
}

/**
 * One run of pipe or wire. The main line goes from supply to cup; a branch leaves a station's port and
 * may end at another station. Lanes count from the main line: −1 is above it, 1 below.
 */
export interface PathLine {
  id: string
  medium: Medium
  stations: string[]
  lane: number
  from?: { station: string; port: 'top' | 'bottom' }
  to?: { station: string; port: 'top' | 'bottom' | 'left' }
  label?: string
}

/** More than one of a part: one a group, or one a side. */
export type Each = 'group' | 'side'

export interface Part {
  id: string
  name: string
  station: string
  each?: Each
  /** Materials that live differently; the first is assumed. */
  variants?: string[]
}

export type Action = 'replace' | 'clean' | 'grease' | 'check' | 'service' | 'descale'

/** Something to do when a clock has run out: a part to change, a strainer to clean, a service to give. */
export interface Duty {
  id: string
  name: string
  action: Action
  station: string
  part?: string
  variant?: string
  each?: Each
  limits: SchoolLimits
  /** Which entry says that it was done; a part's duty is also reset by fitting it anew. */
  doneBy: EntryKind
  /** Labour on site once the machine is open and safe. */
  minutes: number
  /** Weibull shape, kept for the learning of lives. */
  beta?: number
  mark: Mark
  markNote?: string
  /** A clock of this part that nobody counts yet, said beside the figures. */
  otherClock?: string
  /** Litres that pass it: all the machine draws, or this group's brew water only. */
  litresOf?: 'machine' | 'group'
  /** Said where the hand is about to be. */
  caution?: Caution
}

export type Caution = 'mains' | 'pressure' | 'scald' | 'acid' | 'detergent' | 'milk'

export interface Measure {
  id: string
  name: string
  unit: string
  good: { from: number; to: number }
  each?: Each
  mark: Mark
}

/** Water per drink and per open day, ml, and where it goes; drinks go through the brew path. */
export interface Budget {
  drinks: {
    name: string
    share: number
    cupMl: number
    puckMl: number
    dischargeMl: number
    flushMl: number
  }[]
  besides: { name: string; mlPerDrink: number; goes: WaterUse }[]
  daily: { name: string; ml: number; goes: WaterUse }[]
  mark: Mark
}

/** A machine's own choice of hardness, and the litres after which it then asks to be descaled. */
export interface HardnessClass {
  /** Hardest water of the class, °dH of total hardness; absent for the hardest. */
  upToDh?: number
  litres: number
}

export interface Descale {
  /** Litres by carbonate hardness class: up to 7, 14, 21 °dH and above. */
  litres: { upToDh: number; bySchool: BySchool }[]
  months: BySchool
  minutes: number
}

export interface Kind {
  id: string
  version: number
  name: string
  about: string
  counter: { id: 'shots'; name: string; unit: string }
  groups: number
  /** Share of the shots each group takes, until measured. */
  groupShares: number[]
  sides: number
  stations: Station[]
  lines: PathLine[]
  parts: Part[]
  duties: Duty[]
  measures: Measure[]
  budget: Budget
  /** Drinks per open day where nothing is known. */
  drinksPerOpenDay: { p10: number; p50: number; p90: number }
  /** Cycles of detergent an open day, or one every so many drinks. */
  detergent: { perOpenDay: number } | { everyDrinks: BySchool } | null
  /** Where chalk settles, in the order water meets them. */
  vessels: Vessel[]
  descale: Descale | null
  /** Why a kind is not descaled in place. */
  descaleNote?: string
  /** The customer's own routine: told, not put on the round. */
  routine: { what: string; every: string; mark: Mark }[]
}

/**
 * The same kind with another number of groups: they share the drinks alike until somebody says otherwise.
 * Kinds without groups stay as they are.
 */
export const withGroups = (kind: Kind, groups: number): Kind =>
  groups === kind.groups || !kind.duties.some((duty) => duty.each === 'group')
    ? kind
    : { ...kind, groups, groupShares: Array.from({ length: groups }, () => 1 / groups) }
