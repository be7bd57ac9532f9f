import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { isCode } from '../../../src/core/papers/code.ts'
import { type Db, withFirm } from '../../../src/records/database.ts'
import { reportCount } from '../../../src/records/report-numbers.ts'
import { now } from '../../../src/services/clock.ts'
import { type Report, reportOf } from '../../../src/services/papers/report.ts'
import { reportPdf } from '../../../src/services/papers/report-pdf.ts'
import { isWritten, writeEntries } from '../../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm } from '../../records/a-database.ts'
import { words } from './paper-words.ts'
import { readPdf } from './read-pdf.ts'

const on = '2026-11-20'
const visitId = '01939000-0000-7000-8000-0000000000aa'
const closing = {
  minutes: [],
  currency: 'EUR',
  taxBp: 1900,
  lines: [
    {
      id: '1',
      of: 'part',
      name: 'Safety valve',
      quantityMilli: 1000,
      unit: 'piece',
      priceMinor: 4100,
      pays: 'customer',
    },
    {
      id: '2',
      of: 'part',
      name: 'Group gasket',
      quantityMilli: 2000,
      unit: 'piece',
      priceMinor: 520,
      pays: 'contract',
    },
  ],
  sentences: [
    { of: 'done', text: 'I was shown what was done here today.' },
    { of: 'charged', text: '€41.00 before tax is charged.', struck: true },
  ],
  signed: {
    how: 'signed',
    name: 'Bram Thistle',
    as: 'owner',
    at: '2026-11-20T12:02:00Z',
    strokes: [[10, 10, 60, 30, 120, 12, 180, 40]],
  },
}

