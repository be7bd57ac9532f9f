import { createHash } from 'node:crypto'
import { v7 } from 'uuid'
import { billingFields } from '../core/firm/billing-fields.ts'
import type { Kept } from '../core/firm/records.ts'
import { effectiveHistory } from '../core/ledger/effective-history.ts'
import type { Entry, RecordedEntry } from '../core/ledger/entry.ts'
import type { EntryKind, Jotting } from '../core/ledger/entry-kinds.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { jot } from '../core/ledger/jot.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import { addChange, type Change } from '../records/changes.ts'
import { type Db, retrying, type Trx, withFirm } from '../records/database.ts'
import { allKept, type KeptRecord, keptById, updateKept } from '../records/kept.ts'
import { entriesHeld, entriesOf, supersededOf } from '../records/ledger.ts'
import { removeKept } from '../records/removal.ts'
import { type Answer, refusal } from './answer.ts'
import type { Actor } from './judge-entry.ts'
import { fieldsOf, madeBy, restoreRecord } from './removing.ts'
import { withdrawal } from './withdrawal.ts'
import { isWritten, writeGroup } from './write-entries.ts'

export const mergeableKinds = ['customer', 'site', 'machine'] as const
export type MergeableKind = (typeof mergeableKinds)[number]

/** What a merge did, in the log: enough to undo it. */
interface Merged {
  name: string
  /** What went: the other one, and what stood at it. */
  from: string
  into: string
  /** Sites of a customer, softeners of a site, that point at the other now. */
  pointing?: string[]
  /** Machines that name a customer as their owner or payer. */
  owned?: string[]
  /** Fields that were empty and were filled in. */
  filled?: string[]
  /** Entries that were written for it. */
  entries?: string[]
}

/** Breaks the transaction with its answer: nothing of a merge stays. */
export class RefusedMerge extends Error {
  constructor(readonly answer: Answer<never>) {
    super('refused')
  }
}
const refused = (message: string): never => {
  throw new RefusedMerge(refusal(422, '', 'merge', message))
}

/**
 * Two customers, sites or machines that are one. Sites go to the customer that stays; machines to the site that stays,
 * by entries that do not count as a move; of a machine entered twice, what was written about the one is written about
 * the other, and the one is retired. The log says what was done, and undoes it.
 */
export async function merge(
  db: Db,
  actor: Actor,
  { kind, from, into }: { kind: MergeableKind; from: string; into: string },
  now: Date,
): Promise<Answer<object>> {
  if (from === into) return refusal(422, 'into', 'same', 'is the same one')
  try {
    return await retrying(() =>
      withFirm(db, actor.firmId, async (trx): Promise<Answer<object>> => {
        const [gone, stays] = [await keptById(trx, kind, from), await keptById(trx, kind, into)]
        if (!gone || !stays) return refusal(404, '', 'unknown', 'is not here')
        const did = await mergers[kind](trx, actor, gone as never, stays as never, now)
        const after: Merged = { name: stays.name, from, into, ...did }
        await addChange(trx, actor.firmId, {
          ...madeBy(actor, now),
          action: 'merged',
          aboutKind: kind,
          aboutId: into,
          before: fieldsOf(gone),
          after,
        })
        return { ok: true }
      }),
    )
  } catch (error) {
    if (error instanceof RefusedMerge) return error.answer
    throw error
  }
}

type Did = Pick<Merged, 'pointing' | 'owned' | 'filled' | 'entries'>
type Merger<K extends MergeableKind> = (
  trx: Trx,
  actor: Actor,
  gone: KeptRecord<K>,
  stays: KeptRecord<K>,
  now: Date,
) => Promise<Did>

