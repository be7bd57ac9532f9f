import { array, boolean, number, object, string } from 'yup'
import { byName, moment, text, texts } from '../../device/kept-fields.ts'

const thing = object({
  name: text(),
  where: text(),
  symbol: text(),
  fasteners: array(object({ drive: text(), count: number().defined() }).required()).defined(),
})

/** A strip-down sheet as a device keeps it, see `KeptSheet`. */
export const sheetSchema = object({
  title: text(),
  known: string(),
  sheet: object({
    openedAt: moment(),
    things: array(
      object({
        thing: thing.required(),
        offAt: moment(),
        inAt: number().nullable().defined(),
        photos: texts(),
        note: string(),
      }).required(),
    ).defined(),
    turnedAt: number().nullable().defined(),
    hand: number().nullable().defined(),
    closed: object({ at: moment(), leftOver: string(), tested: boolean() }).nullable().defined(),
    stayed: array(object({ name: text(), after: number().defined() }).required()),
  }).required(),
  waiting: byName(text()),
  id: text(),
  ids: array(string().defined()),
})
