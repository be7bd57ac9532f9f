import { kindById } from '../core/kinds/index.ts'
import type { Kind } from '../core/kinds/kind.ts'
import type { Entry } from '../core/ledger/entry.ts'
import type { EntryKind } from '../core/ledger/entry-kinds.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { photosIn } from '../core/ledger/photos-in.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import { treatmentKinds } from '../core/softener/treatment-kind.ts'
import type { Trx } from '../records/database.ts'
import { keptByIds } from '../records/kept.ts'
import { entriesById, entriesOfKinds } from '../records/ledger.ts'
import { photosOf } from '../records/photos.ts'

/** Another entry that a body names: where in it, which kind it must be, and whether it may be about something else. */
interface NamedEntry {
  /** Names of fields, the outer first. */
  field: string
  kind?: EntryKind
  ofAnything?: true
}

const ofReport: NamedEntry = { field: 'report', kind: 'fault-reported' }

const namedEntries: Partial<Record<EntryKind, NamedEntry[]>> = {
  released: [{ field: 'held', kind: 'held' }],
  'remark-closed': [{ field: 'remark', kind: 'remark' }],
  repaired: [ofReport],
  'test-seen': [ofReport],
  'tested-out': [ofReport],
  pictured: [{ field: 'of' }],
  compared: [{ field: 'entries' }],
  call: [{ field: 'answers', kind: 'call', ofAnything: true }, ofReport],
  appointment: [{ field: 'repair.report', kind: 'fault-reported', ofAnything: true }],
  'visit-closed': [
    { field: 'isolated.held', kind: 'held', ofAnything: true },
    { field: 'open.entry', ofAnything: true },
  ],
}

/** Kinds of entry that name a part. */
const ofParts = new Set<EntryKind>(['fitted', 'removed', 'inspected', 'repaired'])

/** Ids that a field names: none, one, or a list of them. */
const idsIn = (entry: Entry, field: string): unknown[] => [fieldOf(entry, field) ?? []].flat()

/** A field of a body by its name, where this kind of entry has it. @example fieldOf(appointment, 'repair.report') */
const fieldOf = (entry: Entry, field: string): unknown =>
  field
    .split('.')
    .reduce<unknown>(
      (of, name) =>
        Array.isArray(of)
          ? of.flatMap((one: Record<string, unknown>) => one[name] ?? [])
          : (of as Record<string, unknown> | undefined)?.[name],
      entry.body,
    )

/**
 * What entries point at that is not there: entries, photos, kinds, parts. One question to the database for each
 * sort of thing, however many entries.
 *
 * @param firmId - whose own kinds count besides those that ship
 * @returns issues by the entry's place in the list
 */
export async function issuesOfReferences(trx: Trx, firmId: string, entries: Entry[]): Promise<Issue[][]> {
  const known = await whatIsThere(trx, firmId, entries)
  return entries.map((entry) => [
    ...issuesOfCorrection(entry, known),
    ...issuesOfNamedEntry(entry, known),
    ...issuesOfPhotos(entry, known),
    ...issuesOfKind(entry, known),
  ])
}

interface There {
  /** Of this batch and of the ledger. */
  entries: Map<string, Pick<Entry, 'id' | 'kind' | 'subjectId' | 'supersedes'>>
  photos: Set<string>
  own: Kind[]
  /** Kind of each machine, as it was entered. */
  machines: Map<string, string>
}

