import type { Action, Kind, Part, Task } from '../kinds/kind.ts'
import type { Entry, EntryOf } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { plain } from '../ledger/phrases.ts'
import { gradeWordsOf } from '../wear/grade-words.ts'

/** What was found and what was left, on the scale both stand on. */
export interface FoundLeft {
  /** A grade of a part, 0 to 4, or something measured. */
  is: 'grade' | 'measure'
  /** Of each group or side, in order; what was left as found is said once, as left. */
  found: number[]
  left?: number
  accepted: { from: number; to: number }
  /** Of a measure; a grade has none. */
  unit: string
  /** In words: cracked, as new. */
  foundWords?: string
  leftWords?: string
}

/** One line of what was done at a machine, as the customer and the next technician read it. */
export interface DoneLine {
  key: string
  name: string
  /** What was done, in a word or two: new, cleaned, looked at, left open. */
  what: string
  station?: string
  part?: string
  groups: number[]
  foundLeft?: FoundLeft
  /** Left where it should not be: said in the colour of what is open. */
  isOpen: boolean
  /** A part that went in, with how many. */
  fitted?: { part: string; pieces: number; variant?: string; size?: string }
  /** The entries it says, so that nothing is said twice and nothing left out. */
  entryIds: string[]
  note?: string
}

/** A part looked at is let go on to this grade; above it somebody decides. Common practice, no source. */
const acceptedGrade = 2

const doneWords: Record<Action, string> = {
  replace: 'new',
  clean: 'cleaned',
  grease: 'greased',
  check: 'checked',
  service: 'serviced',
  descale: 'descaled',
}

/** A descale by itself is the act: nobody says that a descale was descaled. */
const doneOf = (action: Action, isOfPart: boolean): string =>
  action === 'descale' && !isOfPart ? 'done' : doneWords[action]

interface OfPart {
  part: string
  groups: Set<number>
  found: Map<number, number>
  fitted: EntryOf<'fitted'>[]
  removed: EntryOf<'removed'>[]
  seen: EntryOf<'inspected'>[]
  entryIds: string[]
  notes: string[]
}

/**
 * What was done at one machine on one visit, each part and task one line, groups together: what came out and went in is
 * one thing, found so and left new. Order: as it was written.
 *
 * @param entries - effective entries of one machine on one visit, in order
 * @example doneLines(kind, entries)[0] // { name: 'Group gasket', what: 'new', groups: [1, 2], foundLeft: { found: [4, 3], left: 0, … } }
 */
export function doneLines(kind: Kind | null, entries: readonly Entry[]): DoneLine[] {
  const lines = new Map<string, () => DoneLine>()
  const parts = new Map<string, OfPart>()
  const tasks = new Map<
    string,
    { id: string; entries: Entry[]; groups: Set<number>; notes: string[]; by: Action | null }
  >()
  const measures = new Map<
    string,
    { measure: string; group?: number; found?: number; left?: number; entryIds: string[] }
  >()
  for (const entry of entries) {
    if (isKind('fitted')(entry) || isKind('removed')(entry) || isKind('inspected')(entry)) {
      const of = partOf(parts, entry.body.part)
      lines.set(`part ${entry.body.part}`, () => partLine(kind, of))
      const group = entry.body.group ?? 0
      of.groups.add(group)
      of.entryIds.push(entry.id)
      if (entry.body.note) of.notes.push(entry.body.note)
      if (isKind('fitted')(entry)) of.fitted.push(entry)
      else {
        if (entry.body.condition !== undefined) of.found.set(group, entry.body.condition)
        if (isKind('removed')(entry)) of.removed.push(entry)
        else of.seen.push(entry)
      }
    } else if (
      isKind('cleaned')(entry) ||
      isKind('greased')(entry) ||
      isKind('checked')(entry) ||
      isKind('serviced')(entry) ||
      isKind('descaled')(entry)
    ) {
      const { task } = entry.body
      const of = tasks.get(task) ?? { id: task, entries: [], groups: new Set(), notes: [], by: byKind[entry.kind] }
      tasks.set(task, of)
      of.entries.push(entry)
      const group = 'group' in entry.body ? entry.body.group : undefined
      if (group !== undefined) of.groups.add(group)
      if ('note' in entry.body && typeof entry.body.note === 'string') of.notes.push(entry.body.note)
      lines.set(`task ${task}`, () => taskLine(kind, of))
    } else if (isKind('measured')(entry)) {
      const { measure, group, state, value } = entry.body
      const key = `measure ${measure} ${group ?? 0}`
      const of = measures.get(key) ?? { measure, ...(group !== undefined && { group }), entryIds: [] }
      of[state] = value
      of.entryIds.push(entry.id)
      measures.set(key, of)
      lines.set(key, () => measureLine(kind, of, key))
    }
  }
  return [...lines.values()].map((line) => line())
}

