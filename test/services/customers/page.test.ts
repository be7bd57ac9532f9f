import { expect } from 'chai'
import type { TheyTold } from '../../../src/core/customers/their-fault.ts'
import { filledIn } from '../../../src/core/firm/records.ts'
import type { RecordedEntry } from '../../../src/core/ledger/entry.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { type Db, withFirm } from '../../../src/records/database.ts'
import { insertKept, keptById, updateKept } from '../../../src/records/kept.ts'
import { entriesOf } from '../../../src/records/ledger.ts'
import { ringBacks } from '../../../src/services/calls.ts'
import { now } from '../../../src/services/clock.ts'
import { endPageAddress, makePageAddress, pageAddress } from '../../../src/services/customers/addresses.ts'
import { customerPage } from '../../../src/services/customers/page.ts'
import { report } from '../../../src/services/customers/report.ts'
import { send } from '../../../src/services/customers/send.ts'
import { openAddress, type There } from '../../../src/services/customers/there.ts'
import { sayWord } from '../../../src/services/customers/word.ts'
import { machineBundle } from '../../../src/services/machine-bundle.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm } from '../../records/a-database.ts'
import { writerOf } from '../writer.ts'

const address = '203.0.113.7'

describe('the page of a machine', () => {
  let db: Db
  let firm: SmallFirm
  let write: ReturnType<typeof writerOf>
  const today = now().toISOString().slice(0, 10)
  const ines = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const how = () => ({ id: crypto.randomUUID(), now: now(), address })
  const tokenOf = async (of: 'machine' | 'site', id: string) =>
    (await pageAddress(db, firm.firmId, of, id))!.path!.replace('/care/', '')
  const given = async (id: string) => {
    await makePageAddress(db, ines(), 'machine', id, now())
    return tokenOf('machine', id)
  }
  const openMachine = async (token: string, key?: string): Promise<There> => {
    const opened = await openAddress(db, { token, key, now: now() })
    if (opened?.opens !== 'machine') throw new Error(`opens ${opened?.opens}`)
    return opened.there
  }
  const ledger = (id: string): Promise<RecordedEntry[]> => withFirm(db, firm.firmId, (trx) => entriesOf(trx, [id]))
  const newest = async (id: string, before: RecordedEntry[]) => {
    const known = new Set(before.map((entry) => entry.id))
    return (await ledger(id)).filter((entry) => !known.has(entry.id)).sort((a, b) => a.seq - b.seq)
  }
  const setWord = (word?: string) =>
    write(entryAbout('site', firm.siteId, 'setting', { setting: 'site-word', ...(word && { word }) }, { on: today }))
  const knowing = async (token: string, word = '4711') => {
    const told = await sayWord(db, await openMachine(token), word, now())
    if (!told.ok) throw new Error(told.issues[0]!.message)
    return openMachine(token, told.key)
  }

  before(async () => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
    write = writerOf(() => ({ db, firm }))
    await write(
      ...firstEntries(firm.c2, 'c2'),
      ...firstEntries(firm.sr, 'sr'),
      entryAbout(
        'softener',
        firm.softenerId,
        'commissioned',
        { kind: 'exchanger', kindVersion: 1, partsNew: true },
        { on: '2026-06-01' },
      ),
      entryAbout('softener', firm.softenerId, 'setting', { setting: 'exchanger', resinL: 12 }, { on: '2026-06-01' }),
      entryAbout('firm', firm.firmId, 'setting', { setting: 'letterhead', phone: '0555 0142' }, { on: '2026-06-01' }),
    )
  })

  it('is opened by its address alone, and by none that was ended or replaced', async () => {
    const first = await given(firm.c2)
    expect(first).to.match(/^[\w-]{16}$/)
    const page = await customerPage(db, await openMachine(first))
    expect(page.machine.name).to.equal('Left bar')
    expect(page.firm.phone).to.equal('0555 0142')
    expect(page.softener).to.deep.include({ does: 'regenerate', lastOn: null })
    const second = await given(firm.c2)
    expect(await openAddress(db, { token: first, now: now() })).to.equal(null)
    expect((await openMachine(second)).machineId).to.equal(firm.c2)
    await endPageAddress(db, ines(), firm.c2, now())
    expect(await openAddress(db, { token: second, now: now() })).to.equal(null)
    expect(await openAddress(db, { token: 'nonsense', now: now() })).to.equal(null)
  })

  it('opens nothing once the machine stands at another customer’s', async () => {
    const token = await given(firm.c2)
    const [customerId, siteId] = [crypto.randomUUID(), crypto.randomUUID()]
    await withFirm(db, firm.firmId, async (trx) => {
      await insertKept(trx, firm.firmId, 'customer', customerId, filledIn('customer', { name: 'Another' }))
      const site = { customerId, technicianId: firm.ines, name: 'Elsewhere', timeZone: 'Europe/London' }
      await insertKept(trx, firm.firmId, 'site', siteId, filledIn('site', site))
    })
    await write(entryAbout('machine', firm.c2, 'moved', { fromSiteId: firm.siteId, toSiteId: siteId }, { on: today }))
    expect(await openAddress(db, { token, now: now() })).to.equal(null)
  })

  it('shows whoever does not know the word neither counter nor visit', async () => {
    const token = await given(firm.c2)
    await setWord('4711')
    const visit = { step: 'agreed', on: today, from: '10:30', technicianId: firm.ines, minutes: 60, tasks: [] }
    await write(entryAbout('site', firm.siteId, 'appointment', visit, { on: today, visitId: crypto.randomUUID() }))
    const stranger = await customerPage(db, await openMachine(token))
    expect(stranger.known).to.equal(null)
    expect(JSON.stringify(stranger)).to.not.match(/Ines|10:30|7000/)
    const { known } = await customerPage(db, await knowing(token))
    expect(known!.visit).to.deep.equal({ on: today, from: '10:30' })
    expect(known!.counter).to.deep.include({ last: 7000 })
    expect(known!.counter!.low).to.be.at.least(7000)
  })

  it('knows a phone until the word is another, and takes no wrong one', async () => {
    const token = await given(firm.c2)
    expect(await sayWord(db, await openMachine(token), '4711', now())).to.deep.include({ ok: false, status: 422 })
    await setWord('4711')
    expect(await sayWord(db, await openMachine(token), '4712', now())).to.deep.include({ ok: false, status: 422 })
    const told = await sayWord(db, await openMachine(token), ' 47 11', now())
    const key = told.ok ? told.key : ''
    expect((await openMachine(token, key)).knows).to.equal(true)
    await setWord('4712')
    expect((await openMachine(token, key)).knows).to.equal(false)
  })

  it('tries a word thirty times a day and no more, from wherever', async () => {
    const token = await given(firm.c2)
    await setWord('4711')
    const there = await openMachine(token)
    for (let n = 0; n < 30; n += 1) expect((await sayWord(db, there, '0000', now())).ok).to.equal(false)
    expect(await sayWord(db, there, '4711', now())).to.deep.include({ ok: false, status: 429 })
  })

  it('writes what somebody known sends as from the customer, once, and reckons with it', async () => {
    const token = await given(firm.c2)
    await setWord('4711')
    const there = await knowing(token)
    const before = await ledger(firm.c2)
    const sent = how()
    const counter = { what: 'counter', count: 8500 } as const
    expect(await send(db, there, counter, sent)).to.deep.equal({ ok: true })
    expect(await send(db, there, counter, sent)).to.deep.equal({ ok: true })
    const fresh = await newest(firm.c2, before)
    expect(fresh).to.have.length(1)
    expect(fresh[0]).to.deep.include({ kind: 'reading', origin: 'the customer, on the machine’s page' })
    expect(fresh[0]!.body).to.deep.include({ count: 8500, by: 'customer' })
    const bundle = (await machineBundle(db, firm.firmId, firm.c2))!
    expect(reckonMachine(bundle.ledgers)!.counter!.count).to.equal(8500)
    const say = (await customerPage(db, there)).jobs[0]!.job.name
    expect((await send(db, there, { what: 'job', say }, how())).ok).to.equal(true)
    expect((await send(db, there, { what: 'job', say: 'Boiler opened' }, how())).ok).to.equal(false)
    expect(
      (await customerPage(db, await openMachine(token))).jobs.find(({ job }) => job.name === say)!.lastOn,
    ).to.equal(today)
    const water = await ledger(firm.softenerId)
    await send(db, there, { what: 'regenerated', saltKg: 1.5 }, how())
    await send(db, there, { what: 'strip', low: 0, high: 3, unit: 'dH' }, how())
    expect((await newest(firm.softenerId, water)).map(({ kind }) => kind)).to.deep.equal(['regenerated', 'water-test'])
    expect((await customerPage(db, await openMachine(token))).softener!.lastOn).to.equal(today)
  })

  it('keeps what somebody unknown sends as a remark that nothing is reckoned from, six a day', async () => {
    const token = await given(firm.c2)
    const there = await openMachine(token)
    const before = await ledger(firm.c2)
    const answers = []
    for (let n = 0; n < 7; n += 1) answers.push(await send(db, there, { what: 'counter', count: 9000 + n }, how()))
    expect(answers.map(({ ok }) => ok)).to.deep.equal([true, true, true, true, true, true, false])
    expect(answers[6]).to.deep.include({ status: 429 })
    const fresh = await newest(firm.c2, before)
    expect(fresh.map(({ kind }) => kind)).to.deep.equal(Array(6).fill('remark'))
    expect(fresh[0]!.origin).to.equal('somebody unknown, on the machine’s page')
    const bundle = (await machineBundle(db, firm.firmId, firm.c2))!
    expect(reckonMachine(bundle.ledgers)!.counter!.count).to.equal(7000)
  })

  describe('where something is wrong', () => {
    const told = (more: Partial<TheyTold> = {}) => ({
      words: 'It only drips',
      stop: 'none' as const,
      denied: false,
      symptom: 'slow',
      seen: [],
      passed: [],
      caller: 'Mo',
      phone: '0555 0199',
      ...more,
    })

    it('rings in the firm’s list, with the fault on record and their answers', async () => {
      const token = await given(firm.c2)
      await setWord('4711')
      const there = await knowing(token)
      const before = await ledger(firm.c2)
      const seen = [{ test: 'ask-often', outcome: 'always' }]
      expect((await report(db, there, told({ seen }), how())).ok).to.equal(true)
      const fresh = await newest(firm.c2, before)
      expect(fresh.map(({ kind }) => kind)).to.deep.equal(['fault-reported', 'call', 'test-seen'])
      expect(fresh[1]!.body).to.deep.include({
        end: 'ring-back',
        report: fresh[0]!.id,
        caller: 'Mo',
        phone: '0555 0199',
      })
      expect(fresh[2]!.body).to.deep.include({ said: true, report: fresh[0]!.id })
      const [call] = await ringBacks(db, firm.firmId, today)
      expect(call).to.deep.include({ caller: 'Mo', origin: 'the customer, on the machine’s page' })
      // A second time the fault is on record already: it rings, and is not reported anew.
      const again = await ledger(firm.c2)
      await report(db, await openMachine(token, undefined), told(), how())
      const there2 = await knowing(token)
      await report(db, there2, told({ words: 'Still drips' }), how())
      expect((await newest(firm.c2, again)).map(({ kind }) => kind)).to.deep.equal(['call', 'call'])
    })

    it('is held where it must stop, by somebody known; of anybody else it is words', async () => {
      const token = await given(firm.c2)
      await setWord('4711')
      const before = await ledger(firm.c2)
      await report(db, await openMachine(token), told({ stop: 'burning' }), how())
      const unknown = await newest(firm.c2, before)
      expect(unknown.map(({ kind }) => kind)).to.deep.equal(['call'])
      expect(unknown[0]!.kind === 'call' && unknown[0]!.body.text).to.match(/Must stop: it smells of burning/)
      await report(db, await knowing(token), told({ stop: 'burning' }), how())
      const held = (await newest(firm.c2, before)).find(({ kind }) => kind === 'held')
      expect(held!.body).to.deep.include({ why: 'electrical' })
      expect((await customerPage(db, await openMachine(token))).out).to.deep.equal(['Not for use'])
    })
  })

  it('is of a whole place where there are several machines, and of no other’s', async () => {
    await makePageAddress(db, ines(), 'site', firm.siteId, now())
    const token = await tokenOf('site', firm.siteId)
    const opened = await openAddress(db, { token, now: now() })
    expect(opened?.opens === 'place' && opened.place.firm.phone).to.equal('0555 0142')
    expect(opened?.opens === 'place' && opened.place.machines.map(({ name }) => name)).to.deep.equal([
      'Left bar',
      'Office',
      'Pods',
    ])
    const one = await openAddress(db, { token, machineId: firm.sr, now: now() })
    expect(one?.opens === 'machine' && one.there.machineId).to.equal(firm.sr)
    const other = await smallFirm(db)
    expect((await openAddress(db, { token, machineId: other.sr, now: now() }))?.opens).to.equal('place')
    const site = (await withFirm(db, firm.firmId, (trx) => keptById(trx, 'site', firm.siteId)))!
    await withFirm(db, firm.firmId, (trx) =>
      updateKept(trx, 'site', firm.siteId, site.version, { ...filledIn('site', site), retiredOn: today }),
    )
    expect(await openAddress(db, { token, now: now() })).to.equal(null)
  })

  it('says of a held milk side that no more than that is not for use', async () => {
    const token = await given(firm.sr)
    await write(entryAbout('machine', firm.sr, 'held', { why: 'milk-cleaner', only: 'milk' }, { on: today }))
    expect((await customerPage(db, await openMachine(token))).out).to.deep.equal(['Its milk is not for use'])
  })

  it('opens nothing of a machine that is retired, nor is that in the list of its place', async () => {
    const token = await given(firm.sr)
    await makePageAddress(db, ines(), 'site', firm.siteId, now())
    await write(entryAbout('machine', firm.sr, 'stage', { stage: 'retired' }, { on: today }))
    expect(await openAddress(db, { token, now: now() })).to.equal(null)
    const opened = await openAddress(db, { token: await tokenOf('site', firm.siteId), now: now() })
    expect(opened?.opens === 'place' && opened.place.machines.map(({ name }) => name)).to.not.include('Office')
  })

  it('is no other firm’s to give out or to see', async () => {
    const other = await smallFirm(db)
    const stranger = { firmId: other.firmId, technicianId: other.ines, role: 'owner' as const }
    expect(await makePageAddress(db, stranger, 'machine', firm.c2, now())).to.deep.include({ ok: false, status: 404 })
    expect(await pageAddress(db, other.firmId, 'machine', firm.c2)).to.equal(null)
    const token = await given(firm.c2)
    await endPageAddress(db, stranger, firm.c2, now())
    expect((await openMachine(token)).machineId).to.equal(firm.c2)
  })
})
