import { v7 } from 'uuid'
import { object, string } from 'yup'
import { type Kept, placeFields, recordSchemas } from '../core/firm/records.ts'
import { kindById } from '../core/kinds/index.ts'
import type { Kind } from '../core/kinds/kind.ts'
import { kindSchema } from '../core/kinds/kind-schema.ts'
import type { KeptEntry } from '../core/ledger/entry.ts'
import { jot } from '../core/ledger/jot.ts'
import { isInternal } from '../core/ledger/photos-in.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import { uuid } from '../core/parse/fields.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import { addChange } from '../records/changes.ts'
import { type Db, lookIn, retrying, type Trx, withFirm } from '../records/database.ts'
import { technicians, theFirm } from '../records/firms.ts'
import { insertKept, type KeptRecord, keptById } from '../records/kept.ts'
import { keptEntriesOf } from '../records/ledger.ts'
import { machinesBySerial } from '../records/machines.ts'
import type { Actor } from './judge-entry.ts'
import { kindInFirm } from './own-kinds.ts'
import { isWritten, writeGroup } from './write-entries.ts'

export const passportVersion = 1

/** One machine's history, to go with it to another firm. */
export interface Passport {
  format: 'evenshot-machine'
  version: number
  /** Whose it is told by. */
  firm: string
  machine: { id: string } & Omit<Kept<'machine'>, (typeof placeFields)[number]>
  /** What it is, where that firm made the kind itself. */
  ownKind?: Kind
  /** In the order they were written; who wrote each is told by name. */
  entries: (Omit<KeptEntry, 'seq' | 'knownSeq' | 'recordedBy'> & { by: string })[]
}

/** A machine's passport; null when this firm has no such machine. */
export async function machinePassport(db: Db, firmId: string, machineId: string): Promise<Passport | null> {
  return withFirm(db, firmId, async (trx) => {
    const machine = await keptById(trx, 'machine', machineId)
    if (!machine) return null
    const names = new Map((await technicians(trx)).map((person) => [person.id, person.name]))
    const entries = forOthers(await keptEntriesOf(trx, machineId))
    const ownKind = kindById(machine.kind) ? null : await kindInFirm(trx, machine.kind)
    return {
      format: 'evenshot-machine',
      version: passportVersion,
      firm: (await theFirm(trx))!.name,
      machine: { id: machineId, ...goesAlong(machine) },
      ...(ownKind && { ownKind }),
      entries: entries.map(({ seq: _, knownSeq: __, recordedBy, ...entry }) => ({
        ...entry,
        by: names.get(recordedBy) ?? 'someone',
      })),
    }
  })
}

/** What is the machine's, wherever it stands: not whose it is here, nor who pays. */
function goesAlong({
  id: _,
  version: __,
  ...machine
}: KeptRecord<'machine'>): Omit<Kept<'machine'>, (typeof placeFields)[number]> {
  const told: Partial<Kept<'machine'>> = { ...machine }
  for (const field of placeFields) delete told[field]
  return told as Kept<'machine'>
}

const machineFields = recordSchemas.machine
  .omit([...placeFields])
  .shape({ id: uuid().required() })
  .noUnknown()
const request = object({ siteId: uuid().required() })
const teller = object({ firm: string().required().max(80) })
/** Whoever wrote an entry there; the entry itself is judged as any other. */
const written = object({ by: string().required().max(200) })

export type PassportRead = { ok: true; machineId: string; entries: number } | { ok: false; issues: Issue[] }

const isPassport = (given: unknown): given is Record<keyof Passport, unknown> =>
  typeof given === 'object' && given !== null && (given as Passport).format === 'evenshot-machine'

class Refused extends Error {
  constructor(readonly issues: Issue[]) {
    super('refused')
  }
}

/**
 * Takes a machine on with the history another firm tells of it. The entries keep their ids and days and say
 * where they come from; a move at the end says that it stands here now, so that its use is learned anew.
 * Read twice, nothing is added twice.
 * @param withIt - what is written with it, or not at all
 */
export async function readPassport(
  db: Db,
  actor: Actor,
  input: unknown,
  now: Date,
  withIt: (trx: Trx) => Promise<void> = async () => undefined,
): Promise<PassportRead> {
  const { siteId, passport: given } = (input ?? {}) as { siteId?: unknown; passport?: unknown }
  const where = parseStrict(request, { siteId })
  if (!where.ok) return { ok: false, issues: where.issues }
  const wrong = (path: string, message: string): PassportRead => ({
    ok: false,
    issues: [{ path, code: 'passport', message }],
  })
  if (!isPassport(given)) return wrong('passport', 'is no machine’s passport')
  const passport = given
  if (passport.version !== passportVersion)
    return wrong(
      'passport.version',
      `is ${JSON.stringify(passport.version)}: this application reads ${passportVersion}`,
    )
  const firm = parseStrict(teller, { firm: passport.firm })
  if (!firm.ok) return { ok: false, issues: firm.issues.map((issue) => ({ ...issue, path: 'passport.firm' })) }
  const machine = parseStrict(machineFields, passport.machine)
  if (!machine.ok)
    return { ok: false, issues: machine.issues.map((issue) => ({ ...issue, path: `passport.machine.${issue.path}` })) }
  const { kind } = machine.value
  const isKnown = await lookIn(db, actor.firmId, (trx) => kindInFirm(trx, kind))
  const brought = isKnown ? null : parseStrict(kindSchema, passport.ownKind)
  if (brought && !(brought.ok && brought.value.id === kind))
    return wrong('passport.machine.kind', 'is no kind of machine known here')
  if (!Array.isArray(passport.entries) || passport.entries.length === 0)
    return wrong('passport.entries', 'is missing or empty')
  for (const [i, entry] of passport.entries.entries()) {
    const who = parseStrict(written, { by: (entry as { by?: unknown } | null)?.by })
    if (!who.ok) return wrong(`passport.entries[${i}].by`, who.issues[0]!.message)
  }
  const told = { ...passport, firm: firm.value.firm, machine: machine.value } as unknown as Passport
  try {
    return await retrying(() =>
      withFirm(db, actor.firmId, async (trx) => {
        await withIt(trx)
        if (brought?.ok) await takeKind(trx, actor, brought.value as Kind, now)
        return take(trx, actor, where.value.siteId, told, now)
      }),
    )
  } catch (error) {
    if (error instanceof Refused) return { ok: false, issues: error.issues.slice(0, 20) }
    if ((error as { code?: string }).code !== '23505') throw error
    return wrong('passport.machine.serial', 'is the serial number of another machine here')
  }
}

