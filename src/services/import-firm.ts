import { v7 } from 'uuid'
import { array, number, object, string } from 'yup'
import type { WordMeaning } from '../core/files/import-spec.ts'
import { pointsAt, type RecordKind, recordSchemas } from '../core/firm/records.ts'
import { parseEntry } from '../core/ledger/parse-entry.ts'
import { subjectKinds } from '../core/ledger/subject.ts'
import { instant, uuid } from '../core/parse/fields.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { accountByEmail, addAccount } from '../records/accounts.ts'
import { addChanges, changeActions } from '../records/changes.ts'
import { insertAddresses } from '../records/customer-addresses.ts'
import { type Db, withFirm } from '../records/database.ts'
import { addFirm, setFirmAsKept } from '../records/firms.ts'
import { insertWholeImport, keepMeanings } from '../records/imports.ts'
import { insertInvoices } from '../records/invoices.ts'
import { insertManyKept } from '../records/kept.ts'
import { insertEntries } from '../records/ledger.ts'
import { type KeptPhoto, keepPhoto } from '../records/photos.ts'
import { insertRemoved } from '../records/removal.ts'
import { exportedKinds, firmDataVersion, listNames } from './export-firm.ts'
import { issuesOfInvoices } from './invoices/read-back.ts'
import { emailField, passwordField } from './password.ts'
import { hashPassword } from './sign-in.ts'
import { nobody } from './signing-in/caller.ts'
import { tell } from './signing-in/tell.ts'
import { canStart, emailTaken, isFirst } from './start-firm.ts'

const ownerFields = object({
  email: emailField(),
  password: passwordField(),
  /** Which of the file's owners signs in; the first where nobody says. */
  technicianId: uuid(),
}).noUnknown()

export type Imported =
  | { ok: true; firmId: string; technicianId: string; entries: number }
  | { ok: false; why: 'refused' | 'closed'; issues: Issue[] }

/** More complaints than this help nobody: the file is another, or was edited by hand. */
const mostIssues = 20

// biome-ignore lint/suspicious/noExplicitAny: a file of any shape, looked at field by field below
type Loose = any

/** What comes with a firm's data besides. */
interface WithIt {
  photos?: KeptPhoto[]
  /** Done once all is judged, before anything is written. */
  before?: () => Promise<void>
}

/**
 * Reads a firm's data back into a database where no firm of one's own stands: all of it or nothing.
 * Standings follow from it: they are reckoned by the worker.
 */
export async function importFirm(
  db: Db,
  owner: unknown,
  data: Loose,
  { photos = [], before = async () => undefined }: WithIt = {},
): Promise<Imported> {
  const refused = (issues: Issue[]): Imported => ({ ok: false, why: 'refused', issues: issues.slice(0, mostIssues) })
  const message = 'A firm stands here already: data is read into an empty place.'
  const closed: Imported = { ok: false, why: 'closed', issues: [{ path: '', code: 'closed', message }] }
  if (!(await canStart(db))) return closed
  const who = parseStrict(ownerFields, owner)
  if (!who.ok) return refused(who.issues)
  if (await accountByEmail(db, who.value.email)) return refused([{ ...emailTaken(who.value.email), path: 'email' }])
  const issues = judgeFile(data)
  if (issues.length > 0) return refused(issues)
  const owners = data.technicians.filter((one: Loose) => one.role === 'owner' && !one.leftOn)
  const self = owners.find((one: Loose) => one.id === who.value.technicianId) ?? owners[0]
  if (!self) return refused([{ path: 'technicians', code: 'owner', message: 'has no owner who could sign in' }])
  const firmId = v7()
  const passwordHash = await hashPassword(who.value.password)
  await before()
  const started = await withFirm(db, firmId, async (trx) => {
    if (!(await isFirst(db, trx))) return false
    const { name, timeZone, version, ...preferences } = data.firm
    await addFirm(trx, { id: firmId, name, demo: false, timeZone, preferences })
    await setFirmAsKept(trx, {
      version,
      seq: data.entries.reduce((most: number, entry: Loose) => Math.max(most, entry.seq), 0),
    })
    for (const kind of exportedKinds) await insertManyKept(trx, firmId, kind, data[listNames[kind]])
    await insertRemoved(trx, firmId, data.removed ?? [])
    await insertEntries(
      trx,
      firmId,
      data.entries.map((entry: Loose) => ({ subjectId: firmId, ...entry })),
    )
    await addChanges(
      trx,
      firmId,
      data.changes.map((change: Loose) => ({ ...change, ...(change.aboutKind === 'firm' && { aboutId: firmId }) })),
    )
    await insertAddresses(trx, firmId, data.addresses ?? [])
    await insertInvoices(trx, firmId, data.invoices ?? [])
    for (const list of data.imports ?? []) await insertWholeImport(trx, firmId, list)
    for (const [about, words] of Object.entries(data.words ?? {}))
      await keepMeanings(trx, firmId, about, Object.entries(words as Record<string, WordMeaning>))
    for (const { recordedAt, recordedBy, ...photo } of photos)
      await keepPhoto(trx, firmId, photo, { technicianId: recordedBy, at: new Date(recordedAt) })
    await addAccount(trx, { email: who.value.email, firmId, technicianId: self.id, passwordHash })
    // Of this installation, not of the firm's own log: that stays as it was.
    await tell(trx, { firmId, technicianId: self.id }, 'brought-in', nobody)
    return true
  })
  if (!started) return closed
  return { ok: true, firmId, technicianId: self.id, entries: data.entries.length }
}

