import { array, boolean, number, object, string } from 'yup'
import { payers } from '../../core/close-out/charge-terms.ts'
import { byName, text } from '../../device/kept-fields.ts'

const minor = () => number().integer().min(0)
const whole = () => number().integer().min(0)
const pays = () => string().oneOf(payers)

/** What is kept of a visit’s end, as it must come back. */
export const leavingSchema = object({
  id: text(),
  minutes: byName(whole().defined()),
  roadMinutes: whole(),
  roadKm: number().min(0),
  changed: byName(object({ pays: pays(), priceMinor: minor(), why: text() }).required()),
  added: array(
    object({ id: text(), name: text(), priceMinor: minor().defined(), pays: pays().defined(), why: text() }).required(),
  ).defined(),
  reasons: byName(text()),
  isolated: byName(text()),
  until: byName(text()),
  reportByMail: boolean(),
  name: text(),
  as: text(),
})