async function whatIsThere(trx: Trx, firmId: string, entries: Entry[]): Promise<There> {
  const ids = entries.flatMap((entry) => {
    const named = (namedEntries[entry.kind] ?? []).flatMap(({ field }) => idsIn(entry, field))
    return [entry.supersedes, ...named].filter((id): id is string => typeof id === 'string')
  })
  const beside = entries.filter(isKind('own-kind')).map(({ body }) => body.kind as Kind)
  const asksKind = entries.some(({ kind }) => ofParts.has(kind) || kind === 'commissioned')
  const kept = asksKind ? (await entriesOfKinds(trx, [firmId], ['own-kind'])).filter(isKind('own-kind')) : []
  const own = [...kept.map(({ body }) => body.kind as Kind), ...beside]
  const withParts = entries.filter(({ kind, subjectKind }) => subjectKind === 'machine' && ofParts.has(kind))
  const machines = await keptByIds(trx, 'machine', [...new Set(withParts.map(({ subjectId }) => subjectId))])
  return {
    entries: await withCorrected(trx, new Map(entries.map((entry) => [entry.id, entry])), ids),
    photos: await photosOf(
      trx,
      entries.flatMap((entry) => photosIn(entry).map(({ name }) => name)),
    ),
    own,
    machines: new Map(machines.map(({ id, kind }) => [id, kind])),
  }
}

/** Adds entries by id, and whatever those correct in their turn. */
async function withCorrected(trx: Trx, there: There['entries'], ids: string[]): Promise<There['entries']> {
  let missing = ids.filter((id) => !there.has(id))
  while (missing.length > 0) {
    const found = await entriesById(trx, missing)
    for (const entry of found) there.set(entry.id, entry)
    missing = found.flatMap(({ supersedes }) => (supersedes && !there.has(supersedes) ? [supersedes] : []))
  }
  return there
}

const unknown = (path: string, message: string, value: unknown): Issue[] => [{ path, code: 'unknown', message, value }]

/** A correction corrects an entry of the same machine, and none that corrects it. */
function issuesOfCorrection(entry: Entry, { entries }: There): Issue[] {
  if (!entry.supersedes) return []
  const corrected = entries.get(entry.supersedes)
  // One that is not here yet may still come: devices send when they can.
  if (corrected && corrected.subjectId !== entry.subjectId)
    return unknown('supersedes', 'is an entry of another machine, site or softener', entry.supersedes)
  const seen = new Set([entry.id])
  for (let at: string | undefined = entry.supersedes; at; at = entries.get(at)?.supersedes) {
    if (seen.has(at))
      return [{ path: 'supersedes', code: 'circle', message: 'is corrected by this very entry', value: at }]
    seen.add(at)
  }
  return []
}

function issuesOfNamedEntry(entry: Entry, { entries }: There): Issue[] {
  return (namedEntries[entry.kind] ?? []).flatMap(({ field, kind, ofAnything }) =>
    idsIn(entry, field).flatMap((id) => {
      const there = entries.get(String(id))
      const isOfIt = there !== undefined && (ofAnything || there.subjectId === entry.subjectId)
      if (isOfIt && (!kind || there.kind === kind)) return []
      return unknown(`body.${field}`, 'is no such entry of this machine', id)
    }),
  )
}

const issuesOfPhotos = (entry: Entry, { photos }: There): Issue[] =>
  photosIn(entry)
    .filter(({ name }) => !photos.has(name))
    .flatMap(({ name }) => unknown('body', 'names a photo that is not here: send it first', name))

function issuesOfKind(entry: Entry, { own, machines }: There): Issue[] {
  if (entry.kind === 'commissioned') {
    const { kind } = entry.body
    const isKnown =
      entry.subjectKind === 'softener'
        ? (treatmentKinds as readonly string[]).includes(kind)
        : kindById(kind) !== null || own.some(({ id }) => id === kind)
    return isKnown ? [] : unknown('body.kind', 'is no kind we know', kind)
  }
  if (entry.subjectKind !== 'machine') return []
  const part = ofParts.has(entry.kind) ? fieldOf(entry, 'part') : undefined
  const id = machines.get(entry.subjectId)
  if (part !== undefined && id !== undefined) {
    const here = [kindById(id) ?? [], own.filter((kind) => (kind.basedOn ?? kind.id) === id)].flat()
    if (here.length > 0 && !here.some(({ parts }) => parts.some((one) => one.id === part)))
      return unknown('body.part', 'is no part of this kind of machine', part)
  }
  return []
}
