import { pointsAt, type RecordKind } from '../core/firm/records.ts'
import { may, type Role } from '../core/firm/rights.ts'
import type { Entry } from '../core/ledger/entry.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { issuesOfValues } from '../core/ledger/plausible.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import type { Trx } from '../records/database.ts'
import { keptById } from '../records/kept.ts'
import { entriesOfKinds } from '../records/ledger.ts'
import { type Reckoned, reckonedByIds, type Subject } from '../records/subjects.ts'

/** Who writes. */
export interface Actor {
  firmId: string
  technicianId: string
  role: Role
}

/** Records a body names, by its field: one that is not this firm's is said at its field. */
const named: Partial<Record<Entry['kind'], Record<string, RecordKind>>> = {
  moved: { toSiteId: 'site', toSoftenerId: 'softener', standsInFor: 'machine' },
  stage: { standInId: 'machine' },
  visit: { technicianIds: 'technician' },
  appointment: { technicianId: 'technician' },
  'day-order': { technicianId: 'technician', siteIds: 'site' },
  setting: { technicianId: 'technician' },
  reading: { instrument: 'instrument' },
  measured: { instrument: 'instrument' },
  'water-test': { instrument: 'instrument' },
  'water-figures': { instrument: 'instrument' },
}

/** What speaks against an entry that is well formed. */
export async function judgeEntry(
  trx: Trx,
  entry: Entry,
  actor: Actor,
  locked: Map<string, Subject>,
  zones: Map<string, string>,
  { now, told = false, beside = [] }: { now: Date; told?: boolean; beside?: Entry[] },
): Promise<Issue[]> {
  const subject = locked.get(entry.subjectId)
  if (!subject || subject.kind !== entry.subjectKind) {
    const message = `is no ${entry.subjectKind} of this firm`
    return [{ path: 'subjectId', code: 'unknown', message, value: entry.subjectId }]
  }
  // What moves every machine of the firm is the owner's to decide.
  const deciding = ['setting', 'own-kind', 'own-procedure'].includes(entry.kind) || entry.supersedes !== undefined
  const isChoiceOfKind = entry.kind === 'setting' && entry.body.setting === 'kind-as'
  if (isChoiceOfKind && !may(actor.role, 'choose-a-kind')) {
    return [{ path: 'body.setting', code: 'owner_only', message: 'is for the owner: which kind holds, holds for all' }]
  }
  // A number on a part moves nothing, and is found by whoever holds the part; who is away knows it first.
  const isAnybodys = entry.kind === 'setting' && ['part-number', 'absence'].includes(entry.body.setting)
  if (deciding && !isAnybodys && entry.subjectKind === 'firm' && !may(actor.role, 'decide-for-the-firm')) {
    return [{ path: 'subjectKind', code: 'owner_only', message: 'is for the owner: set it for a machine or a site' }]
  }
  if (told) return issuesOfDay(entry, zones, now)
  return [
    ...issuesOfValues(entry),
    ...(await issuesOfPlace(trx, entry)),
    ...(await issuesOfChosenKind(trx, entry, actor.firmId, beside)),
    ...issuesOfDay(entry, zones, now),
    ...(await issuesOfPointed(trx, entry.body, 'body.', named[entry.kind] ?? {})),
    ...(entry.kind === 'tested-out' && entry.body.electrical
      ? await issuesOfPointed(trx, entry.body.electrical, 'body.electrical.', { instrument: 'instrument' })
      : []),
  ]
}

/** A softener stands at one site and feeds the machines there. */
async function issuesOfPlace(trx: Trx, entry: Entry): Promise<Issue[]> {
  if (!isKind('moved')(entry)) return []
  const { toSiteId, toSoftenerId } = entry.body
  const softener = toSoftenerId ? await keptById(trx, 'softener', toSoftenerId) : null
  if (!softener || softener.siteId === toSiteId) return []
  return [{ path: 'body.toSoftenerId', code: 'elsewhere', message: 'stands at another site', value: toSoftenerId }]
}

