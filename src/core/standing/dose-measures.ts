import type { DoseMeasures } from '../procedures/dose.ts'
import { type Histories, nearestSetting } from './histories.ts'
import { takeFigure } from './water/set-figure.ts'

/** What doses are measured with here, and what they cost: the nearest that was said, else from memory. */
export function doseMeasures(histories: Histories): DoseMeasures & { ownScoop: boolean } {
  const scoop = takeFigure(histories, 'scoop-grams')
  const prices = nearestSetting(histories, 'prices')?.body
  return {
    scoopG: scoop.value,
    tabletG: takeFigure(histories, 'tablet-grams').value,
    tubG: takeFigure(histories, 'tub-grams').value,
    ownScoop: scoop.level !== 'catalogue',
    ...(prices?.detergentTub !== undefined && { tubPrice: prices.detergentTub }),
    ...(prices?.cleaningTablet !== undefined && { tabletPrice: prices.cleaningTablet }),
  }
}
