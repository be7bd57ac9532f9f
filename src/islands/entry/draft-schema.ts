import { array, boolean, number, object, string } from 'yup'
import { removalReasons } from '../../core/ledger/removal.ts'
import { byName, text } from '../../device/kept-fields.ts'

const part = object({
  condition: number(),
  changed: boolean().required(),
  why: string().oneOf(removalReasons),
  variant: string(),
  size: string(),
  warrantyUntil: string(),
}).noUnknown()

const test = object({
  method: string().oneOf(['drops', 'strip']).required(),
  drops: text(),
  low: text(),
  high: text(),
}).noUnknown()

/** A visit being written as a device keeps it, see `Draft`: one of an earlier form lacks what came since. */
export const draftSchema = object({
  visitId: text(),
  ids: byName(text()),
  happenedOn: text(),
  startedAt: text(),
  counter: string(),
  apart: byName(text()).optional(),
  meter: string(),
  unit: string(),
  perDrop: string(),
  tests: byName(test.required()).optional(),
  figures: byName(text()).optional(),
  tasks: array(string().defined()),
  acid: string(),
  acidGrams: string(),
  spentDrops: string(),
  spentLitres: string(),
  parts: byName(part.required()).optional(),
  found: byName(text()).optional(),
  left: byName(text()).optional(),
  note: string(),
  noteInternal: boolean(),
  remarkInternal: boolean(),
  photos: array(
    object({ id: text(), image: string(), name: string(), part: string().defined(), text: string().defined() })
      .noUnknown()
      .required(),
  ),
  complaint: string(),
  cause: string(),
  repair: string(),
  remark: string(),
  terms: string(),
  orderNumber: string(),
  minutes: string(),
  arrived: string(),
  went: string(),
  instrument: string(),
  reagent: string(),
}).noUnknown()

/** What drops are counted with. */
export const kitSchema = object({ unit: text(), perDrop: text() }).noUnknown()
