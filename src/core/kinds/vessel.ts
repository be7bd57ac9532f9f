import type { Mark } from '../quantity/working.ts'
import type { ByPolicy } from '../wear/limits.ts'

/** Where water drawn goes, as far as chalk is concerned. `past` never gets hot. */
export const waterUses = ['brew', 'steam', 'hot-water', 'past'] as const
export type WaterUse = (typeof waterUses)[number]

/**
 * Something that heats water and collects chalk.
 *
 * - `flow`: a thermoblock or flow heater; its wall is hotter than what leaves it
 * - `closed`: a brew boiler, full, losing no carbonic acid
 * - `exchanger`: a tube of brew water in a steam boiler; at rest it is as hot as the boiler
 * - `steam`: gives steam, loses carbonic acid, keeps its salts
 */
export interface Vessel {
  with?: string
  without?: string
  id: string
  station: string
  name: string
  heats: 'flow' | 'closed' | 'exchanger' | 'steam'
  /** What passes it. */
  takes: WaterUse[]
  /** One a group: the water is shared as the shots are. */
  each?: 'group'
  /** Water content, not what is stamped on it. */
  waterL: number
  /** Room above the water; absent where it stands open or is always full. */
  headspaceL?: number
  /** Outlet of a flow heater, or a full boiler's own. */
  outletC?: number
  /** Gauge pressure of a steam boiler. */
  setBar?: number
  /** Id of the boiler an exchanger sits in. */
  inside?: string
  heaterW?: number
  heaterCm2?: number
  wettedCm2: number
  limitMm: ByPolicy
  /** Of the heated block: mineral acids eat it. */
  aluminium?: boolean
  mark: Mark
}
