import { expect } from 'chai'
import { bookOf } from '../../src/core/faults/books.ts'
import type { Db } from '../../src/records/database.ts'
import { causesPage } from '../../src/services/causes-page.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what it was, on a firm’s machines of a kind', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  const write = async (entries: Parameters<typeof writeEntries>[2], of = firm) =>
    (
      await writeEntries(db, { firmId: of.firmId, technicianId: of.ines, role: 'owner' }, entries, { now: testNow })
    ).verdicts.map(({ verdict }) => verdict)
  const repaired = (on: string, body: Record<string, unknown>, of = firm) =>
    entryAbout('machine', of.sr, 'repaired', { text: 'Done.', ...body }, { on })
  const page = async (of = firm) => (await causesPage(db, of.firmId, 'sr'))!
  let mistake: ReturnType<typeof repaired>

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Causes & Son')
    other = await smallFirm(db, 'Another of them')
    mistake = repaired('2026-09-03', { fault: 'airlock', cured: true })
    const verdicts = await write([
      ...firstEntries(firm.sr, 'sr'),
      repaired('2026-09-01', { fault: 'nozzle-seals', cured: true }),
      repaired('2026-10-01', { fault: 'nozzle-seals', cured: true }),
      repaired('2026-09-02', { fault: 'unit-ring', cured: false }),
      repaired('2026-09-04', { cause: 'Ring swollen.' }),
      mistake,
    ])
    expect(new Set(verdicts)).to.deep.equal(new Set(['saved']))
    await write(
      [...firstEntries(other.sr, 'sr'), repaired('2026-09-01', { fault: 'pump-weak', cured: true }, other)],
      other,
    )
  })
  after(() => db.destroy())

  it('is counted, with the machine it was on, and nothing of another firm', async () => {
    const { rows, inWordsOnly, kind, adopted } = await page()
    expect(kind).to.include({ id: 'sr', read: 1 })
    expect(rows.map(({ fault, cured, notCured }) => [fault, cured.length, notCured])).to.deep.equal([
      ['nozzle-seals', 2, 0],
      ['airlock', 1, 0],
      ['unit-ring', 0, 1],
    ])
    expect(rows[0]!.cured.map(({ on }) => on)).to.deep.equal(['2026-10-01', '2026-09-01'])
    expect(rows[0]!.cured[0]!.machine).to.include({ id: firm.sr })
    expect([inWordsOnly, adopted]).to.deep.equal([1, null])
    expect((await page(other)).rows.map(({ fault }) => fault)).to.deep.equal(['pump-weak'])
  })

  it('says what each share would be: forty calls of the book, and the firm’s own', async () => {
    const { rows } = await page()
    const share = bookOf('sr')!.faults.find(({ id }) => id === 'nozzle-seals')!.per100 / 100
    expect(rows[0]!.bookShare).to.be.closeTo(share, 1e-9)
    // Shares hardly moved are left as they are, so that the whole is a hundred within a hundredth.
    expect(rows[0]!.ownShare).to.be.closeTo((40 * share + 2) / 43, 0.01)
  })

  it('a repair taken back is no longer a cause', async () => {
    const back = entryAbout('machine', firm.sr, 'withdrawn', { reason: 'another machine' }, { on: '2026-10-02' })
    await write([{ ...back, supersedes: mistake.id }])
    expect((await page()).rows.map(({ fault }) => fault)).to.deep.equal(['nozzle-seals', 'unit-ring'])
  })

  it('is adopted as a setting of the firm, and given back', async () => {
    const counts = [{ fault: 'nozzle-seals', n: 2 }]
    const adopt = entryAbout('firm', firm.firmId, 'setting', { setting: 'causes', kind: 'sr', counts })
    expect(await write([adopt])).to.deep.equal(['saved'])
    const { adopted } = await page()
    expect(adopted).to.deep.include({ entryId: adopt.id, counts })
    const back = entryAbout('firm', firm.firmId, 'withdrawn', { reason: 'back to the book' })
    await write([{ ...back, supersedes: adopt.id }])
    expect((await page()).adopted).to.equal(null)
  })

  it('refuses counts that are none', async () => {
    const wrong = entryAbout('firm', firm.firmId, 'setting', {
      setting: 'causes',
      kind: 'sr',
      counts: [{ fault: 'airlock', n: 0 }],
    })
    expect(await write([wrong])).to.deep.equal(['refused'])
    const none = entryAbout('firm', firm.firmId, 'setting', { setting: 'causes', kind: 'sr', counts: [] })
    expect(await write([none])).to.deep.equal(['refused'])
  })

  it('is nothing for what is no kind', async () => {
    expect(await causesPage(db, firm.firmId, 'softener')).to.equal(null)
  })
})
