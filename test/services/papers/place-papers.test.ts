import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import type { LetterFile } from '../../../src/core/letters/letter.ts'
import { codeOf } from '../../../src/core/papers/code.ts'
import { type Db, withFirm } from '../../../src/records/database.ts'
import { insertKept, keptById } from '../../../src/records/kept.ts'
import { daysAtCustomer } from '../../../src/services/papers/day-report.ts'
import { papersBeside } from '../../../src/services/papers/papers-beside.ts'
import { papersOfPlace, placePapers } from '../../../src/services/papers/papers-of-place.ts'
import { dayReportFile, passportFile, waterReportFile } from '../../../src/services/papers/place-papers.ts'
import { quoteFile, testsFile, visitPapers } from '../../../src/services/papers/visit-papers.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm } from '../../records/a-database.ts'
import { closes, visits, written } from '../invoices/a-closed-visit.ts'
import { words } from './paper-words.ts'
import { readPdf } from './read-pdf.ts'

const on = '2026-11-24'
const now = new Date('2026-11-26T09:00:00Z')

/** What a paper says, in one line, as another library reads it. */
async function said(file: LetterFile | null): Promise<string> {
  if (!file) throw new Error('there is no such paper')
  const { pages, isTagged } = await readPdf(file.bytes)
  expect(isTagged).to.equal(true)
  return pages.join('\n').replaceAll(/\s+/g, ' ')
}

