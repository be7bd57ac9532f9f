import { array, boolean, object } from 'yup'
import { type Electrical, type ElectricalId, electricalIds } from '../../faults/test-out.ts'
import { amount, uuid } from '../../parse/fields.ts'
import { slug, v, words } from '../body-fields.ts'
import { entryKind, machineOnly, type Pen } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** After a repair: everything tried, dry and safe; or why it was closed without. */
export const testedOut = entryKind({
  body: Versions.first(
    object({
      v,
      passed: boolean().required(),
      reason: words(500),
      report: uuid(),
      /** What was looked at, by name. */
      looks: array(slug().required()).max(30),
      /** As a tester showed, and which. */
      electrical: object({
        earthOhm: amount(),
        insulationMOhm: amount(),
        protectiveMA: amount(),
        touchMA: amount(),
        instrument: uuid(),
      })
        .noUnknown()
        .optional()
        .default(undefined),
    })
      .noUnknown()
      .test(
        'reason',
        'needs a reason where it was not passed',
        (out, context) =>
          out.passed !== false || Boolean(out.reason?.trim()) || context.createError({ path: 'reason' }),
      ),
  ),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people',
  words: ({ passed, reason, electrical }, pen) =>
    `${passed ? 'Tested out: all right' : `Closed without a passed test-out: ${reason}`}${electricalWords(electrical, pen)}`,
})

const electricalUnits: Record<ElectricalId, [name: string, unit: string]> = {
  earthOhm: ['earth', 'Ω'],
  insulationMOhm: ['insulation', 'MΩ'],
  protectiveMA: ['protective conductor', 'mA'],
  touchMA: ['touch current', 'mA'],
}

function electricalWords(shown: Electrical | undefined, { figure }: Pen): string {
  const said = electricalIds.flatMap((id) => {
    const [name, unit] = electricalUnits[id]
    const value = shown?.[id]
    return value === undefined ? [] : [`${name} ${figure(value)} ${unit}`]
  })
  return said.length > 0 ? `; ${said.join(', ')}` : ''
}