const removedFields = object({ id: uuid().required(), kind: string().oneOf(subjectKinds).required() }).noUnknown()
const kept = object({ id: uuid().required(), version: number().integer().min(1).required() })
const recorded = object({
  recordedAt: instant().required(),
  recordedBy: uuid().required(),
  seq: number().integer().min(1).required(),
  origin: string().max(200),
  knownSeq: number()
    .integer()
    .min(0)
    .test('known', 'is not before its own number', function (known) {
      return known === undefined || known < this.parent.seq
    }),
})
const changeFields = object({
  id: uuid().required(),
  at: instant().required(),
  technicianId: uuid().required(),
  action: string().oneOf(changeActions).required(),
  aboutKind: string().max(40).required(),
  aboutId: uuid(),
  before: object(),
  after: object(),
}).noUnknown()

/** A list that was brought in there. */
export const listFields = object({
  id: uuid().required(),
  spec: object().required(),
  technicianId: uuid().required(),
  askedAt: instant().required(),
  endedAt: instant(),
  state: string()
    .oneOf(['waiting', 'written', 'stopped', 'failed', 'going-back', 'taken-back'] as const)
    .required(),
  fileName: string().max(200).required(),
  encoding: string().max(40).required(),
  separator: string().max(10).defined(),
  rows: number().integer().min(0).required(),
  done: number().integer().min(0).required(),
  problem: string().max(2000),
  takenBackBy: uuid(),
  file: string().defined(),
  cells: string().required(),
  outcomes: array(
    object({
      row: number().integer().min(0).required(),
      verdict: string().max(40).required(),
      reason: string().max(2000),
    }).noUnknown(),
  ).required(),
  made: array(
    object({
      row: number().integer().min(0).required(),
      what: string()
        .oneOf(['record', 'filled', 'entry'] as const)
        .required(),
      kind: string().max(40).required(),
      id: uuid().required(),
      before: object(),
      after: object(),
    }).noUnknown(),
  ).required(),
}).noUnknown()
/** The address of a customer's page, as it is printed on a label. */
export const addressFields = object({
  token: string()
    .matches(/^[\w-]{10,60}$/, 'is no address of a page')
    .required(),
  subjectKind: string()
    .oneOf(['machine', 'site'] as const)
    .required(),
  subjectId: uuid().required(),
  customerId: uuid().required(),
  madeAt: instant().required(),
  madeBy: uuid().required(),
}).noUnknown()

/** What words of lists mean for the firm, by column. */
const wordFields = object().test('meanings', 'are no meanings of words', (words) =>
  Object.values((words ?? {}) as Record<string, unknown>).every(
    (column) =>
      typeof column === 'object' &&
      column !== null &&
      Object.values(column).every((meaning) => typeof (meaning as { is?: unknown } | null)?.is === 'string'),
  ),
)