const mergers: { [K in MergeableKind]: Merger<K> } = {
  async customer(trx, actor, gone, stays, now) {
    const sites = (await allKept(trx, 'site')).filter(({ customerId }) => customerId === gone.id)
    for (const site of sites) await change(trx, actor, 'site', site, { customerId: stays.id }, now)
    const machines = (await allKept(trx, 'machine')).filter(({ ownerId, payerId }) =>
      [ownerId, payerId].includes(gone.id),
    )
    for (const machine of machines)
      await change(trx, actor, 'machine', machine, owedTo(machine, gone.id, stays.id), now)
    const empty = fillable.filter((field) => !stays[field] && gone[field])
    if (empty.length > 0)
      await change(trx, actor, 'customer', stays, Object.fromEntries(empty.map((field) => [field, gone[field]])), now)
    await removeKept(trx, 'customer', [gone.id])
    return { pointing: sites.map(({ id }) => id), owned: machines.map(({ id }) => id), filled: empty }
  },

  async site(trx, actor, gone, stays, now) {
    if (gone.timeZone !== stays.timeZone) refused('The two are in different time zones: put that right first.')
    const softeners = (await allKept(trx, 'softener')).filter(({ siteId }) => siteId === gone.id)
    for (const softener of softeners) await change(trx, actor, 'softener', softener, { siteId: stays.id }, now)
    const machines = (await allKept(trx, 'machine')).filter(({ siteId }) => siteId === gone.id)
    const written = machines.map(({ id, softenerId }) =>
      entryAbout(id, `with ${gone.id} at ${stays.id} ${now.toISOString()}`, stays.timeZone, now, {
        kind: 'moved',
        body: {
          v: 1,
          fromSiteId: gone.id,
          toSiteId: stays.id,
          ...(softenerId && { fromSoftenerId: softenerId, toSoftenerId: softenerId }),
          samePlace: true,
        },
      }),
    )
    const told = await siteTold(trx, gone, stays, now)
    await write(trx, actor, told, now, `${gone.name}, the same place`)
    await write(trx, actor, written, now)
    if (!gone.retiredOn) await change(trx, actor, 'site', gone, { retiredOn: dayAt(gone.timeZone, now) }, now)
    return { pointing: softeners.map(({ id }) => id), entries: [...told, ...written].map(({ id }) => id) }
  },

  async machine(trx, actor, gone, stays, now) {
    if (gone.kind !== stays.kind) refused('They are of different kinds: say first what each is.')
    const zone = (await keptById(trx, 'site', gone.siteId))!.timeZone
    const history = effectiveHistory(await entriesOf(trx, [gone.id])).entries.filter(({ kind }) => !ownAlone.has(kind))
    const slot = `of ${gone.id} for ${stays.id} ${now.toISOString()}`
    const copies = new Map(history.map(({ id }) => [id, idOf(id, slot, now)]))
    const told = history.map((entry) => copyOf(entry, copies, stays.id))
    const retired = entryAbout(
      gone.id,
      slot,
      zone,
      now,
      jot('stage', { stage: 'retired', note: `The same machine as ${stays.name}` }),
    )
    await write(trx, actor, told, now, `${gone.name}, the same machine`)
    await write(trx, actor, [retired], now)
    return { entries: [...told, retired].map(({ id }) => id) }
  },
}

/**
 * What was said of a place that counts for its machines: water, remarks, closures, roads; open days and the like where the
 * place that stays says nothing of its own. Visits stay where they were made.
 */
async function siteTold(trx: Trx, gone: KeptRecord<'site'>, stays: KeptRecord<'site'>, now: Date): Promise<Entry[]> {
  const ledgerOf = async (id: string) => effectiveHistory(await entriesOf(trx, [id])).entries
  const said = new Set((await ledgerOf(stays.id)).filter(isKind('setting')).map(({ body }) => body.setting as string))
  const history = (await ledgerOf(gone.id)).filter((entry) =>
    isKind('setting')(entry)
      ? ['closure', 'road'].includes(entry.body.setting) || !said.has(entry.body.setting)
      : placeEntries.has(entry.kind),
  )
  const slot = `of ${gone.id} for ${stays.id} ${now.toISOString()}`
  const copies = new Map(history.map(({ id }) => [id, idOf(id, slot, now)]))
  return history.map((entry) => copyOf(entry, copies, stays.id))
}

const placeEntries = new Set<EntryKind>(['water-test', 'water-figures', 'remark', 'remark-closed'])

const fillable = [
  'contact',
  'phone',
  'email',
  'note',
  'mayAgree',
  'agreesUpTo',
  'orderNumber',
  ...billingFields,
] as const

/** Whose a machine is and who pays for it, with the one customer in the place of the other. */
const owedTo = ({ ownerId, payerId }: Kept<'machine'>, from: string, to: string) => ({
  ...(ownerId === from && { ownerId: to }),
  ...(payerId === from && { payerId: to }),
})

/** What is said of a machine as it was entered: the one that stays has its own. */
const ownAlone = new Set<EntryKind>(['commissioned', 'taken-over', 'setting', 'stage', 'moved'])