/** A kind the other firm made itself is this firm's own from now on, if whoever takes it may say so. */
async function takeKind(trx: Trx, actor: Actor, kind: Kind, now: Date): Promise<void> {
  const told = {
    id: v7({ msecs: now.getTime() }),
    subjectKind: 'firm',
    subjectId: actor.firmId,
    ...jot('own-kind', { kind }),
    happenedAt: now.toISOString(),
    happenedOn: dayAt((await theFirm(trx))!.timeZone, now),
  }
  const answer = await writeGroup(trx, actor, [told], { now })
  if (isWritten(answer)) return
  const issues = answer.verdicts.flatMap((verdict) => ('issues' in verdict ? verdict.issues : []))
  throw new Refused(issues.map((issue) => ({ ...issue, path: 'passport.ownKind' })))
}

/** Without what was written for the firm's own eyes, and what answers it. */
function forOthers(entries: KeptEntry[]): KeptEntry[] {
  const hidden = new Set(entries.filter((entry) => isInternal(inTodaysWords(entry))).map(({ id }) => id))
  const isAbout = (entry: KeptEntry) =>
    hidden.has(entry.supersedes ?? '') || Object.values(entry.body).some((value) => hidden.has(String(value)))
  for (let more = true; more; ) {
    const found = entries.filter((entry) => !hidden.has(entry.id) && isAbout(entry))
    for (const { id } of found) hidden.add(id)
    more = found.length > 0
  }
  return entries.filter(({ id }) => !hidden.has(id))
}

async function take(trx: Trx, actor: Actor, siteId: string, passport: Passport, now: Date): Promise<PassportRead> {
  const site = await keptById(trx, 'site', siteId)
  if (!site) throw new Refused([{ path: 'siteId', code: 'unknown', message: 'is no site of this firm', value: siteId }])
  const { id, ...machine } = passport.machine
  const there = await keptById(trx, 'machine', id)
  const [twin] = there ? [] : await machinesBySerial(trx, [machine.serial])
  if (twin)
    throw new Refused([
      { path: 'passport.machine.serial', code: 'taken', message: 'is the serial number of another machine here' },
    ])
  if (!there) {
    await insertKept(trx, actor.firmId, 'machine', id, { ...machine, siteId } as Kept<'machine'>)
    const after = { ...machine, siteId, passportOf: passport.firm }
    const at = now.toISOString()
    const { technicianId } = actor
    await addChange(trx, actor.firmId, {
      id: v7(),
      at,
      technicianId,
      action: 'imported',
      aboutKind: 'machine',
      aboutId: id,
      after,
    })
  }
  const byTeller = new Map<string, unknown[]>()
  for (const { by, recordedAt: _, origin: __, ...entry } of passport.entries as (Passport['entries'][number] & {
    origin?: string
  })[])
    byTeller.set(by, [...(byTeller.get(by) ?? []), entry])
  for (const [by, entries] of byTeller) {
    const origin = `the passport of ${passport.firm}, by ${by}`.slice(0, 200)
    const answer = await writeGroup(trx, actor, entries, { now, origin, reckonLater: true, told: true })
    if (!isWritten(answer)) {
      const issues = answer.verdicts.flatMap((verdict) => ('issues' in verdict ? verdict.issues : []))
      throw new Refused(issues.map((issue) => ({ ...issue, path: `passport.entries: ${issue.path}` })))
    }
  }
  if (!there) {
    const arrived = {
      id: v7({ msecs: now.getTime() }),
      subjectKind: 'machine',
      subjectId: id,
      kind: 'moved',
      happenedAt: now.toISOString(),
      happenedOn: dayAt(site.timeZone, now),
      body: { v: 1, toSiteId: siteId, note: `From ${passport.firm}, with its history` },
    }
    const answer = await writeGroup(trx, actor, [arrived], { now })
    if (!isWritten(answer)) throw new Error(`readPassport: the arrival was refused: ${JSON.stringify(answer.verdicts)}`)
  }
  return { ok: true, machineId: id, entries: passport.entries.length }
}
