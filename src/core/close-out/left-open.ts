import type { Minor } from '../money/minor-unit.ts'
import { openRemarks } from '../visits/open-remarks.ts'
import { openReport } from '../visits/open-reports.ts'
import type { DoneLine } from './done-lines.ts'
import type { MachineRead } from './left-subjects.ts'

/** Something left open: told, and chosen to wait or not. */
export interface LeftOpen {
  key: string
  subjectId: string
  machine: string
  name: string
  part?: string
  /** The entry it stands in, where it is one. */
  entry?: string
  /** What the part is called by itself, and how many of it. */
  partName?: string
  pieces?: number
  /** What one of it costs, before tax, where its price is known. */
  fittedMinor?: Minor
}

/** What stays open at one machine: what was left as it should not be, a fault nobody cured, remarks. */
export function leftOpen(
  { machine, histories }: MachineRead,
  lines: readonly DoneLine[],
  priceOf: (part: string) => Minor | null,
): LeftOpen[] {
  const entries = histories.machine?.entries ?? []
  const at = { subjectId: machine.id, machine: machine.name }
  const report = openReport(entries)
  return [
    ...lines.flatMap((line): LeftOpen[] => {
      if (!line.isOpen) return []
      const price = line.part ? priceOf(line.part) : null
      return [
        {
          key: `${machine.id} ${line.key}`,
          ...at,
          name: `${line.name.toLowerCase()}${line.foundLeft?.leftWords ? `, ${line.foundLeft.leftWords}` : ', outside what is accepted'}`,
          ...(line.part && { part: line.part, partName: line.name, pieces: Math.max(1, line.groups.length) }),
          ...(price !== null && { fittedMinor: price }),
        },
      ]
    }),
    ...(report ? [{ key: report.id, ...at, name: `“${report.body.text}”`, entry: report.id }] : []),
    ...openRemarks([...entries])
      .filter(({ body }) => !body.internal)
      .map((remark) => ({ key: remark.id, ...at, name: remark.body.text, entry: remark.id })),
  ]
}
