import type { Mark } from '../quantity/working.ts'
import type { AlongClock, ByPolicy, PolicyLimits } from '../wear/limits.ts'
import type { CareTold, Rhythm } from './care-words.ts'
import type { actions, cautions, lamps, media, symbolNames } from './kind-words.ts'
import type { Vessel, WaterUse } from './vessel.ts'

/** The entries that say a task was done. */
export const doneByEntries = ['fitted', 'cleaned', 'greased', 'checked', 'serviced', 'descaled'] as const
export type DoneBy = (typeof doneByEntries)[number]

/** What flows in a line of the path. */
export type Medium = (typeof media)[number]

/** How a station is drawn. */
export type StationSymbol = (typeof symbolNames)[number]

/**
 * What only some machines of a kind have: a row `with` an option is there where it is fitted, one `without` it
 * where it is not.
 */
export interface Fitted {
  with?: string
  without?: string
}

export interface Station extends Fitted {
  id: string
  /** As a technician says it; short enough for a leader. */
  name: string
  symbol: StationSymbol
}

/**
 * One run of pipe or wire. The main line goes from supply to cup; a branch leaves a station's port and
 * may end at another station. Lanes count from the main line: −1 is above it, 1 below; from 2 on they are rails
 * at the foot of the drawing, of what serves the whole machine.
 */
export interface PathLine extends Fitted {
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

export interface Part extends Fitted {
  id: string
  name: string
  station: string
  each?: Each
  /** Materials that live differently; the first is assumed. */
  variants?: string[]
  /** Sizes the trade has it in. */
  sizes?: string[]
}

export type Action = (typeof actions)[number]

/** Something to do when a clock has run out: a part to change, a strainer to clean, a service to give. */
export interface Task extends Fitted {
  id: string
  name: string
  action: Action
  station: string
  part?: string
  variant?: string
  each?: Each
  limits: PolicyLimits
  /** Which entry says that it was done; a part's task is also reset by fitting it anew. */
  doneBy: DoneBy
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
  /** Done by whoever runs the machine, between visits: told them, not put on the round. */
  by?: 'customer'
  /** How it is told them. */
  care?: CareTold
  /** Ages by the hours it is hot, where those are known. */
  rubber?: boolean
  /** Guards against something: never past the last figure, whatever anybody set or saw. */
  safety?: boolean
}

export type Caution = (typeof cautions)[number]

export interface Measure extends Fitted {
  id: string
  name: string
  unit: string
  good: { from: number; to: number }
  each?: Each
  mark: Mark
}

/** What a machine's own counter shows where that is something else: one of it is so many of the kind's. */
export interface CounterShows {
  unit: string
  each: number
}

/** What the numbers on a machine's counter are. @example shownUnit(grinder) // 'kg' */
export const shownUnit = ({ counter }: Pick<Kind, 'counter'>): string => counter.shows?.unit ?? counter.unit

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
  /** Litres by carbonate hardness class: up to 7, 14, 21 °dH and, without an end, above. */
  litres: { upToDh: number | null; byPolicy: ByPolicy }[]
  months: ByPolicy
  minutes: number
}

/** Something a machine of this kind may have or not: a revision, or a set of stations that hangs on it. */
export interface Option {
  id: string
  name: string
  /** Fitted until somebody says otherwise. */
  standard: boolean
  /** How to tell, the surest way first; each with what it means when it is so. */
  howToTell: { look: string; means: 'fitted' | 'not fitted' }[]
  mark: Mark
}

/** How often something happens that nobody counts. */
export interface Count {
  perDrink?: number
  perOpenDay?: number
}

export type Lamp = (typeof lamps)[number]

/** What a machine shows, and what it means by it. */
export interface Prompt extends Fitted {
  id: string
  /** Which lamp, button or display. */
  where: string
  shows: Lamp
  /** As it looks, where the lamp alone does not say. */
  looks?: string
  means: string
  /** The task it asks for. */
  asksFor?: string
  /** Drinks after which it says it asks. */
  everyDrinks?: number
  /** Why a technician does not take its word. */
  distrust?: string
  mark: Mark
}