/** A firm's own version is chosen once it is kept, or with what keeps it, and for the kind it was copied from. */
async function issuesOfChosenKind(trx: Trx, entry: Entry, firmId: string, beside: Entry[]): Promise<Issue[]> {
  if (entry.kind !== 'setting' || entry.body.setting !== 'kind-as') return []
  const { kind, own } = entry.body
  if (own === kind) return []
  const kept = [...(await entriesOfKinds(trx, [firmId], ['own-kind'])), ...beside].filter(isKind('own-kind'))
  const fits = kept.some(({ body }) => body.kind.id === own && body.kind.basedOn === kind)
  const message = 'is no version of this kind that the firm has kept'
  return fits ? [] : [{ path: 'body.own', code: 'unknown', message, value: own }]
}

/** Fields that point at no record of this firm. */
async function issuesOfPointed(
  trx: Trx,
  holder: object,
  path: string,
  fields: Record<string, RecordKind>,
): Promise<Issue[]> {
  const issues: Issue[] = []
  for (const [field, kind] of Object.entries(fields)) {
    const value = (holder as Record<string, unknown>)[field]
    for (const id of Array.isArray(value) ? value : value === undefined ? [] : [value]) {
      if (await keptById(trx, kind, id)) continue
      issues.push({ path: `${path}${field}`, code: 'unknown', message: `is no ${kind} of this firm`, value: id })
    }
  }
  return issues
}

/** Fields of a record that point at no other record of this firm. */
export const issuesOfRecordReferences = (trx: Trx, kind: RecordKind, record: object): Promise<Issue[]> =>
  issuesOfPointed(trx, record, '', pointsAt[kind] ?? {})

function issuesOfDay(entry: Entry, zones: Map<string, string>, now: Date): Issue[] {
  // Without a site there is no zone: the day that is already somewhere counts as today.
  const today = dayAt(zones.get(entry.subjectId) ?? 'Pacific/Kiritimati', now)
  const issues: Issue[] = []
  if (entry.happenedOn > today) {
    const message = `is in the future: today is ${today} there`
    issues.push({ path: 'happenedOn', code: 'future', message, value: entry.happenedOn })
  }
  const minutesAhead = (Date.parse(entry.happenedAt) - now.getTime()) / 60_000
  if (minutesAhead > 24 * 60) {
    issues.push({ path: 'happenedAt', code: 'future', message: 'is more than a day ahead', value: entry.happenedAt })
  }
  return issues
}

export const taken = (entry: { id: string }): Issue => ({
  path: 'id',
  code: 'taken',
  message: 'is already the id of another entry',
  value: entry.id,
})

export function duplicateIds(entries: { id: string }[]): Set<string> {
  const seen = new Set<string>()
  return new Set(entries.map((entry) => entry.id).filter((id) => seen.has(id) || !seen.add(id)))
}

/** Time zone of each subject that has a site. @param placed - those whose site is known already */
export async function timeZones(
  trx: Trx,
  locked: Map<string, Subject>,
  placed: Map<string, Reckoned>,
): Promise<Map<string, string>> {
  const others = await reckonedByIds(
    trx,
    [...locked.values()].filter(({ id }) => !placed.has(id)),
  )
  const siteOf = new Map([...placed.values(), ...others].map(({ id, siteId }) => [id, siteId]))
  const zones = new Map<string, string>()
  const ofSite = new Map<string, string>()
  for (const { id, kind } of locked.values()) {
    const siteId = kind === 'site' ? id : siteOf.get(id)
    if (!siteId) continue
    if (!ofSite.has(siteId)) ofSite.set(siteId, (await keptById(trx, 'site', siteId))?.timeZone ?? 'UTC')
    zones.set(id, ofSite.get(siteId)!)
  }
  return zones
}
