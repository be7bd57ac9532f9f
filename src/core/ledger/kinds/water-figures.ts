import { object, string } from 'yup'
import { amount, finite, uuid } from '../../parse/fields.ts'
import { mostHardnessMgL, v } from '../body-fields.ts'
import { entryKind, water } from '../entry-definition.ts'
import { Versions } from '../versions.ts'
import { pointWords, waterFigureNames, waterFigureWords } from '../water-figure-names.ts'

/** What a sample holds besides its hardness: by pen or paper on site, or as the works print it. */
export const waterFigures = entryKind({
  body: Versions.first(
    object({
      v,
      /** As it comes, after all treatment, or behind a membrane before anything is mixed in. */
      point: string().oneOf(['raw', 'softened', 'permeate']).required(),
      by: string().oneOf(['pen', 'works']).required(),
      pH: finite().min(0).max(14),
      testTempC: finite().min(0).max(100),
      /** At 25 °C. */
      conductivityUsCm: amount().max(20_000),
      /** As CaCO₃. */
      calciumMgL: amount().max(mostHardnessMgL),
      chlorideMgL: amount().max(20_000),
      freeChlorineMgL: amount().max(20),
      totalChlorineMgL: amount().max(20),
      silicaMgL: amount().max(500),
      ironMgL: amount().max(100),
      instrument: uuid(),
    })
      .noUnknown()
      .test('something', 'needs at least one figure', (test) =>
        waterFigureNames.some((name) => test[name] !== undefined),
      ),
  ),
  about: water,
  affects: 'along',
  madeBy: 'people and devices',
  words: (body, pen) => {
    const figures = waterFigureNames.flatMap((name) => {
      const value = body[name]
      if (value === undefined) return []
      return `${waterFigureWords[name].name} ${pen.quantity(value, waterFigureWords[name].unit)}`.trim()
    })
    return `Water ${pointWords[body.point]}: ${figures.join(', ')}`
  },
})
