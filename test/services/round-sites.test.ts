import { expect } from 'chai'
import { filledIn } from '../../src/core/firm/records.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { reckonLater, reckonWaiting } from '../../src/services/rebuild.ts'
import { roundPage } from '../../src/services/round.ts'
import { roundSites } from '../../src/services/round-sites.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

const today = '2026-11-26'

describe('sites in the order they matter', () => {
  let db: Db
  let firm: SmallFirm
  const actor = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const id = (n: number) => `01939000-0000-7000-8000-0000000051${String(n).padStart(2, '0')}`
  const write = async (entries: object[]) => {
    const { verdicts } = await writeEntries(db, actor(), entries, { now: testNow })
    expect(verdicts.map(({ verdict }) => verdict)).to.deep.equal(entries.map(() => 'saved'))
  }
  /** A place with one grinder, taken on new on a day: what is due there is known to the week. */
  const place = async (n: number, name: string, kind: string, on: string) => {
    const site = { customerId: firm.customerId, technicianId: firm.odile, name, timeZone: 'Europe/London' }
    const keep = (what: 'site' | 'machine', at: string, record: object, entries: object[] = []) =>
      keepRecord(db, actor(), { kind: what, id: at, version: 0, record: filledIn(what, record), entries }, testNow)
    expect(await keep('site', id(n), site)).to.deep.include({ ok: true })
    const taken = entryAbout('machine', id(n + 50), 'commissioned', { kind, kindVersion: 1, partsNew: true }, { on })
    const machine = { siteId: id(n), name: `${name}, machine`, kind, serial: `RS-${n}` }
    expect(await keep('machine', id(n + 50), machine, [taken])).to.deep.include({ ok: true })
  }
  const sites = async (horizon: 'fortnight' | 'quarter' = 'quarter') =>
    (await roundSites(db, firm.firmId, horizon, today)).sites.filter(({ name }) => name !== 'A bakery')

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Sites & Daughter')
    await write(firstEntries(firm.c2, 'c2'))
    await place(1, 'Quiet grinder', 'gr', '2026-06-20')
    await place(2, 'Tested grinder', 'gr', '2025-12-10')
    await place(3, 'Standing grinder', 'gr', '2026-07-01')
    await reckonWaiting(db, firm.firmId)
  })
  after(() => db.destroy())

  it('what guards comes first, then where a machine stands, then the rest', async () => {
    // The law's yearly test of the second is due in December; the others ask for grease.
    expect((await sites()).map(({ name, group }) => [name, group])).to.deep.equal([
      ['Tested grinder', 'danger'],
      ['Quiet grinder', 'rest'],
      ['Standing grinder', 'rest'],
    ])
    const report = entryAbout('machine', id(53), 'fault-reported', { text: 'does not start' })
    await write([report])
    const [, second] = await sites()
    expect(second).to.include({ name: 'Standing grinder', group: 'stands', stand: 1 })
    await write([
      entryAbout('machine', id(53), 'repaired', { text: 'capacitor', report: report.id }, { on: '2026-11-21' }),
    ])
    expect((await sites()).map(({ group }) => group)).to.deep.equal(['danger', 'rest', 'rest'])
  })

  it('says how many still wait to be reckoned: an empty list is not yet an answer', async () => {
    const waiting = async () => (await roundSites(db, firm.firmId, 'quarter', today)).waiting
    expect(await waiting()).to.equal(0)
    await withFirm(db, firm.firmId, (trx) => reckonLater(trx, firm.firmId, [id(51), id(52)]))
    expect(await waiting()).to.equal(2)
    await reckonWaiting(db, firm.firmId)
    expect(await waiting()).to.equal(0)
  })

  it('counts what the board shows, and no more', async () => {
    for (const site of await sites()) {
      const { rows } = await roundPage(db, firm.firmId, { siteId: site.siteId, horizon: 'quarter' }, today)
      expect(site.lines, site.name).to.equal(rows.length)
      expect(site.minutes).to.equal(rows.reduce((sum, { standing }) => sum + standing.minutes, 0))
      expect(site.firstDue).to.equal(rows[0]!.standing.due!.p50)
      expect(site.overdue).to.equal(rows.filter(({ standing }) => standing.due!.p50 < today).length)
      expect(site.technician).to.equal('Odile Test')
    }
    const near = await sites('fortnight')
    expect(near.length).to.be.lessThan((await sites()).length)
  })

  it('shows nothing of another firm', async () => {
    const other = await smallFirm(db, 'Elsewhere')
    expect((await roundSites(db, other.firmId, 'year', today)).sites).to.deep.equal([])
  })
})
