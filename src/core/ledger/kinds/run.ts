import { array, number, object, string } from 'yup'
import { amount, finite } from '../../parse/fields.ts'
import { group, photoName, slug, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { plain } from '../phrases.ts'
import { fieldsRenamed, Versions } from '../versions.ts'

/** A procedure that was run, step by step; what it did to the machine is written beside it. */
export const run = entryKind({
  body: Versions.first(
    object({
      v,
      procedure: slug().required(),
      version: number().integer().min(1).required(),
      /** As it was called then. */
      name: words(80),
      way: slug().required(),
      minutes: amount().max(6000).required(),
      ended: string().oneOf(['done', 'stopped', 'left']).required(),
      why: words(500),
      steps: array(
        object({
          step: words(120).required(),
          group,
          how: string().oneOf(['done', 'skipped', 'again', 'taken back', 'stopped']).required(),
          /** Seconds since the run began. */
          atS: amount().max(1e6).required(),
          reason: words(500),
          answer: slug(),
          value: finite(),
          photo: photoName(),
        }).noUnknown(),
      )
        .max(2000)
        .required(),
    }).noUnknown(),
  ).respelling(fieldsRenamed({ school: 'way' })),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people',
  words: ({ procedure, name, way, minutes, ended, why, steps }, pen) => {
    // Their ids are words; the library itself is too large to come with every page.
    const at = [...new Set(steps.flatMap((step) => step.group ?? []))].sort()
    // Of several groups it says at which: a run may have left some out.
    const where = at.length === 0 || Math.max(pen.machine?.groups ?? 1, ...at) < 2 ? '' : `, group ${at.join(' and ')}`
    const skipped = steps.filter(({ how }) => how === 'skipped').length
    return `Run, ${ended}: ${name ? name.toLowerCase() : plain(procedure)}, ${plain(way)}${where}, ${pen.figure(minutes)} min${skipped > 0 ? `, ${skipped} skipped` : ''}${why ? `; ${why}` : ''}`
  },
})
