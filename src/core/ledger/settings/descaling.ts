import { array, number, object, string } from 'yup'
import { divisor } from '../../parse/fields.ts'
import { v } from '../body-fields.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

/** Litres at which the machine itself asks for a descale, at its hardness setting. */
export const descalePrompt = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['descale-prompt']).required(),
      litres: divisor().required(),
    }).noUnknown(),
  ),
  words: ({ litres }, { quantity }) => `The machine asks for a descale every ${quantity(litres, 'L')}`,
})

/** The hardness settings a machine offers, and the one it stands at. */
export const hardnessSetting = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['hardness-setting']).required(),
      classes: array(
        object({ upToDh: divisor().max(100), litres: divisor().max(1e6).required() })
          .noUnknown()
          .required(),
      )
        .required()
        .min(2)
        .max(5)
        .test(
          'rising',
          'must go from soft to hard, the last without an end',
          (classes) =>
            classes === undefined ||
            classes.every(({ upToDh }, i) =>
              i === classes.length - 1
                ? upToDh === undefined
                : upToDh !== undefined && upToDh > (i > 0 ? (classes[i - 1]!.upToDh ?? Number.POSITIVE_INFINITY) : 0),
            ),
        ),
      /** From 1. */
      chosen: number().integer().min(1).max(5).required(),
    })
      .noUnknown()
      .test('chosen', 'must be one of its classes', (set, context) =>
        set.classes === undefined || set.chosen === undefined || set.chosen <= set.classes.length
          ? true
          : context.createError({ path: 'chosen' }),
      ),
  ),
  words: ({ chosen, classes }, { quantity }) =>
    `Hardness setting ${chosen} of ${classes.length}: asks every ${quantity(classes[chosen - 1]!.litres, 'L')}`,
})
