import { boolean, number, object, string } from 'yup'
import { urgencies } from '../../../core/visits/call-urgency.ts'
import { byName, moment, text } from '../../../device/kept-fields.ts'
import { searchShape } from '../../fault/search-schema.ts'

/** A call as a device keeps it, see `KeptCall`. */
export const callSchema = object({
  ids: byName(text()),
  machine: object({
    machineId: text(),
    machineName: string().defined(),
    model: string().defined(),
    serial: string().defined(),
    kind: text(),
    siteId: text(),
    siteName: string().defined(),
    area: string().defined(),
    customer: string().defined(),
    contact: string().defined(),
    phone: string().defined(),
  })
    .noUnknown()
    .nullable()
    .default(null),
  who: string().max(200).defined(),
  text: string().max(2000).defined(),
  caller: string().max(120).defined(),
  phone: string().max(60).defined(),
  search: searchShape().nullable().default(null),
  urgency: string()
    .oneOf([...urgencies])
    .nullable()
    .default(null),
  minutes: number().nullable().default(null),
  answers: string().nullable().default(null),
  isReported: boolean(),
  isHeld: boolean(),
  onRecord: number(),
  startedAt: moment(),
}).noUnknown()
