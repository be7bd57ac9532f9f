import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import type { Db } from '../../src/records/database.ts'
import { claimList } from '../../src/services/claims.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm } from '../records/a-database.ts'
import { closes, visits, written } from './invoices/a-closed-visit.ts'

describe('what is claimed under warranty', () => {
  let db: Db
  let firm: SmallFirm
  const visitId = randomUUID()
  const line = (id: string, pays: string) => ({
    id,
    of: 'part',
    name: 'Safety valve',
    subjectId: firm.c2,
    quantityMilli: 1000,
    unit: 'piece',
    priceMinor: 4100,
    pays,
  })
  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
  })
  after(() => db.destroy())

  it('is of visits that were closed with it, as they stand, and of this firm alone', async () => {
    expect(await claimList(db, firm.firmId)).to.deep.equal([])
    const first = closes(firm, visitId, { lines: [line('1', 'warranty'), line('2', 'customer')] })
    await written(db, firm, [visits(firm, visitId), first])
    const [claim, ...others] = await claimList(db, firm.firmId)
    expect(others).to.deep.equal([])
    expect(claim).to.deep.include({
      line: '1',
      worthMinor: 4100,
      site: 'A bakery',
      machine: 'Left bar, Varnholt, Duo 2',
      serial: 'C2-1',
      last: null,
    })
    expect(await claimList(db, (await smallFirm(db)).firmId)).to.deep.equal([])

    const step = (body: object) =>
      entryAbout('site', firm.siteId, 'claimed', { visit: visitId, line: '1', name: 'Safety valve', ...body })
    await written(db, firm, [step({ step: 'sent', by: 'the maker', reference: 'RMA 12' })])
    expect((await claimList(db, firm.firmId))[0]!.last!.body).to.deep.include({ step: 'sent', reference: 'RMA 12' })
    // They paid: how much is not left out.
    const refused = await written(db, firm, [step({ step: 'credited' })]).catch((error: Error) => error.message)
    expect(refused).to.include('is missing: how much they paid')

    // Put right at closing, the customer pays after all: nothing is claimed any more.
    await written(db, firm, [closes(firm, visitId, { lines: [line('1', 'customer')] }, { supersedes: first.id })])
    expect(await claimList(db, firm.firmId)).to.deep.equal([])
  })
})
