import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { type Db, withFirm } from '../../src/records/database.ts'
import { tellAges } from '../../src/services/ages.ts'
import { catchUp } from '../../src/services/projections.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what is known of the ages of many machines', () => {
  let db: Db
  let firm: SmallFirm
  const actor = (of = firm) => ({ firmId: of.firmId, technicianId: of.ines, role: 'owner' as const })
  const taken = (id: string, kind: string) => [
    entryAbout('machine', id, 'commissioned', { kind, kindVersion: 1, partsNew: false }, { on: '2019-03-12' }),
    entryAbout('machine', id, 'taken-over', { parts: 'unknown' }, { on: '2026-11-20' }),
  ]
  const look = async (id: string) => {
    await catchUp(db, firm.firmId)
    return withFirm(db, firm.firmId, (trx) => trx('standing').where({ subject_id: id, key: 'first-look' }).first())
  }
  const parts = async (id: string) => Number(/(\d+) part/.exec((await look(id)).detail.name)![1])
  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Takes Over')
    await writeEntries(db, actor(), [...taken(firm.c2, 'c2'), ...taken(firm.sr, 'sr')], { now: testNow })
  })
  after(() => db.destroy())

  it('is said of every machine of a kind that waits for its first look, and of no other', async () => {
    const [before, other] = [await parts(firm.c2), await parts(firm.sr)]
    const asked = { id: randomUUID(), scope: 'kind', of: 'c2', parts: 'good', on: '2026-11-01' }
    expect(await tellAges(db, actor(), asked, testNow)).to.deep.equal({ ok: true, machines: 1 })
    expect(await parts(firm.c2)).to.be.below(before / 3)
    expect(await parts(firm.sr)).to.equal(other)
    // Sent again it is said once.
    await tellAges(db, actor(), asked, new Date(testNow.getTime() + 60_000))
    const told = await withFirm(db, firm.firmId, (trx) =>
      trx('entry').where({ subject_id: firm.c2, kind: 'taken-over' }).count({ n: '*' }).first(),
    )
    expect(Number(told!.n)).to.equal(2)
  })

  it('is said of a site, and refused where it is nonsense or of tomorrow', async () => {
    const asked = { id: randomUUID(), scope: 'site', of: firm.siteId, parts: 'looks-right', on: '2026-11-25' }
    expect(await tellAges(db, actor(), asked, testNow)).to.deep.equal({ ok: true, machines: 2 })
    expect(await tellAges(db, actor(), { ...asked, id: randomUUID(), on: '2030-01-01' }, testNow)).to.include({
      ok: false,
    })
    expect(await tellAges(db, actor(), { ...asked, scope: 'world' }, testNow)).to.include({ ok: false, status: 422 })
    const other = await smallFirm(db, 'Looks On')
    expect(await tellAges(db, actor(other), { ...asked, id: randomUUID() }, testNow)).to.deep.equal({
      ok: true,
      machines: 0,
    })
  })
})
