import { array, number, object, string } from 'yup'
import { amount, finite } from '../../parse/fields.ts'
import { figureById, figures } from '../../trade/figures.ts'
import { slug, v } from '../body-fields.ts'
import type { Pen } from '../entry-definition.ts'
import { plain, upper } from '../phrases.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

/** Figures nothing is reckoned by any more: what was once set of them stays readable. */
const retiredFigures = new Set(['gas-headspace', 'rinse-volumes'])

/** A figure from memory, replaced by one of one's own at this level. */
export const ownFigure = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['figure']).required(),
      figure: string()
        .required()
        .test(
          'known',
          'is not a figure that can be set',
          (id) => id === undefined || figureById(id) !== null || retiredFigures.has(id),
        ),
      value: finite().required(),
    })
      .noUnknown()
      .test('range', 'is out of range', (set, context) => {
        const range = figureById(set.figure ?? '')
        if (!range || set.value === undefined || (set.value >= range.least && set.value <= range.most)) return true
        return context.createError({ path: 'value', message: `must be between ${range.least} and ${range.most}` })
      }),
  ),
  words: ({ figure, value }, pen) => figureWords(figure, value, pen),
})

/** What water work costs, in the firm's currency. */
export const prices = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['prices']).required(),
      saltPerKg: amount(),
      acidPerKg: amount(),
      cartridge: amount(),
      waterPerM3: amount(),
      labourPerMinute: amount(),
      detergentTub: amount(),
      cleaningTablet: amount(),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: () => 'Prices of water work',
})

/** What a part costs, in the firm's currency: weighed against the minutes of another test. */
export const partPrice = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['part-price']).required(),
      kind: slug().required(),
      part: slug().required(),
      price: amount().max(1e6).required(),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ part, price }) => `Price of ${plain(part)}: ${price}`,
})

/** Causes confirmed on machines of a kind, adopted into what is suspected first. */
export const causes = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['causes']).required(),
      kind: slug().required(),
      counts: array(
        object({ fault: slug().required(), n: number().integer().min(1).max(1e6).required() })
          .noUnknown()
          .required(),
      )
        .min(1)
        .max(100)
        .required(),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ counts }) => `Confirmed causes adopted: ${counts.reduce((sum, { n }) => sum + n, 0)} repairs`,
})

function figureWords(id: string, value: number, { quantity }: Pen): string {
  const known = figureById(id)
  if (!known) return `${upper(plain(id))}: ${value}`
  const said = `${known.name}: ${quantity(value, known.unit ?? '')}`
  return Object.hasOwn(figures, id) ? said : `${id.split('.')[0]}, ${said}`
}
