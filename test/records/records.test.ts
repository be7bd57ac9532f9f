import { randomBytes, randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { filledIn } from '../../src/core/firm/records.ts'
import { accountByEmail, firmIds } from '../../src/records/accounts.ts'
import { type Db, retrying, withFirm } from '../../src/records/database.ts'
import { countMachines, machineRows } from '../../src/records/find.ts'
import { technicians, theFirm } from '../../src/records/firms.ts'
import { allKept, insertKept, keptById, updateKept } from '../../src/records/kept.ts'
import { machinesBySerial } from '../../src/records/machines.ts'
import { words } from '../../src/records/round.ts'
import { addSession, dropExpiredSessions, endSession, sessionByToken } from '../../src/records/sessions.ts'
import { reckonedBy } from '../../src/records/subjects.ts'
import { appDatabase, type SmallFirm, smallFirm } from './a-database.ts'

describe('records', () => {
  let db: Db
  let firm: SmallFirm

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Records & Co')
  })
  after(() => db.destroy())
  const within = <T>(work: Parameters<typeof withFirm<T>>[2]) => withFirm(db, firm.firmId, work)

  it('give back what was put in, as words of the trade', async () => {
    await within(async (trx) => {
      expect(await theFirm(trx)).to.deep.include({ id: firm.firmId, name: 'Records & Co', demo: false, seq: 0 })
      expect((await technicians(trx)).map(({ name, role }) => [name, role])).to.deep.equal([
        ['Ines Test', 'owner'],
        ['Odile Test', 'technician'],
      ])
      expect(await keptById(trx, 'site', firm.siteId)).to.include({
        name: 'A bakery',
        area: 'Chalkside',
        timeZone: 'Europe/London',
        supplyId: firm.supplyId,
      })
      expect((await allKept(trx, 'site')).map(({ id }) => id)).to.deep.equal([firm.siteId])
      expect(await keptById(trx, 'supply', firm.supplyId)).to.deep.include({
        id: firm.supplyId,
        name: 'A well',
        version: 1,
      })
      expect(await keptById(trx, 'softener', firm.softenerId)).to.deep.equal({
        id: firm.softenerId,
        siteId: firm.siteId,
        name: 'Back room',
        version: 1,
      })
      expect(await keptById(trx, 'machine', firm.c2)).to.include({
        serial: 'C2-1',
        kind: 'c2',
        softenerId: firm.softenerId,
        version: 1,
      })
    })
  })

  it('answer null for what is not there', async () => {
    await within(async (trx) => {
      for (const kind of ['site', 'supply', 'softener', 'machine'] as const)
        expect(await keptById(trx, kind, randomUUID())).to.equal(null)
    })
    expect(await accountByEmail(db, 'nobody@test.example')).to.equal(null)
  })

  it('find machines by serial whatever its case, and none for none', async () => {
    await within(async (trx) => {
      expect((await machinesBySerial(trx, ['c2-1', 'SR-1', 'none'])).map(({ id }) => id)).to.have.members([
        firm.c2,
        firm.sr,
      ])
      expect(await machinesBySerial(trx, [])).to.deep.equal([])
    })
  })

  it('keep a serial once in a firm', async () => {
    const twin = {
      siteId: firm.siteId,
      name: 'Twin',
      maker: 'x',
      model: 'x',
      serial: 'C2-1',
      kind: 'c2',
    }
    const code = await within((trx) =>
      insertKept(trx, firm.firmId, 'machine', randomUUID(), filledIn('machine', twin)),
    ).catch((error) => error.code)
    expect(code).to.equal('23505')
    expect(await within(countMachines)).to.equal(3)
  })

  it('change only from the version that was read', async () => {
    const names = filledIn('machine', { siteId: firm.siteId, name: 'Pods', model: 'P1', serial: 'PK-1', kind: 'pk' })
    expect(await within((trx) => updateKept(trx, 'machine', firm.pk, 1, names))).to.equal(2)
    expect(await within((trx) => updateKept(trx, 'machine', firm.pk, 1, names))).to.equal(null)
  })

  it('know what an entry about each kind of subject moves', async () => {
    const moved = (kind: Parameters<typeof reckonedBy>[1][number]['kind'], id: string) =>
      within(async (trx) => (await reckonedBy(trx, [{ kind, id }])).map((reckoned) => reckoned.id).sort())
    const everything = [firm.c2, firm.sr, firm.pk, firm.softenerId].sort()
    expect(await moved('machine', firm.c2)).to.deep.equal([firm.c2, firm.softenerId].sort())
    expect(await moved('machine', firm.pk)).to.deep.equal([firm.pk])
    expect(await moved('softener', firm.softenerId)).to.deep.equal([firm.c2, firm.softenerId].sort())
    for (const [kind, id] of [
      ['site', firm.siteId],
      ['supply', firm.supplyId],
      ['customer', firm.customerId],
      ['firm', firm.firmId],
    ] as const) {
      expect(await moved(kind, id), kind).to.deep.equal(everything)
    }
    expect(await moved('site', randomUUID())).to.deep.equal([])
  })

  it('take words literally: no wildcard, no more than six', async () => {
    expect(words('  two   words ')).to.deep.equal(['two', 'words'])
    expect(words('1 2 3 4 5 6 7 8')).to.have.length(6)
    expect(words('nul\0inside')).to.deep.equal(['nul', 'inside'])
    expect(words(undefined)).to.deep.equal([])
    const found = (text: string) => within(async (trx) => (await machineRows(trx, { text }, null, 10)).length)
    expect(await found('bakery')).to.equal(3)
    for (const text of ['%', '_', '\\', "'; drop table machine; --"]) expect(await found(text), text).to.equal(0)
  })

  it('end sessions when they are over, by hand or by time', async () => {
    const now = new Date()
    const later = new Date(now.getTime() + 60_000)
    const [one, two] = [randomBytes(32), randomBytes(32)]
    const who = { firmId: firm.firmId, technicianId: firm.ines }
    await addSession(db, one, { ...who, device: 'test' }, now, later)
    await addSession(db, two, { ...who, device: 'test' }, now, later)
    const lasting = { idleMs: 30_000, handsInMs: 20_000 }
    const held = (token: Buffer, ms: number) => sessionByToken(db, token, new Date(now.getTime() + ms), lasting)
    expect(await held(one, 0)).to.include({ ...who, isOver: false })
    expect(await held(one, 30_000), 'unused for too long').to.include({ isOver: true })
    expect(await held(one, 49_999), 'it still hands in').to.include({ isOver: true })
    expect(await held(one, 50_000)).to.equal(null)
    await endSession(db, one)
    expect(await held(one, 0), 'ended by hand it hands in nothing').to.equal(null)
    // Used or not, it lasts no longer than it lasts.
    await db('session')
      .where({ token_hash: two })
      .update({ seen_at: new Date(now.getTime() + 59_000) })
    expect(await held(two, 59_999)).to.include({ isOver: false })
    expect(await held(two, 60_000)).to.include({ isOver: true })
    expect(await held(two, 80_000)).to.equal(null)
    await dropExpiredSessions(db, new Date(later.getTime() + 1))
    expect(await db('session').where({ token_hash: two })).to.deep.equal([])
  })

  it('name every firm somebody can sign in to', async () => {
    expect(await firmIds(db)).to.include(firm.firmId)
  })

  it('try again after a deadlock, and only then', async () => {
    let tries = 0
    const deadlock = Object.assign(new Error('deadlock'), { code: '40P01' })
    expect(
      await retrying(async () => {
        tries += 1
        if (tries < 3) throw deadlock
        return 'done'
      }),
    ).to.equal('done')
    expect(tries).to.equal(3)
    tries = 0
    const other = await retrying(async () => {
      tries += 1
      throw Object.assign(new Error('other'), { code: '23505' })
    }).catch((error: Error) => error.message)
    expect([other, tries]).to.deep.equal(['other', 1])
    tries = 0
    await retrying(async () => {
      tries += 1
      throw deadlock
    }).catch(() => undefined)
    expect(tries).to.equal(5)
  })
})
