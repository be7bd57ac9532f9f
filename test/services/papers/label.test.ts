import { expect } from 'chai'
import jsQR from 'jsqr'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { codeOf, isCode } from '../../../src/core/papers/code.ts'
import { labelSizes } from '../../../src/core/papers/label-sizes.ts'
import type { Db } from '../../../src/records/database.ts'
import { now } from '../../../src/services/clock.ts'
import { makePageAddress, pageAddress } from '../../../src/services/customers/addresses.ts'
import { findAll } from '../../../src/services/find.ts'
import { type Label, labelPdf } from '../../../src/services/papers/label-pdf.ts'
import { labelsOf } from '../../../src/services/papers/labels.ts'
import { monthYear } from '../../../src/ui/format.ts'
import { appDatabase, firstEntries, type SmallFirm, smallFirm } from '../../records/a-database.ts'
import { writerOf } from '../writer.ts'
import { readPdf } from './read-pdf.ts'

const label: Label = {
  url: 'https://service.quillgate.example/care/AgPtOtepvknH5hHo',
  code: codeOf('01939000-0000-7000-8000-00000000000a'),
  machine: 'Right bar',
  model: 'Imbrel Tandem',
  serial: 'IT-3631',
  firm: 'Quillgate & Daughter',
  phone: '0555 0142',
  nextService: 'Dec 2026',
  softener: true,
}

/** A page as a label printer would lay its dots: black or white, so many to the millimetre. */
async function dots(pdf: Uint8Array, page: number, perMm: number) {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  const drawn = await document.getPage(page)
  const viewport = drawn.getViewport({ scale: (perMm * 25.4) / 72 })
  const [width, height] = [Math.round(viewport.width), Math.round(viewport.height)]
  // biome-ignore lint/suspicious/noExplicitAny: the library's own canvas on a server is not in its types
  const { canvas, context } = (document as any).canvasFactory.create(width, height)
  await drawn.render({ canvas, canvasContext: context, viewport }).promise
  const { data } = context.getImageData(0, 0, width, height)
  for (let i = 0; i < data.length; i += 4) data.fill(data[i] < 128 ? 0 : 255, i, i + 3)
  return { data: data as Uint8ClampedArray, width, height, mm: [viewport.width / perMm, viewport.height / perMm] }
}

describe('a label', () => {
  for (const size of labelSizes) {
    it(`of ${size.id} is of its size, and its code is read from the dots of a cheap printer`, async () => {
      const pdf = await labelPdf([label], size)
      // 203 dots to the inch: what label printers have at the least.
      const page = await dots(pdf, 1, 8)
      expect(jsQR(page.data, page.width, page.height)?.data).to.equal(label.url)
      const [width, height] = size.sheet ? [210, 297] : [size.widthMm, size.heightMm]
      expect(page.mm[0]).to.be.closeTo(width, 0.2)
      expect(page.mm[1]).to.be.closeTo(height, 0.2)
      const { pages, fonts } = await readPdf(pdf)
      expect(pages).to.have.length(1)
      for (const word of ['Right bar', 'IT-3631', 'Dec 2026', '0555 0142', label.code, 'softener done'])
        expect(pages[0]).to.include(word)
      expect(fonts).to.be.greaterThan(0)
    })
  }

  it('is read with a fifteenth of its dots scratched away', async () => {
    const page = await dots(await labelPdf([label], labelSizes[0]!), 1, 8)
    // A scratch across the code, a dot and a half wide.
    for (let x = 0; x < page.width; x += 1)
      for (let y = 100; y < 103; y += 1) page.data.fill(255, 4 * (y * page.width + x), 4 * (y * page.width + x) + 3)
    expect(jsQR(page.data, page.width, page.height)?.data).to.equal(label.url)
  })

  it('is one of twenty-one on a sheet, and the next goes on another', async () => {
    const size = labelSizes.find(({ sheet }) => sheet)!
    const many = Array.from({ length: 22 }, (_, i) => ({ ...label, machine: `Machine ${i + 1}` }))
    const { pages } = await readPdf(await labelPdf(many, size))
    expect(pages).to.have.length(2)
    expect(pages[0]).to.include('Machine 21')
    expect(pages[1]).to.include('Machine 22')
  })

  it('is refused where its code would be too small to be read', () => {
    const tiny = { id: 'tiny', name: 'Tiny', widthMm: 30, heightMm: 12 }
    expect(() => labelPdf([label], tiny)).to.throw('16 mm at least')
  })

  describe('of a firm’s machines', () => {
    let db: Db
    let firm: SmallFirm
    const write = writerOf(() => ({ db, firm }))
    const ask = (more: object) =>
      labelsOf(db, firm.firmId, {
        size: '62x29',
        origin: 'https://a.example',
        today: '2026-11-26',
        month: monthYear,
        ...more,
      })

    before(async () => {
      db = appDatabase()
      firm = await smallFirm(db)
      await write(...firstEntries(firm.c2, 'c2'))
    })
    after(() => db.destroy())

    it('is made of those with a page alone, with what its machine is found by', async () => {
      expect(await ask({ machineId: firm.c2 })).to.deep.include({ ok: false, status: 409 })
      expect(await ask({ machineId: firm.c2, size: 'A0' })).to.deep.include({ ok: false, status: 422 })
      const ines = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
      await makePageAddress(db, ines, 'machine', firm.c2, now())
      const made = await ask({ siteId: firm.siteId })
      if (!made.ok) throw new Error('not made')
      const { path, code } = (await pageAddress(db, firm.firmId, 'machine', firm.c2))!
      const page = await dots(made.pdf, 1, 8)
      expect(jsQR(page.data, page.width, page.height)?.data).to.equal(`https://a.example${path}`)
      expect(isCode(code)).to.equal(true)
      for (const typed of [code, code.toLowerCase(), code.replace('-', ' ')]) {
        const { rows } = await findAll(db, firm.firmId, typed)
        expect(rows.map(({ id }) => id)).to.deep.equal([firm.c2])
      }
      // One for the wall of the place: its own address, and no machine's code.
      expect(await ask({ siteId: firm.siteId, ofPlace: true })).to.deep.include({ ok: false, status: 409 })
      await makePageAddress(db, ines, 'site', firm.siteId, now())
      const wall = await ask({ siteId: firm.siteId, ofPlace: true, size: '50x50' })
      if (!wall.ok) throw new Error('not made')
      const onTheWall = await dots(wall.pdf, 1, 8)
      const place = (await pageAddress(db, firm.firmId, 'site', firm.siteId))!
      expect(jsQR(onTheWall.data, onTheWall.width, onTheWall.height)?.data).to.equal(`https://a.example${place.path}`)
      expect(place.path).to.not.equal(path)
      const other = await smallFirm(db)
      expect(
        await labelsOf(db, other.firmId, {
          size: '62x29',
          origin: '',
          today: '2026-11-26',
          month: monthYear,
          machineId: firm.c2,
        }),
      ).to.deep.include({
        status: 404,
      })
    })
  })
})
