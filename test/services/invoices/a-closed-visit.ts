import type { Kept } from '../../../src/core/firm/records.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { type Db, withFirm } from '../../../src/records/database.ts'
import { keptById, updateKept } from '../../../src/records/kept.ts'
import type { Actor } from '../../../src/services/judge-entry.ts'
import { isWritten, writeEntries } from '../../../src/services/write-entries.ts'
import { entryAbout, type SmallFirm, testNow } from '../../records/a-database.ts'

const on = '2026-11-24'

const lines = [
  { id: '1', of: 'part', name: 'Safety valve', quantityMilli: 1000, unit: 'piece', priceMinor: 4100, pays: 'customer' },
  { id: '2', of: 'part', name: 'Gasket', quantityMilli: 2000, unit: 'piece', priceMinor: 520, pays: 'contract' },
  {
    id: '3',
    of: 'labour',
    name: 'Work',
    quantityMilli: 92_000,
    unit: 'min',
    priceMinor: 6300,
    per: 60,
    pays: 'customer',
  },
]

/** What closes a visit with a safety valve and an hour and a half of work charged, 19 % tax. */
export const closes = (firm: SmallFirm, visitId: string, body: object = {}, more: object = {}): Entry =>
  entryAbout(
    'site',
    firm.siteId,
    'visit-closed',
    {
      minutes: [{ subjectId: firm.c2, minutes: 92 }],
      currency: 'EUR',
      taxBp: 1900,
      lines,
      sentences: [{ of: 'done', text: 'I was shown what was done.' }],
      signed: { how: 'nobody', at: '2026-11-24T12:00:00Z' },
      ...body,
    },
    { on, visitId, ...more },
  )

export const visits = (firm: SmallFirm, visitId: string): Entry =>
  entryAbout('site', firm.siteId, 'visit', { technicianIds: [firm.ines] }, { on, visitId })

/** The firm says how it invoices. */
export const said = (firm: SmallFirm, invoicing: object = {}, day = '2026-11-20'): Entry[] => [
  entryAbout(
    'firm',
    firm.firmId,
    'setting',
    {
      setting: 'invoicing',
      street: '1 Harrow Yard',
      town: 'Quillgate',
      country: 'DE',
      taxNumber: 'DE123456789',
      iban: 'DE75512108001245126199',
      ...invoicing,
    },
    { on: day },
  ),
  entryAbout('firm', firm.firmId, 'setting', { setting: 'letterhead', email: 'hello@quillgate.example' }),
]

export const actorOf = (firm: SmallFirm, role: Actor['role'] = 'owner'): Actor => ({
  firmId: firm.firmId,
  technicianId: role === 'owner' ? firm.ines : firm.odile,
  role,
})

export async function written(db: Db, firm: SmallFirm, entries: Entry[]): Promise<void> {
  const answer = await writeEntries(db, actorOf(firm), entries, { now: testNow })
  if (!isWritten(answer)) throw new Error(JSON.stringify(answer))
}

/** It is kept where the bills of the firm’s customer go. */
export const billsGo = (db: Db, firm: SmallFirm, said: Partial<Kept<'customer'>> = {}): Promise<void> =>
  withFirm(db, firm.firmId, async (trx) => {
    const { id, version, ...kept } = (await keptById(trx, 'customer', firm.customerId))!
    const bill = { billTown: 'Quillgate', billCountry: 'DE', billEmail: 'bills@thistle.example', ...said }
    await updateKept(trx, 'customer', id, version, { ...kept, ...bill })
  })
