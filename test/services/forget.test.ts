import { randomUUID } from 'node:crypto'
import { existsSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import sharp from 'sharp'
import type { Kept } from '../../src/core/firm/records.ts'
import { accountByEmail, addAccount } from '../../src/records/accounts.ts'
import { allChanges } from '../../src/records/changes.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { keptById } from '../../src/records/kept.ts'
import { entriesOfKinds } from '../../src/records/ledger.ts'
import { allPhotos } from '../../src/records/photos.ts'
import { makePageAddress, pageAddress } from '../../src/services/customers/addresses.ts'
import { openAddress } from '../../src/services/customers/there.ts'
import { forget } from '../../src/services/forget.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { letterheadOf } from '../../src/services/papers/letterhead-of.ts'
import { photoFile, photoPath, saveLogo, savePhoto } from '../../src/services/photos.ts'
import { hashPassword, signIn, whoHolds } from '../../src/services/sign-in.ts'
import { type Caller, nobody } from '../../src/services/signing-in/caller.ts'
import { tidy } from '../../src/services/tidy.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, ownerDatabase, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

const actor = ({ firmId, ines }: SmallFirm, role: 'owner' | 'technician' = 'owner') => ({
  firmId,
  technicianId: ines,
  role,
})

describe('a person who is forgotten', () => {
  let db: Db
  let owner: Db
  let firm: SmallFirm
  const email = `${randomUUID()}@test.example`
  const caller: Caller = { ...nobody, address: '203.0.113.77', device: 'A phone of Odile' }
  const change = async <K extends 'technician' | 'customer' | 'site'>(kind: K, id: string, some: Partial<Kept<K>>) => {
    const { id: _, version, ...record } = (await withFirm(db, firm.firmId, (trx) => keptById(trx, kind, id)))!
    expect(
      await keepRecord(db, actor(firm), { kind, id, version, record: { ...record, ...some } }, testNow),
    ).to.include({ ok: true })
  }
  /** Everything that any table of ours holds, as text. */
  const everything = async (): Promise<string> => {
    const { rows } = await owner.raw(`select tablename from pg_tables where schemaname = 'public'`)
    const texts: string[] = []
    for (const { tablename } of rows) {
      const all = await owner.raw('select coalesce(string_agg(t::text, chr(10)), ?) as text from ?? t', ['', tablename])
      texts.push(`${tablename}: ${all.rows[0].text}`)
    }
    return texts.join('\n')
  }

  before(async () => {
    db = appDatabase()
    owner = ownerDatabase()
    firm = await smallFirm(db, 'Forgets')
    const technicianId = firm.odile
    await addAccount(db, {
      email,
      firmId: firm.firmId,
      technicianId,
      passwordHash: await hashPassword('a long phrase'),
    })
    await change('technician', firm.odile, { name: 'Odilia Unmistakable' })
    await change('customer', firm.customerId, { name: 'Quentin Unmistakable', phone: '0555 443322', note: 'two dogs' })
    await change('site', firm.siteId, {
      address: '12 Unmistakable Row',
      accessNote: 'key under the pot',
      latitude: 51,
      longitude: 0,
    })
    const by = { ...actor(firm, 'technician'), technicianId: firm.odile }
    await writeEntries(
      db,
      by,
      [
        entryAbout('machine', firm.c2, 'note', { text: 'valve is noisy' }),
        entryAbout('machine', firm.c2, 'note', { text: 'ask odilia unmistakable about the key' }),
      ],
      { now: testNow },
    )
  })
  after(() => Promise.all([db.destroy(), owner.destroy()]))

  it('has left before, and is forgotten by an owner alone', async () => {
    const still = await forget(db, actor(firm), 'technician', firm.odile, testNow)
    expect(still).to.deep.include({ ok: false, status: 422 })
    expect(await forget(db, actor(firm), 'customer', firm.customerId, testNow)).to.include({ ok: false, status: 422 })
    expect(await forget(db, actor(firm, 'technician'), 'technician', firm.odile, testNow)).to.include({ status: 403 })
    expect(await forget(db, actor(firm), 'technician', randomUUID(), testNow)).to.include({ status: 404 })
    const other = await smallFirm(db, 'Another Firm')
    expect(await forget(db, actor(other), 'technician', firm.odile, testNow)).to.include({ status: 404 })
  })

  it('stands in no table any more but in words that somebody typed; what they did stays theirs that left', async () => {
    const opened = await signIn(db, email, 'a long phrase', caller)
    if (!opened.ok) throw new Error('could not sign in')
    expect(await everything()).to.include('A phone of Odile')
    // What the owner did about somebody is the owner's line, and keeps saying from where.
    await withFirm(db, firm.firmId, (trx) =>
      trx('security_event').insert({
        firm_id: firm.firmId,
        id: randomUUID(),
        at: testNow,
        what: 'link-made',
        technician_id: firm.ines,
        about_id: firm.odile,
        place: "the owner's own network",
        device: '',
      }),
    )
    await change('technician', firm.odile, { leftOn: '2026-11-25' })
    const told = await forget(db, actor(firm), 'technician', firm.odile, testNow)
    if (!told.ok) throw new Error(JSON.stringify(told.issues))
    expect(told.named.map(({ subjectId }) => subjectId)).to.deep.equal([firm.c2])
    const left = await everything()
    for (const trace of ['Odilia', email, 'A phone of Odile', '203.0.113']) expect(left, trace).not.to.include(trace)
    expect(left).to.include("the owner's own network")
    expect(left.match(/odilia unmistakable/g), 'the ledger keeps words as they were typed').to.have.length(1)
    const { rows } = await owner.raw('select count(*) as n from entry where firm_id = ? and recorded_by = ?', [
      firm.firmId,
      firm.odile,
    ])
    expect(rows[0].n).to.equal(2)
    expect(await whoHolds(db, opened.token)).to.equal(null)
    expect(await accountByEmail(db, email)).to.equal(null)
  })

  it('was a customer: people, addresses and doors go, machines and water stay where they are', async () => {
    await makePageAddress(db, actor(firm), 'machine', firm.c2, testNow)
    const token = (await pageAddress(db, firm.firmId, 'machine', firm.c2))!.path!.replace('/care/', '')
    await change('customer', firm.customerId, { retiredOn: '2026-11-25' })
    expect(await forget(db, actor(firm), 'customer', firm.customerId, testNow)).to.deep.include({ ok: true, named: [] })
    const left = await everything()
    for (const trace of ['Quentin', '0555 443322', 'two dogs', '12 Unmistakable', 'under the pot'])
      expect(left, trace).not.to.include(trace)
    const site = (await withFirm(db, firm.firmId, (trx) => keptById(trx, 'site', firm.siteId)))!
    expect(site).to.include({ name: 'A former site', area: 'Chalkside', address: '', supplyId: firm.supplyId })
    expect(site.latitude).to.equal(undefined)
    expect(await openAddress(db, { token, now: testNow }), 'its label opens nothing').to.equal(null)
    const machine = (await withFirm(db, firm.firmId, (trx) => keptById(trx, 'machine', firm.c2)))!
    expect(machine).to.include({ name: 'Left bar', siteId: firm.siteId })
  })

  it('is said in the log, by whom and when, and of whom no more than that', async () => {
    const changes = await withFirm(db, firm.firmId, (trx) => allChanges(trx, null, 1000))
    const forgotten = changes.filter(({ action }) => action === 'forgotten')
    expect(forgotten.map(({ aboutKind, aboutId }) => [aboutKind, aboutId])).to.deep.equal([
      ['technician', firm.odile],
      ['customer', firm.customerId],
    ])
    const about = changes.filter(({ aboutId }) => aboutId === firm.odile || aboutId === firm.customerId)
    expect(about.every(({ before, after }) => before === undefined && after === undefined)).to.equal(true)
  })
})

describe('what a firm keeps for a while', () => {
  let db: Db
  let owner: Db
  let firm: SmallFirm
  let other: SmallFirm
  const dataBefore = process.env.EVENSHOT_DATA
  const day = 86_400_000
  const ago = (days: number) => new Date(testNow.getTime() - days * day)
  const keepFor = async (of: SmallFirm, some: Partial<Kept<'firm'>>) => {
    const { id: _, version, ...record } = (await withFirm(db, of.firmId, (trx) => keptById(trx, 'firm', of.firmId)))!
    const request = { kind: 'firm' as const, id: of.firmId, version, record: { ...record, ...some } }
    return keepRecord(db, actor(of), request, testNow)
  }
  const event = (of: SmallFirm, at: Date) =>
    withFirm(db, of.firmId, (trx) =>
      trx('security_event').insert({
        firm_id: of.firmId,
        id: randomUUID(),
        at,
        what: 'signed-in',
        place: '',
        device: '',
      }),
    )
  const events = async (of: SmallFirm) =>
    (await withFirm(db, of.firmId, (trx) => trx('security_event').orderBy('at').pluck('at'))) as Date[]
  const picture = (shade: number) =>
    sharp({ create: { width: 60, height: 40, channels: 3, background: { r: shade, g: 20, b: 20 } } })
      .png()
      .toBuffer()

  before(async () => {
    process.env.EVENSHOT_DATA = mkdtempSync(join(tmpdir(), 'evenshot-kept-'))
    db = appDatabase()
    owner = ownerDatabase()
    firm = await smallFirm(db, 'Keeps For A While')
    other = await smallFirm(db, 'Keeps For Good')
  })
  after(async () => {
    if (dataBefore === undefined) delete process.env.EVENSHOT_DATA
    else process.env.EVENSHOT_DATA = dataBefore
    await Promise.all([db.destroy(), owner.destroy()])
  })

  it('is said in days and years, within bounds', async () => {
    expect(await keepFor(firm, { signInLogDays: 29 })).to.include({ ok: false })
    expect(await keepFor(firm, { photosYears: 0 })).to.include({ ok: false })
    expect(await keepFor(firm, { photosYears: 2.5 })).to.include({ ok: false })
    expect(await keepFor(firm, { signInLogDays: 60, photosYears: 2 })).to.include({ ok: true })
  })

  it('is who signed in: older lines go, in this firm alone', async () => {
    for (const of of [firm, other]) for (const days of [10, 59, 61, 300]) await event(of, ago(days))
    expect(await tidy(db, firm.firmId, testNow)).to.deep.equal({ events: 2, callers: 0, photos: 0 })
    expect(await events(firm)).to.deep.equal([ago(59), ago(10)])
    expect(await events(other)).to.have.length(4)
    expect(await tidy(db, other.firmId, testNow), 'a year where nothing was said').to.deep.equal({
      events: 0,
      callers: 0,
      photos: 0,
    })
  })

  it('is photos: older ones go with their files, but for a file that another firm has too', async () => {
    const save = async (of: SmallFirm, shade: number, days: number) =>
      (await savePhoto(db, of.firmId, await picture(shade), { technicianId: of.ines, at: ago(days) }))!
    const old = await save(firm, 40, 900)
    const shared = await save(firm, 80, 900)
    const fresh = await save(firm, 120, 100)
    expect(await save(other, 80, 900)).to.equal(shared)
    expect(await tidy(db, firm.firmId, testNow)).to.deep.equal({ events: 0, callers: 0, photos: 1 })
    const names = (await withFirm(db, firm.firmId, allPhotos)).map(({ name }) => name)
    expect(names).to.deep.equal([fresh])
    expect(existsSync(photoPath(old))).to.equal(false)
    expect(await photoFile(db, firm.firmId, shared)).to.equal(null)
    expect(await photoFile(db, other.firmId, shared)).not.to.equal(null)
  })

  it('is no logo: papers that name it are drawn anew with it, however old it is', async () => {
    const logo = (await saveLogo(db, firm.firmId, await picture(160), { technicianId: firm.ines, at: ago(900) }))!
    const once = (await saveLogo(db, firm.firmId, await picture(200), { technicianId: firm.ines, at: ago(900) }))!
    const set = (name: string) =>
      entryAbout('firm', firm.firmId, 'setting', { setting: 'letterhead', phone: '0555 0142', logo: name })
    const strange = await writeEntries(db, actor(firm), [set('f'.repeat(64))], { now: testNow })
    expect(strange.verdicts[0], 'nobody has it').to.deep.include({ verdict: 'refused' })
    await writeEntries(db, actor(firm), [set(once)], { now: testNow })
    await writeEntries(db, actor(firm), [set(logo)], { now: testNow })
    // An invoice issued under the first one is printed with it still.
    expect((await tidy(db, firm.firmId, testNow)).photos).to.equal(0)
    const head = await letterheadOf(db, firm.firmId)
    expect([logo, once]).to.include(head!.logo)
    expect(head!.picture).to.match(/^data:image\/jpeg;base64,/)
    expect(await letterheadOf(db, other.firmId)).to.equal(null)
  })

  it('is who rang: name and number go, what was said stays, in this firm alone', async () => {
    expect(await keepFor(firm, { callersMonths: 0 })).to.include({ ok: false })
    expect(await keepFor(firm, { signInLogDays: 60, callersMonths: 12 })).to.include({ ok: true })
    const rang = (of: SmallFirm, on: string) =>
      entryAbout(
        'machine',
        of.c2,
        'call',
        { text: 'It growls', caller: 'Bram Thistle', phone: '0555 0199', end: 'done' },
        { on },
      )
    for (const of of [firm, other])
      await writeEntries(db, actor(of), [rang(of, '2025-06-01'), rang(of, '2026-10-01')], { now: testNow })
    const calls = async (of: SmallFirm) =>
      (await withFirm(db, of.firmId, (trx) => entriesOfKinds(trx, [of.c2], ['call'])))
        .sort((a, b) => (a.happenedOn < b.happenedOn ? -1 : 1))
        .map(({ body }) => body)
    expect((await tidy(db, firm.firmId, testNow)).callers).to.equal(1)
    const [old, fresh] = await calls(firm)
    expect(old).to.deep.equal({ v: 1, text: 'It growls', end: 'done' })
    expect(fresh).to.deep.include({ caller: 'Bram Thistle', phone: '0555 0199' })
    expect((await tidy(db, firm.firmId, testNow)).callers, 'once').to.equal(0)
    expect((await tidy(db, other.firmId, testNow)).callers, 'for good where nothing was said').to.equal(0)
    expect((await calls(other))[0]).to.deep.include({ caller: 'Bram Thistle' })
  })

  it('goes no other way: whoever serves takes nothing out of log or photos', async () => {
    for (const table of ['security_event', 'photo', 'change']) {
      const refused = await withFirm(db, firm.firmId, (trx) => trx(table).delete()).catch((error) => error.message)
      expect(refused, table).to.include('permission denied')
    }
    const { rows } = await owner.raw(
      `select proname from pg_proc where prosecdef and pronamespace = 'public'::regnamespace order by proname`,
    )
    expect(rows.map(({ proname }: { proname: string }) => proname)).to.deep.equal([
      'drop_old_callers',
      'drop_old_events',
      'drop_old_photos',
      'forget_traces',
      'photo_is_anybodys',
    ])
  })
})
