import type { Standing } from '../standing/standing.ts'

/** What it does to a place when a task comes too late: trade stands, a drink falls short, no more than a nuisance. */
export type LateClass = 'stands' | 'short' | 'nuisance'

/** Parts without which nothing is made at all. From memory. */
const stopsAll = new Set([
  'pump',
  'rotary-pump',
  'pump-head',
  'pump-hose',
  'motor-capacitor',
  'fill-valve',
  'pressure-switch',
  'pressure-sensor',
  'pressure-reducer',
  'pressure-hoses',
  'heating-element',
  'heater',
  'flow-heater',
  'group-heater',
  'thermoblock',
  'thermal-fuse',
  'thermostat',
  'contactor',
  'relay',
  'level-probe',
  'control-board',
  'inlet-hose',
  'inlet-valve',
  'brew-unit',
  'unit-drive',
  'group-motor',
  'grinder-motor',
  'position-switches',
  'multi-way-valve',
  'door-switches',
  'head-switch',
  'start-switch',
  'lock-linkage',
  'capacitor',
  'sensors',
])

/** What waits is unclean or out of taste, and no more than that. From memory. */
const onlyTaste = new Set<Standing['action']>(['clean', 'check', 'service'])

/**
 * What it does when a task comes too late: by the part it is about, else by what is done. Common practice, no source.
 * @example lateClassOf({ action: 'replace', part: 'pump' }) // 'stands'
 */
export function lateClassOf({ action, part }: Pick<Standing, 'action' | 'part'>): LateClass {
  if (part && stopsAll.has(part) && (action === 'replace' || action === 'grease')) return 'stands'
  return onlyTaste.has(action) ? 'nuisance' : 'short'
}
