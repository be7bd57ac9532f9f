import { array, mixed, number, type Schema, string, ValidationError } from 'yup'

/** Fields of what a device keeps: what was written here is looked at for its shape, not for its sense. */
export const text = () => string().defined()
export const texts = () => array(string().defined()).defined()
export const moment = () => number().defined()

/** Something by names: each of one shape. @example byName(moment()) // { 'group 1': 12 } */
export const byName = (each: Schema) =>
  mixed()
    .defined()
    .test('by-name', 'must be things by their names', (value, context) => {
      if (value === undefined) return true
      if (typeof value !== 'object' || value === null || Array.isArray(value)) return false
      try {
        for (const one of Object.values(value)) each.validateSync(one, { strict: true })
        return true
      } catch (error) {
        if (error instanceof ValidationError) return context.createError({ message: error.message })
        throw error
      }
    })
