import type { Action, Caution } from '../kinds/kind.ts'
import type { Stage } from '../ledger/stage.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { Working } from '../quantity/working.ts'
import type { Bounds } from '../usage/first-passage.ts'
import { type AlongClock, alongClocks, alongWords, type Clock } from '../wear/limits.ts'

/** Raised when a change in the reckoning must move stored standings; the rest is rebuilt behind the scenes. */
export const reckoningVersion = 6

/** What can govern a due day. `prompt` is the machine's own asking, `hygiene` a calendar cap. */
export type Governing =
  | Clock
  | 'prompt'
  | 'hygiene'
  | 'thickness'
  | 'concentrate'
  | 'salt'
  | 'conductivity'
  | 'chlorine'
  | 'first-look'
  | 'certificate'

const alongNames = Object.fromEntries(alongClocks.map((clock) => [clock, alongWords[clock].name])) as Record<
  AlongClock,
  string
>

/** How a clock is called where it governs. */
export const clockName: Record<Governing, string> = {
  shots: 'count',
  litres: 'litres',
  months: 'age',
  detergentCycles: 'detergent',
  ...alongNames,
  prompt: 'its own prompt',
  hygiene: 'hygiene',
  thickness: 'chalk',
  concentrate: 'what is dissolved',
  salt: 'salt',
  conductivity: 'conductivity',
  chlorine: 'chlorine',
  'first-look': 'ages not known',
  certificate: 'its certificate',
}

/** How much of one clock's life is used on the day of reckoning. */
export interface ClockUse {
  clock: Governing
  used: number
  limit: number
  unit: string
  /** How much a calendar day adds at the mean pace, so that a later day can be told without reckoning. */
  perDay: number
}

/** What is due when, and why: a pure function of the history, the catalogue and the latest day in it. */
export interface Standing {
  /** Task and which of several: `group-gasket@1`, `descale`. Unique within its subject. */
  key: string
  /** The day its uses are given for. */
  asOf: LocalDay
  task: string
  name: string
  action: Action | 'regenerate' | 'change'
  station: string
  part?: string
  /** Which of several, from 1; `instance` says it in words. */
  index?: number
  instance?: string
  /** Absent when no clock runs out within ten years. */
  due?: Bounds<LocalDay>
  governing?: Governing
  uses: ClockUse[]
  /** Last time it was done or fitted; absent when nobody knows. */
  since?: LocalDay
  sinceKnown: boolean
  /** Nobody knows how old it is, and nobody has seen it since the machine was taken over: it waits for the first look. */
  unseen?: true
  condition?: { grade: number; on: LocalDay; note?: string }
  minutes: number
  caution?: Caution
  working: Working
}

/** Soonest first; what never falls due last. */
export const byDue = (a: Standing, b: Standing): number => {
  const [x, y] = [a.due?.p50 ?? '9999', b.due?.p50 ?? '9999']
  return x < y ? -1 : x > y ? 1 : a.key < b.key ? -1 : 1
}

export interface Flag {
  entryId: string
  day: LocalDay
  count: number
  kind: 'reset' | 'rollover' | 'impossible' | 'outlier'
}

/** A machine or a softener, reckoned. */
export interface Reckoning {
  version: number
  /** Latest local day in the history: the day all shares are given for. */
  asOf: LocalDay
  standings: Standing[]
  /** Where in its life it stands, and since when if it ever changed. */
  stage: Stage
  stageSince?: LocalDay
  /** It has no counter: no reading is waited for. */
  uncounted?: true
  /** As it shows; cleaning rinses are in it, by their share. `each`: what one of it is in what is reckoned with. */
  counter?: { count: number; on: LocalDay; unit: string; rinseShare?: number; each?: number }
  /** Drinks per open day. */
  use?: { mean: number; sd: number; readings: number; assumed: boolean }
  litresPerOpenDay?: number
  flags: Flag[]
  /** Entries that correct the same entry. */
  rivals: string[]
  water?: WaterKnown
}

/** What is known of the water, mg/L CaCO3. */
export interface WaterKnown {
  raw?: WaterFigure
  rawCarbonate?: WaterFigure
  softened?: WaterFigure
  softenedCarbonate?: WaterFigure
}

export interface WaterFigure {
  low: number
  value: number
  high: number
  on: LocalDay
  said: string
  level: string
  /** Not tested since the treatment was renewed: what it lets through when it works. */
  assumed?: true
}
