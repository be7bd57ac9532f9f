import { randomUUID } from 'node:crypto'
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { expect } from 'chai'
import sharp from 'sharp'
import { kinds } from '../../src/core/kinds/index.ts'
import { simpleKind } from '../../src/core/kinds/simple-kind.ts'
import type { Db } from '../../src/records/database.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { packPassport, unpackPassport } from '../../src/services/passport-zip.ts'
import { photoFile, savePhoto } from '../../src/services/photos.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('a machine’s passport with its photos', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  let names: string[]
  let zip: Buffer
  const folders = ['from', 'to'].map((name) => mkdtempSync(join(tmpdir(), `evenshot-passport-${name}-`)))
  const dataBefore = process.env.EVENSHOT_DATA
  const actor = (who: SmallFirm, role: 'owner' | 'technician' = 'owner') => ({
    firmId: who.firmId,
    technicianId: role === 'owner' ? who.ines : who.odile,
    role,
  })
  const write = async (entries: object[]) =>
    (await writeEntries(db, actor(firm), entries, { now: testNow })).verdicts.map(({ verdict }) => verdict)
  const packed = async (id: string) => buffer((await packPassport(db, firm.firmId, id))!.zip)
  const arrive = async (bytes: Buffer, who = actor(other), siteId: unknown = other.siteId) => {
    const path = join(folders[1]!, `${randomUUID()}.zip`)
    writeFileSync(path, bytes)
    const told = await unpackPassport(db, who, siteId, path, testNow)
    expect(existsSync(`${path}.unpacked`), 'nothing is left lying').to.equal(false)
    return told
  }

  before(async () => {
    process.env.EVENSHOT_DATA = folders[0]
    db = appDatabase()
    firm = await smallFirm(db, 'Hands It On')
    other = await smallFirm(db, 'Takes It With Pictures')
    names = []
    for (const red of [10, 90, 170]) {
      const made = sharp({ create: { width: 64, height: 36, channels: 3, background: { r: red, g: 80, b: 60 } } })
      const by = { technicianId: firm.odile, at: testNow }
      names.push((await savePhoto(db, firm.firmId, await made.jpeg().toBuffer(), by))!)
    }
    const remark = entryAbout('machine', firm.c2, 'remark', { text: 'Pays late', internal: true })
    expect(
      await write([
        ...firstEntries(firm.c2, 'c2'),
        entryAbout('machine', firm.c2, 'pictured', { photos: [names[0], names[1]], part: 'group-gasket', text: 'lip' }),
        entryAbout('machine', firm.c2, 'pictured', { photos: [names[2]], internal: true }),
        remark,
        entryAbout('machine', firm.c2, 'note', { text: 'For colleagues', internal: true }),
        entryAbout('machine', firm.c2, 'note', { text: 'For everybody' }),
      ]),
    ).to.deep.equal(Array(8).fill('saved'))
    await write([entryAbout('machine', firm.c2, 'remark-closed', { remark: remark.id })])
    const machine = { siteId: firm.siteId, softenerId: firm.softenerId, name: 'Left bar', kind: 'c2', serial: 'PIC-1' }
    await keepRecord(db, actor(firm), { kind: 'machine', id: firm.c2, version: 1, record: machine }, testNow)
    zip = await packed(firm.c2)
    process.env.EVENSHOT_DATA = folders[1]
  })
  after(async () => {
    if (dataBefore === undefined) delete process.env.EVENSHOT_DATA
    else process.env.EVENSHOT_DATA = dataBefore
    await db.destroy()
    for (const folder of folders) rmSync(folder, { recursive: true })
  })

  it('brings the photos to another firm, byte for byte, and nothing that was for the firm’s own eyes', async () => {
    const told = await arrive(zip)
    expect(told).to.deep.include({ ok: true, machineId: firm.c2 })
    const ledger = (await machineBundle(db, other.firmId, firm.c2))!.ledgers.machine!
    expect(ledger.filter(({ kind }) => kind === 'pictured').map(({ body }) => body)).to.deep.equal([
      { v: 1, photos: [names[0], names[1]], part: 'group-gasket', text: 'lip' },
    ])
    const words = JSON.stringify(ledger)
    expect(words).to.contain('For everybody')
    expect(words).not.to.match(/Pays late|For colleagues|internal|remark/)
    expect(await photoFile(db, other.firmId, names[0]!)).to.be.instanceOf(Buffer)
    expect(await photoFile(db, other.firmId, names[2]!), 'an internal photo').to.equal(null)
    expect(await arrive(zip), 'read twice').to.deep.include({ ok: true })
    expect((await machineBundle(db, other.firmId, firm.c2))!.ledgers.machine).to.have.length(ledger.length)
  })

  it('is refused whole where a bit of it is off, and says so', async () => {
    const at = zip.indexOf(Buffer.from(`photos/${names[0]}.jpg`)) + 76 + 200
    const bent = Buffer.from(zip)
    bent[at] = bent[at]! ^ 0xff
    const files = () => readdirSync(folders[1]!, { recursive: true }).length
    const before = files()
    for (const [what, bytes] of [
      ['a photo', bent],
      ['cut off', zip.subarray(0, zip.length - 400)],
      ['no zip', Buffer.from('PK and nothing else')],
    ] as const) {
      const told = await arrive(bytes)
      expect(told.ok, what).to.equal(false)
    }
    expect(files() - before, 'the three zips themselves').to.equal(3)
    const nowhere = await arrive(zip, actor(other), randomUUID())
    expect(!nowhere.ok && nowhere.issues[0]!.path).to.equal('siteId')
  })

  it('brings a kind along that the firm made itself, where whoever takes it may say so', async () => {
    process.env.EVENSHOT_DATA = folders[0]
    const kind = simpleKind(
      {
        name: 'tea urn',
        about: '',
        water: 'plumbed',
        counter: null,
        tasks: [{ name: 'Urn basket', action: 'clean', months: 3, minutes: 10 }],
      },
      kinds.map((one) => one.id),
    )
    const id = randomUUID()
    expect(await write([entryAbout('firm', firm.firmId, 'own-kind', { kind })])).to.deep.equal(['saved'])
    const record = {
      siteId: firm.siteId,
      name: 'Urn',
      maker: '',
      model: '',
      revision: '',
      serial: 'URN-1',
      kind: kind.id,
    }
    const taken = entryAbout('machine', id, 'commissioned', { kind: kind.id, kindVersion: 1, partsNew: true })
    const kept = await keepRecord(
      db,
      actor(firm),
      { kind: 'machine', id, version: 0, record, entries: [taken] },
      testNow,
    )
    expect(kept).to.deep.include({ ok: true })
    const urn = await packed(id)
    process.env.EVENSHOT_DATA = folders[1]
    const refused = await arrive(urn, actor(other, 'technician'))
    expect(!refused.ok && refused.issues[0]!.path).to.equal('passport.ownKind')
    expect(await arrive(urn)).to.deep.include({ ok: true, machineId: id })
    expect((await machineBundle(db, other.firmId, id))!.machine.kind).to.equal(kind.id)
    expect(await packPassport(db, firm.firmId, randomUUID())).to.equal(null)
  })
})
