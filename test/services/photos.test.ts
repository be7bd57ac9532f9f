import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import sharp from 'sharp'
import type { Db } from '../../src/records/database.ts'
import { photoFile, saveLogo, savePhoto, smallPhoto } from '../../src/services/photos.ts'
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

  it('are taken along small, by their own firm alone', async () => {
    const name = (await save(await camera()))!
    const small = (await smallPhoto(db, firm.firmId, name))!
    const told = await sharp(small).metadata()
    expect([told.width, told.height]).to.deep.equal([360, 480])
    expect(small.length).to.be.below((await photoFile(db, firm.firmId, name))!.length)
    expect(await smallPhoto(db, other.firmId, name)).to.equal(null)
    expect(await smallPhoto(db, firm.firmId, 'f'.repeat(64))).to.equal(null)
  })

  it('are one however often they are sent, and leave no half file', async () => {
    const [first, second] = await Promise.all([save(await camera()), save(await camera())])
    expect(second).to.equal(first)
    const files = readdirSync(join(data, 'files/photos'), { recursive: true, encoding: 'utf8' })
    expect(files.filter((file) => file.includes('.')).every((file) => /^..\/[0-9a-f]{64}\.jpg$/.test(file))).to.equal(
      true,
    )
  })

  it('are told by what they hold: a drawing that a program paints is none, whatever it is called', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="7700" height="7700"><filter id="f"><feTurbulence/></filter></svg>'
    expect(await save(Buffer.from(svg))).to.equal(null)
    expect(await save(Buffer.from(`\ufeff ${svg}`))).to.equal(null)
    expect(await save(Buffer.from('GIF89a'))).to.equal(null)
    const plain = sharp({ create: { width: 40, height: 30, channels: 3, background: 'white' } })
    for (const made of [plain.clone().png(), plain.clone().webp(), plain.clone().jpeg()])
      expect(await save(await made.toBuffer())).to.match(/^[0-9a-f]{64}$/)
    const png = await plain.clone().png().toBuffer()
    expect(await save(png.subarray(0, 60)), 'cut off').to.equal(null)
  })

  describe('of which one is the firm’s logo', () => {
    const logo = (bytes: Uint8Array | string) =>
      saveLogo(db, firm.firmId, Buffer.from(bytes), { technicianId: firm.ines, at: testNow })
    const drawing = (inner: string, before = '') =>
      `${before}<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 60 20" width="60" height="20">${inner}</svg>`
    const points = async (name: string) => {
      const { data, info } = await sharp((await photoFile(db, firm.firmId, name))!)
        .raw()
        .toBuffer({ resolveWithObject: true })
      const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)]
      return { width: info.width, height: info.height, at }
    }
    const isWhite = (colour: number[]) => colour.every((part) => part > 245)

    it('is drawn anew from an SVG, sharp enough for paper, on white where it is clear', async () => {
      const name = (await logo(drawing('<rect x="0" y="0" width="20" height="20" fill="#0b4f59"/>')))!
      const { width, height, at } = await points(name)
      expect([width, height]).to.deep.equal([1200, 400])
      expect(at(200, 200)[0]).to.be.closeTo(0x0b, 4)
      expect(isWhite(at(800, 200))).to.equal(true)
      // Its edge is an edge: ten points beside it there is nothing of it.
      expect(isWhite(at(410, 200))).to.equal(true)
    })

    it('is drawn where a drawing program wrote what it holds before it, and nothing is looked up', async () => {
      const shape = '<rect x="0" y="0" width="20" height="20" fill="#0b4f59"/>'
      const doctype =
        '<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">'
      for (const before of [`${doctype}\n`, `<?xml version="1.0"?>\n${doctype}\n<!-- drawn -->\n`, '\uFEFF\n']) {
        const { at } = await points((await logo(drawing(shape, before)))!)
        expect(at(200, 200)[0], before).to.be.closeTo(0x0b, 4)
      }
      expect(await logo(drawing(shape, `${doctype}${doctype}`))).to.equal(null)
    })

    it('is a PNG with clear ground, and never larger than it was', async () => {
      const clear = await sharp({ create: { width: 300, height: 90, channels: 4, background: '#00000000' } })
        .png()
        .toBuffer()
      const { width, height, at } = await points((await logo(clear))!)
      expect([width, height, isWhite(at(5, 5))]).to.deep.equal([300, 90, true])
    })

    it('takes no drawing that defines words or style of elsewhere, is broken or none', async () => {
      const bomb = drawing('<text>&b;</text>', '<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;">]>')
      const styled = drawing('', '<?xml version="1.0"?><?xml-stylesheet href="file:///etc/passwd"?>')
      for (const wrong of [
        bomb,
        styled,
        '<svg',
        '<svg xmlns="http://www.w3.org/2000/svg"><rect',
        'GIF89a',
        '<p>svg</p>',
        '',
      ])
        expect(await logo(wrong), wrong).to.equal(null)
    })

    it('draws nothing that lies outside it, and runs nothing', async () => {
      const red = join(data, 'red.png')
      await sharp({ create: { width: 60, height: 20, channels: 3, background: '#ff0000' } })
        .png()
        .toFile(red)
      const outside = drawing(
        `<image xlink:href="file://${red}" href="${red}" width="60" height="20"/><script>while (true) {}</script>`,
      )
      const { at } = await points((await logo(outside))!)
      expect(isWhite(at(600, 200))).to.equal(true)
    })
  })

  it('are refused before they are opened where they would be huge', async () => {
    const huge = await sharp({ create: { width: 7700, height: 7700, channels: 3, background: 'white' } })
      .png({ compressionLevel: 9 })
      .toBuffer()
    expect(huge.length).to.be.below(400_000)
    expect(await save(huge)).to.equal(null)
  })

  it('are drawn by a process of their own: one that is killed over a picture is started again for it', async () => {
    const children = () =>
      readdirSync('/proc')
        .filter((id) => /^\d+$/.test(id))
        .filter((id) => {
          try {
            const words = readFileSync(`/proc/${id}/cmdline`, 'utf8')
            return (
              words.includes('picture-child') && readFileSync(`/proc/${id}/stat`, 'utf8').includes(` ${process.pid} `)
            )
          } catch {
            return false
          }
        })
        .map(Number)
    await save(await camera())
    const [first, ...more] = children()
    expect(more, 'one, however many pictures there were').to.deep.equal([])
    const saving = save(
      await sharp({ create: { width: 4000, height: 3000, channels: 3, background: 'red' } })
        .png()
        .toBuffer(),
    )
    process.kill(first!, 'SIGKILL')
    expect(await saving).to.match(/^[0-9a-f]{64}$/)
    expect(children()).to.have.length(1)
    expect(children()).not.to.include(first)
  })

  it('are readable by the server’s user alone, and missed rather than broken over when their file is gone', async () => {
    const name = (await save(await camera()))!
    const path = join(data, 'files/photos', name.slice(0, 2), `${name}.jpg`)
    expect(statSync(path).mode & 0o777).to.equal(0o600)
    rmSync(path)
    expect(await photoFile(db, firm.firmId, name)).to.equal(null)
  })

  it('leave nothing half behind where they cannot be written', async () => {
    const away = mkdtempSync(join(tmpdir(), 'evenshot-photos-full-'))
    process.env.EVENSHOT_DATA = away
    try {
      const bytes = await camera()
      const name = (await save(bytes))!
      const home = join(away, 'files/photos', name.slice(0, 2))
      rmSync(join(home, `${name}.jpg`))
      // A folder stands where the file is to go.
      mkdirSync(join(home, `${name}.jpg`))
      expect(await save(bytes).catch((error) => error.code)).to.be.oneOf(['EISDIR', 'ENOTEMPTY', 'EEXIST'])
      expect(readdirSync(home)).to.deep.equal([`${name}.jpg`])
    } finally {
      process.env.EVENSHOT_DATA = data
    }
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
