import { array, boolean, mixed, number, object, string } from 'yup'
import { moment, text, texts } from '../../device/kept-fields.ts'

/** A case at the bench as a device keeps it, see `Training`. */
export const caseSchema = object({
  kind: text(),
  seed: moment(),
  hints: boolean().defined(),
  tests: array(
    object({
      test: text(),
      shown: mixed()
        .nullable()
        .test(
          'shown',
          'must be a number, words, or nothing',
          (shown) => shown === null || typeof shown === 'number' || typeof shown === 'string',
        ),
      outcome: text(),
    }).noUnknown(),
  ).defined(),
  halos: number().defined(),
  wrong: texts(),
  ended: string().oneOf(['found', 'gave up']).nullable().defined(),
}).noUnknown()

/** Cases that ended. */
export const pastSchema = object({
  cases: array(
    object({
      kind: text(),
      seed: moment(),
      minutes: number().defined(),
      bestMinutes: number().defined(),
      found: boolean().defined(),
    }).noUnknown(),
  ).defined(),
}).noUnknown()
