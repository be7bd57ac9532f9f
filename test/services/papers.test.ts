import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { filledIn, type Kept, type RecordKind } from '../../src/core/firm/records.ts'
import { type Db, lookIn } from '../../src/records/database.ts'
import { keptById } from '../../src/records/kept.ts'
import { changePage } from '../../src/services/changes.ts'
import { forget } from '../../src/services/forget.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { machinePage } from '../../src/services/machines.ts'
import { merge } from '../../src/services/merging.ts'
import { machinePassport } from '../../src/services/passport.ts'
import { removeRecord } from '../../src/services/removing.ts'
import { undoChange } from '../../src/services/undo-change.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what goes with a machine besides its work', () => {
  let db: Db
  let firm: SmallFirm
  const actor = (role: 'owner' | 'technician' = 'owner') => ({
    firmId: firm.firmId,
    technicianId: firm.ines,
    role,
  })
  const there = <K extends RecordKind>(kind: K, id: string) =>
    lookIn(db, firm.firmId, (trx) => keptById(trx, kind, id)).then((record) => record!)
  const add = async <K extends RecordKind>(kind: K, record: Partial<Kept<K>>, id: string = randomUUID()) => {
    const told = await keepRecord(db, actor(), { kind, id, version: 0, record: filledIn(kind, record) }, testNow)
    expect(told).to.deep.include({ ok: true })
    return id
  }
  const change = async <K extends RecordKind>(kind: K, id: string, some: Partial<Kept<K>>) => {
    const { id: _, version, ...record } = await there(kind, id)
    return keepRecord(db, actor(), { kind, id, version, record: { ...record, ...some } }, testNow)
  }
  const write = async (entries: object[], role: 'owner' | 'technician' = 'owner') =>
    (await writeEntries(db, actor(role), entries, { now: testNow })).verdicts.map(({ verdict }) => verdict)
  const papers = async (id: string) => (await machineBundle(db, firm.firmId, id))!.papers

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
    await write([...firstEntries(firm.c2, 'c2'), ...firstEntries(firm.pk, 'pk')])
  })

  it('is the customer’s whose site it is, until somebody else is named as owner or payer', async () => {
    const site = await there('site', firm.siteId)
    expect(await papers(firm.c2)).to.deep.include({ owner: null })
    expect((await papers(firm.c2)).payer.id).to.equal(site.customerId)
    const leasing = await add('customer', { name: 'Marl Leasing' })
    const head = await add('customer', {
      name: 'Head office',
      mayAgree: 'Ada Fenn',
      agreesUpTo: 300,
      orderNumber: '4711',
    })
    expect(await change('machine', firm.c2, { ownerId: leasing, payerId: head, usedBy: 'the canteen' })).to.include({
      ok: true,
    })
    expect(await papers(firm.c2)).to.deep.equal({
      owner: { id: leasing, name: 'Marl Leasing' },
      payer: { id: head, name: 'Head office', mayAgree: 'Ada Fenn', agreesUpTo: 300, orderNumber: '4711' },
    })
    const nobody = await change('machine', firm.pk, { ownerId: randomUUID() })
    expect(nobody).to.deep.include({ ok: false, why: 'refused' })
    expect('issues' in nobody && nobody.issues[0]!.path).to.equal('ownerId')
  })

  it('holds a customer who owns a machine; made one with another, that one owns it, and two again as it was', async () => {
    const one = await add('customer', { name: 'Marl Leasing' })
    const other = await add('customer', { name: 'Marl Leasing Ltd', mayAgree: 'Ada Fenn', agreesUpTo: 250 })
    await change('machine', firm.c2, { ownerId: other, payerId: other })
    const held = await removeRecord(db, actor(), 'customer', other, testNow)
    expect('issues' in held && held.issues[0]!.message).to.contain('1 machine')
    expect(await merge(db, actor(), { kind: 'customer', from: other, into: one }, testNow)).to.deep.equal({ ok: true })
    expect(await there('machine', firm.c2)).to.include({ ownerId: one, payerId: one })
    expect(await there('customer', one)).to.include({ mayAgree: 'Ada Fenn', agreesUpTo: 250 })
    const merged = (await changePage(db, firm.firmId)).rows.find(({ action }) => action === 'merged')!
    await undoChange(db, actor(), merged.id, testNow)
    expect(await there('machine', firm.c2)).to.include({ ownerId: other, payerId: other })
    expect(await there('customer', one)).to.include({ mayAgree: '' })
    expect((await there('customer', one)).agreesUpTo).to.equal(undefined)
  })

  it('is forgotten with the customer: who may say yes, their order number, who uses it', async () => {
    await change('machine', firm.c2, { usedBy: 'Ada Fenn, kitchen' })
    await change('customer', firm.customerId, { mayAgree: 'Ada Fenn', orderNumber: '9', retiredOn: '2026-11-25' })
    expect(await forget(db, actor(), 'customer', firm.customerId, testNow)).to.deep.include({ ok: true })
    expect(await there('customer', firm.customerId)).to.include({ mayAgree: '', orderNumber: '' })
    expect(await there('machine', firm.c2)).to.include({ usedBy: '' })
    const log = JSON.stringify(await changePage(db, firm.firmId))
    expect(log).not.to.contain('Ada Fenn')
  })

  it('goes along in a passport where it is the machine’s, and not where it is of this place', async () => {
    const payer = await add('customer', { name: 'Head office' })
    await change('machine', firm.c2, {
      payerId: payer,
      usedBy: 'the canteen',
      plateVolts: 230,
      warrantyUntil: '2027-03-31',
    })
    const { machine } = (await machinePassport(db, firm.firmId, firm.c2))!
    expect(machine).to.include({ plateVolts: 230, warrantyUntil: '2027-03-31' })
    expect(Object.keys(machine)).to.not.include.members(['payerId', 'ownerId', 'usedBy', 'siteId', 'softenerId'])
  })

  it('says which machine stands in for which while one is in the workshop, and lists it there', async () => {
    const away = entryAbout('machine', firm.c2, 'stage', { stage: 'workshop', standInId: firm.pk })
    const lent = entryAbout('machine', firm.pk, 'moved', { toSiteId: firm.siteId, loan: true, standsInFor: firm.c2 })
    expect(await write([away, lent])).to.deep.equal(['saved', 'saved'])
    expect((await papers(firm.c2)).standIn).to.include({ id: firm.pk })
    expect((await papers(firm.pk)).standsInFor).to.include({ id: firm.c2 })
    expect((await papers(firm.pk)).onLoanSince).to.equal(lent.happenedOn)
    const listed = await machinePage(db, firm.firmId, { stage: 'workshop' })
    expect(listed.rows.map(({ id }) => id)).to.deep.equal([firm.c2])
    await write([entryAbout('machine', firm.c2, 'stage', { stage: 'working' }, { on: '2026-11-24' })])
    expect((await papers(firm.c2)).standIn).to.equal(undefined)
    const stranger = entryAbout('machine', firm.c2, 'stage', { stage: 'workshop', standInId: randomUUID() })
    expect(await write([stranger])).to.deep.equal(['refused'])
  })

  it('lets whoever holds the part write the maker’s number down for every machine of the model', async () => {
    const number = { setting: 'part-number', model: 'Duo 2', part: 'group-gasket', number: '47-11' }
    const about = entryAbout('firm', firm.firmId, 'setting', number)
    expect(await write([about], 'technician')).to.deep.equal(['saved'])
    const rule = { setting: 'warranty', partsMonths: 12, workMonths: 6 }
    expect(await write([entryAbout('firm', firm.firmId, 'setting', rule)], 'technician')).to.deep.equal(['refused'])
  })
})
