import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { heldBySites, sitesOf } from '../../src/records/holdings.ts'
import { recordPage } from '../../src/services/records.ts'
import { sitePage } from '../../src/services/site-page.ts'
import { measuredOn, visitById, visitPage } from '../../src/services/visits.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('visits and what hangs on a place', () => {
  let db: Db
  let firm: SmallFirm
  const actor = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const write = async (entries: Entry[]) => {
    const answer = await writeEntries(db, actor(), entries, { now: testNow })
    expect(answer.verdicts.map(({ verdict }) => verdict)).to.deep.equal(entries.map(() => 'saved'))
  }

  /** A call on a day: its header at the site, and what was done at machines. */
  const call = (
    on: string,
    header: Record<string, unknown>,
    done: [string, Entry['kind'], Record<string, unknown>][],
  ) => {
    const visitId = randomUUID()
    return [
      entryAbout('site', firm.siteId, 'visit', { technicianIds: [firm.ines], ...header }, { on, visitId }),
      ...done.map(([machine, kind, body]) => entryAbout('machine', machine, kind, body, { on, visitId })),
    ]
  }

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Goes There')
    await write([...firstEntries(firm.c2, 'c2'), ...firstEntries(firm.sr, 'sr')])
    await write(
      call('2026-10-01', { minutes: 40, terms: 'chargeable' }, [
        [firm.c2, 'fault-reported', { text: 'no steam' }],
        [firm.c2, 'repaired', { text: 'New valve', part: 'steam-valve-seat', cause: 'worn' }],
        [firm.sr, 'measured', { measure: 'open-flow', state: 'found', value: 60 }],
      ]),
    )
    await write(
      call('2026-10-12', { technicianIds: [firm.ines, firm.odile], terms: 'warranty' }, [
        [firm.c2, 'repaired', { text: 'Seat lapped', part: 'steam-valve-seat' }],
        [firm.c2, 'remark', { text: 'hose chafes' }],
      ]),
    )
    await write(
      call('2026-11-20', { arrivedAt: '2026-11-20T09:00:00Z', leftAt: '2026-11-20T10:00:00Z' }, [
        [firm.sr, 'note', { text: 'tray full' }],
      ]),
    )
  })
  after(() => db.destroy())

  it('are listed with who was there, on what terms, and what was done to which machine', async () => {
    const { rows } = await visitPage(db, firm.firmId, {})
    expect(rows.map(({ on }) => on)).to.deep.equal(['2026-11-20', '2026-10-12', '2026-10-01'])
    const first = rows.at(-1)!
    expect(first).to.include({ siteName: 'A bakery', area: 'Chalkside', minutes: 40, terms: 'chargeable' })
    expect(first.technicians).to.deep.equal(['Ines Test'])
    expect(first.machines).to.have.members(['Left bar', 'Office'])
    expect(first.said).to.have.members(['“no steam”', 'New valve'])
    expect(first.lines).to.equal(3)
    expect(rows[1]!.technicians).to.deep.equal(['Ines Test', 'Odile Test'])
    expect(rows[0]).to.include({ arrivedAt: '2026-11-20T09:00:00Z', leftAt: '2026-11-20T10:00:00Z' })
  })

  it('say of a repair that it came back, on the call that was and on the call that followed', async () => {
    const [, again, was] = (await visitPage(db, firm.firmId, {})).rows
    expect(again!.returns).to.have.length(1)
    expect(again!.returns[0]).to.include({ days: 11, samePart: true, repairedOn: '2026-10-01' })
    expect(was!.cameBack).to.have.length(1)
    expect(was!.returns).to.deep.equal([])
  })

  it('are narrowed to a machine, a site, a technician, and followed page by page', async () => {
    const days = async (filter: Parameters<typeof visitPage>[2], size?: number) =>
      (await visitPage(db, firm.firmId, filter, size)).rows.map(({ on }) => on)
    expect(await days({ machineId: firm.sr })).to.deep.equal(['2026-11-20', '2026-10-01'])
    expect(await days({ machineId: firm.pk })).to.deep.equal([])
    expect(await days({ technicianId: firm.odile })).to.deep.equal(['2026-10-12'])
    expect(await days({ siteId: firm.siteId })).to.have.length(3)
    expect(await days({ siteId: randomUUID() })).to.deep.equal([])
    const first = await visitPage(db, firm.firmId, {}, 2)
    expect(first.rows).to.have.length(2)
    expect(await days({ cursor: first.next! }, 2)).to.deep.equal(['2026-10-01'])
    expect(await days({ cursor: 'nonsense' })).to.have.length(3)
    expect(await days({ cursor: Buffer.from('["2026-99-99","x"]').toString('base64url') })).to.have.length(3)
  })

  it('are found by id, with every measurement of their machines for the trend', async () => {
    const { rows } = await visitPage(db, firm.firmId, { machineId: firm.sr })
    const visit = (await visitById(db, firm.firmId, rows.at(-1)!.visitId))!
    expect(visit.on).to.equal('2026-10-01')
    expect(visit.about.map(({ name, entries }) => [name, entries.length])).to.have.deep.members([
      ['Left bar', 2],
      ['Office', 1],
    ])
    const measured = await measuredOn(db, firm.firmId, visit)
    expect(measured[firm.sr]!.map(({ kind }) => kind)).to.deep.equal(['measured'])
    expect(measured[firm.c2]).to.deep.equal([])
    expect(await visitById(db, firm.firmId, randomUUID())).to.equal(null)
  })

  it('belong to one firm', async () => {
    const other = await smallFirm(db, 'Stays Home')
    const { rows } = await visitPage(db, firm.firmId, {})
    expect((await visitPage(db, other.firmId, {})).rows).to.deep.equal([])
    expect(await visitById(db, other.firmId, rows[0]!.visitId)).to.equal(null)
    expect(await sitePage(db, other.firmId, firm.siteId)).to.equal(null)
  })

  it('make up a site’s page, with what stands there and what was left open', async () => {
    const exchanger = [
      entryAbout('softener', firm.softenerId, 'commissioned', { kind: 'exchanger', kindVersion: 1, partsNew: true }),
      entryAbout('softener', firm.softenerId, 'setting', { setting: 'exchanger', resinL: 8 }),
    ]
    await write(exchanger)
    const page = (await sitePage(db, firm.firmId, firm.siteId))!
    expect(page.site.name).to.equal('A bakery')
    expect([page.customer.name, page.supply!.name, page.technician.name]).to.deep.equal([
      'A customer',
      'A well',
      'Ines Test',
    ])
    expect(page.machines.map(({ name }) => name)).to.deep.equal(['Left bar', 'Office', 'Pods'])
    expect(page.softeners).to.have.length(1)
    expect(page.softeners[0]).to.include({ name: 'Back room', treatment: 'exchanger', resinL: 8, stage: 'working' })
    expect(page.remarks.map(({ text, about }) => [text, about.name])).to.deep.equal([['hose chafes', 'Left bar']])
    expect(page.visits).to.have.length(3)
    const [remark] = page.remarks
    await write([entryAbout('machine', firm.c2, 'remark-closed', { remark: remark!.id })])
    expect((await sitePage(db, firm.firmId, firm.siteId))!.remarks).to.deep.equal([])
    await write([entryAbout('softener', firm.softenerId, 'stage', { stage: 'retired' })])
    expect((await sitePage(db, firm.firmId, firm.siteId))!.softeners[0]!.stage).to.equal('retired')
  })

  it('count what hangs on sites, customers and water zones', async () => {
    const held = await withFirm(db, firm.firmId, async (trx) => ({
      sites: await heldBySites(trx, [firm.siteId]),
      customers: await sitesOf(trx, 'customer_id', [firm.customerId]),
      supplies: await sitesOf(trx, 'supply_id', [firm.supplyId, randomUUID()]),
    }))
    expect(held.sites.get(firm.siteId)!.machines).to.equal(3)
    expect(held.sites.get(firm.siteId)!.dueOn).to.match(/^202\d-/)
    expect([...held.customers.values(), ...held.supplies.values()]).to.deep.equal([{ sites: 1 }, { sites: 1 }])
    const [site] = (await recordPage(db, firm.firmId, 'site', {})).rows
    expect(site!.holds!.machines).to.equal(3)
    await write([entryAbout('machine', firm.pk, 'commissioned', { kind: 'pk', kindVersion: 1, partsNew: true })])
    await write([entryAbout('machine', firm.pk, 'stage', { stage: 'retired' })])
    expect((await recordPage(db, firm.firmId, 'site', {})).rows[0]!.holds!.machines).to.equal(2)
    expect((await recordPage(db, firm.firmId, 'instrument', {})).rows).to.deep.equal([])
  })
})
