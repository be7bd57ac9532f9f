import { expect } from 'chai'
import { filledIn } from '../../src/core/firm/records.ts'
import { kinds } from '../../src/core/kinds/index.ts'
import { idleTime } from '../../src/core/procedures/idle-time.ts'
import { fromDay, toDay, weekday } from '../../src/core/quantity/local-day.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { insertKept, keptById, updateKept } from '../../src/records/kept.ts'
import { now } from '../../src/services/clock.ts'
import { makePart, makePlan } from '../../src/services/weeks/make-plan.ts'
import { planParts } from '../../src/services/weeks/plan-parts.ts'
import { searchedPlan } from '../../src/services/weeks/search-plan.ts'
import { visitValley } from '../../src/services/weeks/visit-valley.ts'
import { weeksAhead } from '../../src/services/weeks/weeks-ahead.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm } from '../records/a-database.ts'
import { planOf } from './plan-of.ts'

describe('the weeks ahead', () => {
  let db: Db
  let firm: SmallFirm
  const today = now().toISOString().slice(0, 10)
  const daysAgo = (days: number) => new Date(now().getTime() - days * 86_400_000).toISOString().slice(0, 10)

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const taken = (id: string, kind: string) => [
      entryAbout('machine', id, 'commissioned', { kind, kindVersion: 1, partsNew: true }, { on: daysAgo(170) }),
      entryAbout('machine', id, 'reading', { counter: 'shots', count: 1000 }, { on: daysAgo(120) }),
      entryAbout('machine', id, 'reading', { counter: 'shots', count: 9000 }, { on: daysAgo(20) }),
    ]
    await writeEntries(db, actor, [...taken(firm.c2, 'c2'), ...taken(firm.sr, 'sr'), ...taken(firm.pk, 'pk')], {
      now: now(),
    })
    await withFirm(db, firm.firmId, async (trx) => {
      const place = async (kind: 'technician' | 'site', id: string, fields: object) => {
        const { id: _, version, ...record } = (await keptById(trx, kind, id))!
        await updateKept(trx, kind, id, version, { ...record, ...fields } as typeof record)
      }
      const yard = { startLatitude: 44.5, startLongitude: -31.2 }
      await place('technician', firm.ines, yard)
      await place('technician', firm.odile, { ...yard, workWeekdays: '2' })
      await place('site', firm.siteId, { latitude: 44.52, longitude: -31.2 })
      await insertKept(
        trx,
        firm.firmId,
        'site',
        crypto.randomUUID(),
        filledIn('site', {
          customerId: firm.customerId,
          technicianId: firm.ines,
          name: 'Nothing stands here',
          timeZone: 'Europe/London',
        }),
      )
    })
  })
  after(() => db.destroy())

  it('has no plan before one is made, says so, and asks for one', async () => {
    const weeks = await weeksAhead(db, firm.firmId, today)
    expect(weeks.madeOn).to.equal(null)
    expect(weeks.beingMade).to.equal(true)
    expect(weeks.rows.map(({ name, visits }) => [name, visits])).to.deep.equal([['A bakery', []]])
    expect(await visitValley(db, firm.firmId, today, { siteId: firm.siteId, on: today })).to.equal(null)
  })

  it('proposes visits on days somebody works and the site is open, from tomorrow', async () => {
    expect(await makePlan(db, firm.firmId)).to.equal(true)
    const weeks = await weeksAhead(db, firm.firmId, today)
    expect(weeks.madeOn).to.equal(today)
    const [row] = weeks.rows
    expect(row!.visits).not.to.have.length(0)
    expect(row!.placeUnknown).to.equal(false)
    for (const { on, technicianId, minutes, tasks } of row!.visits) {
      expect(on > today, on).to.equal(true)
      const day = weekday(toDay(on))
      expect(day).to.be.within(1, technicianId === firm.odile ? 2 : 5)
      expect(minutes).to.be.above(5)
      expect(tasks).to.be.above(0)
    }
    expect(weeks.sums.trips).to.equal(weeks.technicians.reduce((sum, { days }) => sum + days.length, 0))
    expect(weeks.sums.cost).to.be.at.least(weeks.sums.least - 1e-6)
  })

  it('proposes what a part past its day needs within days, and nothing twice', async () => {
    const weeks = await weeksAhead(db, firm.firmId, today)
    const plan = await planOf(db, firm.firmId)
    const all = plan.visits.flatMap(({ tasks }) => tasks.map(([id, key]) => `${id} ${key}`))
    expect(new Set(all).size).to.equal(all.length)
    const overdue = weeks.rows[0]!.overdue
    if (overdue > 0) expect(toDay(weeks.rows[0]!.visits[0]!.on) - toDay(today)).to.be.at.most(14)
  })

  it('tells what a visit would cost on every day, its own among the cheapest', async () => {
    const weeks = await weeksAhead(db, firm.firmId, today)
    const { siteId, visits } = weeks.rows[0]!
    const valley = (await visitValley(db, firm.firmId, today, { siteId, on: visits[0]!.on }))!
    expect(valley.tasks).to.have.length(visits[0]!.tasks)
    const costs = valley.days.map((day) => (day ? day.roadMin + day.earlyMin + day.lateMin : Number.POSITIVE_INFINITY))
    const own = costs[toDay(visits[0]!.on) - toDay(today)]!
    expect(own).to.be.at.most(Math.min(...costs) + 20)
    expect(valley.days[0], 'today').to.equal(null)
    // Its own day costs what whoever is planned drives, whoever lives nearer.
    const day = valley.days[toDay(visits[0]!.on) - toDay(today)]!
    expect(day.technicianId).to.equal(visits[0]!.technicianId)
    expect(day.roadMin).to.equal(day.ways.find(({ technicianId }) => technicianId === day.technicianId)!.roadMin)
    const sunday = valley.days.findIndex((_, d) => weekday(toDay(today) + d) === 7)
    expect(valley.days[sunday]).to.equal(null)
    // Alone on the way: there and back.
    expect(valley.aloneMin).to.be.closeTo(valley.tripRoadMin, 1e-6)
    const other = await smallFirm(db, 'Others')
    expect(await visitValley(db, other.firmId, today, { siteId, on: visits[0]!.on })).to.equal(null)
  })

  it('plans nothing for what waits, from its day on again, and says what it waits for', async () => {
    const before = (await planOf(db, firm.firmId)).visits
    const [subjectId, key] = before[0]!.tasks[0]!
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    let second = 0
    const waits = async (more: object) => {
      const entry = entryAbout('machine', subjectId, 'setting', { setting: 'waits', task: key, ...more }, { on: today })
      const at = `${today}T00:00:${String(second++).padStart(2, '0')}.000Z`
      await writeEntries(db, actor, [{ ...entry, happenedAt: at }], { now: now() })
      await makePlan(db, firm.firmId)
      const { visits } = await planOf(db, firm.firmId)
      return visits.find(({ tasks }) => tasks.some(([id, of]) => id === subjectId && of === key))?.on ?? null
    }
    const later = fromDay(toDay(today) + 40)
    expect(await waits({ for: 'price' })).to.equal(null)
    const on = (await planOf(db, firm.firmId)).visits[0]!.on
    const valley = (await visitValley(db, firm.firmId, today, { siteId: firm.siteId, on }))!
    expect(valley.left.find((task) => task.key === key)?.waits).to.deep.include({ for: 'price' })
    const then = await waits({ for: 'part', until: later })
    expect(then! >= later, then!).to.equal(true)
    expect((await waits({}))! < later).to.equal(true)
  })

  it('weighs by the firm’s own figures, and tells money where a minute has its price', async () => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    let second = 0
    const set = (body: object) => {
      const entry = entryAbout('firm', firm.firmId, 'setting', body, { on: today })
      const at = `${today}T00:00:${String(second++).padStart(2, '0')}.000Z`
      return writeEntries(db, actor, [{ ...entry, happenedAt: at }], { now: now() })
    }
    const on = (await planOf(db, firm.firmId)).visits[0]!.on
    const look = async () => (await visitValley(db, firm.firmId, today, { siteId: firm.siteId, on }))!
    const before = await look()
    expect(before.perMinute).to.equal(null)
    await set({ setting: 'planning', costsIn: 'money', stop: 40 })
    // Nobody said what a minute costs: minutes it is.
    expect((await look()).perMinute).to.equal(null)
    await set({ setting: 'prices', labourPerMinute: 1.5 })
    const after = await look()
    expect(after.perMinute).to.equal(1.5)
    expect(after.minutes - before.minutes).to.equal(25)
    await set({ setting: 'planning', costsIn: 'minutes' })
    expect(await look()).to.deep.include({ perMinute: null, minutes: before.minutes })
  })

  it('puts a contract’s visits within their days, other work on them, and says the visit itself is due', async () => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    let second = 0
    const set = async (body: object) => {
      const entry = entryAbout('site', firm.siteId, 'setting', { setting: 'contract', ...body }, { on: today })
      const at = `${today}T00:00:${String(second++).padStart(2, '0')}.000Z`
      await writeEntries(db, actor, [{ ...entry, happenedAt: at }], { now: now() })
      await makePlan(db, firm.firmId)
      return (await planOf(db, firm.firmId)).visits
    }
    const firstOn = fromDay(toDay(today) + 30)
    const visits = await set({ everyMonths: 1, firstOn, within: 3, minutes: 25 })
    const byContract = visits.filter(({ tasks }) => tasks.some(([, key]) => key.startsWith('contract@')))
    expect(byContract).to.have.length(2)
    for (const { on, tasks } of byContract) {
      const [, key] = tasks.find(([, of]) => of.startsWith('contract@'))!
      expect(Math.abs(toDay(on) - toDay(key.slice('contract@'.length)))).to.be.at.most(3)
    }
    const { on } = byContract[0]!
    const valley = (await visitValley(db, firm.firmId, today, { siteId: firm.siteId, on }))!
    const [own] = valley.tasks.filter(({ subjectKind }) => subjectKind === 'site')
    expect(own).to.deep.include({ name: 'Contract visit', minutes: 25, late: 'hard', due: firstOn })
    const none = await set({})
    expect(none.flatMap(({ tasks }) => tasks).filter(([, key]) => key.startsWith('contract@'))).to.deep.equal([])
  })

  it('sends nobody to a kind they do not know, as long as somebody else does', async () => {
    const who = async (knowsKinds: string) => {
      await withFirm(db, firm.firmId, async (trx) => {
        const { id: _, version, ...record } = (await keptById(trx, 'technician', firm.ines))!
        await updateKept(trx, 'technician', firm.ines, version, { ...record, knowsKinds })
      })
      await makePlan(db, firm.firmId)
      const { visits } = await planOf(db, firm.firmId)
      return new Set(visits.map(({ technicianId }) => technicianId))
    }
    expect([...(await who('sr'))]).to.deep.equal([firm.odile])
    const { rows } = await weeksAhead(db, firm.firmId, today)
    const valley = (await visitValley(db, firm.firmId, today, { siteId: firm.siteId, on: rows[0]!.visits[0]!.on }))!
    expect(
      valley.days.flatMap((day) => day?.ways ?? []).find(({ technicianId }) => technicianId === firm.ines),
    ).to.deep.include({ knows: false })
    expect([...(await who('c2 sr pk'))]).to.include(firm.ines)
    expect([...(await who(''))]).to.include(firm.ines)
  })

  it('takes as long for its work as the firm’s timed visits did, repairs left out', async () => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const on = (await planOf(db, firm.firmId)).visits[0]!.on
    const look = async () => (await visitValley(db, firm.firmId, today, { siteId: firm.siteId, on }))!
    const before = await look()
    expect(before.timedVisits).to.equal(0)
    const c2 = kinds.find(({ id }) => id === 'c2')!
    const { id: task, minutes } = c2.tasks.find(({ doneBy }) => doneBy === 'cleaned')!
    const usual = minutes + idleTime(task, c2, minutes).idleMin
    const visit = (back: number, more: object[] = []) => {
      const [visitId, day] = [crypto.randomUUID(), daysAgo(back)]
      const header = { technicianIds: [firm.ines], minutes: 15 + 2 * usual }
      return [
        entryAbout('site', firm.siteId, 'visit', header, { on: day, visitId }),
        entryAbout('machine', firm.c2, 'cleaned', { task }, { on: day, visitId }),
        ...more.map((body) => entryAbout('machine', firm.c2, 'fault-reported', body, { on: day, visitId })),
      ]
    }
    const entries = [30, 40, 50, 60].flatMap((back) => visit(back))
    const told = await writeEntries(db, actor, [...entries, ...visit(70, [{ text: 'Drips' }])], { now: now() })
    expect(told.verdicts.map(({ verdict }) => verdict)).to.deep.equal(Array.from({ length: 11 }, () => 'saved'))
    const after = await look()
    expect(after.timedVisits).to.equal(4)
    const sum = (tasks: typeof after.tasks) => tasks.reduce((all, one) => all + one.minutes, 0)
    expect(sum([...after.tasks, ...after.left])).to.be.above(sum([...before.tasks, ...before.left]) - 1)
  })

  it('leaves its proposals where they are when it plans again, and goes on after something was written', async () => {
    const first = await planOf(db, firm.firmId)
    const note = entryAbout('machine', firm.c2, 'note', { text: 'They moved the sugar' }, { on: daysAgo(1) })
    await writeEntries(db, { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' }, [note], { now: now() })
    await makePlan(db, firm.firmId)
    const again = await planOf(db, firm.firmId)
    expect(again.seq).to.be.above(first.seq)
    const days = (plan: typeof first) => plan.visits.map(({ siteId, on }) => `${siteId} ${on}`).sort()
    expect(days(again)).to.deep.equal(days(first))
    expect((await weeksAhead(db, firm.firmId, today)).beingMade).to.equal(false)
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    await writeEntries(
      db,
      actor,
      [entryAbout('machine', firm.c2, 'reading', { counter: 'shots', count: 9400 }, { on: daysAgo(1) })],
      { now: now() },
    )
    expect((await weeksAhead(db, firm.firmId, today)).beingMade).to.equal(true)
  })

  it('plans round what is agreed, whose tasks are in no other visit, until it is called off or somebody was there', async () => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    await makePlan(db, firm.firmId)
    const weeks = await weeksAhead(db, firm.firmId, today)
    const { siteId, visits } = weeks.rows[0]!
    const valley = (await visitValley(db, firm.firmId, today, { siteId, on: visits[0]!.on }))!
    // Another open day of hers than the cheapest.
    const d = valley.days.findIndex(
      (day, i) => i > 20 && day?.technicianId === firm.ines && !visits.some(({ on }) => on === daysAgo(-i)),
    )
    const on = daysAgo(-d)
    const visitId = crypto.randomUUID().replace(/^(.{14})./, '$17')
    const step = (name: string, hour: number, more: object = {}) =>
      entryAbout(
        'site',
        siteId,
        'appointment',
        {
          step: name,
          on,
          technicianId: firm.ines,
          minutes: 60,
          tasks: valley.tasks.map(({ subjectId, key }) => ({ subjectId, key })),
          ...more,
        },
        { on: today, visitId, happenedAt: `${today}T0${hour}:00:00.000Z` },
      )
    await writeEntries(db, actor, [step('agreed', 1)], { now: now() })
    await makePlan(db, firm.firmId)
    const agreed = (await weeksAhead(db, firm.firmId, today)).rows[0]!.visits
    const own = agreed.find((visit) => visit.visitId === visitId)!
    expect(own).to.deep.include({ state: 'agreed', on, technicianId: firm.ines })
    expect(own.tasks).to.be.at.least(valley.tasks.length)
    const plan = await planOf(db, firm.firmId)
    const all = plan.visits.flatMap(({ tasks }) => tasks.map(([id, key]) => `${id} ${key}`))
    expect(new Set(all).size).to.equal(all.length)

    const refused = await writeEntries(db, actor, [step('called-off', 2)], { now: now() })
    expect(JSON.stringify(refused)).to.include('say why')
    await writeEntries(db, actor, [step('called-off', 3, { note: 'They close' })], { now: now() })
    await makePlan(db, firm.firmId)
    expect(
      (await weeksAhead(db, firm.firmId, today)).rows[0]!.visits.every(({ state }) => state === 'proposed'),
    ).to.equal(true)
  })

  it('keeps whom it was promised by who has left, and says which tasks are the plan’s own', async () => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const weeks = await weeksAhead(db, firm.firmId, today)
    const { siteId, visits } = weeks.rows[0]!
    const { on } = visits[0]!
    const valley = (await visitValley(db, firm.firmId, today, { siteId, on }))!
    const first = valley.tasks[0]!
    const promise = (hour: number, tasks: object[]) =>
      entryAbout(
        'site',
        siteId,
        'appointment',
        { step: 'agreed', on, technicianId: firm.odile, minutes: 30, tasks },
        {
          on: today,
          happenedAt: `${today}T0${hour}:00:00.000Z`,
          visitId: crypto.randomUUID().replace(/^(.{14})./, '$17'),
        },
      )
    const one = [{ subjectId: first.subjectId, key: first.key }]
    // Two of the firm arranged the same day: it is one visit.
    await writeEntries(db, actor, [promise(1, one), promise(2, one)], { now: now() })
    await withFirm(db, firm.firmId, async (trx) => {
      const { id: _, version, ...record } = (await keptById(trx, 'technician', firm.odile))!
      await updateKept(trx, 'technician', firm.odile, version, { ...record, leftOn: today })
    })
    await makePlan(db, firm.firmId)
    const after = await weeksAhead(db, firm.firmId, today)
    const kept = after.rows[0]!.visits.filter((visit) => visit.on === on)
    expect(kept).to.have.length(1)
    expect(kept[0]).to.deep.include({ state: 'agreed', technicianId: firm.odile })
    expect(kept[0]!.besides).to.equal(kept[0]!.tasks - 1)
    const told = (await visitValley(db, firm.firmId, today, { siteId, on }))!
    expect(told.tasks.filter(({ besides }) => !besides).map(({ key }) => key)).to.deep.equal([first.key])
    const [day] = after.technicians.find(({ id }) => id === firm.odile)!.days
    expect(day!.workMin + day!.roadMin).to.be.above(day!.hoursMin)
    expect(day!.hoursMin).to.equal(0)
  })

  it('keeps the last plan when it is stopped in the middle', async () => {
    const note = entryAbout('machine', firm.c2, 'note', { text: 'And the cups' }, { on: daysAgo(1) })
    await writeEntries(db, { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' }, [note], { now: now() })
    const kept = await planOf(db, firm.firmId)
    expect(await makePlan(db, firm.firmId, AbortSignal.abort())).to.equal(false)
    expect(await planOf(db, firm.firmId)).to.deep.equal(kept)
  })

  it('is looked for in another thread, and whoever saves meanwhile waits for nobody', async () => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const note = () => entryAbout('machine', firm.c2, 'note', { text: 'Filter jug gone' }, { on: daysAgo(1) })
    await writeEntries(db, actor, [note()], { now: now() })
    const part = (await withFirm(db, firm.firmId, (trx) => planParts(trx, firm.firmId)))[0]!.id
    const found: number[] = []
    const made = await makePart(db, firm.firmId, part, undefined, async (asked) => {
      const saved = await writeEntries(db, actor, [note()], { now: now() })
      expect(saved.verdicts[0]!.verdict).to.equal('saved')
      // What goes to a thread is copied: the same is found from the copy.
      const [here, there] = [searchedPlan(asked), searchedPlan(structuredClone(asked))]
      expect(there.plan).to.deep.equal(here.plan)
      found.push(here.cost)
      return there
    })
    expect(made).to.equal(true)
    expect(found).to.have.length(1)
    expect((await planOf(db, firm.firmId))!.body.cost).to.be.closeTo(found[0]!, 1e-6)
  })
})
