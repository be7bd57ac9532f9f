import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { changes } from '../../src/records/changes.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { keptById } from '../../src/records/kept.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { recordById, recordPage } from '../../src/services/records.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('keeping records', () => {
  let db: Db
  let firm: SmallFirm
  const owner = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const technician = () => ({ firmId: firm.firmId, technicianId: firm.odile, role: 'technician' as const })
  const keep = (request: Omit<Parameters<typeof keepRecord>[2], 'version'> & { version?: number }, actor = owner()) =>
    keepRecord(db, actor, { version: 0, ...request }, testNow)

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
  })
  after(() => db.destroy())

  const site = (more = {}) => ({
    customerId: firm.customerId,
    technicianId: firm.ines,
    name: 'A kiosk',
    timeZone: 'Europe/London',
    area: '',
    address: '',
    accessNote: '',
    ...more,
  })

  it('adds one, once, however often it is sent', async () => {
    const id = randomUUID()
    const request = { kind: 'site' as const, id, record: site({ latitude: 51.5, longitude: -0.25 }) }
    expect(await keep(request)).to.deep.equal({ ok: true, version: 1 })
    expect(await keep(request)).to.deep.equal({ ok: true, version: 1 })
    expect(await recordById(db, firm.firmId, 'site', id)).to.deep.include({
      latitude: 51.5,
      longitude: -0.25,
      version: 1,
    })
    expect(await keep({ ...request, record: site({ name: 'Another' }) })).to.deep.include({ ok: false, why: 'stale' })
    const log = await withFirm(db, firm.firmId, (trx) => changes(trx, null, 100))
    expect(log.filter((change) => change.aboutId === id).map(({ action }) => action)).to.deep.equal(['added'])
  })

  it('changes it from the version that was read, and keeps how it was', async () => {
    const id = randomUUID()
    await keep({ kind: 'customer', id, record: { name: 'Before', note: 'pays late' } })
    const changed = { kind: 'customer' as const, id, version: 1, record: { name: 'After', note: '' } }
    expect(await keep(changed)).to.deep.equal({ ok: true, version: 2 })
    expect(await keep(changed), 'the same again').to.deep.equal({ ok: true, version: 2 })
    const [change] = (await withFirm(db, firm.firmId, (trx) => changes(trx, null, 100))).filter(
      (one) => one.aboutId === id && one.action === 'changed',
    )
    expect(change!.before).to.deep.include({ name: 'Before', note: 'pays late' })
    expect(change!.after).to.deep.include({ name: 'After' })
  })

  it('keeps what two changed side by side, and shows field by field where both changed the same', async () => {
    const id = randomUUID()
    const read = { name: 'Kiosk', contact: 'the bar', note: 'ring twice' }
    await keep({ kind: 'customer', id, record: read })
    const from = (record: object, more: object = {}) =>
      keep({ kind: 'customer', id, version: 1, record: { ...read, ...record }, ...more })
    expect(await from({ note: 'ring once' })).to.deep.equal({ ok: true, version: 2 })
    // Read before that, and about something else: both stand.
    expect(await from({ contact: 'the kitchen' })).to.deep.equal({ ok: true, version: 3 })
    const now = () => recordById(db, firm.firmId, 'customer', id)
    expect(await now()).to.deep.include({ contact: 'the kitchen', note: 'ring once' })
    const both = await from({ name: 'Pier kiosk', note: 'knock' })
    expect(both).to.deep.include({ ok: false, why: 'stale' })
    const issues = both.ok ? [] : both.issues
    expect(issues.map(({ path, code, value }) => [path, code, value])).to.deep.equal([
      ['', 'changed_since', 3],
      ['note', 'theirs', 'ring once'],
    ])
    expect(await now(), 'nothing was written').to.deep.include({ name: 'Kiosk', note: 'ring once' })
    expect(await from({ name: 'Pier kiosk', note: 'knock' }, { seen: 2 }), 'that is not what is there now').to.include({
      ok: false,
    })
    expect(await from({ name: 'Pier kiosk', note: 'knock' }, { seen: 3 })).to.deep.equal({ ok: true, version: 4 })
    // What was never touched on this side is still as the others left it.
    expect(await now()).to.deep.include({ name: 'Pier kiosk', contact: 'the kitchen', note: 'knock' })
  })

  it('says what is wrong at its field, and writes nothing', async () => {
    const id = randomUUID()
    const issues = async (kind: Parameters<typeof keepRecord>[2]['kind'], record: unknown) => {
      const answer = await keep({ kind, id, record })
      return answer.ok ? [] : answer.issues.map(({ path, code }) => `${path} ${code}`)
    }
    expect(await issues('site', site({ customerId: randomUUID() }))).to.deep.equal(['customerId unknown'])
    expect(await issues('site', site({ timeZone: 'Mars/Base' }))).to.deep.equal(['timeZone zone'])
    expect(await issues('site', site({ latitude: 10 }))).to.deep.equal(['longitude pair'])
    expect(await issues('site', site({ name: '  ' }))).to.have.length(1)
    expect(await issues('site', site({ nonsense: 1 }))).to.deep.equal(['nonsense unknown_field'])
    const machine = { siteId: firm.siteId, name: 'X', kind: 'c2', serial: 'C2-1' }
    expect(await issues('machine', machine)).to.deep.equal(['serial taken'])
    expect(await issues('machine', { ...machine, serial: '', kind: 'nonsense' })).to.deep.equal(['kind unknown'])
    expect(await recordById(db, firm.firmId, 'machine', id)).to.equal(null)
  })

  it('takes two machines without a number on their plates', async () => {
    const plain = { siteId: firm.siteId, name: 'No plate', kind: 'pk' }
    for (const id of [randomUUID(), randomUUID()])
      expect((await keep({ kind: 'machine', id, record: plain })).ok).to.equal(true)
  })

  it('takes a machine on with its first entries, or not at all', async () => {
    const take = (id: string, count: number) =>
      keep({
        kind: 'machine',
        id,
        record: { siteId: firm.siteId, name: 'New one', kind: 'c2', serial: `N-${id.slice(0, 8)}` },
        entries: [
          entryAbout('machine', id, 'commissioned', { kind: 'c2', kindVersion: 1, partsNew: true }),
          entryAbout('machine', id, 'reading', { counter: 'shots', count }),
        ],
      })
    const [good, bad] = [randomUUID(), randomUUID()]
    expect((await take(good, 10)).ok).to.equal(true)
    const standings = await withFirm(db, firm.firmId, (trx) => trx('standing').where({ subject_id: good }))
    expect(standings.length).to.be.above(30)
    expect(await take(bad, -1)).to.have.nested.property('issues[0].path', 'body.count')
    expect(await recordById(db, firm.firmId, 'machine', bad)).to.equal(null)
  })

  it('leaves to the owner what is the owner’s, and keeps the owner inside', async () => {
    const record = { name: 'Odile', initials: 'OT', role: 'owner' }
    expect(await keep({ kind: 'technician', id: firm.odile, version: 1, record }, technician() as never)).to.include({
      why: 'forbidden',
    })
    const self = { name: 'Ines Test', initials: 'IT', role: 'technician' }
    expect(await keep({ kind: 'technician', id: firm.ines, version: 1, record: self })).to.have.nested.property(
      'issues[0].code',
      'self',
    )
  })

  it('does not let an edit rewrite history', async () => {
    const record = { siteId: randomUUID(), name: 'Pods', kind: 'pk', serial: 'PK-1' }
    await keep({ kind: 'site', id: record.siteId, record: site() })
    const edited = await keep({ kind: 'machine', id: firm.pk, version: 1, record })
    expect(edited).to.have.nested.property('issues[0].code', 'fixed')
  })

  it('knows nothing of another firm', async () => {
    const other = await smallFirm(db, 'Other')
    const stranger = { firmId: other.firmId, technicianId: other.ines, role: 'owner' as const }
    const edit = { kind: 'customer' as const, id: firm.customerId, version: 1, record: { name: 'Stolen' } }
    expect(await keep(edit, stranger)).to.include({ why: 'unknown' })
    expect(await recordById(db, other.firmId, 'customer', firm.customerId)).to.equal(null)
  })

  it('lists by name, a page at a time', async () => {
    for (let i = 0; i < 5; i += 1)
      await keep({ kind: 'supply', id: randomUUID(), record: { name: `Zone ${i % 2} ${i}` } })
    const first = await recordPage(db, firm.firmId, 'supply', { text: 'zone' }, 3)
    const rest = await recordPage(db, firm.firmId, 'supply', { text: 'zone', cursor: first.next! }, 3)
    const names = [...first.rows, ...rest.rows].map(({ name }) => name)
    expect(names).to.deep.equal(['Zone 0 0', 'Zone 0 2', 'Zone 0 4', 'Zone 1 1', 'Zone 1 3'])
    expect(rest.next).to.equal(undefined)
  })

  describe('a machine that moves', () => {
    const place = async () => {
      const machine = await withFirm(db, firm.firmId, (trx) => keptById(trx, 'machine', firm.c2))
      return [machine!.siteId, machine!.softenerId]
    }

    it('stands elsewhere from then on, and back again when the move is withdrawn', async () => {
      await writeEntries(db, owner(), firstEntries(firm.c2, 'c2'), { now: testNow })
      const there = randomUUID()
      await keep({ kind: 'site', id: there, record: site({ name: 'Elsewhere' }) })
      const moved = entryAbout('machine', firm.c2, 'moved', {
        fromSiteId: firm.siteId,
        fromSoftenerId: firm.softenerId,
        toSiteId: there,
      })
      const answer = await writeEntries(db, owner(), [moved], { now: testNow })
      expect(answer.verdicts[0]!.verdict).to.equal('saved')
      expect(await place()).to.deep.equal([there, undefined])
      const bundle = await machineBundle(db, firm.firmId, firm.c2)
      expect(bundle!.site.name).to.equal('Elsewhere')
      expect(bundle!.ledgers.machine!.length, 'with its history').to.equal(4)
      const sites = await withFirm(db, firm.firmId, (trx) =>
        trx('standing').where({ subject_id: firm.c2 }).distinct('site_id'),
      )
      expect(sites).to.deep.equal([{ site_id: there }])
      const back = { ...entryAbout('machine', firm.c2, 'withdrawn', {}), supersedes: moved.id }
      await writeEntries(db, owner(), [back], { now: testNow })
      expect(await place()).to.deep.equal([firm.siteId, firm.softenerId])
    })

    it('is refused a site nobody knows, and a softener of another site', async () => {
      const there = randomUUID()
      await keep({ kind: 'site', id: there, record: site({ name: 'Third' }) })
      const issue = async (body: Record<string, unknown>) => {
        const { verdicts } = await writeEntries(db, owner(), [entryAbout('machine', firm.pk, 'moved', body)], {
          now: testNow,
        })
        return (verdicts[0] as { issues?: { path: string; code: string }[] }).issues?.map(
          ({ path, code }) => `${path} ${code}`,
        )
      }
      expect(await issue({ toSiteId: randomUUID() })).to.deep.equal(['body.toSiteId unknown'])
      expect(await issue({ toSiteId: there, toSoftenerId: firm.softenerId })).to.deep.equal([
        'body.toSoftenerId elsewhere',
      ])
    })
  })
})
