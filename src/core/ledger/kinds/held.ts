import { object, string } from 'yup'
import { heldReasonIds, heldReasons } from '../../procedures/held-reasons.ts'
import { group, v } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { whichWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** Something is in the machine that nobody may drink, or a test is open: not for use until it is released. */
export const held = entryKind({
  body: Versions.first(
    object({
      v,
      why: string().oneOf(heldReasonIds).required(),
      group,
      only: string().oneOf(['milk'] as const),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  words: (body, pen) =>
    whichWords(`${body.only ? `Its ${body.only} not` : 'Not'} for use: ${heldReasons[body.why].words}`, body, pen),
})
