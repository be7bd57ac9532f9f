import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import type { Db } from '../../src/records/database.ts'
import { checkImport } from '../../src/services/imports/judge-import.ts'
import { softenerPage } from '../../src/services/softener-page.ts'
import { waterBenchPage } from '../../src/services/water-bench.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { yearPage, yearWith } from '../../src/services/year-of-water.ts'
import type { JudgedAnalysis } from '../../src/views/judged-row.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('a firm’s water', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  const about = (kind: Entry['kind'], body: Record<string, unknown>, on: string) =>
    entryAbout('softener', firm.softenerId, kind, body, { on })
  const raw = (quantity: string, value: number, on = '2026-10-01') =>
    entryAbout(
      'site',
      firm.siteId,
      'water-test',
      { point: 'raw', quantity, method: 'figure', unit: 'dH', value },
      { on },
    )

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Water & Daughter')
    other = await smallFirm(db, 'Somebody Else')
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const entries = [
      ...firstEntries(firm.c2, 'c2'),
      ...firstEntries(firm.sr, 'sr'),
      about('commissioned', { kind: 'exchanger', kindVersion: 1, partsNew: true }, '2026-09-01'),
      about('setting', { setting: 'exchanger', resinL: 12 }, '2026-09-01'),
      about('regenerated', { saltKg: 1.5 }, '2026-10-20'),
      about(
        'water-test',
        { point: 'softened', quantity: 'total', method: 'drops', unit: 'dH', drops: 1, perDrop: 1 },
        '2026-11-02',
      ),
      raw('total', 19),
      raw('carbonate', 15),
    ]
    const { verdicts } = await writeEntries(db, actor, entries, { now: testNow })
    expect(verdicts.map(({ verdict }) => verdict)).to.deep.equal(entries.map(() => 'saved'))
  })
  after(() => db.destroy())

  it('a softener’s page adds up what it feeds, and says what its outlet showed', async () => {
    const page = (await softenerPage(db, firm.firmId, firm.softenerId))!
    expect(page.feeds.map(({ name }) => name)).to.deep.equal(['Left bar'])
    expect(page.feeds[0]!.litresPerOpenDay).to.be.closeTo(page.draw.perOpenDay, 1e-9)
    expect(page.tests).to.have.length(1)
    expect(page.tests[0]).to.include({ on: '2026-11-02', spent: false })
    expect(page.capacity!.tests).to.have.length(1)
    // Sodium exchange: one drop of hardness left, all of the carbonate, 0.46 mg of sodium a mg exchanged.
    expect(page.out!.hardnessMgL).to.be.closeTo(17.848, 1e-9)
    expect(page.out!.alkalinityMgL).to.be.closeTo(15 * 17.848, 1e-9)
    expect(page.out!.sodiumMgL / (18 * 17.848)).to.be.closeTo(0.4594, 1e-3)
    expect(page.out!.pH).to.equal(page.out!.rawPh)
    expect(page.renewals.map(({ kind }) => kind)).to.deep.equal(['regenerated'])
    expect(page.standings.map(({ key }) => key)).to.deep.equal([
      'regenerate',
      'outlet-test',
      'resin-top-up',
      'resin',
      'lid-seals',
    ])
    expect(await softenerPage(db, other.firmId, firm.softenerId)).to.equal(null)
    expect(await softenerPage(db, firm.firmId, randomUUID())).to.equal(null)
  })

  it('the bench starts from a site’s tests and what is drawn there', async () => {
    const page = await waterBenchPage(db, firm.firmId, firm.siteId)
    expect(page.site).to.include({ id: firm.siteId, name: 'A bakery' })
    expect(page.ledgers.site!.filter(({ kind }) => kind === 'water-test')).to.have.length(2)
    expect(page.litresPerDay).to.be.greaterThan(0)
    // Without a site, and with somebody else's, only the firm's own figures are there.
    expect(await waterBenchPage(db, firm.firmId, null)).to.deep.include({ site: null, litresPerDay: null })
    expect((await waterBenchPage(db, other.firmId, firm.siteId)).site).to.equal(null)
  })

  it('a year is reckoned as it is, and with a treatment that is only thought of', async () => {
    const page = (await yearPage(db, firm.firmId, firm.siteId))!
    expect(page.now).to.equal('1 behind the softener, 1 on raw water')
    expect(page.machines).to.have.length(2)
    const none = (await yearWith(db, firm.firmId, firm.siteId, { kind: 'none' }))!
    expect(none.litres).to.be.closeTo(page.year!.litres, 1e-6)
    expect(none.chalkG).to.be.greaterThan(page.year!.chalkG)
    expect(await yearPage(db, other.firmId, firm.siteId)).to.equal(null)
    expect(await yearWith(db, other.firmId, firm.siteId, { kind: 'none' })).to.equal(null)
    // A site where nothing draws has no year, and says so.
    expect((await yearPage(db, other.firmId, other.siteId))!.year).to.equal(null)
  })

  it('the works’ table: each row says what it would write', async () => {
    const names = ['date', 'total', 'carbonate', 'pH', 'conductivity', 'calcium', 'chloride', 'silica']
    const rows = [
      ['01.03.2026', '19,4', '15.2', '7,3', '640', '110', '< 25', ''],
      ['01.03.2026', '19', '', '', '', '', '', ''],
      ['01.06.2026', '', '', '7.4', '', '', '', ''],
      ['01.07.2026', '', '', '', '', '', '', ''],
      ['31.02.2026', '19', '', '', '', '', '', ''],
      ['01.08.2026', 'hard', '', '', '', '', '', ''],
      ['01.08.2026', '339', '', '', '', '', '', ''],
      ['01.08.2026', '', '', '15', '', '', '', ''],
      ['01.01.2027', '19', '', '', '', '', '', ''],
    ]
    const input = {
      id: randomUUID(),
      what: 'analyses',
      columns: Object.fromEntries(names.map((name, i) => [name, i])),
      dateForm: 'day-first',
      mark: ',',
      unit: 'dH',
      supplyId: firm.supplyId,
      words: [],
      cells: JSON.stringify([names, ...rows]),
    }
    const london = { timeZone: 'Europe/London' }
    const as = (of: SmallFirm) => ({ firmId: of.firmId, technicianId: of.ines, role: 'owner' as const })
    const checked = await checkImport(db, as(firm), london, input, testNow)
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    expect(checked.rows.map(({ verdict }) => verdict)).to.deep.equal([
      'taken',
      'duplicate',
      'taken',
      'unreadable',
      'unreadable',
      'unreadable',
      'unreadable',
      'unreadable',
      'impossible',
    ])
    const [total, carbonate, rest] = (checked.rows[0] as JudgedAnalysis).work!
    expect(total!.body).to.include({ quantity: 'total', value: 19.4, unit: 'dH' })
    expect(carbonate!.body).to.include({ quantity: 'carbonate', value: 15.2 })
    // 110 mg/L of the metal × 2.4973, by atomic weights.
    expect(rest!.body).to.deep.include({ by: 'works', pH: 7.3, chlorideMgL: 25, calciumMgL: 274.7 })
    const foreign = await checkImport(db, as(other), london, input, testNow)
    expect(foreign.ok ? '' : foreign.issues[0]!.path).to.equal('supplyId')
  })

  it('is refused where it cannot be, and nothing of it is kept', async () => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const odd = [
      entryAbout('site', firm.siteId, 'water-figures', { point: 'raw', by: 'pen' }),
      entryAbout('machine', firm.sr, 'water-figures', { point: 'raw', by: 'pen', pH: 7 }),
      entryAbout('site', firm.siteId, 'salt-added', { kg: 25 }),
      entryAbout('machine', firm.sr, 'setting', { setting: 'figure', figure: 'brew-stick', value: 7 }),
      entryAbout('machine', firm.sr, 'descaled', { task: 'descale', spent: { litres: 1 } }),
    ]
    const { verdicts } = await writeEntries(db, actor, odd, { now: testNow })
    expect(verdicts.map(({ verdict }) => verdict)).to.deep.equal(odd.map(() => 'refused'))
    const after = await waterBenchPage(db, firm.firmId, firm.siteId)
    expect(after.ledgers.site!.filter(({ kind }) => kind === 'water-figures')).to.deep.equal([])
  })
})
