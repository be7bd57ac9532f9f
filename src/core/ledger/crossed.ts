import { effectiveHistory } from './effective-history.ts'
import type { RecordedEntry, RecordedEntryOf } from './entry.ts'
import type { Jotting } from './entry-kinds.ts'
import { jot } from './jot.ts'
import { agreementOf, type Pace, thingOf } from './same-thing.ts'

/** Lines of one thing, by people who did not know of each other's. All of them stand. */
export interface Crossing {
  thing: string
  /** In the order they came into the ledger, each by another hand than one of the rest. */
  lines: RecordedEntry[]
  /** Whether they say the same; where they differ somebody is asked. */
  differs: boolean
  /** Which of them counts by the ledger's own rule, where only one can: two corrections of one line, a setting. */
  holds: string | null
}

/** What met in one subject's ledger. */
export interface Crossed {
  crossings: Crossing[]
  /** What somebody else wrote meanwhile of which the other said nothing: it is kept. */
  alone: RecordedEntry[]
}

/**
 * What two wrote of one subject without knowing of each other, and nobody has compared yet. Whoever wrote without
 * network knew the ledger up to `knownSeq`; what others wrote after that, and before it was sent, crossed with it.
 *
 * @param ledger - of one subject, as it is kept
 * @example crossedIn(ledger).crossings.filter(({ differs }) => differs) // what somebody is asked about
 */
export function crossedIn(ledger: RecordedEntry[]): Crossed {
  const waited = ledger.filter(({ knownSeq }) => knownSeq !== undefined)
  if (waited.length === 0) return { crossings: [], alone: [] }
  const history = effectiveHistory(ledger)
  const counts = new Set(history.entries.map(({ id }) => id))
  const stands = (entry: RecordedEntry) => counts.has(entry.id) || history.rivals.has(entry.id)
  const standing = ledger.filter(stands)
  const pace = paceIn(history.entries)
  const crossings = new Map<string, { lines: Map<string, RecordedEntry>; differs: boolean }>()
  const alone = new Map<string, RecordedEntry>()
  for (const late of waited.filter(stands)) {
    const thing = thingOf(late)
    for (const met of standing) {
      if (met.seq <= late.knownSeq! || met.seq >= late.seq || met.recordedBy === late.recordedBy) continue
      const agreement = thing !== null && thing === thingOf(met) ? agreementOf(late, met, pace) : null
      if (!agreement) {
        alone.set(met.id, met)
        continue
      }
      const crossing = crossings.get(thing!) ?? { lines: new Map(), differs: false }
      for (const line of [met, late]) crossing.lines.set(line.id, line)
      crossing.differs ||= agreement === 'differs'
      crossings.set(thing!, crossing)
    }
  }
  const compared = history.entries.filter((entry): entry is RecordedEntryOf<'compared'> => entry.kind === 'compared')
  const found = [...crossings].flatMap(([thing, { lines, differs }]): Crossing[] => {
    const isCompared = compared.some(({ body }) => [...lines.keys()].every((id) => body.entries.includes(id)))
    if (isCompared) return []
    const inOrder = [...lines.values()].sort((a, b) => a.seq - b.seq)
    return [{ thing, lines: inOrder, differs, holds: holding(inOrder, counts, history.entries) }]
  })
  const paired = new Set([...crossings.values()].flatMap(({ lines }) => [...lines.keys()]))
  return {
    crossings: found,
    alone: [...alone.values()].filter(({ id, kind }) => !paired.has(id) && kind !== 'compared'),
  }
}

/** Of corrections of one line one counts; of what holds from its day on, the last. Other lines count side by side. */
function holding(lines: RecordedEntry[], counts: Set<string>, inOrder: RecordedEntry[]): string | null {
  if (lines[0]!.supersedes) return lines.find(({ id }) => counts.has(id))?.id ?? null
  const isLasting = lines.every(({ kind }) => kind === 'setting' || kind === 'stage' || kind === 'moved')
  if (!isLasting) return null
  const ids = new Set(lines.map(({ id }) => id))
  return inOrder.findLast(({ id }) => ids.has(id))?.id ?? null
}

/** How fast counters rose over the last ten readings before anybody wrote without knowing. */
function paceIn(entries: RecordedEntry[]): Pace {
  return (counter) => {
    const read = entries
      .filter(
        (entry): entry is RecordedEntryOf<'reading'> => entry.kind === 'reading' && entry.body.counter === counter,
      )
      .filter(({ knownSeq }) => knownSeq === undefined)
      .slice(-12, -1)
    const [first, last] = [read[0], read.at(-1)]
    if (!first || !last) return null
    const days = (Date.parse(last.happenedAt) - Date.parse(first.happenedAt)) / 86_400_000
    const rise = last.body.count - first.body.count
    return days >= 1 && rise > 0 ? rise / days : null
  }
}

/** An entry to be written, and the line it takes the place of. */
export type Settling = Jotting & { supersedes?: string }

/**
 * What is written when somebody has compared the lines: the comparison itself, and what takes back every line that does
 * not count. Nothing is erased.
 *
 * @param counts - the id of the line that counts; null: all of them stand
 * @param why - said beside each line that is taken back
 * @throws Error when the line is none of the crossing's
 */
export function settled({ lines, thing }: Crossing, counts: string | null, why: string): Settling[] {
  const chosen = lines.find(({ id }) => id === counts)
  if (counts !== null && !chosen) throw new Error(`settled: ${counts} is no line of ${thing}`)
  const comparison = jot('compared', { entries: lines.map(({ id }) => id), ...(counts !== null && { counts }) })
  if (!chosen) return [comparison]
  const { supersedes } = chosen
  // Two corrections of one line: the greatest id counts, so the chosen one is said once more, after them.
  if (supersedes) return [comparison, { kind: chosen.kind, body: chosen.body, supersedes } as Settling]
  const struck = lines.filter(({ id }) => id !== counts)
  return [comparison, ...struck.map(({ id }) => ({ ...jot('withdrawn', { reason: why }), supersedes: id }))]
}
