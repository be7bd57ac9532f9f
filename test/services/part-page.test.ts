import { expect } from 'chai'
import type { Db } from '../../src/records/database.ts'
import { partsPage } from '../../src/services/part-page.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what a firm’s parts lasted', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  const write = async (entries: Parameters<typeof writeEntries>[2], of = firm) =>
    (
      await writeEntries(db, { firmId: of.firmId, technicianId: of.ines, role: 'owner' }, entries, { now: testNow })
    ).verdicts.map(({ verdict }) => verdict)
  const part = { part: 'nozzle-seals' }
  const changed = (on: string, body: Record<string, unknown>) => [
    entryAbout('machine', firm.sr, 'removed', { ...part, ...body }, { on }),
    entryAbout('machine', firm.sr, 'fitted', part, { on: on.replace(/\d$/, (digit) => String(Number(digit) + 1)) }),
  ]

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Lives & Daughter')
    other = await smallFirm(db, 'Another')
    const verdicts = await write([
      ...firstEntries(firm.sr, 'sr'),
      ...changed('2026-08-10', { condition: 3, why: 'worn' }),
      ...changed('2026-09-20', { condition: 1, why: 'planned' }),
    ])
    expect(new Set(verdicts)).to.deep.equal(new Set(['saved']))
    await write(firstEntries(other.sr, 'sr'), other)
  })
  after(() => db.destroy())

  const page = (of = firm) => partsPage(db, of.firmId, 'sr', 'nozzle-seals', null)

  it('one worn out, one changed while good and one still in are three lives', async () => {
    const { chosen, rows } = await page()
    expect(chosen!.row).to.include({ failures: 1, censored: 2, adopted: null })
    expect(rows.find(({ taskId }) => taskId === 'nozzle-seals')).to.deep.equal(chosen!.row)
    const lives = [...chosen!.lives].sort((a, b) => a.since.localeCompare(b.since))
    expect(lives.map(({ failed }) => failed)).to.deep.equal([true, false, false])
    expect(lives.map(({ since, until }) => [since, until])).to.deep.equal([
      ['2026-06-01', '2026-08-10'],
      ['2026-08-11', '2026-09-20'],
      ['2026-09-21', null],
    ])
    // 1,000 drinks by 3 August and 7,000 by 2 November: about 66 a day between.
    expect(lives[1]!.time / 40).to.be.within(50, 110)
    expect(chosen!.row.learnedLife).to.be.lessThan(chosen!.row.catalogueLife)
  })

  it('a learned life is adopted as a setting of the firm, and taken back', async () => {
    const adopt = entryAbout('firm', firm.firmId, 'setting', {
      setting: 'life',
      kind: 'sr',
      task: 'nozzle-seals',
      clock: (await page()).chosen!.row.clock,
      value: 4321,
    })
    expect(await write([adopt])).to.deep.equal(['saved'])
    expect((await page()).chosen!.row.adopted).to.deep.equal({ value: 4321, entryId: adopt.id })
    const back = entryAbout('firm', firm.firmId, 'withdrawn', { reason: 'back' }, { supersedes: adopt.id })
    expect(await write([back])).to.deep.equal(['saved'])
    expect((await page()).chosen!.row.adopted).to.equal(null)
  })

  it('is nobody else’s', async () => {
    const theirs = await page(other)
    expect(theirs.chosen!.row).to.include({ failures: 0, censored: 1 })
    expect(theirs.chosen!.lives.map(({ machine }) => machine.id)).to.deep.equal([other.sr])
  })

  it('an unknown part is none, and neither is an unknown kind', async () => {
    expect((await partsPage(db, firm.firmId, 'sr', 'no-such-part', null)).chosen).to.equal(null)
    expect((await partsPage(db, firm.firmId, 'no-kind', null, null)).kind).to.equal(null)
    expect((await partsPage(db, firm.firmId, null, null, null)).kinds.map(({ id }) => id)).to.have.members([
      'c2',
      'pk',
      'sr',
    ])
  })
})
