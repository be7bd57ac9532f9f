import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { fromDay, toDay } from '../../src/core/quantity/local-day.ts'
import { putEntries } from '../../src/islands/round/put/put-entries.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { now } from '../../src/services/clock.ts'
import { type RoundQuery, roundPage } from '../../src/services/round.ts'
import { makePlan } from '../../src/services/weeks/make-plan.ts'
import { visitsToJoin } from '../../src/services/weeks/put-on-visit.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import type { RoundRow } from '../../src/views/round-page.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what is coming due, and the visits it is on', () => {
  let db: Db
  let firm: SmallFirm
  const today = now().toISOString().slice(0, 10)
  const ahead = (days: number) => fromDay(toDay(today) + days)
  const actor = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const write = async (entries: Entry[]) => {
    const { verdicts } = await writeEntries(db, actor(), entries, { now: now() })
    expect(verdicts.map(({ verdict }) => verdict)).to.deep.equal(entries.map(() => 'saved'))
  }
  const page = (more: Partial<RoundQuery> = {}) =>
    roundPage(db, firm.firmId, { horizon: 'all', limit: 1000, ...more }, today)
  const keyOf = ({ subjectId, standing }: RoundRow) => `${subjectId} ${standing.key}`
  const named = ({ subjectId, standing }: RoundRow) => ({ subjectId, key: standing.key })
  const put = async (rows: RoundRow[], on: string) => {
    const { sites, stopMin } = await visitsToJoin(db, firm.firmId, today, [firm.siteId])
    const site = sites[0]!
    const visit = site.visits.find((one) => one.on === on)
    const tasks = rows.map((row) => ({ ...named(row), minutes: row.standing.minutes }))
    const where = visit ? { visit } : { on, technicianId: firm.odile }
    await write(putEntries({ site, tasks, where }, stopMin, today, (day) => day))
  }

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    for (const name of ['c2', 'sr', 'pk'] as const)
      await writeEntries(db, actor(), firstEntries(firm[name], name), { now: testNow })
    const { rows } = await page()
    await write([
      entryAbout(
        'site',
        firm.siteId,
        'appointment',
        {
          step: 'agreed',
          on: ahead(5),
          technicianId: firm.ines,
          from: '10:30',
          minutes: 60,
          tasks: rows.slice(0, 3).map(named),
        },
        { on: ahead(-1), visitId: crypto.randomUUID() },
      ),
    ])
  })
  after(() => db.destroy())

  it('says with each task the visit that was arranged for it, and how much else is done then', async () => {
    const { rows, plannedOn } = await page()
    expect(plannedOn).to.equal(null)
    expect(rows[0]!.goes).to.deep.equal({
      on: ahead(5),
      technicianId: firm.ines,
      state: 'agreed',
      from: '10:30',
      tasks: 3,
    })
    expect(rows.filter(({ goes }) => goes).length).to.equal(3)
  })

  it('gathers by site, by machine and by visit: the same rows, each group whole and with its own sum', async () => {
    const whole = (await page()).rows
    for (const gather of ['site', 'machine', 'visit'] as const) {
      const { rows } = await page({ gather })
      expect(rows.map(keyOf).sort(), gather).to.deep.equal(whole.map(keyOf).sort())
      const groups = [...new Set(rows.map(({ group }) => group!.id))]
      let from = 0
      for (const id of groups) {
        const those = rows.filter(({ group }) => group!.id === id)
        // What belongs together stands together.
        expect(rows.slice(from, from + those.length)).to.deep.equal(those)
        expect(those[0]!.group!.tasks).to.equal(those.length)
        expect(those[0]!.group!.minutes).to.be.closeTo(
          those.reduce((sum, { standing }) => sum + standing.minutes, 0),
          1e-6,
        )
        const dues = those.map(({ standing }) => standing.due!.p50)
        expect(dues).to.deep.equal([...dues].sort())
        from += those.length
      }
      expect(groups.length).to.equal({ site: 1, machine: 3, visit: 2 }[gather])
    }
    const { rows } = await page({ gather: 'visit' })
    expect(rows[0]!.group!.isOpen).to.equal(false)
    expect(rows.at(-1)!.group!.isOpen).to.equal(true)
  })

  it('reads gathered rows on page by page, none twice and none left out', async () => {
    for (const gather of ['machine', 'visit'] as const) {
      const whole = (await page({ gather })).rows
      const rows: RoundRow[] = []
      let cursor: string | undefined
      do {
        const next = await page({ gather, limit: 5, ...(cursor && { cursor }) })
        rows.push(...next.rows)
        cursor = next.next
      } while (cursor)
      expect(rows).to.deep.equal(whole)
    }
  })

  it('puts tasks on a visit that stands: its step, its promise and its own tasks stay', async () => {
    const { rows } = await page()
    await put([rows[5]!], ahead(5))
    const after = (await page()).rows
    expect(after[5]!.goes).to.deep.include({ on: ahead(5), state: 'agreed', from: '10:30', tasks: 4 })
    expect(after[0]!.goes!.tasks).to.equal(4)
  })

  it('writes no more than was arranged and chosen: what the plan put on the visit besides is promised to nobody', async () => {
    await makePlan(db, firm.firmId)
    const { sites } = await visitsToJoin(db, firm.firmId, today, [firm.siteId])
    const agreed = sites[0]!.visits.find(({ on }) => on === ahead(5))!
    expect(agreed.tasks).to.have.length(4)
    const { rows } = await page()
    const row = rows.find(({ goes }) => goes?.on !== ahead(5))!
    const [written] = putEntries(
      { site: sites[0]!, tasks: [{ ...named(row), minutes: 5 }], where: { visit: agreed } },
      15,
      today,
      (day) => day,
    ).slice(-1)
    expect(written!.body).to.deep.include({ step: 'agreed', from: '10:30' })
    expect((written!.body as { tasks: object[] }).tasks).to.have.length(5)
    await withFirm(db, firm.firmId, (trx) => trx('plan').delete())
  })

  it('takes them from the visit they were on, and calls off one that was only taken up and has nothing left', async () => {
    const { rows } = await page()
    await put([rows[0]!], ahead(20))
    const moved = (await page()).rows
    expect(moved[0]!.goes).to.deep.include({ on: ahead(20), state: 'taken', technicianId: firm.odile, tasks: 1 })
    expect(moved[1]!.goes).to.deep.include({ on: ahead(5), tasks: 3 })
    await put([moved[0]!], ahead(5))
    const back = (await page()).rows
    expect(back[0]!.goes).to.deep.include({ on: ahead(5), tasks: 4 })
    const { sites } = await visitsToJoin(db, firm.firmId, today, [firm.siteId])
    expect(sites[0]!.visits.map(({ on }) => on)).to.deep.equal([ahead(5)])
  })

  it('is told no visit for what was done since it was put on one', async () => {
    const { rows } = await page()
    const calledOff = entryAbout(
      'site',
      firm.siteId,
      'visit',
      { technicianIds: [firm.ines], arrivedAt: `${today}T08:00:00Z` },
      { on: today, visitId: (await visitsToJoin(db, firm.firmId, today, [firm.siteId])).sites[0]!.visits[0]!.visitId! },
    )
    await write([calledOff])
    // Somebody was there under its id: it is no visit to come any more.
    expect((await page()).rows[0]!.goes).to.equal(null)
    expect(rows[0]!.goes).not.to.equal(null)
  })
})
