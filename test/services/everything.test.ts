import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { setTimeout as wait } from 'node:timers/promises'
import { expect } from 'chai'
import sharp from 'sharp'
import { ZipFile } from 'yazl'
import { type Db, type Trx, withFirm } from '../../src/records/database.ts'
import { makePageAddress, pageAddress } from '../../src/services/customers/addresses.ts'
import { openAddress } from '../../src/services/customers/there.ts'
import { packFirm, unpackFirm } from '../../src/services/everything.ts'
import { exportFirm } from '../../src/services/export-firm.ts'
import { importFirm } from '../../src/services/import-firm.ts'
import { cancelInvoice, issueInvoice } from '../../src/services/invoices/issue.ts'
import { photoFile, photoPath, savePhoto } from '../../src/services/photos.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'
import { billsGo, closes, said, visits, written } from './invoices/a-closed-visit.ts'

describe('everything, as one zip', () => {
  let db: Db
  let firm: SmallFirm
  let names: string[]
  let zip: Buffer
  const folders = ['from', 'to'].map((name) => mkdtempSync(join(tmpdir(), `evenshot-photos-${name}-`))) as [
    string,
    string,
  ]
  const dataBefore = process.env.EVENSHOT_DATA
  const at = (folder: string) => {
    process.env.EVENSHOT_DATA = folder
  }

  before(async () => {
    at(folders[0])
    db = appDatabase()
    firm = await smallFirm(db, 'Takes Its Pictures Along')
    const by = { technicianId: firm.odile, at: testNow }
    const picture = (red: number) =>
      sharp({ create: { width: 60, height: 40, channels: 3, background: { r: red, g: 80, b: 60 } } })
        .jpeg()
        .toBuffer()
    names = []
    for (const red of [10, 90, 170]) names.push((await savePhoto(db, firm.firmId, await picture(red), by))!)
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    await writeEntries(db, actor, firstEntries(firm.c2, 'c2'), { now: testNow })
    await makePageAddress(db, actor, 'machine', firm.c2, testNow)
    const visitId = randomUUID()
    await billsGo(db, firm)
    await written(db, firm, [...said(firm), visits(firm, visitId), closes(firm, visitId)])
    // One moment, and ids against the order: the invoice still stands before its note.
    const invoiceId = `f${randomUUID().slice(1)}`
    await issueInvoice(db, actor, { id: invoiceId, visitId }, testNow)
    await cancelInvoice(db, actor, { id: `0${randomUUID().slice(1)}`, invoiceId, why: 'a slip' }, testNow)
    zip = await buffer(await packFirm(db, firm.firmId))
  })
  after(async () => {
    if (dataBefore === undefined) delete process.env.EVENSHOT_DATA
    else process.env.EVENSHOT_DATA = dataBefore
    await db.destroy()
    for (const folder of folders) rmSync(folder, { recursive: true })
  })
  beforeEach(() => at(folders[1]))

  const inAnEmptyPlace = (work: (trx: Trx) => Promise<void>) =>
    db
      .transaction(async (trx) => {
        for (const table of ['invitation', 'session', 'account', 'customer_address']) await trx(table).delete()
        await work(trx)
        throw new Error('undone')
      })
      .catch((error: Error) => {
        if (error.message !== 'undone') throw error
      })
  const owner = { email: `${randomUUID()}@test.example`, password: 'seven kettles in a lorry' }
  const file = (bytes: Buffer) => {
    const path = join(folders[1], `${randomUUID()}.zip`)
    writeFileSync(path, bytes)
    return path
  }
  const text = async (of: Db, firmId: string) => {
    const pieces: string[] = []
    await exportFirm(of, firmId, (piece) => void pieces.push(piece))
    return pieces.join('')
  }

  it('comes out, goes in elsewhere, and is the same there: records, ledger, log, every photo', async () => {
    await inAnEmptyPlace(async (trx) => {
      const came = await unpackFirm(trx, owner, file(zip))
      if (!came.ok) throw new Error(JSON.stringify(came.issues))
      expect(await text(trx, came.firmId)).to.equal(await text(db, firm.firmId))
      for (const name of names) {
        const there = (await photoFile(trx, came.firmId, name))!
        expect(
          there.equals(readFileSync(join(folders[0], 'files', 'photos', name.slice(0, 2), `${name}.jpg`))),
        ).to.equal(true)
      }
      // What is printed on the machine opens there too.
      const { path } = (await pageAddress(db, firm.firmId, 'machine', firm.c2))!
      const opened = await openAddress(trx, { token: path!.replace('/care/', ''), now: testNow })
      expect(opened?.opens === 'machine' && opened.there.actor.firmId).to.equal(came.firmId)
      // Its series go on where they were.
      const series = await withFirm(trx, came.firmId, (inner) => inner('invoice_series').orderBy('series'))
      expect(series.map((one) => [one.series, one.last])).to.deep.equal([
        ['2026-', 1],
        ['C2026-', 1],
      ])
      const again = await buffer(await packFirm(trx, came.firmId))
      expect(again.length, 'taken out once more').to.be.within(zip.length - 200, zip.length + 200)
    })
    // It goes once its reader has let go of it.
    for (let i = 0; i < 100 && readdirSync(join(folders[1], 'outgoing')).length > 0; i += 1) await wait(20)
    expect(readdirSync(join(folders[1], 'outgoing')), 'nothing waits any more').to.deep.equal([])
    expect(readdirSync(folders[1]).filter((name) => name.endsWith('.unpacked'))).to.deep.equal([])
  })

  it('says which photos were lost before, and goes out without them', async () => {
    at(folders[0])
    const path = photoPath(names[0]!)
    const bytes = readFileSync(path)
    rmSync(path)
    const without = await buffer(await packFirm(db, firm.firmId))
    writeFileSync(path, bytes)
    at(folders[1])
    expect(without.length).to.be.lessThan(zip.length)
    await inAnEmptyPlace(async (trx) => {
      const came = await unpackFirm(trx, owner, file(without))
      if (!came.ok) throw new Error(JSON.stringify(came.issues))
      expect(await photoFile(trx, came.firmId, names[0]!)).to.equal(null)
    })
  })

  it('refuses invoices that do not hang together, each at its place', async () => {
    const data = JSON.parse(await text(db, firm.firmId))
    const [invoice, note] = data.invoices
    const issuesWith = async (invoices: object[]) => {
      let found: string[] = []
      await inAnEmptyPlace(async (trx) => {
        const came = await importFirm(trx, owner, { ...data, invoices })
        found = came.ok ? [] : came.issues.map(({ path }) => path)
      })
      return found
    }
    expect(await issuesWith([invoice, note])).to.deep.equal([])
    expect(await issuesWith([note])).to.deep.equal(['invoices[0].cancels'])
    expect(await issuesWith([invoice, invoice])).to.include('invoices[1].n')
    expect(await issuesWith([{ ...invoice, issuedBy: randomUUID() }])).to.deep.equal(['invoices[0].issuedBy'])
    expect(await issuesWith([{ ...invoice, cancels: invoice.id }])).to.include('invoices[0].cancels')
    const { totals: _, ...without } = invoice.document
    expect((await issuesWith([{ ...invoice, document: without }]))[0]).to.match(/^invoices\[0\]\.document\.totals/)
  })

  /** A zip of these files. */
  const packed = async (files: Record<string, string | Buffer>) => {
    const made = new ZipFile()
    for (const [name, bytes] of Object.entries(files)) made.addBuffer(Buffer.from(bytes), name)
    made.end()
    return buffer(made.outputStream)
  }

  it('is refused where an address in it points at nothing of it, or stands twice', async () => {
    const data = JSON.parse(await text(db, firm.firmId))
    const [good] = data.addresses
    const issuesWith = async (addresses: object[]) => {
      let paths: string[] = []
      await inAnEmptyPlace(async (trx) => {
        const came = await importFirm(trx, owner, { ...data, addresses })
        paths = came.ok ? [] : came.issues.map(({ path }) => path)
      })
      return paths
    }
    const stranger = randomUUID()
    expect(await issuesWith([good])).to.deep.equal([])
    expect(await issuesWith([{ ...good, subjectId: stranger }])).to.deep.equal(['addresses[0].subjectId'])
    expect(await issuesWith([{ ...good, customerId: firm.c2 }])).to.deep.equal(['addresses[0].customerId'])
    expect(await issuesWith([{ ...good, madeBy: stranger }])).to.deep.equal(['addresses[0].madeBy'])
    expect(await issuesWith([{ ...good, token: '../up' }])).to.deep.equal(['addresses[0].token'])
    expect(await issuesWith([good, good])).to.deep.equal(['addresses[1].token', 'addresses[1].subjectId'])
  })

  it('is refused where anything in it is not what it says, and leaves nothing behind', async () => {
    const changed = Buffer.from(zip)
    const inAPicture = zip.indexOf(
      readFileSync(join(folders[0], 'files', 'photos', names[1]!.slice(0, 2), `${names[1]}.jpg`)),
    )
    expect(inAPicture).to.be.greaterThan(0)
    changed[inAPicture + 100]! ^= 1
    const manifest = { format: 'evenshot-everything', version: 1, firm: '0'.repeat(64), photos: [], missing: [] }
    const bad: [string, Buffer][] = [
      ['a picture with one bit changed', changed],
      ['its end missing', zip.subarray(0, zip.length - 5000)],
      ['no zip', Buffer.from('PK\u0003\u0004rest')],
      ['a zip of something else', await packed({ 'letter.txt': 'Dear' })],
      ['a digest that does not fit', await packed({ 'manifest.json': JSON.stringify(manifest), 'firm.json': '{}' })],
      [
        'a version of later',
        await packed({ 'manifest.json': JSON.stringify({ ...manifest, version: 2 }), 'firm.json': '{}' }),
      ],
    ]
    await inAnEmptyPlace(async (trx) => {
      for (const [what, bytes] of bad) {
        const came = await unpackFirm(trx, owner, file(bytes))
        expect(came, what).to.include({ ok: false, why: 'refused' })
        expect(await trx('account'), what).to.deep.equal([])
      }
    })
    expect(readdirSync(folders[1]).filter((name) => name.endsWith('.unpacked'))).to.deep.equal([])
  })

  it('is read into an empty place only', async () => {
    expect(await unpackFirm(db, owner, file(zip))).to.include({ ok: false, why: 'closed' })
  })
})
