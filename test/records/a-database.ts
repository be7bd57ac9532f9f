import { randomUUID } from 'node:crypto'
import { filledIn, type Kept, type RecordKind } from '../../src/core/firm/records.ts'
import type { Entry, Envelope } from '../../src/core/ledger/entry.ts'
import type { EntryKind } from '../../src/core/ledger/entry-kinds.ts'
import { addAccount } from '../../src/records/accounts.ts'
import { type Db, openDatabase, withFirm } from '../../src/records/database.ts'
import { addFirm } from '../../src/records/firms.ts'
import { insertKept } from '../../src/records/kept.ts'
import { hashPassword } from '../../src/services/sign-in.ts'
import { asKept } from '../core/ledger/told.ts'

/** The role that serves, on the throwaway cluster. */
export function appDatabase(): Db {
  const url = process.env.EVENSHOT_DATABASE_URL
  if (!url) throw new Error('Run these through `npm test`: it starts the throwaway cluster')
  return openDatabase(url, 8)
}

export const ownerDatabase = (): Db => openDatabase(process.env.EVENSHOT_OWNER_URL!, 2)

/** A small firm of its own for one test: one site, a softened two-group, a super-automatic, a pod machine. */
export interface SmallFirm {
  firmId: string
  ines: string
  odile: string
  supplyId: string
  siteId: string
  customerId: string
  softenerId: string
  c2: string
  sr: string
  pk: string
  email: string
}

export async function smallFirm(db: Db, name = 'Test & Daughter'): Promise<SmallFirm> {
  const id = () => randomUUID()
  const firm: SmallFirm = {
    firmId: id(),
    ines: id(),
    odile: id(),
    supplyId: id(),
    siteId: id(),
    customerId: id(),
    softenerId: id(),
    c2: id(),
    sr: id(),
    pk: id(),
    email: `${id()}@test.example`,
  }
  await withFirm(db, firm.firmId, async (trx) => {
    const { firmId, siteId, softenerId } = firm
    const add = <K extends RecordKind>(kind: K, id: string, record: Partial<Kept<K>>) =>
      insertKept(trx, firmId, kind, id, filledIn(kind, record))
    await addFirm(trx, { id: firmId, name, demo: false })
    await add('technician', firm.ines, { name: 'Ines Test', initials: 'IT', role: 'owner' })
    await add('technician', firm.odile, { name: 'Odile Test', initials: 'OT', role: 'technician' })
    await add('customer', firm.customerId, { name: 'A customer' })
    await add('supply', firm.supplyId, { name: 'A well' })
    await add('site', siteId, {
      customerId: firm.customerId,
      supplyId: firm.supplyId,
      technicianId: firm.ines,
      name: 'A bakery',
      area: 'Chalkside',
      timeZone: 'Europe/London',
    })
    await add('softener', softenerId, { siteId, name: 'Back room' })
    const machine = { siteId, maker: 'Varnholt', model: 'Duo 2' }
    await add('machine', firm.c2, { ...machine, softenerId, name: 'Left bar', serial: 'C2-1', kind: 'c2' })
    await add('machine', firm.sr, { ...machine, name: 'Office', serial: 'SR-1', kind: 'sr' })
    await add('machine', firm.pk, { ...machine, name: 'Pods', serial: 'PK-1', kind: 'pk' })
  })
  const passwordHash = await hashPassword('a good password')
  await addAccount(db, { email: firm.email, firmId: firm.firmId, technicianId: firm.ines, passwordHash })
  return firm
}

type Made = Partial<Envelope> & { on?: string }

/** Makes an entry about a subject of the firm; `on` is its day. */
export function entryAbout(
  subjectKind: Entry['subjectKind'],
  subjectId: string,
  kind: EntryKind,
  body: object,
  { on = '2026-11-20', ...more }: Made = {},
): Entry {
  return asKept({
    id: randomUUID(),
    subjectKind,
    subjectId,
    kind,
    happenedAt: `${on}T09:00:00.000Z`,
    happenedOn: on,
    body: { v: 1, ...body },
    ...more,
  })
}

/** The first entries of a machine: taken on, and two readings. */
export function firstEntries(machineId: string, kind: string): Entry[] {
  return [
    entryAbout('machine', machineId, 'commissioned', { kind, kindVersion: 1, partsNew: true }, { on: '2026-06-01' }),
    entryAbout('machine', machineId, 'reading', { counter: 'shots', count: 1000 }, { on: '2026-08-03' }),
    entryAbout('machine', machineId, 'reading', { counter: 'shots', count: 7000 }, { on: '2026-11-02' }),
  ]
}

export const testNow = new Date('2026-11-26T08:00:00Z')