describe('a service report', () => {
  let db: Db
  let firm: SmallFirm
  const write = async (entries: Entry[]) => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const answer = await writeEntries(db, actor, entries, { now: now() })
    expect(isWritten(answer), JSON.stringify(answer)).to.equal(true)
  }
  const about = (kind: 'site' | 'machine', body: object, what: Parameters<typeof entryAbout>[2], more: object = {}) =>
    entryAbout(kind, kind === 'site' ? firm.siteId : firm.c2, what, body, { on, visitId, ...more })
  const report = (firmId = firm.firmId): Promise<Report | null> =>
    reportOf(db, firmId, { siteId: firm.siteId, visitId, today: on, now: '2026-11-20T13:00:00Z' })
  const worked = () => [
    about(
      'site',
      { technicianIds: [firm.ines], arrivedAt: '2026-11-20T10:00:00Z', leftAt: '2026-11-20T12:00:00Z' },
      'visit',
    ),
    about('machine', { part: 'group-gasket', group: 1, condition: 3 }, 'removed'),
    about('machine', { part: 'group-gasket', group: 1 }, 'fitted'),
    about('machine', { part: 'control-board', condition: 4 }, 'inspected'),
  ]

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
    await write(firstEntries(firm.c2, 'c2'))
  })

  it('is there once the visit is closed, and of this firm alone', async () => {
    await write(worked())
    expect(await report()).to.equal(null)
    await write([about('site', closing, 'visit-closed')])
    const made = (await report())!
    expect(isCode(made.code)).to.equal(true)
    expect(made.revision).to.equal(0)
    expect(made.technicians).to.deep.equal(['Ines Test'])
    expect(await report((await smallFirm(db)).firmId)).to.equal(null)
  })

  it('says what was done, what stays open, what it costs and who signed, and is read back so', async () => {
    await write(worked())
    await write([
      about(
        'site',
        {
          ...closing,
          open: [{ subjectId: firm.c2, name: 'Control board, failed', until: '2026-12-17' }],
          isolated: [{ subjectId: firm.c2, part: 'control-board', how: 'plug out, tag on the front' }],
        },
        'visit-closed',
      ),
    ])
    const made = (await report())!
    const { pages, title, isTagged, fonts } = await readPdf(await reportPdf(made, words))
    const text = pages.join('\n')
    for (const said of [
      'Quillgate & Daughter',
      'Service report',
      'Isolated and tagged: not for use',
      'plug out, tag on the front',
      'Group gasket 1 new',
      'cracked, now new',
      'Control board left open',
      'you chose to wait until 17 Dec 2026',
      'What comes next',
      'No next visit is agreed.',
      'Eight times in ten',
      'Together, with tax',
      '€48.79',
      'In your contract: group gasket.',
      'Bram Thistle, owner',
      'struck out',
    ])
      expect(text, said).to.contain(said)
    // What the contract pays is the firm’s own affair: no price of it is on the customer’s paper.
    expect(text).not.to.contain('€5.20')
    expect(text).not.to.contain('€10.40')
    expect(title).to.contain('R2026-0001')
    expect(text).to.contain(`code ${made.code}`)
    expect(isTagged).to.equal(true)
    // Regular and bold, both in the file.
    expect(fonts).to.be.at.least(2)
    expect(pages).to.have.length(1)
  })

  it('is of no visit that closes over a machine that is not for use, unless it is isolated and tagged', async () => {
    await write(worked())
    const held = about('machine', { why: 'electrical' }, 'held')
    await write([held])
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const close = (body: object, known?: number) => {
      const one = about('site', { ...closing, ...body }, 'visit-closed')
      return writeEntries(db, actor, [one], {
        now: now(),
        ...(known !== undefined && { known: new Map([[one.id, known]]) }),
      })
    }
    const refused = await close({})
    expect(refused.verdicts[0]).to.deep.include({ verdict: 'refused' })
    expect(JSON.stringify(refused.verdicts[0])).to.contain('not_for_use')
    expect(await report()).to.equal(null)
    // Whoever closed it without network before a colleague held the machine could not know.
    expect(isWritten(await close({}, refused.seq - 1))).to.equal(true)
    const safe = [{ subjectId: firm.c2, held: held.id, how: 'plug out, tag on the front' }]
    expect(isWritten(await close({ isolated: safe }))).to.equal(true)
    await write([about('machine', { held: held.id }, 'released')])
    expect(isWritten(await close({}))).to.equal(true)
  })

  it('says that it is a revision, and that something came to it since', async () => {
    await write(worked())
    const first = about('site', closing, 'visit-closed')
    await write([first])
    const code = (await report())!.code
    await write([about('machine', { task: 'drain-hose' }, 'cleaned')])
    expect((await readPdf(await reportPdf((await report())!, words))).pages[0]).to.contain(
      'Corrected since it was signed: one line',
    )
    await write([
      about('site', { ...closing, signed: { how: 'nobody', at: '2026-11-20T14:00:00Z' } }, 'visit-closed', {
        supersedes: first.id,
      }),
    ])
    const again = (await report())!
    expect([again.revision, again.code]).to.deep.equal([1, code])
    const [page] = (await readPdf(await reportPdf(again, words))).pages
    expect(page).to.contain('revision 1').and.contain('Nobody there to sign').and.not.contain('Corrected since')
  })

  it('has a number of its year that stays, unique and without gap, whoever closes at once', async () => {
    const many = Array.from({ length: 6 }, (_, i) => `01939000-0000-7000-8000-0000000001${i}0`)
    const closes = (of: string, day: string, more: object = {}) =>
      about('site', closing, 'visit-closed', { visitId: of, on: day, ...more })
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const firsts = many.map((of) => closes(of, on))
    const answers = await Promise.all(firsts.map((one) => writeEntries(db, actor, [one], { now: now() })))
    for (const answer of answers) expect(isWritten(answer), JSON.stringify(answer)).to.equal(true)
    const counted = () => withFirm(db, firm.firmId, (trx) => Promise.all(many.map((of) => reportCount(trx, of))))
    const numbers = (await counted()).map((one) => one!.n)
    expect([...numbers].sort()).to.deep.equal([1, 2, 3, 4, 5, 6])
    // Closed anew, and one of another year among them: each stays what it was.
    await write([closes(many[0]!, on, { supersedes: firsts[0]!.id }), closes(visitId, '2025-12-31')])
    expect((await counted()).map((one) => one!.n)).to.deep.equal(numbers)
    const other = await withFirm(db, firm.firmId, (trx) => reportCount(trx, visitId))
    expect(other).to.deep.equal({ on: '2025-12-31', n: 1 })
    const stranger = await smallFirm(db)
    expect(await withFirm(db, stranger.firmId, (trx) => reportCount(trx, visitId))).to.equal(null)
  })
})
