import type { Mark } from '../quantity/working.ts'
import { alongClocks, byPolicy, type PolicyLimits } from '../wear/limits.ts'
import type { CareTold } from './care-words.ts'
import type { Action, Caution, Each, Part, Task } from './kind.ts'

type Three = [cautious: number, usual: number, longLife: number]

export interface Lives {
  shots?: Three
  litres?: Three
  months?: Three
  detergent?: Three
  kilograms?: Three
  milkDrinks?: Three
  openings?: Three
  heatUps?: Three
  switchings?: Three
  starts?: Three
  runningHours?: Three
  uses?: Three
  /** Weibull shape, where a material or an upkeep has its own. */
  beta?: number
}

interface Common {
  each?: Each
  beta?: number
  min: number
  mark?: Mark
  markNote?: string
  other?: string
  litresOf?: 'machine' | 'group'
  caution?: Caution
  rubber?: boolean
  safety?: boolean
  by?: 'customer'
  care?: CareTold
  with?: string
  without?: string
  sizes?: string[]
}

const doneBy = {
  clean: 'cleaned',
  grease: 'greased',
  check: 'checked',
  service: 'serviced',
  replace: 'fitted',
  descale: 'descaled',
} as const

/** What a part asks for besides being replaced, by action. */
type Upkeep = Partial<Record<'clean' | 'grease' | 'check', Lives>>

/**
 * A part at a station with its tasks: replacement by `lives`, upkeep by its own intervals.
 * Tables of the trade become one line each.
 */
export function part(
  id: string,
  name: string,
  station: string,
  lives: Lives | null,
  common: Common,
  more: { upkeep?: Upkeep; variants?: Record<string, Lives> } = {},
): { part: Part; tasks: Task[] } {
  const tasks: Task[] = []
  const variants = more.variants ? Object.entries(more.variants) : []
  if (variants.length > 0) {
    for (const [variant, life] of variants)
      tasks.push({ ...task(id, name, 'replace', station, life, common), part: id, variant })
  } else if (lives) {
    tasks.push({ ...task(id, name, 'replace', station, lives, common), part: id })
  }
  for (const [action, interval] of Object.entries(more.upkeep ?? {}) as ['clean' | 'grease' | 'check', Lives][]) {
    tasks.push({ ...task(`${id}-${action}`, name, action, station, interval, common), part: id })
  }
  return {
    part: {
      id,
      name,
      station,
      ...(common.each && { each: common.each }),
      ...(variants.length > 0 && { variants: variants.map(([variant]) => variant) }),
      ...(common.sizes && { sizes: common.sizes }),
      ...fittedWith(common),
    },
    tasks,
  }
}

/** A task of its own, not tied to one part; `part` makes those of its parts by it too. */
export function task(id: string, name: string, action: Action, station: string, lives: Lives, common: Common): Task {
  return {
    id,
    name,
    action,
    station,
    limits: limits(lives),
    doneBy: doneBy[action],
    minutes: common.min,
    mark: common.mark ?? 'M',
    ...(common.each && { each: common.each }),
    ...((lives.beta ?? common.beta) !== undefined && { beta: lives.beta ?? common.beta }),
    ...(common.markNote && { markNote: common.markNote }),
    ...(common.other && { otherClock: common.other }),
    ...(common.litresOf && { litresOf: common.litresOf }),
    ...(common.caution && { caution: common.caution }),
    ...(common.rubber && { rubber: true }),
    ...(common.safety && { safety: true }),
    ...(common.by && { by: common.by }),
    ...(common.care && { care: common.care }),
    ...fittedWith(common),
  }
}

const fittedWith = (common: Common) => ({
  ...(common.with && { with: common.with }),
  ...(common.without && { without: common.without }),
})

function limits(lives: Lives): PolicyLimits {
  const named: PolicyLimits = {}
  if (lives.shots) named.shots = byPolicy(...lives.shots)
  if (lives.litres) named.litres = byPolicy(...lives.litres)
  if (lives.months) named.months = byPolicy(...lives.months)
  if (lives.detergent) named.detergentCycles = byPolicy(...lives.detergent)
  for (const clock of alongClocks) if (lives[clock]) named[clock] = byPolicy(...lives[clock])
  return named
}

/** Parts and tasks of a list of `part` lines, plus tasks. */
export function collect(parts: { part: Part; tasks: Task[] }[], tasks: Task[]): { parts: Part[]; tasks: Task[] } {
  return {
    parts: parts.map((entry) => entry.part),
    tasks: [...parts.flatMap((entry) => entry.tasks), ...tasks],
  }
}
