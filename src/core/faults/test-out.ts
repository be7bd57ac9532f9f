import type { Kind } from '../kinds/kind.ts'
import type { Mark } from '../quantity/working.ts'

/** One thing that is looked at before a machine goes back, whatever was mended. */
export interface TestOutLook {
  id: string
  words: string
  /** What may hurt. */
  caution?: string
}

interface AtStations {
  id: string
  /** Any of these makes it worth a look. */
  stations: string[]
  words: string
  caution?: string
}

const scald = 'Hot water and steam: hands and face away.'

/** Outlets by what a machine has of them; common practice, no source. */
const atStations: AtStations[] = [
  {
    id: 'brew',
    stations: ['screen', 'group'],
    words: 'Each group: water falls evenly, a drink of usual size and time',
    caution: scald,
  },
  {
    id: 'vent',
    stations: ['three-way', 'lever'],
    words: 'Blind basket: pressure climbs, vents with a hiss, nothing at the rim',
    caution: 'Pressure behind the blind basket: handle shut until it has hissed off.',
  },
  { id: 'spouts', stations: ['spout'], words: 'Coffee from every spout alike, spouts clean' },
  { id: 'capsule', stations: ['needle'], words: 'Without a capsule, then with one: cup full, bin nearly dry' },
  { id: 'hot-water', stations: ['hot-water'], words: 'Hot water: a full stream, shuts dry', caution: scald },
  {
    id: 'steam',
    stations: ['wand', 'steam-path'],
    words: 'Steam strong and dry, shuts without a drip',
    caution: scald,
  },
  {
    id: 'milk',
    stations: ['frother'],
    words: 'Milk drink once without milk, then with it: fine and hot, cleaned after',
    caution: 'What touched milk is cleaned the same day.',
  },
  { id: 'grinder', stations: ['burrs'], words: 'A dose ground and weighed, finger guard and hopper fast' },
  { id: 'fill', stations: ['level'], words: 'Boiler fills itself and stops, pressure settles' },
  { id: 'drain', stations: ['tray'], words: 'Tray and drain run off, box empty' },
]

/**
 * What is looked at after any repair on such a machine: every outlet it has, dryness, electrical safety.
 * @example testOutLooks(gr).map(({ id }) => id) // ['complaint', 'grinder', 'electrical']
 */
export function testOutLooks(kind: Kind): TestOutLook[] {
  const has = new Set(kind.stations.map(({ id }) => id))
  const wet = kind.vessels.length > 0
  return [
    { id: 'complaint', words: 'What was complained of is gone' },
    ...atStations
      .filter(({ stations }) => stations.some((id) => has.has(id)))
      // What grinds alone brews nothing.
      .filter(({ id }) => wet || id === 'grinder')
      .map(({ id, words, caution }) => ({ id, words, ...(caution && { caution }) })),
    ...(wet ? [{ id: 'dry', words: 'Dry on paper, ten minutes hot at pressure (five where it is small)' }] : []),
    { id: 'electrical', words: 'Electrically safe, as local rules ask' },
  ]
}

/** What a tester may be asked for. */
export const electricalIds = ['earthOhm', 'insulationMOhm', 'protectiveMA', 'touchMA'] as const
export type ElectricalId = (typeof electricalIds)[number]
export type Electrical = Partial<Record<ElectricalId, number>>

export interface ElectricalLimit {
  id: ElectricalId
  name: string
  unit: string
  least?: number
  most?: number
  mark: Mark
}

const currentMA = 3.5
const mAPerKw = 1

/**
 * What is accepted of a machine's electrical safety where nothing stricter holds: figures of common practice, local
 * rules first.
 *
 * @example electricalLimits(c2).find(({ id }) => id === 'earthOhm')!.most // 0.3
 */
export function electricalLimits(kind: Kind): ElectricalLimit[] {
  const heaterKw = kind.vessels.reduce((sum, { heaterW }) => sum + (heaterW ?? 0), 0) / 1000
  return [
    { id: 'earthOhm', name: 'Protective earth, plug to case', unit: 'Ω', most: 0.3, mark: 'T' },
    { id: 'insulationMOhm', name: 'Insulation at 500 V, cold', unit: 'MΩ', least: 1, mark: 'M' },
    {
      id: 'protectiveMA',
      name: 'Protective conductor current',
      unit: 'mA',
      // Large heaters are allowed more: so much for each kilowatt.
      most: heaterKw > currentMA / mAPerKw ? heaterKw * mAPerKw : currentMA,
      mark: 'T',
    },
    { id: 'touchMA', name: 'Touch current, parts without earth', unit: 'mA', most: 0.5, mark: 'T' },
  ]
}

/** Which of what was measured is outside what is accepted. */
export const electricallyOut = (limits: ElectricalLimit[], measured: Electrical): ElectricalLimit[] =>
  limits.filter(({ id, least, most }) => {
    const value = measured[id]
    return value !== undefined && ((least !== undefined && value < least) || (most !== undefined && value > most))
  })
