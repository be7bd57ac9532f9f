import { expect } from 'chai'
import { type Db, withFirm } from '../../../src/records/database.ts'
import { lettersListed } from '../../../src/records/letters.ts'
import { writeReportsAsked } from '../../../src/services/letters/reports-asked.ts'
import { writeEntries } from '../../../src/services/write-entries.ts'
import { closing } from '../../core/invoices/billed.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm, testNow } from '../../records/a-database.ts'
import { actorOf, billsGo } from '../invoices/a-closed-visit.ts'
import { words } from '../papers/paper-words.ts'

const visitId = '01939000-0000-7000-8000-0000000000aa'
const on = '2026-11-20'

describe('the report that is asked for where a visit is closed', () => {
  let db: Db
  let firm: SmallFirm
  const closed = (more: object) =>
    entryAbout('site', firm.siteId, 'visit-closed', { ...closing([]).body, ...more }, { on, visitId })
  const close = async (more: object = { reportByMail: true }) => {
    const sent = [
      entryAbout('site', firm.siteId, 'visit', { technicianIds: [firm.ines] }, { on, visitId }),
      entryAbout('machine', firm.c2, 'fitted', { part: 'group-gasket', group: 1 }, { on, visitId }),
      closed(more),
    ]
    return { sent, answer: await writeEntries(db, actorOf(firm), sent, { now: testNow }) }
  }
  const letters = () =>
    withFirm(db, firm.firmId, (trx) => lettersListed(trx, { of: { visitId }, after: null, limit: 10 }))
  const ask = ({ sent, answer }: Awaited<ReturnType<typeof close>>) =>
    writeReportsAsked(
      db,
      { id: firm.firmId, name: 'Quillgate', timeZone: 'Europe/London' },
      actorOf(firm),
      sent,
      answer,
      {
        now: testNow,
        words,
      },
    )

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
  })

  it('is written once to the address that is kept, however often a device sends the closing', async () => {
    await billsGo(db, firm, { billEmail: 'bills@thistle.example' })
    const first = await close()
    const { sent } = first
    expect(await ask(first)).to.equal(1)
    const answer = await writeEntries(db, actorOf(firm), sent, { now: testNow })
    await Promise.all([ask({ sent, answer }), ask(first)])
    const [letter, ...more] = await letters()
    expect(more).to.deep.equal([])
    expect(letter).to.deep.include({ id: sent[2]!.id, to: 'bills@thistle.example', state: 'waiting' })
    expect(letter!.subject).to.match(/^Our visit of 20 Nov 2026 at /)
  })

  it('is none where nobody asked, or no address is kept', async () => {
    await billsGo(db, firm, { billEmail: 'bills@thistle.example' })
    expect(await ask(await close({}))).to.equal(0)
    firm = await smallFirm(db)
    expect(await ask(await close())).to.equal(0)
    expect(await letters()).to.deep.equal([])
  })

  it('is none of a closing that was refused', async () => {
    await billsGo(db, firm, { billEmail: 'bills@thistle.example' })
    expect(await ask(await close({ reportByMail: true, sentences: [] }))).to.equal(0)
    expect(await letters()).to.deep.equal([])
  })
})
