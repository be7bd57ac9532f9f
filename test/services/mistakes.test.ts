import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { filledIn, type Kept, type RecordKind } from '../../src/core/firm/records.ts'
import { effectiveHistory } from '../../src/core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../src/core/ledger/entry.ts'
import { effective } from '../../src/core/standing/histories.ts'
import { machineFacts } from '../../src/core/standing/machine-facts.ts'
import { type Db, lookIn } from '../../src/records/database.ts'
import { type KeptRecord, keptById } from '../../src/records/kept.ts'
import { entriesOf } from '../../src/records/ledger.ts'
import { changePage } from '../../src/services/changes.ts'
import { forget } from '../../src/services/forget.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { merge } from '../../src/services/merging.ts'
import { removeRecord } from '../../src/services/removing.ts'
import { undoChange } from '../../src/services/undo-change.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what was entered by mistake', () => {
  let db: Db
  let firm: SmallFirm
  let seconds = 0
  /** A moment later than the one before: the log is in order. */
  const soon = () => {
    seconds += 1
    return new Date(testNow.getTime() + 1000 * seconds)
  }
  const actor = (who = firm) => ({ firmId: who.firmId, technicianId: who.ines, role: 'owner' as const })
  const at = <T>(look: Parameters<typeof lookIn<T>>[2]) => lookIn(db, firm.firmId, look)
  const there = <K extends RecordKind>(kind: K, id: string): Promise<KeptRecord<K> | null> =>
    at((trx) => keptById(trx, kind, id))
  const add = async <K extends RecordKind>(
    kind: K,
    record: Partial<Kept<K>>,
    entries: object[] = [],
    id = randomUUID(),
  ) => {
    const kept = await keepRecord(
      db,
      actor(),
      { kind, id, version: 0, record: filledIn(kind, record), entries },
      testNow,
    )
    expect(kept, `${kind} kept`).to.deep.include({ ok: true })
    return id
  }
  const write = async (entries: object[]) =>
    (await writeEntries(db, actor(), entries, { now: testNow })).verdicts.map(({ verdict }) => verdict)
  const history = async (id: string): Promise<RecordedEntry[]> =>
    effectiveHistory(await at((trx) => entriesOf(trx, [id]))).entries
  const lastChange = async (action: string) =>
    (await changePage(db, firm.firmId)).rows.find((row) => row.action === action)!
  const newSite = (name: string, customerId = firm.customerId) =>
    add('site', { customerId, technicianId: firm.ines, name, timeZone: 'Europe/London' })
  const newMachine = (siteId: string, name: string, kind: string) => {
    const id = randomUUID()
    const taken = entryAbout(
      'machine',
      id,
      'commissioned',
      { kind, kindVersion: 1, partsNew: true },
      { on: '2026-06-01' },
    )
    return add('machine', { siteId, name, kind, serial: '' }, [taken], id)
  }

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Mistakes & Daughter')
    await write(firstEntries(firm.c2, 'c2'))
  })
  after(() => db.destroy())

  describe('is removed where nothing hangs on it', () => {
    it('and brought back as it was, once, by anybody who asks twice', async () => {
      const site = await newSite('A slip')
      const machine = await newMachine(site, 'Nobody', 'sr')
      const before = await there('machine', machine)
      const refused = await removeRecord(db, actor(), 'site', site, soon())
      expect(refused).to.have.nested.property('issues[0].message').that.contains('1 machine hang')
      expect(await removeRecord(db, actor(), 'machine', machine, soon())).to.deep.equal({ ok: true })
      expect(await there('machine', machine)).to.equal(null)
      expect(await removeRecord(db, actor(), 'machine', machine, soon())).to.deep.equal({ ok: true })
      expect(await machineBundle(db, firm.firmId, machine)).to.equal(null)
      const { id } = await lastChange('removed')
      for (const _ of [1, 2]) expect(await undoChange(db, actor(), id, soon())).to.deep.equal({ ok: true })
      expect(await there('machine', machine)).to.deep.include({ name: before!.name, siteId: site, kind: 'sr' })
      // What was written about it counts again.
      expect((await machineBundle(db, firm.firmId, machine))!.ledgers.machine).to.have.length(1)
    })

    it('and what has a history, or is pointed at, is not; nor is anything of another firm', async () => {
      const why = async (kind: Parameters<typeof removeRecord>[2], id: string) => {
        const told = await removeRecord(db, actor(), kind, id, soon())
        return told.ok ? 'removed' : told.issues[0]!.message
      }
      expect(await why('machine', firm.c2)).to.contain('2 entries')
      expect(await why('softener', firm.softenerId)).to.contain('1 machine')
      expect(await why('customer', firm.customerId)).to.match(/\d sites?/)
      expect(await why('supply', firm.supplyId)).to.contain('1 site')

      const gauge = await add('instrument', { name: 'Gauge', kind: 'gauge', serial: '' })
      await write([entryAbout('instrument', gauge, 'calibrated', { dueOn: '2027-01-01' })])
      expect(await why('instrument', gauge)).to.contain('1 entry')
      const other = await smallFirm(db, 'Elsewhere')
      expect(await why('machine', other.sr)).to.equal('is not here')
      const { id } = await lastChange('removed')
      expect(await undoChange(db, actor(other), id, soon())).to.have.property('ok', false)
    })
  })

  describe('and is the same as another, is made one with it', () => {
    it('customers: the sites go over, what was missing is filled in; and back', async () => {
      const one = await add('customer', { name: 'Sommer bakery', phone: '555 0101' })
      const two = await add('customer', { name: 'Bakery Sommer', contact: 'Ruth' })
      const site = await newSite('Sommer, mill lane', one)
      expect(await merge(db, actor(), { kind: 'customer', from: one, into: two }, soon())).to.deep.equal({ ok: true })
      expect(await there('site', site)).to.include({ customerId: two })
      expect(await there('customer', two)).to.include({ contact: 'Ruth', phone: '555 0101' })
      expect(await there('customer', one)).to.equal(null)
      await undoChange(db, actor(), (await lastChange('merged')).id, soon())
      expect(await there('site', site)).to.include({ customerId: one })
      expect(await there('customer', two)).to.include({ contact: 'Ruth', phone: '' })
      expect(await there('customer', one)).to.include({ phone: '555 0101' })
    })

    it('customers, and the one that stayed is forgotten: nothing of either is left in the log', async () => {
      const one = await add('customer', { name: 'Twice Vellum', phone: '555 0177' })
      const two = await add('customer', { name: 'Vellum, twice', contact: 'Orla Vellum' })
      await merge(db, actor(), { kind: 'customer', from: one, into: two }, soon())
      const { id: _, version, ...record } = (await there('customer', two))!
      const retired = { ...record, retiredOn: '2026-11-25' }
      await keepRecord(db, actor(), { kind: 'customer', id: two, version, record: retired }, testNow)
      expect(await forget(db, actor(), 'customer', two, soon())).to.deep.include({ ok: true })
      const { id: line } = await lastChange('merged')
      expect(await undoChange(db, actor(), line, soon())).to.have.property('status', 404)
      const log = await at((trx) => trx('change').select(trx.raw(`concat(before::text, after::text) as words`)))
      for (const word of ['Vellum', '555 0177'])
        expect(
          log.filter(({ words }: { words: string }) => words.includes(word)),
          word,
        ).to.deep.equal([])
    })

    it('sites: machines and softeners go over without having moved, and back by their entries', async () => {
      const site = await newSite('The bakery again')
      const useBefore = await use(firm.c2)
      const opening = (days: number[]) => ({ setting: 'opening', openWeekdays: days })
      const test = { point: 'raw', quantity: 'total', method: 'figure', unit: 'dH', value: 14 }
      const closure = { setting: 'closure', from: '2026-12-24', to: '2027-01-02' }
      await write([
        entryAbout('site', firm.siteId, 'water-test', test, { on: '2026-11-12' }),
        entryAbout('site', firm.siteId, 'setting', opening([1, 2, 3]), { on: '2026-11-12' }),
        entryAbout('site', firm.siteId, 'setting', closure, { on: '2026-11-12' }),
        entryAbout('site', site, 'setting', opening([1, 2, 3, 4, 5]), { on: '2026-11-12' }),
      ])
      const told = await merge(db, actor(), { kind: 'site', from: firm.siteId, into: site }, soon())
      expect(told).to.deep.equal({ ok: true })
      expect(await there('machine', firm.c2)).to.include({ siteId: site, softenerId: firm.softenerId })
      expect(await there('softener', firm.softenerId)).to.include({ siteId: site })
      expect(await there('site', firm.siteId)).to.have.property('retiredOn')
      // A machine that stayed where it is has its readings from before.
      expect((await use(firm.c2)).map(({ count }) => count)).to.deep.equal(useBefore.map(({ count }) => count))
      // Its water goes over with it, and closures; of open days the place that stays has its own.
      const here = await history(site)
      expect(here.find(({ kind }) => kind === 'water-test')!.body).to.deep.include({ value: 14 })
      const settings = here.filter(({ kind }) => kind === 'setting').map(({ body }) => body)
      expect(settings).to.have.length(2)
      expect(settings).to.deep.include({ v: 1, ...opening([1, 2, 3, 4, 5]) })
      expect(settings).to.deep.include({ v: 1, ...closure })
      await undoChange(db, actor(), (await lastChange('merged')).id, soon())
      expect(await there('machine', firm.c2)).to.include({ siteId: firm.siteId, softenerId: firm.softenerId })
      expect(await there('softener', firm.softenerId)).to.include({ siteId: firm.siteId })
      expect((await there('site', firm.siteId))!.retiredOn).to.equal(undefined)
      expect((await history(site)).map(({ kind }) => kind)).to.deep.equal(['setting'])
    })

    it('machines: what was written about the one is written about the other, and withdrawn again', async () => {
      const twin = await newMachine(firm.siteId, 'Left bar, twice', 'c2')
      const remark = entryAbout('machine', twin, 'remark', { text: 'drips' })
      const closed = entryAbout('machine', twin, 'remark-closed', { remark: remark.id })
      await write([
        entryAbout('machine', twin, 'reading', { counter: 'shots', count: 7800 }, { on: '2026-11-10' }),
        remark,
        closed,
      ])
      const before = await history(firm.c2)
      const unlike = await merge(db, actor(), { kind: 'machine', from: firm.sr, into: firm.c2 }, soon())
      expect(unlike).to.have.nested.property('issues[0].message').that.contains('different kinds')
      expect(await merge(db, actor(), { kind: 'machine', from: twin, into: firm.c2 }, soon())).to.deep.equal({
        ok: true,
      })
      const after = await history(firm.c2)
      expect(after.length).to.equal(before.length + 3)
      const here = after.find(({ kind }) => kind === 'remark')!
      expect(after.find(({ kind }) => kind === 'remark-closed')!.body).to.deep.include({ remark: here.id })
      expect((await history(twin)).at(-1)!.body).to.deep.include({ stage: 'retired' })
      await undoChange(db, actor(), (await lastChange('merged')).id, soon())
      expect(await history(firm.c2)).to.deep.equal(before)
      expect((await history(twin)).map(({ kind }) => kind)).to.not.include('stage')
    })

    it('and never with itself, nor with what is not there', async () => {
      const with_ = (from: string, into: string) => merge(db, actor(), { kind: 'site', from, into }, soon())
      expect(await with_(firm.siteId, firm.siteId)).to.have.nested.property('issues[0].code', 'same')
      expect(await with_(firm.siteId, randomUUID())).to.have.property('status', 404)
    })
  })

  it('as a machine of another kind, is that kind once it is said: in the record, in the ledger, and back', async () => {
    const id = await newMachine(firm.siteId, 'Taken for another', 'c2')
    const [taken] = await history(id)
    const body = { kind: 'sr', kindVersion: 1, partsNew: true }
    const right = entryAbout('machine', id, 'commissioned', body, { on: '2026-06-01', supersedes: taken!.id })
    expect(await write([right])).to.deep.equal(['saved'])
    expect(await there('machine', id)).to.include({ kind: 'sr' })
    expect((await machineBundle(db, firm.firmId, id))!.machine.kind).to.equal('sr')
    const keys = (await lookIn(db, firm.firmId, (trx) =>
      trx('standing').where({ subject_id: id }).pluck('key'),
    )) as string[]
    expect(keys.some((key) => key.startsWith('group-gasket'))).to.equal(false)
    expect(await write([entryAbout('machine', id, 'withdrawn', {}, { supersedes: right.id })])).to.deep.equal(['saved'])
    // Never taken on: it stays what was said last, and nothing of it is dated.
    expect(await there('machine', id)).to.include({ kind: 'sr' })
    const [, withdrawn] = (await at((trx) => entriesOf(trx, [id]))).slice(-2)
    const back = entryAbout(
      'machine',
      id,
      'commissioned',
      { ...body, kind: 'c2' },
      { on: '2026-06-01', supersedes: withdrawn!.id },
    )
    expect(await write([back])).to.deep.equal(['saved'])
    expect(await there('machine', id)).to.include({ kind: 'c2' })
    expect(await history(id)).to.have.length(1)
  })

  async function use(id: string) {
    const { ledgers } = (await machineBundle(db, firm.firmId, id))!
    return machineFacts(effective(ledgers), false)!.use.intervals
  }
})
