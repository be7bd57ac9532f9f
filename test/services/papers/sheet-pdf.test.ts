import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { sheetDrawing, sheetRule } from '../../../src/layouts/sheet-drawing.tsx'
import { paperWords } from '../../../src/pages/_paper-words.ts'
import type { Db } from '../../../src/records/database.ts'
import { type Report, reportOf } from '../../../src/services/papers/report.ts'
import { zoneAt } from '../../../src/services/papers/sheet-frame.ts'
import { sheetsPdf } from '../../../src/services/papers/sheet-pdf.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm } from '../../records/a-database.ts'
import { closes, written } from '../invoices/a-closed-visit.ts'
import { readPdf } from './read-pdf.ts'

const on = '2026-11-24'
const visitId = '01939000-0000-7000-8000-0000000000ab'
const draw = { path: sheetDrawing, rule: sheetRule }

describe('the drawn sheets of a visit', () => {
  let db: Db
  let firm: SmallFirm
  const about = (kind: 'site' | 'machine', what: Parameters<typeof entryAbout>[2], body: object, id?: string): Entry =>
    entryAbout(kind, id ?? (kind === 'site' ? firm.siteId : firm.c2), what, body, { on, visitId })
  const report = async (more: Entry[] = []): Promise<Report> => {
    await written(db, firm, [
      ...firstEntries(firm.c2, 'c2'),
      about('site', 'visit', {
        technicianIds: [firm.ines],
        arrivedAt: `${on}T10:00:00Z`,
        leftAt: `${on}T12:00:00Z`,
      }),
      about('machine', 'removed', { part: 'group-gasket', group: 1, condition: 4 }),
      about('machine', 'fitted', { part: 'group-gasket', group: 1 }),
      about('machine', 'inspected', { part: 'control-board', condition: 3 }),
      ...more,
      closes(firm, visitId),
    ])
    return (await reportOf(db, firm.firmId, { siteId: firm.siteId, visitId, today: on, now: `${on}T13:00:00Z` }))!
  }
  const read = async (of: Report) => readPdf(await sheetsPdf(of, paperWords('Quillgate & Daughter'), draw))

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
  })

  it('are one a machine, each with its own title block, what was done and the zone it lies in', async () => {
    const of = await report([
      ...firstEntries(firm.sr, 'sr').filter(({ kind }) => kind === 'commissioned'),
      about('machine', 'cleaned', { task: 'oil-removal' }, firm.sr),
    ])
    const { pages, title, isTagged } = await read(of)
    expect(title).to.include('Sheets of report R2026-')
    expect(isTagged).to.equal(true)
    expect(pages).to.have.length(2)
    const bar = pages.find((text) => text.includes('Left bar'))!
    const office = pages.find((text) => text.includes('Office'))!
    expect(bar).to.match(/Group gasket 1 new/)
    expect(bar).to.match(/Control board.*left open/s)
    expect(bar).to.include('C2-1').and.to.include('1 of 2').and.to.include('10:00 to 12:00')
    expect(office).to.include('SR-1').and.to.include('2 of 2').and.not.to.include('C2-1')
    // Where the gasket is drawn, and its zone beside its line.
    expect(bar).to.match(/Group gasket 1 new\s*[A-H][1-8]/)
  })

  it('name the zone that the frame says', () => {
    expect(zoneAt(31, 29)).to.equal('A1')
    expect(zoneAt(564, 813)).to.equal('H8')
    expect(zoneAt(297.64, 420.9)).to.equal('D5')
    expect(zoneAt(-10, -10), 'beyond the frame it is its edge').to.equal('A1')
  })

  it('carry the drawing of the screen: numbers at their stations, no colour left unsaid', async () => {
    const of = await report()
    const subject = of.left.subjects.find(({ id }) => id === firm.c2)!
    const { svg, at, width, height } = sheetDrawing(subject)!
    expect(svg).to.match(/^<svg viewBox=/)
    expect(svg).not.to.include('var(--').and.not.to.include('class=')
    for (const line of subject.lines) if (line.station) expect([...at.keys()]).to.include(line.station)
    for (const { x, y } of at.values()) {
      expect(x).to.be.within(0, width)
      expect(y).to.be.within(0, height)
    }
    const rule = sheetRule(subject.lines.find(({ foundLeft }) => foundLeft)!.foundLeft!)
    expect(rule)
      .to.match(/^<svg /)
      .and.not.to.include('var(--')
  })

  it('of much work go on over pages, each with the title block of its machine', async () => {
    const notes = Array.from({ length: 60 }, (_, i) =>
      about('machine', 'note', { text: `Note number ${i + 1} of many` }),
    )
    const { pages } = await read(await report(notes))
    expect(pages.length).to.be.greaterThan(1)
    for (const text of pages) expect(text).to.include('C2-1').and.to.include('1 of 1')
    expect(pages.join('\n')).to.include('Note number 60 of many')
  })
})
