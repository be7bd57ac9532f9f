import { type ComesNext, comesNext } from '../close-out/comes-next.ts'
import type { LeftOpen } from '../close-out/left-open.ts'
import type { MachineThere } from '../close-out/left-subjects.ts'
import { priceAsker, warrantyAsker } from '../close-out/terms-here.ts'
import type { Minor } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import { effective } from '../standing/histories.ts'
import { reckonMachine } from '../standing/reckon-machine.ts'
import type { Standing } from '../standing/standing.ts'

/** Something that a customer may be advised to have done. */
export interface Advised {
  key: string
  subjectId: string
  machine: string
  name: string
  /** What goes in, what it is called by itself, and how many; absent: work alone, or nobody knows what yet. */
  part?: string
  partName?: string
  pieces: number
  /** Of one piece, before tax; null where nobody said. */
  partMinor: Minor | null
  /** Of the work; null where nobody knows. */
  minutes: number | null
  /** When it falls due; null where nobody knows. */
  due: ComesNext['due'] | null
  /** It was left open on this visit, and told. */
  isOpen: boolean
  isUnderWarranty: boolean
}

interface Here {
  visitId: string
  today: LocalDay
  nextOn: LocalDay | null
  currency: string
  /** Every machine that was read; what comes is told of `touched` alone. */
  machines: readonly MachineThere[]
  touched: readonly string[]
  open: readonly LeftOpen[]
}

/**
 * What is advised at the end of a visit: what was left open first, then what falls due in the months after it, each with
 * what goes in, how long it takes, and its window.
 */
export function advisedHere({ visitId, today, nextOn, currency, machines, touched, open }: Here): {
  comes: ComesNext[]
  advised: Advised[]
} {
  const read = new Map(
    machines.map((machine) => {
      const one = { machine, histories: effective(machine.ledgers) }
      return [
        machine.id,
        {
          machine,
          standings: reckonMachine(machine.ledgers)?.standings ?? [],
          priceOf: priceAsker(one, currency),
          underWarranty: warrantyAsker(one, visitId, today),
        },
      ]
    }),
  )
  const comes = comesNext(
    touched.flatMap((id) => {
      const one = read.get(id)
      return one ? [{ id, name: one.machine.name, standings: one.standings }] : []
    }),
    today,
    nextOn,
  )
  const told = open.map((one): Advised => {
    const at = read.get(one.subjectId)
    const pieces = one.pieces ?? 1
    const standing = one.part ? soonestOf(at?.standings ?? [], one.part) : null
    const task = at?.machine.kind?.tasks.find(({ part, action }) => part === one.part && action === 'replace')
    const minutes = standing?.minutes ?? (one.part ? task?.minutes : undefined) ?? null
    return {
      key: one.key,
      subjectId: one.subjectId,
      machine: one.machine,
      name: one.name,
      ...(one.part && { part: one.part, ...(one.partName && { partName: one.partName }) }),
      pieces,
      partMinor: one.fittedMinor ?? null,
      minutes: minutes === null ? null : minutes * pieces,
      due: begun(standing?.due, today),
      isOpen: true,
      isUnderWarranty: one.part ? (at?.underWarranty(one.part) ?? false) : false,
    }
  })
  const already = new Set(told.flatMap(({ subjectId, part }) => (part ? [`${subjectId} ${part}`] : [])))
  const later = comes.flatMap(({ key, subjectId, machine, name, part, minutes, due }): Advised[] => {
    if (part && already.has(`${subjectId} ${part}`)) return []
    const at = read.get(subjectId)
    return [
      {
        key,
        subjectId,
        machine,
        name,
        ...(part && { part }),
        pieces: 1,
        partMinor: (part ? at?.priceOf(part) : null) ?? null,
        minutes,
        due,
        isOpen: false,
        isUnderWarranty: part ? (at?.underWarranty(part) ?? false) : false,
      },
    ]
  })
  return { comes, advised: [...told, ...later] }
}

/**
 * The window of what was seen to be bad, where it has begun. One that lies ahead says less than the eye that saw it:
 * when that fails nobody knows.
 */
const begun = (due: Standing['due'], today: LocalDay): ComesNext['due'] | null => (due && due.p10 <= today ? due : null)

/** The standing of a part that falls due first, of however many of it there are. */
const soonestOf = (standings: readonly Standing[], part: string): Standing | null =>
  standings
    .filter((one) => one.part === part && one.action === 'replace' && one.due)
    .sort((a, b) => (a.due!.p50 < b.due!.p50 ? -1 : 1))[0] ?? null
