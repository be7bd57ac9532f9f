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

/** Limits of the feed and of the boiler. All from memory. */
const waterLimits = {
  chlorideMgL: { stainless: 30, copper: 100 },
  probeCautionUsCm: 80,
  probeDryUsCm: 50,
  freeChlorineMgL: 0.05,
  totalChlorineMgL: 0.1,
  silicaMgL: 15,
  ironMgL: 0.1,
} as const

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
 * What a water does besides scale. Limits are from memory; a low index says nothing of corrosion.
 *
 * @param factor - how many times the boiler concentrates: chloride is judged there
 */
export function waterWarnings(feed: Feed, metal: BoilerMetal, factor = 1): WaterWarning[] {
  const warnings: WaterWarning[] = []
  const above = (about: keyof Feed, limit: number, text: string, times = 1) => {
    const value = feed[about]
    if (value !== undefined && value * times > limit)
      warnings.push({ about, grade: 'watch', text, value: value * times, limit })
  }
  above(
    'chlorideMgL',
    waterLimits.chlorideMgL[metal],
    `Chloride in the boiler eats ${metal === 'stainless' ? 'stainless steel' : 'copper and brass'}, and no softener takes it out: flush more often, or blend with demineralised water.`,
    factor,
  )
  const conductivity = feed.conductivityUsCm
  if (conductivity !== undefined && conductivity < waterLimits.probeCautionUsCm) {
    const dry = conductivity < waterLimits.probeDryUsCm
    warnings.push({
      about: 'conductivityUsCm',
      grade: dry ? 'stop' : 'watch',
      text: dry
        ? 'The level probe reads dry: the boiler overfills until water leaves the wand. Blend in raw water before it is switched on.'
        : 'Close to what a level probe still sees: check that the boiler stops filling.',
      value: conductivity,
      limit: dry ? waterLimits.probeDryUsCm : waterLimits.probeCautionUsCm,
    })
  }
  above(
    'freeChlorineMgL',
    waterLimits.freeChlorineMgL,
    'Chlorine is tasted, and destroys a thin-film membrane: carbon before it.',
  )
  above(
    'totalChlorineMgL',
    waterLimits.totalChlorineMgL,
    'Chloramine needs catalytic carbon, or three times the contact time of plain carbon.',
  )
  above('silicaMgL', waterLimits.silicaMgL, 'Silica lays down glassy scale that no descaling acid dissolves.')
  above('ironMgL', waterLimits.ironMgL, 'Iron stains, blocks jets and fouls resin: a filter before the softener.')
  return warnings
}
