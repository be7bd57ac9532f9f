import { expect } from 'chai'
import { type Db, isBusy, openServing, withFirm } from '../../src/records/database.ts'
import { lockSubjects } from '../../src/records/subjects.ts'
import { appDatabase, type SmallFirm, smallFirm } from './a-database.ts'

describe('whoever serves', () => {
  let db: Db
  let hasty: Db
  let firm: SmallFirm
  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    // On a loaded machine a connection alone takes longer than a hasty person waits for a lock.
    const soon = { statementMs: 1000, lockMs: 150, idleMs: 5000, connectionMs: 4000 }
    hasty = openServing(process.env.EVENSHOT_DATABASE_URL!, 1, soon)
  })
  after(async () => {
    await hasty.destroy()
    await db.destroy()
  })
  const failure = (work: Promise<unknown>) =>
    work.then(
      () => null,
      (error: unknown) => error,
    )

  it('waits for a locked row for a moment, and says that it is busy', async () => {
    await withFirm(db, firm.firmId, async (trx) => {
      await lockSubjects(trx, [firm.c2])
      const error = await failure(withFirm(hasty, firm.firmId, (other) => lockSubjects(other, [firm.c2])))
      expect(error).to.include({ code: '55P03' })
      expect(isBusy(error)).to.equal(true)
    })
    expect(
      (await withFirm(hasty, firm.firmId, (trx) => lockSubjects(trx, [firm.c2]))).size,
      'then it goes on',
    ).to.equal(1)
  })

  it('lets no statement and no queue hold up a screen', async () => {
    const slow = await failure(hasty.raw('select pg_sleep(5)').then())
    expect(slow).to.include({ code: '57014' })
    expect(isBusy(slow)).to.equal(true)
    await hasty.transaction(async () => {
      const queued = await failure(hasty.raw('select 1').then())
      expect(isBusy(queued), String(queued)).to.equal(true)
    })
  })

  it('tells what is busy from what is wrong', () => {
    expect(isBusy({ code: '23505' })).to.equal(false)
    expect(isBusy(new Error('something else'))).to.equal(false)
    expect(isBusy(null)).to.equal(false)
    expect(isBusy({ code: 'ECONNREFUSED' })).to.equal(true)
  })
})
