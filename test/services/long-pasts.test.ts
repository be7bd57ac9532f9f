import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { longPastThinned } from '../../src/core/ledger/long-past.ts'
import { fromDay, toDay } from '../../src/core/quantity/local-day.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { entriesOf } from '../../src/records/ledger.ts'
import { reckonedByIds } from '../../src/records/subjects.ts'
import { machineBundle, wholeHistory } from '../../src/services/machine-bundle.ts'
import { catchUp } from '../../src/services/projections.ts'
import { forgetStandings } from '../../src/services/rebuild.ts'
import { ledgersById } from '../../src/services/reckon-subjects.ts'
import { isWritten, writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('the long past of a machine', () => {
  let db: Db
  let firm: SmallFirm
  const until = toDay('2026-11-01')

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    await write(
      firstEntries(firm.c2, 'c2').map((entry) => ({
        ...entry,
        happenedOn: '2023-01-02',
        happenedAt: '2023-01-02T09:00:00Z',
      })),
    )
    const days = Array.from({ length: 1000 }, (_, i) => until - 1000 + i)
    await write(
      days.flatMap((day, i) => [reading(10_000 + 50 * i, fromDay(day)), ...(i % 2 ? [note(fromDay(day))] : [])]),
    )
  })
  after(() => db.destroy())

  const write = async (entries: Entry[]) => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const answer = await writeEntries(db, actor, entries, { now: testNow, asOne: true })
    expect(isWritten(answer), JSON.stringify(answer.verdicts.find(({ verdict }) => verdict !== 'saved'))).to.equal(true)
  }
  const reading = (count: number, on: string, more: Partial<Entry> = {}) =>
    entryAbout('machine', firm.c2, 'reading', { counter: 'shots', count }, { on, ...more })
  const note = (on: string) => entryAbout('machine', firm.c2, 'note', { text: `dry on ${on}` }, { on })
  const inFirm = <T>(work: Parameters<typeof withFirm<T>>[2]) => withFirm(db, firm.firmId, work)
  const past = () => inFirm(async (trx) => (await trx('past').where({ subject_id: firm.c2 }).first()) ?? null)
  const standings = () =>
    inFirm((trx) => trx('standing').orderBy(['subject_id', 'key']).select('subject_id', 'key', 'detail'))
  /** What a reckoning reads, and what it should. */
  const readAndWhole = () =>
    inFirm(async (trx) => {
      const subjects = await reckonedByIds(trx, [{ id: firm.c2, kind: 'machine' }])
      const read = (await ledgersById(trx, firm.firmId, subjects)).get(firm.c2)!
      return { read, whole: await entriesOf(trx, [firm.c2]) }
    })
  const sortedIds = (entries: { id: string }[]) => entries.map(({ id }) => id).sort()
  const readsRight = async () => {
    const { read, whole } = await readAndWhole()
    expect(sortedIds(read)).to.deep.equal(sortedIds(longPastThinned(whole)))
    return read
  }

  it('is kept at the next write, and read instead of the old entries', async () => {
    expect(await past()).to.equal(null)
    await write([reading(60_020, '2026-11-02')])
    const kept = await past()
    expect(kept.before_on).to.match(/^2025-\d\d-01$/)
    expect(kept.entries.length).to.be.within(20, 60)
    const read = await readsRight()
    expect(read.length).to.be.below(700)
    const newest = read.find(({ happenedOn }) => happenedOn === '2026-11-02')
    expect(newest, 'what is not in the past is read from the ledger').to.deep.include({ kind: 'reading' })
  })

  it('says on the machine’s page what is left out, and hands it over when it is asked for', async () => {
    const bundle = (await machineBundle(db, firm.firmId, firm.c2))!
    const whole = (await wholeHistory(db, firm.firmId, firm.c2))!
    const here = [bundle.ledgers.machine, bundle.ledgers.site, bundle.ledgers.softener].flatMap(
      (ledger) => ledger ?? [],
    )
    expect(bundle.leftOut!.entries).to.equal(whole.length - here.length)
    expect(bundle.leftOut!.entries).to.be.above(800)
    const since = (entries: { happenedOn: string }[]) =>
      entries.filter(({ happenedOn }) => happenedOn >= bundle.leftOut!.before).length
    expect(since(here)).to.equal(since(whole))
  })

  it('is made anew when an old day is written to, or something old is corrected', async () => {
    await write([reading(17_777, '2023-09-01')])
    expect(await past(), 'it reaches back').to.equal(null)
    await readsRight()
    await write([reading(60_100, '2026-11-03')])
    expect(await past()).not.to.equal(null)
    const old = (await readAndWhole()).whole.find(({ happenedOn }) => happenedOn === '2024-05-14')!
    await write([reading(14_000, '2024-05-14', { supersedes: old.id })])
    expect(await past(), 'it corrects something old').to.equal(null)
    expect(sortedIds(await readsRight())).to.include(old.id)
  })

  it('stays where only what is read whole is corrected', async () => {
    await write([reading(60_200, '2026-11-04')])
    const there = (await readAndWhole()).whole.find(({ happenedOn }) => happenedOn === '2026-11-03')!
    const kept = await past()
    await write([reading(60_110, '2026-11-03', { supersedes: there.id })])
    expect(toDay((await past())?.before_on)).to.be.at.least(toDay(kept.before_on))
    await readsRight()
  })

  it('comes out the same when everything is made anew from the ledger, dates and all', async () => {
    const before = await standings()
    await forgetStandings(db, firm.firmId)
    expect(await past()).to.equal(null)
    await catchUp(db, firm.firmId)
    expect(await past()).not.to.equal(null)
    expect(await standings()).to.deep.equal(before)
  })

  it('is seen by its own firm alone', async () => {
    const other = await smallFirm(db)
    const seen = await withFirm(db, other.firmId, (trx) => trx('past').select())
    expect(seen).to.deep.equal([])
  })
})
