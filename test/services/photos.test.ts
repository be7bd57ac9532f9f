import { mkdtempSync, readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import sharp from 'sharp'
import type { Db } from '../../src/records/database.ts'
import { photoFile, savePhoto } from '../../src/services/photos.ts'
import { appDatabase, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('photos', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  const data = mkdtempSync(join(tmpdir(), 'evenshot-photos-'))
  const dataBefore = process.env.EVENSHOT_DATA
  const save = (bytes: Uint8Array, of = firm) => savePhoto(db, of.firmId, bytes, { technicianId: of.ines, at: testNow })
  /** As a camera makes them: large, lying on its side, saying where it was taken. */
  const camera = () =>
    sharp({ create: { width: 2400, height: 1800, channels: 3, background: { r: 40, g: 90, b: 110 } } })
      .withExif({ IFD0: { Make: 'A camera' }, IFD3: { GPSLatitude: '51/1 0/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()

  before(async () => {
    process.env.EVENSHOT_DATA = data
    db = appDatabase()
    firm = await smallFirm(db, 'Photos & Daughter')
    other = await smallFirm(db, 'Another')
  })
  after(async () => {
    if (dataBefore === undefined) delete process.env.EVENSHOT_DATA
    else process.env.EVENSHOT_DATA = dataBefore
    await db.destroy()
  })

  it('are kept upright and smaller, and nothing of camera or place goes along', async () => {
    const name = (await save(await camera()))!
    const kept = await sharp((await photoFile(db, firm.firmId, name))!).metadata()
    expect([kept.width, kept.height]).to.deep.equal([1200, 1600])
    expect(kept.exif).to.equal(undefined)
    expect(kept.orientation).to.equal(undefined)
  })

  it('are one however often they are sent, and leave no half file', async () => {
    const [first, second] = await Promise.all([save(await camera()), save(await camera())])
    expect(second).to.equal(first)
    const files = readdirSync(join(data, 'files/photos'), { recursive: true, encoding: 'utf8' })
    expect(files.filter((file) => file.includes('.')).every((file) => /^..\/[0-9a-f]{64}\.jpg$/.test(file))).to.equal(
      true,
    )
  })

  it('are shown to their own firm alone', async () => {
    const name = (await save(await camera()))!
    expect(await photoFile(db, other.firmId, name)).to.equal(null)
    await save(await camera(), other)
    expect(await photoFile(db, other.firmId, name)).to.not.equal(null)
  })

  it('that are none are refused, and no path is asked for by a name', async () => {
    expect(await save(Buffer.from('no picture'))).to.equal(null)
    expect(await photoFile(db, firm.firmId, '../../settings.json')).to.equal(null)
  })
})
