import { type Kind, shownUnit } from '../kinds/kind.ts'
import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { isInternal } from '../ledger/photos-in.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { Histories, Ledgers } from '../standing/histories.ts'
import { type DoneLine, doneLines } from './done-lines.ts'
import { type InTheWay, inTheWay } from './in-the-way.ts'

/** One machine as a visit leaves it. */
export interface MachineThere {
  id: string
  name: string
  /** What it is called by its plate. */
  model: string
  kind: Kind | null
  ledgers: Ledgers
  softener: { id: string; name: string } | null
  warrantyUntil?: LocalDay | undefined
  warrantyBy?: string | undefined
  /** Begun on this device and not ended. */
  underWay: readonly ('run' | 'sheet')[]
}

/** A machine with what counts of its ledgers. */
export interface MachineRead {
  machine: MachineThere
  histories: Histories
}

/** A machine or softener of the visit with what was done there. */
export interface LeftSubject {
  kind: 'machine' | 'softener'
  id: string
  name: string
  model: string
  machineKind: Kind | null
  /** A softener stands before it. */
  softened: boolean
  lines: DoneLine[]
  /** What else was written there on the visit, in order: repairs, tests, water. */
  rest: Entry[]
  /** What its counter showed on the visit. */
  counter: { count: number; unit: string } | null
  minutes: number
  ways: InTheWay[]
}

/** Lines of the ledger that are no work of a visit by themselves, or stand elsewhere on the page. */
const elsewhere = new Set<Entry['kind']>([
  'reading',
  'held',
  'released',
  'visit',
  'visit-closed',
  'quoted',
  'appointment',
  'setting',
  'compared',
  'withdrawn',
  'prompt-seen',
  'call',
  'moved',
  'commissioned',
])

/** Whether a line is told as work of the visit. A run says what it did in lines of its own, unless it was broken off. */
const isWork = (entry: Entry): boolean =>
  !elsewhere.has(entry.kind) && !isInternal(entry) && !(isKind('run')(entry) && entry.body.ended === 'done')

/** Whether a visit was at a machine: work, a counter, or something that stands in the way of closing. */
export const wasThere = ({
  lines,
  rest,
  counter,
  ways,
}: Pick<LeftSubject, 'lines' | 'rest' | 'counter' | 'ways'>): boolean =>
  lines.length > 0 || rest.length > 0 || counter !== null || ways.length > 0

/** One machine as far as this visit was at it; what it still owes nobody is left out by whoever asks. */
export function atMachine({ machine, histories }: MachineRead, visitId: string) {
  const entries = histories.machine?.entries ?? []
  const here = entries.filter((entry) => entry.visitId === visitId)
  const lines = doneLines(machine.kind, here)
  const said = new Set(lines.flatMap(({ entryIds }) => entryIds))
  const reading = here.filter(isKind('reading')).at(-1)
  const counted = here.reduce(
    (sum, entry) => sum + (isKind('run')(entry) || isKind('strip-down')(entry) ? entry.body.minutes : 0),
    0,
  )
  return {
    kind: 'machine' as const,
    id: machine.id,
    name: machine.name,
    model: machine.model,
    machineKind: machine.kind,
    softened: machine.softener !== null,
    lines,
    rest: here.filter((entry) => !said.has(entry.id) && isWork(entry)),
    counter: reading && machine.kind ? { count: reading.body.count, unit: shownUnit(machine.kind) } : null,
    ways:
      here.length === 0 && machine.underWay.length === 0
        ? []
        : inTheWay({ machineId: machine.id, kind: machine.kind, entries, visitId, underWay: machine.underWay }),
    countedMin: counted,
    usualMin: usualMinutes(machine.kind, lines),
  }
}

/** What the work of these lines usually takes, minutes; a line the catalogue knows nothing of takes five. From memory. */
function usualMinutes(kind: Kind | null, lines: readonly DoneLine[]): number {
  return lines.reduce((sum, line) => {
    const task = kind?.tasks.find(
      ({ id, part, action }) =>
        line.key === `task ${id}` ||
        (line.part !== undefined && part === line.part && (action === 'replace') === Boolean(line.fitted)),
    )
    return sum + (task?.minutes ?? 5) * Math.max(1, line.groups.length)
  }, 0)
}

/** Softeners that something was written of, each once, whoever of the machines stands behind it. */
export function softenersOf(read: readonly MachineRead[], visitId: string): LeftSubject[] {
  const found = new Map<string, LeftSubject>()
  for (const { machine, histories } of read) {
    if (!machine.softener || found.has(machine.softener.id)) continue
    const rest = (histories.softener?.entries ?? []).filter((entry) => entry.visitId === visitId && isWork(entry))
    if (rest.length === 0) continue
    found.set(machine.softener.id, {
      kind: 'softener',
      ...machine.softener,
      model: '',
      machineKind: null,
      softened: true,
      lines: [],
      rest,
      counter: null,
      minutes: 0,
      ways: [],
    })
  }
  return [...found.values()]
}