describe('papers of a place, a machine and a visit', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  let place: { id: string; timeZone: string }
  const visitId = randomUUID()
  const atC2 = (kind: Parameters<typeof entryAbout>[2], body: object, more: object = {}): Entry =>
    entryAbout('machine', firm.c2, kind, body, { on, visitId, ...more })
  const quote = {
    quote: randomUUID(),
    currency: 'EUR',
    taxBp: 1900,
    validUntil: '2026-12-24',
    items: [] as object[],
    callMinor: 8500,
    lines: [
      {
        id: '1',
        of: 'part',
        name: 'Control board',
        quantityMilli: 1000,
        unit: 'piece',
        priceMinor: 18_000,
        pays: 'customer',
      },
      { id: '2', of: 'part', name: 'Gasket', quantityMilli: 2000, unit: 'piece', priceMinor: 520, pays: 'contract' },
    ],
    note: 'The board is on order.',
  }
  let quoted: Entry

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    other = await smallFirm(db)
    place = { id: firm.firmId, timeZone: 'Europe/London' }
    quote.items = [
      {
        subjectId: firm.c2,
        name: 'Control board, burnt',
        part: 'control-board',
        waits: [{ by: '2026-12-17', chanceMilli: 310, addsMinor: 2635 }],
      },
    ]
    await written(db, firm, firstEntries(firm.c2, 'c2'))
    quoted = entryAbout('site', firm.siteId, 'quoted', quote, { on, visitId })
    await written(db, firm, [
      visits(firm, visitId),
      entryAbout('site', firm.siteId, 'water-test', {
        point: 'raw',
        quantity: 'total',
        method: 'drops',
        unit: 'dH',
        drops: 19,
        perDrop: 1,
      }),
      entryAbout('firm', firm.firmId, 'setting', { setting: 'letterhead', phone: '0555 0142' }),
      atC2('fitted', { part: 'safety-valve' }),
      atC2('tested-out', {
        passed: true,
        looks: ['complaint', 'brew', 'dry', 'electrical'],
        electrical: { earthOhm: 0.12, insulationMOhm: 40 },
      }),
      quoted,
      closes(firm, visitId, {
        open: [{ subjectId: firm.c2, name: 'Control board, burnt', until: '2026-12-17' }],
        next: { on: '2026-12-17' },
      }),
    ])
  })
  after(() => db.destroy())

  it('quote: what is advised, what waiting may add, what it costs, until when it holds', async () => {
    const asked = { of: { visitId }, entryId: quoted.id }
    const text = await said(await quoteFile(db, firm.firmId, asked, words))
    for (const part of [
      codeOf(quote.quote),
      'A customer',
      'A bakery, Chalkside',
      '0555 0142',
      'Control board, burnt, Left bar',
      'by 17 Dec 2026 €26.35 (due by then: 3 in 10)',
      'times €85.00 before tax for coming for it alone',
      '24 Dec 2026',
      '€180.00',
      'Tax 19 %',
      '€34.20',
      '€214.20',
      'In your contract: gasket.',
      'The board is on order.',
      'no call and no road are charged',
      'Yes, please do it',
    ])
      expect(text, part).to.contain(part)
    expect(text, 'what the contract pays is the firm’s own affair').not.to.contain('€10.40')
    expect(await quoteFile(db, other.firmId, asked, words)).to.equal(null)
    expect(await quoteFile(db, firm.firmId, { ...asked, of: { visitId: randomUUID() } }, words)).to.equal(null)
    expect(await quoteFile(db, firm.firmId, { ...asked, entryId: 'x' }, words)).to.equal(null)
  })

  it('test record: each look and figure, and what it was read with', async () => {
    const text = await said(await testsFile(db, place, visitId, { now, words }))
    for (const part of [
      'Test-out and electrical safety record',
      'Passed',
      'What was complained of is gone',
      'not looked at',
      'Protective earth, plug to case',
      '0.12 ohm',
      'up to 0.3 ohm',
      'at least 1 Mohm',
      'Which tester they were read with is not written.',
      'for local law',
    ])
      expect(text, part).to.contain(part)
  })

  it('water report: what was found, and what nobody tested is said', async () => {
    const text = await said(await waterReportFile(db, place, firm.siteId, { now, words }))
    for (const part of [
      'Water report',
      'A well',
      '19 drops of 1 °dH',
      'Back room',
      'Feeds Left bar.',
      'Nobody tested behind it yet.',
      'no judgement of whether water may be drunk',
    ])
      expect(text, part).to.contain(part)
    expect(await waterReportFile(db, place, other.siteId, { now, words })).to.equal(null)
  })

  it('passport: plate, parts and what was done, and nothing of whose it was or what it cost', async () => {
    const file = (await passportFile(db, place, firm.c2, { now, words }))!
    expect(file.name).to.equal('passport-c2-1.pdf')
    const text = await said(file)
    for (const part of ['Passport of Left bar', 'Varnholt Duo 2', 'C2-1', 'afety valve', 'Tested out: all right'])
      expect(text, part).to.contain(part)
    for (const part of ['A customer', 'A bakery', '€', 'Ines']) expect(text, part).not.to.contain(part)
    expect(await passportFile(db, place, other.c2, { now, words })).to.equal(null)
  })

  it('day’s report: a line a machine at each place of the customer', async () => {
    const asked = { customerId: firm.customerId, on }
    const text = await said(await dayReportFile(db, place, asked, { now, words }))
    for (const part of [
      'A customer',
      '1 machine at 1 place',
      '€137.60 before tax',
      'A bakery',
      'Left bar',
      'oiler safety valve new',
      'Left open: Control board, burnt.',
      'We come again on 17 Dec 2026.',
    ])
      expect(text, part).to.contain(part)
    expect(await daysAtCustomer(db, firm.firmId, firm.customerId)).to.deep.equal([on])
    expect(await daysAtCustomer(db, other.firmId, firm.customerId)).to.deep.equal([])
    expect(await dayReportFile(db, place, { ...asked, on: '2026-11-25' }, { now, words })).to.equal(null)
    expect(await dayReportFile(db, { ...place, id: other.firmId }, asked, { now, words })).to.equal(null)
  })

  it('are listed with the visit, and go along with a letter', async () => {
    const listed = await withFirm(db, firm.firmId, (trx) => papersBeside(trx, { siteId: firm.siteId, visitId, on }))
    expect(listed.map(({ id }) => id)).to.deep.equal(['tests', `quote ${quoted.id}`])
    const draw = { path: () => '', rule: () => '' } as unknown as Parameters<typeof visitPapers>[3]['draw']
    const made = await visitPapers(db, place, visitId, { papers: listed.map(({ id }) => id), now, words, draw })
    expect(made.ok && made.files.map(({ name }) => name)).to.deep.equal([
      'tests-R2026-0001.pdf',
      `quote-${codeOf(quote.quote)}.pdf`,
    ])
    const none = await visitPapers(db, place, visitId, { papers: [`quote ${randomUUID()}`], now, words, draw })
    expect(none.ok).to.equal(false)
  })

  it('are listed with the place, without a visit, and go along with a letter', async () => {
    const listed = (await placePapers(db, firm.firmId, firm.siteId, words.day))!
    expect(listed).to.include({ site: 'A bakery', customer: 'A customer' })
    expect(listed.ofPlace.map(({ name }) => name)).to.deep.equal([
      `Quote ${codeOf(quote.quote)} of 24 Nov 2026`,
      'Water report',
    ])
    const ofC2 = listed.machines.find(({ id }) => id === firm.c2)!
    expect(ofC2.papers.map(({ name }) => name)).to.deep.equal(['Care sheet, Left bar', 'Passport, Left bar'])
    const papers = [...listed.ofPlace, ...ofC2.papers].map(({ id }) => id)
    const made = await papersOfPlace(db, place, firm.siteId, { papers, now, words })
    expect(made.ok && made.files.map(({ name }) => name)).to.deep.equal([
      `quote-${codeOf(quote.quote)}.pdf`,
      'water-a-bakery-2026-11-26.pdf',
      'care-left-bar.pdf',
      'passport-c2-1.pdf',
    ])
    expect(await placePapers(db, other.firmId, firm.siteId, words.day)).to.equal(null)
  })

  it('of another place, of nothing and of another firm do not go along', async () => {
    for (const paper of [`care ${other.c2}`, `passport ${randomUUID()}`, 'care', 'care x', 'report', 'toString', ''])
      expect(
        (await papersOfPlace(db, place, firm.siteId, { papers: ['water', paper], now, words })).ok,
        paper,
      ).to.equal(false)
    const theirs = { ...place, id: other.firmId }
    expect((await papersOfPlace(db, theirs, firm.siteId, { papers: ['water'], now, words })).ok).to.equal(false)
    const asked = { of: { siteId: other.siteId }, entryId: quoted.id }
    expect(await quoteFile(db, firm.firmId, asked, words)).to.equal(null)
  })

  it('day’s report goes with a visit where the customer has more than that one place', async () => {
    const second = {
      ...(await withFirm(db, firm.firmId, (trx) => keptById(trx, 'site', firm.siteId)))!,
      name: 'A second bakery',
    }
    await withFirm(db, firm.firmId, (trx) => insertKept(trx, firm.firmId, 'site', randomUUID(), second))
    const listed = await withFirm(db, firm.firmId, (trx) => papersBeside(trx, { siteId: firm.siteId, visitId, on }))
    expect(listed.map(({ id }) => id)).to.include(`day ${on}`)
    const draw = { path: () => '', rule: () => '' } as unknown as Parameters<typeof visitPapers>[3]['draw']
    const ask = (papers: string[]) => visitPapers(db, place, visitId, { papers, now, words, draw })
    const made = await ask([`day ${on}`])
    expect(made.ok && made.files.map(({ name }) => name)).to.deep.equal([`day-a-customer-${on}.pdf`])
    for (const wrong of ['day 2026-13-01', 'day', 'day 2026-11-25', 'toString', 'water'])
      expect((await ask([wrong])).ok, wrong).to.equal(false)
  })

  it('quote once answered says so, and its lines stay what they were', async () => {
    const answer = { said: 'yes', on: '2026-11-25', name: 'Bram Thistle', orderNumber: '4711' }
    const answered = entryAbout(
      'site',
      firm.siteId,
      'quoted',
      { ...quote, answer },
      { on, visitId, supersedes: quoted.id },
    )
    await written(db, firm, [answered])
    const listed = await withFirm(db, firm.firmId, (trx) => papersBeside(trx, { siteId: firm.siteId, visitId, on }))
    expect(listed.at(-1)!.id, 'the quote is one, as it stands').to.equal(`quote ${answered.id}`)
    const text = await said(await quoteFile(db, firm.firmId, { of: { visitId }, entryId: answered.id }, words))
    expect(text).to.contain('They said yes, 25 Nov 2026.').and.contain('4711').and.contain('€214.20')
    expect(text).not.to.contain('Yes, please do it')
  })
})