/** A way of cleaning that this kind takes, or must not be given. */
export interface Cleaning extends Fitted {
  what: string
  takes: boolean
  why: string
}

export interface Kind {
  id: string
  version: number
  /** The kind it was copied from, where a firm made it its own. */
  basedOn?: string
  name: string
  about: string
  /** What lists and people call it too: small letters, in whatever language. Of those that ship, see `calledToo`. */
  calledToo?: readonly string[]
  counter: { id: 'shots'; name: string; unit: string; shows?: CounterShows }
  /** It has no counter: none is asked for. */
  uncounted?: true
  groups: number
  /** Share of the shots each group takes, until measured. */
  groupShares: number[]
  sides: number
  stations: Station[]
  lines: PathLine[]
  parts: Part[]
  tasks: Task[]
  measures: Measure[]
  budget: Budget
  /** Ground coffee of a drink, g; null for pods and for what brews none. */
  doseG: { single: number; double: number } | null
  /** What is counted along with the drinks, of the whole machine. From memory. */
  counts: Partial<Record<AlongClock, Count>>
  options: Option[]
  prompts: Prompt[]
  cleaning: Cleaning[]
  /** Drinks per open day where nothing is known. */
  drinksPerOpenDay: { p10: number; p50: number; p90: number }
  /** Cycles of detergent an open day, or one every so many drinks. */
  detergent: { perOpenDay: number } | { everyDrinks: ByPolicy } | null
  /** Where chalk settles, in the order water meets them. */
  vessels: Vessel[]
  descale: Descale | null
  /** Why a kind is not descaled in place. */
  descaleNote?: string
  /** The customer's own routine: told, not put on the round. */
  routine: RoutineTask[]
}

/** A line of the customer's routine; what puts it on record, where something does. */
export interface RoutineTask extends Partial<CareTold> {
  what: string
  /** How often, in words, and under which heading that stands. */
  every: string
  rhythm?: Rhythm
  /** The same in days, where it is so many. */
  days?: number
  mark: Mark
  /** More than its own words say. */
  how?: string
  /** Procedures whose way says the same. */
  saidBy?: string[]
  /** Only where milk is. */
  milk?: true
  /** The procedure that does it. */
  procedure?: string
  /** The task of the kind that it is. */
  task?: string
}

/** Whether a line is one outlet by itself: a hot-water tap below its boiler, a drain into its tray. */
export const takesOneStation = ({ medium }: Pick<PathLine, 'medium'>): boolean =>
  medium === 'hot-water' || medium === 'drain'

/**
 * The same kind with another number of groups: they share the drinks alike until somebody says otherwise.
 * Kinds without groups stay as they are.
 */
export const withGroups = (kind: Kind, groups: number): Kind =>
  groups === kind.groups || !kind.tasks.some((task) => task.each === 'group')
    ? kind
    : { ...kind, groups, groupShares: Array.from({ length: groups }, () => 1 / groups) }

/**
 * The kind as this machine has it: what stands with an option that is not fitted falls away, and a branch that
 * left or ended there with it.
 *
 * @param said - what somebody said of an option; the rest is as it usually is
 */
export function withOptions(kind: Kind, said: ReadonlyMap<string, boolean>): Kind {
  if (kind.options.length === 0) return kind
  const fitted = new Map(kind.options.map(({ id, standard }) => [id, said.get(id) ?? standard]))
  const here = (row: Fitted) =>
    (row.with === undefined || fitted.get(row.with) === true) &&
    (row.without === undefined || fitted.get(row.without) === false)
  const stations = kind.stations.filter(here)
  const ids = new Set(stations.map(({ id }) => id))
  const lines = kind.lines
    .filter(here)
    .map((line) => ({ ...line, stations: line.stations.filter((id) => ids.has(id)) }))
    .filter(({ stations: left, from }) => left.length > 0 && (!from || ids.has(from.station)))
  return {
    ...kind,
    stations,
    lines,
    parts: kind.parts.filter(here),
    tasks: kind.tasks.filter(here),
    measures: kind.measures.filter(here),
    vessels: kind.vessels.filter(here),
    prompts: kind.prompts.filter(here),
    cleaning: kind.cleaning.filter(here),
  }
}
