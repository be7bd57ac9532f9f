import { boolean, object, string } from 'yup'
import { vesselUnits } from '../../core/procedures/dose.ts'
import { text } from '../../device/kept-fields.ts'

export const mutedSchema = object({ muted: boolean().required() }).noUnknown()

export const vesselSchema = object({
  text: text(),
  unit: string()
    .oneOf(Object.keys(vesselUnits) as (keyof typeof vesselUnits)[])
    .required(),
}).noUnknown()