/** Undoes a merge: what it wrote is withdrawn, what it moved goes back where it still stands, what went is there again. */
export async function unmerge(trx: Trx, actor: Actor, { aboutKind, before, after }: Change, now: Date): Promise<void> {
  const { from, into, pointing = [], owned = [], filled = [], entries = [] } = after as Merged
  const held = await entriesHeld(trx, entries)
  const corrected = await supersededOf(trx, entries)
  const pointingKind = aboutKind === 'customer' ? 'site' : 'softener'
  const field = aboutKind === 'customer' ? 'customerId' : 'siteId'
  if (aboutKind === 'customer') {
    if (!(await keptById(trx, 'customer', from)))
      await restoreRecord(trx, actor, 'customer', from, before as Kept<'customer'>, now)
    const stays = await keptById(trx, 'customer', into)
    const gone = before as Kept<'customer'>
    const still = filled.filter((one) => stays?.[one as 'note'] === gone[one as 'note'])
    if (stays && still.length > 0)
      await change(
        trx,
        actor,
        'customer',
        stays,
        Object.fromEntries(still.map((one) => [one, one === 'agreesUpTo' ? undefined : ''])),
        now,
      )
  }
  if (aboutKind === 'site') {
    const gone = await keptById(trx, 'site', from)
    if (gone && !(before as Kept<'site'>).retiredOn)
      await change(trx, actor, 'site', gone, { retiredOn: undefined }, now)
  }
  for (const id of pointing) {
    const record = await keptById(trx, pointingKind, id)
    if (record && (record as unknown as Record<string, unknown>)[field] === into)
      await change(trx, actor, pointingKind, record, { [field]: from }, now)
  }
  for (const id of owned) {
    const machine = await keptById(trx, 'machine', id)
    if (machine) await change(trx, actor, 'machine', machine, owedTo(machine, into, from), now)
  }
  const standing = held.filter(({ id }) => !corrected.has(id))
  const withdrawals = standing.map((entry) => withdrawal(entry, { id: v7({ msecs: now.getTime() }), now }))
  await write(trx, actor, withdrawals, now)
  if (aboutKind === 'customer') return
  await addChange(trx, actor.firmId, {
    ...madeBy(actor, now),
    action: 'brought-back',
    aboutKind,
    aboutId: from,
    after: { name: (before as { name: string }).name },
  })
}

/** Changes fields of a record, and writes down how it was. */
async function change<K extends 'customer' | 'site' | 'softener' | 'machine'>(
  trx: Trx,
  actor: Actor,
  kind: K,
  there: KeptRecord<K>,
  some: Partial<Kept<K>> | { retiredOn: undefined } | object,
  now: Date,
): Promise<void> {
  const before = fieldsOf(there as KeptRecord)
  const after = { ...before, ...some } as unknown as Kept<K>
  await updateKept(trx, kind, there.id, there.version, after)
  await addChange(trx, actor.firmId, {
    ...madeBy(actor, now),
    action: 'changed',
    aboutKind: kind,
    aboutId: there.id,
    before,
    after,
  })
}

/** Writes entries that stand or fall together. @throws RefusedMerge where one of them is refused */
async function write(trx: Trx, actor: Actor, entries: object[], now: Date, origin?: string): Promise<void> {
  if (entries.length === 0) return
  const answer = await writeGroup(trx, actor, entries, { now, reckonLater: true, ...(origin && { origin }) })
  if (isWritten(answer)) return
  const first = answer.verdicts.flatMap((verdict) => ('issues' in verdict ? verdict.issues : []))[0]
  refused(`What was written about it cannot be written about the other: ${first?.path} ${first?.message}.`)
}

const entryAbout = (machineId: string, slot: string, timeZone: string, now: Date, jotting: Jotting): Entry => ({
  id: idOf(machineId, slot, now),
  subjectKind: 'machine',
  subjectId: machineId,
  ...jotting,
  happenedAt: now.toISOString(),
  happenedOn: dayAt(timeZone, now),
})

/** The same, told of the one that stays; what names another entry names its copy. */
function copyOf(entry: RecordedEntry, copies: ReadonlyMap<string, string>, into: string): Entry {
  const { kind, body, subjectKind, happenedAt, happenedOn } = entry
  const told = Object.fromEntries(
    Object.entries(body).map(([field, value]) => [field, (typeof value === 'string' && copies.get(value)) || value]),
  )
  const jotting = { kind, body: told } as unknown as Jotting
  return { id: copies.get(entry.id)!, subjectKind, subjectId: into, ...jotting, happenedAt, happenedOn }
}

/** The same every time for the same thing: written twice it is there once. */
const idOf = (id: string, slot: string, now: Date): string =>
  v7({ msecs: now.getTime(), random: createHash('sha256').update(`${id} ${slot}`).digest().subarray(0, 16) })
