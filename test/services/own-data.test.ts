import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import Papa from 'papaparse'
import { addAccount } from '../../src/records/accounts.ts'
import { type Db, type Trx, withFirm } from '../../src/records/database.ts'
import { dueCsv, ledgerCsv } from '../../src/services/export-csv.ts'
import { exportFirm } from '../../src/services/export-firm.ts'
import { importFirm } from '../../src/services/import-firm.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { machinePassport, readPassport } from '../../src/services/passport.ts'
import { makeLink } from '../../src/services/people.ts'
import { reckonWaiting } from '../../src/services/rebuild.ts'
import { hashPassword } from '../../src/services/sign-in.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { entryWords } from '../../src/ui/entry-words.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

const text = async (make: (write: (text: string) => void) => Promise<void>) => {
  const pieces: string[] = []
  await make((piece) => void pieces.push(piece))
  return pieces.join('')
}

/** Standings of a firm by subject and key: what two firms with the same data must share. */
const standings = (db: Db, firmId: string) =>
  withFirm(db, firmId, (trx) =>
    trx('standing').orderBy(['subject_id', 'key']).select('subject_id', 'key', 'due_p50', 'detail'),
  )

describe('a firm’s own data', () => {
  let db: Db
  let firm: SmallFirm
  const owner = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Takes It Along')
    for (const name of ['c2', 'sr', 'pk'] as const)
      await writeEntries(db, owner(), firstEntries(firm[name], name), { now: testNow })
    const odd = [
      entryAbout('firm', firm.firmId, 'setting', { setting: 'policy', policy: 'cautious' }),
      entryAbout('site', firm.siteId, 'note', { text: '=HYPERLINK("http://x.example","é — ☕")' }),
      entryAbout('softener', firm.softenerId, 'commissioned', { kind: 'exchanger', kindVersion: 1, partsNew: true }),
      entryAbout('softener', firm.softenerId, 'setting', { setting: 'exchanger', resinL: 8 }),
      entryAbout('site', firm.siteId, 'water-test', {
        point: 'raw',
        quantity: 'total',
        method: 'drops',
        unit: 'dH',
        drops: 17,
        perDrop: 1,
      }),
    ]
    const answer = await writeEntries(db, owner(), odd, { now: testNow })
    expect(answer.verdicts.map(({ verdict }) => verdict)).to.deep.equal(odd.map(() => 'saved'))
    const wrong = entryAbout('machine', firm.c2, 'reading', { counter: 'shots', count: 999_999 })
    await writeEntries(db, owner(), [wrong], { now: testNow })
    await writeEntries(db, owner(), [{ ...entryAbout('machine', firm.c2, 'withdrawn', {}), supersedes: wrong.id }], {
      now: testNow,
    })
    const customer = { name: 'A customer', note: 'pays "late"' }
    await keepRecord(db, owner(), { kind: 'customer', id: firm.customerId, version: 1, record: customer }, testNow)
    // Who let whom in is part of the log too.
    await makeLink(db, owner(), firm.odile, testNow)
    await reckonWaiting(db, firm.firmId)
  })
  after(() => db.destroy())

  /** Runs in a database without any firm to sign in to, as far as this transaction sees; undone at the end. */
  const inAnEmptyPlace = (work: (trx: Trx) => Promise<void>) =>
    db
      .transaction(async (trx) => {
        await trx('invitation').delete()
        await trx('session').delete()
        await trx('account').delete()
        await work(trx)
        throw new Error('undone')
      })
      .catch((error: Error) => {
        if (error.message !== 'undone') throw error
      })
  const newOwner = { email: `${randomUUID()}@test.example`, password: 'a long enough password' }
  const taken = () => text((write) => exportFirm(db, firm.firmId, write))

  it('comes out, goes in elsewhere and comes out again byte by byte, with the same standings', async () => {
    const first = await taken()
    const before = await standings(db, firm.firmId)
    expect(before.length).to.be.above(100)
    const { changes } = JSON.parse(first)
    expect(changes.map(({ action }: { action: string }) => action)).to.deep.equal(['changed', 'invited'])
    await inAnEmptyPlace(async (trx) => {
      const imported = await importFirm(trx, newOwner, JSON.parse(first))
      if (!imported.ok) throw new Error(JSON.stringify(imported.issues))
      expect(imported.firmId).not.to.equal(firm.firmId)
      expect(imported.technicianId).to.equal(firm.ines)
      expect(await text((write) => exportFirm(trx, imported.firmId, write))).to.equal(first)
      await reckonWaiting(trx, imported.firmId)
      expect(await standings(trx, imported.firmId)).to.deep.equal(before)
      // The place is taken now.
      expect(await importFirm(trx, newOwner, JSON.parse(first))).to.include({ why: 'closed' })
    })
  })

  it('is refused whole, with every place said, when something in the file is wrong', async () => {
    const good = JSON.parse(await taken())
    await inAnEmptyPlace(async (trx) => {
      const issues = async (change: (data: typeof good) => unknown) => {
        const data = structuredClone(good)
        const answer = await importFirm(trx, newOwner, change(data) ?? data)
        return answer.ok ? ['taken'] : answer.issues.map(({ path, code }) => `${path} ${code}`)
      }
      const set = (holder: Record<string, unknown>, field: string, value: unknown) => {
        holder[field] = value
      }
      const read = good.entries.findIndex((entry: { kind: string }) => entry.kind === 'reading')
      expect(await issues(() => ({ format: 'other' }))).to.deep.equal(['format format'])
      expect(await issues((data) => set(data, 'version', 9))).to.deep.equal(['version version'])
      expect(await issues((data) => set(data, 'entries', undefined))).to.deep.equal(['entries list'])
      const nobody = randomUUID()
      const wrong: [string, (data: typeof good) => unknown][] = [
        ['sites[0].customerId unknown', (data) => set(data.sites[0], 'customerId', nobody)],
        ['machines[1].kind typeError', (data) => set(data.machines[1], 'kind', 7)],
        [`entries[${read}].body.count min`, (data) => set(data.entries[read].body, 'count', -1)],
        ['entries[3].id twice', (data) => set(data.entries[3], 'seq', 1)],
        ['entries[0].recordedBy unknown', (data) => set(data.entries[0], 'recordedBy', nobody)],
        [
          'technicians owner',
          (data) =>
            set(
              data.technicians.find((one: { role: string }) => one.role === 'owner'),
              'role',
              'technician',
            ),
        ],
      ]
      for (const [said, change] of wrong) expect(await issues(change)).to.deep.equal([said])
      expect(await trx('account')).to.deep.equal([])
    })
  })

  it('leaves the ledger as a spreadsheet in which nothing runs', async () => {
    const { data } = Papa.parse<string[]>(await text((write) => ledgerCsv(db, firm.firmId, entryWords, write)), {
      skipEmptyLines: true,
    })
    const [head, ...rows] = data
    expect(rows).to.have.length(16)
    const note = rows.find((row) => row[head!.indexOf('kind')] === 'note')!
    expect(note[head!.indexOf('in words')]).to.equal('\'=HYPERLINK("http://x.example","é — ☕")')
    expect(rows.flat().filter((cell) => /^[=+@]/.test(cell))).to.deep.equal([])
    const reading = rows.find(
      (row) => row[head!.indexOf('serial')] === 'C2-1' && row[head!.indexOf('kind')] === 'reading',
    )!
    expect(reading[head!.indexOf('in words')]).to.equal('Counter 1,000 shots')
  })

  it('leaves what is due as a spreadsheet, soonest first', async () => {
    const csv = await text((write) => dueCsv(db, firm.firmId, '2026-11-26', null, write))
    const { data } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true })
    const stored = (await standings(db, firm.firmId)).filter((row) => row.due_p50)
    expect(data).to.have.length(stored.length)
    expect(data.map((row) => row.due)).to.deep.equal(data.map((row) => row.due).sort())
    const soon = await text((write) => dueCsv(db, firm.firmId, '2026-11-26', 14, write))
    expect(soon.split('\r\n').length).to.be.below(csv.split('\r\n').length)
  })

  describe('a machine’s passport', () => {
    let other: SmallFirm
    const stranger = () => ({ firmId: other.firmId, technicianId: other.odile, role: 'technician' as const })
    const read = (passport: unknown, siteId = other.siteId) =>
      readPassport(db, stranger(), { siteId, passport }, testNow)

    before(async () => {
      other = await smallFirm(db, 'Takes It Over')
    })

    it('carries its history to another firm, once, and learns its use anew there', async () => {
      const passport = JSON.parse(JSON.stringify(await machinePassport(db, firm.firmId, firm.sr)))
      passport.machine.serial = 'SR-MOVED'
      expect(passport).to.include({ format: 'evenshot-machine', firm: 'Takes It Along' })
      expect(await read(passport)).to.deep.equal({ ok: true, machineId: firm.sr, entries: 3 })
      await reckonWaiting(db, other.firmId)
      const bundle = (await machineBundle(db, other.firmId, firm.sr))!
      expect(bundle.ledgers.machine!.map(({ kind }) => kind).sort()).to.deep.equal([
        'commissioned',
        'moved',
        'reading',
        'reading',
      ])
      expect(bundle.ledgers.machine!.find(({ kind }) => kind === 'reading')!.origin).to.equal(
        'the passport of Takes It Along, by Ines Test',
      )
      expect(bundle.site.id).to.equal(other.siteId)
      expect((await read(passport)).ok, 'read twice').to.equal(true)
      expect((await machineBundle(db, other.firmId, firm.sr))!.ledgers.machine).to.have.length(4)
    })

    it('is refused where it is none, where it cannot stand, or where its number is taken', async () => {
      const passport = JSON.parse(JSON.stringify(await machinePassport(db, firm.firmId, firm.pk)))
      const path = async (given: Parameters<typeof read>) => {
        const answer = await read(...given)
        return answer.ok ? 'taken' : answer.issues[0]!.path
      }
      expect(await path([{ format: 'x' }])).to.equal('passport')
      expect(await path([passport, randomUUID()])).to.equal('siteId')
      expect(await path([passport])).to.equal('passport.machine.serial')
      const fresh = { ...passport, machine: { ...passport.machine, serial: 'NEW-1' } }
      expect(await path([{ ...fresh, machine: { ...fresh.machine, kind: 'unheard-of' } }])).to.equal(
        'passport.machine.kind',
      )
      expect(await path([{ ...fresh, entries: [{ ...passport.entries[0], happenedOn: '2026-02-30' }] }])).to.equal(
        'passport.entries: happenedOn',
      )
      expect(await withFirm(db, other.firmId, (trx) => trx('machine').where({ id: firm.pk }))).to.deep.equal([])
      expect(await machinePassport(db, other.firmId, firm.c2)).to.equal(null)
    })
  })

  it('does not care who else has an account here', async () => {
    // The same address cannot open two accounts: it is said at its field.
    await inAnEmptyPlace(async (trx) => {
      const demo = await smallFirm(trx, 'Demo')
      await withFirm(trx, demo.firmId, (inner) => inner('firm').update({ demo: true }))
      const passwordHash = await hashPassword('a long enough password')
      await addAccount(trx, { email: newOwner.email, firmId: demo.firmId, technicianId: demo.odile, passwordHash })
      const answer = await importFirm(trx, newOwner, JSON.parse(await taken()))
      expect(answer).to.have.nested.property('issues[0].path', 'email')
    })
  })
})
