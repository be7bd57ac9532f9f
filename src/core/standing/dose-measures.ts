import type { DoseMeasures } from '../procedures/dose.ts'
import { type Histories, nearestSetting } from './histories.ts'
import { takeFigure } from './water/set-figure.ts'

/** Salt of one regeneration of this softener: its litres of resin, g for each, and whether anybody set that. */
export interface ResinSalt {
  resinL: number
  gPerL: number
  isOwn: boolean
}

/** What doses are measured with here, and what they cost: the nearest that was said, else from memory. */
export function doseMeasures(histories: Histories): DoseMeasures & { ownScoop: boolean; salt?: ResinSalt } {
  const scoop = takeFigure(histories, 'scoop-grams')
  const prices = nearestSetting(histories, 'prices')?.body
  const exchanger = nearestSetting(histories, 'exchanger')?.body
  const salt = takeFigure(histories, 'hand-salt')
  return {
    scoopG: scoop.value,
    tabletG: takeFigure(histories, 'tablet-grams').value,
    tubG: takeFigure(histories, 'tub-grams').value,
    ownScoop: scoop.level !== 'catalogue',
    ...(exchanger && {
      salt: {
        resinL: exchanger.resinL,
        gPerL: exchanger.saltGPerL ?? salt.value,
        isOwn: exchanger.saltGPerL !== undefined || salt.level !== 'catalogue',
      },
    }),
    ...(prices?.detergentTub !== undefined && { tubPrice: prices.detergentTub }),
    ...(prices?.cleaningTablet !== undefined && { tabletPrice: prices.cleaningTablet }),
  }
}
