import { type FigureId, figures } from '../trade/figures.ts'

/** What can be known of a feed besides its hardness; absent where nobody measured it. mg/L, µS/cm at 25 °C. */
export interface Feed {
  conductivityUsCm?: number
  chlorideMgL?: number
  freeChlorineMgL?: number
  totalChlorineMgL?: number
  silicaMgL?: number
  ironMgL?: number
}

/** How a boiler is made: chloride eats one sooner than the other. */
export type BoilerMetal = 'stainless' | 'copper'

const limitIds = [
  'feed-chloride-stainless',
  'feed-chloride-copper',
  'probe-caution',
  'probe-dry',
  'free-chlorine',
  'total-chlorine',
  'feed-silica',
  'feed-iron',
] as const satisfies FigureId[]

/** Limits of the feed and of the boiler, by their figures' names. */
export type WaterLimits = Record<(typeof limitIds)[number], number>

/** The limits as they stand. @param take - a figure's value where it is asked */
export const waterLimits = (take: (id: FigureId) => number): WaterLimits =>
  Object.fromEntries(limitIds.map((id) => [id, take(id)])) as WaterLimits

const fromMemory = waterLimits((id) => figures[id].value)

export interface WaterWarning {
  about: keyof Feed
  /** Stops at once, or is watched. */
  grade: 'stop' | 'watch'
  /** What it does, in words of the trade. */
  text: string
  value: number
  limit: number
}

/**
 * What a water does besides scale. Limits are from memory until set; a low index says nothing of corrosion.
 *
 * @param factor - how many times the boiler concentrates: chloride is judged there
 */
export function waterWarnings(
  feed: Feed,
  metal: BoilerMetal,
  factor = 1,
  limits: WaterLimits = fromMemory,
): WaterWarning[] {
  const warnings: WaterWarning[] = []
  const above = (about: keyof Feed, limit: number, text: string, times = 1) => {
    const value = feed[about]
    if (value !== undefined && value * times > limit)
      warnings.push({ about, grade: 'watch', text, value: value * times, limit })
  }
  above(
    'chlorideMgL',
    limits[`feed-chloride-${metal}`],
    `Chloride in the boiler eats ${metal === 'stainless' ? 'stainless steel' : 'copper and brass'}, and no softener takes it out: flush more often, or blend with demineralised water.`,
    factor,
  )
  const conductivity = feed.conductivityUsCm
  if (conductivity !== undefined && conductivity < limits['probe-caution']) {
    const dry = conductivity < limits['probe-dry']
    warnings.push({
      about: 'conductivityUsCm',
      grade: dry ? 'stop' : 'watch',
      text: dry
        ? 'The level probe reads dry: the boiler overfills until water leaves the wand. Blend in raw water before it is switched on.'
        : 'Close to what a level probe still sees: check that the boiler stops filling.',
      value: conductivity,
      limit: dry ? limits['probe-dry'] : limits['probe-caution'],
    })
  }
  above(
    'freeChlorineMgL',
    limits['free-chlorine'],
    'Chlorine is tasted, and destroys a thin-film membrane: carbon before it.',
  )
  above(
    'totalChlorineMgL',
    limits['total-chlorine'],
    'Chloramine needs catalytic carbon, or three times the contact time of plain carbon.',
  )
  above('silicaMgL', limits['feed-silica'], 'Silica lays down glassy scale that no descaling acid dissolves.')
  above('ironMgL', limits['feed-iron'], 'Iron stains, blocks jets and fouls resin: a filter before the softener.')
  return warnings
}
