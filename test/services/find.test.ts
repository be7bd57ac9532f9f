import { expect } from 'chai'
import { filledIn } from '../../src/core/firm/records.ts'
import type { Db } from '../../src/records/database.ts'
import { findAll } from '../../src/services/find.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { appDatabase, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('finding', () => {
  let db: Db
  let firm: SmallFirm
  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Finders & Daughter')
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const customer = { name: 'Orrin Vale', contact: 'Front desk', phone: '555 0188' }
    await keepRecord(
      db,
      actor,
      {
        kind: 'customer',
        id: '01939000-0000-7000-8000-00000000f1d0',
        version: 0,
        record: filledIn('customer', customer),
      },
      testNow,
    )
  })
  after(() => db.destroy())
  const things = async (text: string) =>
    (await findAll(db, firm.firmId, text)).things.map(({ sort, name }) => `${sort} ${name}`)

  it('machines by any of their words; nothing else before there are words', async () => {
    const { rows, things: none } = await findAll(db, firm.firmId, '')
    expect(rows.map(({ name }) => name)).to.have.members(['Left bar', 'Office', 'Pods'])
    expect(none).to.deep.equal([])
    expect((await findAll(db, firm.firmId, 'sr-1 bakery')).rows.map(({ name }) => name)).to.deep.equal(['Office'])
  })

  it('sites, customers, what comes due, procedures and kinds, every word in the same thing', async () => {
    expect(await things('bakery')).to.deep.equal(['site A bakery'])
    expect(await things('orrin')).to.deep.equal(['customer Orrin Vale'])
    const gasket = await things('group gasket')
    expect(gasket.some((thing) => thing.startsWith('task Group gasket'))).to.equal(true)
    const backflush = await things('detergent backflush')
    expect(backflush.some((thing) => thing.startsWith('procedure Detergent backflush'))).to.equal(true)
    expect(await things('two-group')).to.include('kind commercial two-group')
    expect(await things('bakery gasket')).to.deep.equal([])
  })

  it('leads where it says: a task to its dates, a customer to their page', async () => {
    const found = await findAll(db, firm.firmId, 'group gasket')
    const task = found.things.find(({ sort }) => sort === 'task')!
    const url = new URL(task.href, 'http://here')
    expect([url.pathname, url.searchParams.get('text')]).to.deep.equal(['/round', task.name])
    expect((await findAll(db, firm.firmId, 'orrin')).things[0]).to.include({ about: 'Front desk, 555 0188' })
  })

  it('nothing of another firm, and takes odd text for text', async () => {
    const other = await smallFirm(db, 'Elsewhere')
    expect((await findAll(db, other.firmId, 'orrin')).things).to.deep.equal([])
    for (const text of ['%', '_', "'; drop table site", '\0', 'x'.repeat(200)])
      expect((await findAll(db, firm.firmId, text)).rows, text).to.have.length(text === '\0' ? 3 : 0)
  })
})
