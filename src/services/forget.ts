import { v7 } from 'uuid'
import type { Kept } from '../core/firm/records.ts'
import { may } from '../core/firm/rights.ts'
import { dropAccount } from '../records/accounts.ts'
import { dropCalendar } from '../records/calendars.ts'
import { addChange, mergedInto } from '../records/changes.ts'
import { endAddressesOf } from '../records/customer-addresses.ts'
import { type Db, type Trx, withFirm } from '../records/database.ts'
import { forgetInLists } from '../records/imports.ts'
import { dropInvitations } from '../records/invitations.ts'
import { type KeptRecord, keptById, keptByName, updateKept } from '../records/kept.ts'
import { forgetDevices } from '../records/known-devices.ts'
import { entriesNaming } from '../records/ledger.ts'
import { forgetLettersOf } from '../records/letters.ts'
import { forgetInMailbox } from '../records/mailbox.ts'
import { forgetTraces } from '../records/retention.ts'
import { dropCodeApp, dropPasskeys, setRecoveryCodes } from '../records/second-proofs.ts'
import { endSessions } from '../records/sessions.ts'
import type { Forgotten } from '../views/forgotten.ts'
import { type Answer, ownerOnly, refusal } from './answer.ts'
import type { Actor } from './judge-entry.ts'
import { type Caller, nobody } from './signing-in/caller.ts'
import { tell } from './signing-in/tell.ts'

/** What stands where a name stood: the history is read on, and names nobody. */
const formerTechnician = { name: 'Somebody who left', initials: '–' }
const formerCustomer = {
  name: 'A former customer',
  contact: '',
  phone: '',
  email: '',
  note: '',
  mayAgree: '',
  orderNumber: '',
  billName: '',
  billStreet: '',
  billPostcode: '',
  billTown: '',
  billCountry: '',
  billEmail: '',
  billReference: '',
}
const formerSite = { name: 'A former site', address: '', accessNote: '' }

/** More sites than that no one person has. */
const mostSites = 1000

/**
 * Takes a person out of what the firm keeps: a technician who has left, with address, password, keys and where they
 * signed in from; or a customer who is no longer served, with the people and addresses of their sites. What was done
 * to which machine stays, and says of nobody that it was they. What somebody wrote in words of their own is the
 * ledger's, and is only counted.
 *
 * @returns entries whose words have the name in them
 */
export async function forget(
  db: Db,
  actor: Actor,
  kind: 'technician' | 'customer',
  id: string,
  now: Date,
  caller: Caller = nobody,
): Promise<Answer<Forgotten>> {
  if (!may(actor.role, 'forget-people')) return ownerOnly
  return withFirm(db, actor.firmId, async (trx) => {
    const record = await keptById(trx, kind, id)
    if (!record) return refusal(404, '', 'unknown', 'is not here')
    const over = kind === 'technician' ? (record as Kept<'technician'>).leftOn : (record as Kept<'customer'>).retiredOn
    if (!over)
      return refusal(422, '', 'still_here', kind === 'technician' ? 'has not left yet' : 'is still looked after')
    const named = await entriesNaming(trx, record.name)
    if (kind === 'technician') await forgetTechnician(trx, actor.firmId, record as KeptRecord<'technician'>, now)
    else {
      await forgetCustomer(trx, record as KeptRecord<'customer'>)
      await endAddressesOf(trx, actor.firmId, id, now)
      // Letters go with their papers; what was issued stays: the law asks for invoices for years.
      const { email, billEmail } = record as Kept<'customer'>
      const addresses = [email, billEmail].filter(Boolean)
      await forgetLettersOf(trx, id, addresses)
      await forgetInMailbox(trx, addresses)
    }
    for (const one of [id, ...(await mergedInto(trx, id))]) await forgetTraces(trx, kind, one)
    const change = { id: v7(), at: now.toISOString(), technicianId: actor.technicianId, action: 'forgotten' } as const
    await addChange(trx, actor.firmId, { ...change, aboutKind: kind, aboutId: id })
    await tell(trx, actor, 'forgotten', caller, id)
    return {
      ok: true,
      named: named.map(({ id: entryId, subjectKind, subjectId, happenedOn }) => ({
        id: entryId,
        subjectKind,
        subjectId,
        on: happenedOn,
      })),
    }
  })
}

async function forgetTechnician(
  trx: Trx,
  firmId: string,
  { id, version, startLatitude: _, startLongitude: __, ...record }: KeptRecord<'technician'>,
  now: Date,
) {
  await updateKept(trx, 'technician', id, version, { ...record, ...formerTechnician })
  const holder = { firmId, technicianId: id }
  await endSessions(trx, firmId, { technicianId: id }, { why: 'lost', at: now })
  await dropInvitations(trx, firmId, id)
  await dropCalendar(trx, firmId, id)
  await forgetDevices(trx, holder)
  await dropCodeApp(trx, holder)
  await dropPasskeys(trx, holder)
  await setRecoveryCodes(trx, holder, [])
  await dropAccount(trx, firmId, id)
}

async function forgetCustomer(trx: Trx, { id, version, ...record }: KeptRecord<'customer'>) {
  await updateKept(trx, 'customer', id, version, { ...record, ...formerCustomer })
  await forgetInLists(trx, [id])
  const sites = await keptByName(trx, 'site', { words: [], after: null, limit: mostSites, where: { customer_id: id } })
  for (const { id: siteId, version: siteVersion, latitude: _, longitude: __, ...site } of sites) {
    // The area stays: which water comes in is told by it.
    await updateKept(trx, 'site', siteId, siteVersion, { ...site, ...formerSite } as Kept<'site'>)
    await forgetTraces(trx, 'site', siteId)
    await forgetInLists(trx, [siteId])
    for (const { id: machineId, version: machineVersion, ...machine } of await keptByName(trx, 'machine', {
      words: [],
      after: null,
      limit: mostSites,
      where: { site_id: siteId },
    })) {
      if (!machine.usedBy) continue
      await updateKept(trx, 'machine', machineId, machineVersion, { ...machine, usedBy: '' } as Kept<'machine'>)
      await forgetTraces(trx, 'machine', machineId)
    }
  }
}