/** Everything wrong with a file, each at its place: `sites[3].customerId`. */
function judgeFile(data: Loose): Issue[] {
  if (data?.format !== 'evenshot-firm')
    return [{ path: 'format', code: 'format', message: 'is not a firm’s data: choose the file that was taken out' }]
  if (data.version !== firmDataVersion)
    return [
      { path: 'version', code: 'version', message: `is ${data.version}; this application reads ${firmDataVersion}` },
    ]
  const lists = [...Object.values(listNames), 'entries', 'changes']
  const missing = lists.filter((name) => !Array.isArray(data[name]))
  if (missing.length > 0) return missing.map((path) => ({ path, code: 'list', message: 'is missing or no list' }))
  const issues: Issue[] = []
  const at = (path: string, found: Issue[]) =>
    issues.push(...found.map((issue) => ({ ...issue, path: issue.path ? `${path}.${issue.path}` : path })))
  const { version, ...firm } = data.firm ?? {}
  const own = parseStrict(recordSchemas.firm, firm)
  if (!own.ok) at('firm', own.issues)
  if (!(Number.isInteger(version) && version >= 1))
    at('firm.version', [{ path: '', code: 'integer', message: 'must be a whole number ≥ 1' }])

  const ids = Object.fromEntries(exportedKinds.map((kind) => [kind, new Set<string>()])) as Record<
    RecordKind,
    Set<string>
  >
  const subjects = new Map<string, string>()
  for (const kind of exportedKinds)
    data[listNames[kind]].forEach((one: Loose, i: number) => {
      const path = `${listNames[kind]}[${i}]`
      const { id, version: of, ...record } = one ?? {}
      const parts = [parseStrict(kept, { id, version: of }), parseStrict(recordSchemas[kind], record)]
      for (const part of parts) if (!part.ok) at(path, part.issues)
      if (subjects.has(id)) at(path, [{ path: 'id', code: 'twice', message: 'stands twice', value: id }])
      for (const [field, to] of Object.entries(pointsAt[kind] ?? {}))
        if (record[field] !== undefined && !ids[to].has(record[field]))
          at(path, [{ path: field, code: 'unknown', message: `is no ${to} of this file`, value: record[field] }])
      ids[kind].add(id)
      subjects.set(id, kind)
    })
  // What was removed has no record any more, and entries all the same.
  const removed = Array.isArray(data.removed) ? data.removed : []
  removed.forEach((one: Loose, i: number) => {
    const parsed = parseStrict(removedFields, one)
    if (!parsed.ok) at(`removed[${i}]`, parsed.issues)
    else if (subjects.has(one.id))
      at(`removed[${i}]`, [{ path: 'id', code: 'twice', message: 'stands twice', value: one.id }])
    else subjects.set(one.id, one.kind)
  })
  const addresses = new Set<string>()
  for (const [i, one] of (Array.isArray(data.addresses) ? (data.addresses as Loose[]) : []).entries()) {
    const parsed = parseStrict(addressFields, one)
    if (!parsed.ok) {
      at(`addresses[${i}]`, parsed.issues)
      continue
    }
    const { token, subjectKind, subjectId, customerId, madeBy } = parsed.value
    const unknown = (path: string, message: string) =>
      at(`addresses[${i}]`, [{ path, code: 'unknown', message, value: one[path] }])
    if (subjects.get(subjectId) !== subjectKind) unknown('subjectId', `is no ${subjectKind} of this file`)
    if (subjects.get(customerId) !== 'customer') unknown('customerId', 'is no customer of this file')
    if (!ids.technician.has(madeBy)) unknown('madeBy', 'is no technician of this file')
    for (const name of [token, subjectId]) {
      if (addresses.has(name)) unknown(name === token ? 'token' : 'subjectId', 'stands twice')
      addresses.add(name)
    }
  }
  issuesOfInvoices(Array.isArray(data.invoices) ? data.invoices : [], ids.technician, at)
  const entryIds = new Set<string>()
  const numbers = new Set<number>()
  data.entries.forEach((one: Loose, i: number) => {
    const path = `entries[${i}]`
    const { recordedAt, recordedBy, seq, origin, knownSeq, ...entry } = one ?? {}
    const isFirms = entry.subjectKind === 'firm'
    // What is about the firm names no id: any will do to look at the rest.
    const parsed = parseEntry(isFirms ? { subjectId: entry.id, ...entry } : entry)
    if (!parsed.ok) at(path, parsed.issues)
    const outer = parseStrict(recorded, {
      recordedAt,
      recordedBy,
      seq,
      ...(origin !== undefined && { origin }),
      ...(knownSeq !== undefined && { knownSeq }),
    })
    if (!outer.ok) at(path, outer.issues)
    if (!isFirms && subjects.get(entry.subjectId) !== entry.subjectKind)
      at(path, [
        {
          path: 'subjectId',
          code: 'unknown',
          message: `is no ${entry.subjectKind} of this file`,
          value: entry.subjectId,
        },
      ])
    if (!ids.technician.has(recordedBy))
      at(path, [{ path: 'recordedBy', code: 'unknown', message: 'is no technician of this file', value: recordedBy }])
    if (entryIds.has(entry.id) || numbers.has(seq))
      at(path, [{ path: 'id', code: 'twice', message: 'stands twice', value: entry.id }])
    entryIds.add(entry.id)
    numbers.add(seq)
  })
  // Files of earlier versions have no lists.
  const brought = Array.isArray(data.imports) ? data.imports : []
  brought.forEach((one: Loose, i: number) => {
    const parsed = parseStrict(listFields, one)
    if (!parsed.ok) at(`imports[${i}]`, parsed.issues)
    else if (!ids.technician.has(one.technicianId))
      at(`imports[${i}]`, [{ path: 'technicianId', code: 'unknown', message: 'is no technician of this file' }])
  })
  const words = parseStrict(wordFields, data.words ?? {})
  if (!words.ok) at('words', words.issues)
  data.changes.forEach((one: Loose, i: number) => {
    const parsed = parseStrict(changeFields, one)
    if (!parsed.ok) at(`changes[${i}]`, parsed.issues)
    else if (!ids.technician.has(one.technicianId))
      at(`changes[${i}]`, [{ path: 'technicianId', code: 'unknown', message: 'is no technician of this file' }])
  })
  return issues
}
