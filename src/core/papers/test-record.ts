import type { DoneLine } from '../close-out/done-lines.ts'
import type { LeftSubject } from '../close-out/left-subjects.ts'
import { electricalLimits, testOutLooks } from '../faults/test-out.ts'
import type { EntryOf } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'

/** One figure of a tester against what is accepted. */
export interface ElectricalLine {
  name: string
  unit: string
  value: number
  least?: number
  most?: number
  isOut: boolean
}

/** A test-out as it stands on paper. */
export interface TestedLine {
  out: EntryOf<'tested-out'>
  looks: { words: string; seen: boolean }[]
  electrical: ElectricalLine[]
}

/** What was tested at one machine on a visit. */
export interface TestRecord {
  id: string
  name: string
  model: string
  tests: TestedLine[]
  certified: EntryOf<'certified'>[]
  /** What was measured, found and left. */
  readings: DoneLine[]
}

/**
 * What was tested at the machines of a visit: each look that such a machine is given, seen or not; each figure against
 * what is accepted; an inspector’s certificate. Machines that nothing was tested at are left out.
 */
export function testRecords(subjects: readonly LeftSubject[]): TestRecord[] {
  return subjects.flatMap(({ id, name, model, machineKind, rest, lines }) => {
    const tests = rest.filter(isKind('tested-out'))
    const certified = rest.filter(isKind('certified'))
    if (tests.length === 0 && certified.length === 0) return []
    const looks = machineKind ? testOutLooks(machineKind) : []
    const limits = machineKind ? electricalLimits(machineKind) : []
    return [
      {
        id,
        name,
        model,
        tests: tests.map((out) => ({
          out,
          looks: looks.map((look) => ({ words: look.words, seen: (out.body.looks ?? []).includes(look.id) })),
          electrical: limits.flatMap((limit): ElectricalLine[] => {
            const value = out.body.electrical?.[limit.id]
            if (value === undefined) return []
            const { least, most } = limit
            return [
              {
                name: limit.name,
                unit: limit.unit,
                value,
                ...(least !== undefined && { least }),
                ...(most !== undefined && { most }),
                isOut: (least !== undefined && value < least) || (most !== undefined && value > most),
              },
            ]
          }),
        })),
        certified,
        readings: lines.filter(({ foundLeft }) => foundLeft?.is === 'measure'),
      },
    ]
  })
}
