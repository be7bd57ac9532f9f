import { object, string } from 'yup'
import { uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind, machineOrSoftener } from '../entry-definition.ts'
import { noteWords } from '../phrases.ts'
import { type Stage, stages } from '../stage.ts'
import { Versions } from '../versions.ts'

const stageWords: Record<Stage, string> = {
  working: 'Set going again',
  still: 'Switched off: stands still',
  winterised: 'Winterised: drained and put away',
  workshop: 'In the workshop',
  retired: 'Retired',
}

/** Switched off, put away, set going again or taken out of service, from this day on. */
export const stage = entryKind({
  body: Versions.first(
    object({
      v,
      stage: string().oneOf(stages).required(),
      /** The machine on loan that stands in its place meanwhile. */
      standInId: uuid(),
      note: words(500),
    }).noUnknown(),
  ),
  about: machineOrSoftener,
  affects: 'along',
  madeBy: 'people',
  words: (body) => `${stageWords[body.stage]}${noteWords(body)}`,
})