const byKind = {
  cleaned: 'clean',
  greased: 'grease',
  checked: 'check',
  serviced: 'service',
  descaled: 'descale',
} as const satisfies Record<string, Action>

function partOf(parts: Map<string, OfPart>, part: string): OfPart {
  const known = parts.get(part)
  if (known) return known
  const fresh: OfPart = {
    part,
    groups: new Set(),
    found: new Map(),
    fitted: [],
    removed: [],
    seen: [],
    entryIds: [],
    notes: [],
  }
  parts.set(part, fresh)
  return fresh
}

/** A part: changed, taken out, or looked at and left in. */
function partLine(kind: Kind | null, of: OfPart): DoneLine {
  const part: Part | undefined = kind?.parts.find(({ id }) => id === of.part)
  const isNew = of.fitted.length > 0
  const groups = [...of.groups].filter((group) => group > 0).sort((a, b) => a - b)
  const grades = [...of.found].sort(([a], [b]) => a - b).map(([, grade]) => grade)
  const words = gradeWordsOf(of.part)
  const worst = grades.length > 0 ? Math.max(...grades) : undefined
  // Of those that were not changed the worst is what is left.
  const renewed = new Set(of.fitted.map(({ body }) => body.group ?? 0))
  const kept = [...of.found].filter(([group]) => !renewed.has(group)).map(([, grade]) => grade)
  const left = kept.length > 0 ? Math.max(...kept) : isNew ? 0 : undefined
  const isGone = of.removed.length > 0 && !isNew
  const [first] = of.fitted
  return {
    key: `part ${of.part}`,
    name: part?.name ?? plain(of.part),
    what: isNew ? 'new' : isGone ? 'taken out' : left !== undefined && left > acceptedGrade ? 'left open' : 'looked at',
    ...(part && { station: part.station }),
    part: of.part,
    groups,
    ...(worst !== undefined && {
      foundLeft: {
        is: 'grade' as const,
        found: grades,
        ...(left !== undefined && !isGone && { left }),
        accepted: { from: 0, to: acceptedGrade },
        unit: '',
        foundWords: words[worst as 0 | 1 | 2 | 3 | 4],
        ...(left !== undefined &&
          !isGone && { leftWords: isNew && left === 0 ? 'new' : words[left as 0 | 1 | 2 | 3 | 4] }),
      },
    }),
    isOpen: isGone || (left !== undefined && left > acceptedGrade),
    ...(isNew && {
      fitted: {
        part: of.part,
        pieces: of.fitted.length,
        ...(first?.body.variant && { variant: first.body.variant }),
        ...(first?.body.size && { size: first.body.size }),
      },
    }),
    entryIds: of.entryIds,
    ...noteOf(of.notes),
  }
}

function taskLine(
  kind: Kind | null,
  of: { id: string; entries: Entry[]; groups: Set<number>; notes: string[]; by: Action | null },
): DoneLine {
  const task: Task | undefined = kind?.tasks.find(({ id }) => id === of.id)
  const part = task?.part ? kind?.parts.find(({ id }) => id === task.part) : undefined
  return {
    key: `task ${of.id}`,
    name: part?.name ?? task?.name ?? plain(of.id),
    what: doneOf(task?.action ?? of.by ?? 'service', part !== undefined),
    ...(task && { station: task.station }),
    ...(task?.part && { part: task.part }),
    groups: [...of.groups].sort((a, b) => a - b),
    isOpen: false,
    entryIds: of.entries.map(({ id }) => id),
    ...noteOf(of.notes),
  }
}

function measureLine(
  kind: Kind | null,
  of: { measure: string; group?: number; found?: number; left?: number; entryIds: string[] },
  key: string,
): DoneLine {
  const measure = kind?.measures.find(({ id }) => id === of.measure)
  const last = of.left ?? of.found!
  const isOutside = measure !== undefined && (last < measure.good.from || last > measure.good.to)
  return {
    key,
    name: measure?.name ?? plain(of.measure),
    what: of.found !== undefined && of.left !== undefined && of.found !== of.left ? 'set' : 'measured',
    groups: of.group === undefined ? [] : [of.group],
    ...(measure && {
      foundLeft: {
        is: 'measure' as const,
        found: of.found === undefined ? [] : [of.found],
        left: last,
        accepted: measure.good,
        unit: measure.unit,
      },
    }),
    isOpen: isOutside,
    entryIds: of.entryIds,
  }
}

const noteOf = (notes: string[]) => (notes.length > 0 ? { note: [...new Set(notes)].join('. ') } : {})
