import { array, boolean, number, object, string } from 'yup'
import { stopIds } from '../../core/faults/stops.ts'
import { byName, moment, text, texts } from '../../device/kept-fields.ts'

/** What was asked and answered, see `Search`. */
export const searchShape = () =>
  object({
    symptom: text(),
    also: texts().optional(),
    words: string().max(300),
    seen: array(
      object({
        test: text(),
        outcome: text(),
        at: moment(),
        value: number(),
        words: string().max(300),
        said: boolean(),
        times: object({ n: number().integer().min(1).required(), of: number().integer().min(2).required() })
          .noUnknown()
          .default(undefined),
      }).noUnknown(),
    ).defined(),
    cannot: texts(),
    gates: array(string().oneOf(['live']).defined()).defined(),
    phone: boolean(),
    notCured: texts(),
    cured: texts().optional(),
    notCuredInWords: array(object({ cause: text(), text: text() }).noUnknown()).optional(),
    repairedAfter: byName(number().required()).optional(),
    stop: string().oneOf([...stopIds, 'none']),
    provedDead: boolean(),
    startedAt: moment(),
  }).noUnknown()

/** A search as a device keeps it, see `KeptSearch`. */
export const searchSchema = object({
  search: searchShape().required(),
  reportId: text(),
  ids: byName(text()),
  onRecord: number(),
  photos: array(
    object({ id: text(), of: moment(), image: string(), name: string() }).noUnknown().required(),
  ).optional(),
}).noUnknown()
