import { expect } from 'chai'
import { fromDay, toDay } from '../../src/core/quantity/local-day.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { keptById, updateKept } from '../../src/records/kept.ts'
import { proposedVisits } from '../../src/records/plan-parts.ts'
import { now } from '../../src/services/clock.ts'
import { roundPage } from '../../src/services/round.ts'
import { dayPage } from '../../src/services/weeks/day.ts'
import { makePart, makePlan } from '../../src/services/weeks/make-plan.ts'
import { mostTogether, planParts } from '../../src/services/weeks/plan-parts.ts'
import { visitValley } from '../../src/services/weeks/visit-valley.ts'
import { weeksAhead } from '../../src/services/weeks/weeks-ahead.ts'
import { whoTogether } from '../../src/services/weeks/who-together.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm } from '../records/a-database.ts'

/** Every so many of the sites has something due. */
const eachDue = 40

describe('a firm of more sites than are planned together', () => {
  let db: Db
  let firm: SmallFirm
  const sites: string[] = []
  const today = now().toISOString().slice(0, 10)
  const inDays = (days: number) => fromDay(toDay(today) + days)
  const actor = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const hers = (i: number) => i % 2 === 0

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    sites.push(...Array.from({ length: mostTogether + 40 }, () => crypto.randomUUID()))
    const rows = sites.map((id, i) => ({
      id,
      who: hers(i) ? firm.ines : firm.odile,
      name: `Site ${String(i).padStart(3, '0')}`,
      lat: 44.5 + (i % 20) / 100,
      lon: -31.2 + Math.floor(i / 20) / 200,
      due: i % eachDue < 2 ? inDays(10 + (i % 30)) : null,
    }))
    await withFirm(db, firm.firmId, async (trx) => {
      const from = `from json_to_recordset(?) as r(id uuid, who uuid, name text, lat float, lon float, due date)`
      const given = [firm.firmId, JSON.stringify(rows)]
      await trx.raw(`insert into subject (firm_id, id, kind) select ?, id, 'site' ${from}`, given)
      await trx.raw(
        `insert into site (firm_id, id, customer_id, technician_id, name, area, time_zone, latitude, longitude)
           select ?, id, ?, who, name, '', 'Europe/London', lat, lon ${from}`,
        [firm.firmId, firm.customerId, JSON.stringify(rows)],
      )
      await trx.raw(
        `insert into standing (firm_id, subject_id, key, site_id, due_p10, due_p50, due_p90, detail)
           select ?, id, 'visit', id, due - 5, due, due + 9, json_build_object('key', 'visit', 'task', 'visit',
             'name', 'Look at it', 'action', 'check', 'minutes', 30, 'governing', 'calendar',
             'due', json_build_object('p10', due - 5, 'p50', due, 'p90', due + 9)) ${from} where due is not null`,
        given,
      )
      for (const [i, id] of [firm.ines, firm.odile].entries()) {
        const { id: _, version, ...record } = (await keptById(trx, 'technician', id))!
        await updateKept(trx, 'technician', id, version, {
          ...record,
          startLatitude: 44.5 + i / 10,
          startLongitude: -31,
        })
      }
    })
  })
  after(() => db.destroy())

  const weeksOf = (technicianId: string) => weeksAhead(db, firm.firmId, today, { technicianId })
  const due = (whose: (i: number) => boolean) => sites.filter((_, i) => i % eachDue < 2 && whose(i))

  it('is planned technician by technician, each on their own sites', async () => {
    expect(await makePlan(db, firm.firmId)).to.equal(true)
    for (const [who, whose] of [
      [firm.ines, hers],
      [firm.odile, (i: number) => !hers(i)],
    ] as const) {
      const weeks = await weeksOf(who)
      expect(weeks.whose).to.deep.equal({
        technicianId: who,
        all: [
          { id: firm.ines, name: 'Ines Test' },
          { id: firm.odile, name: 'Odile Test' },
        ],
      })
      expect(weeks.beingMade).to.equal(false)
      expect(new Set(weeks.rows.map(({ siteId }) => siteId))).to.deep.equal(new Set(due(whose)))
      expect(weeks.rows.flatMap(({ visits }) => visits.map(({ technicianId }) => technicianId))).to.deep.equal(
        due(whose).map(() => who),
      )
    }
  })

  it('shows whoever asks their own, and whoever goes to a site that is asked for', async () => {
    const whose = async (asked: object) => (await weeksAhead(db, firm.firmId, today, asked)).whose!.technicianId
    expect(await whose({ me: firm.odile })).to.equal(firm.odile)
    expect(await whose({ me: firm.odile, siteId: sites[0]! })).to.equal(firm.ines)
    expect(await whose({ me: firm.odile, technicianId: firm.ines })).to.equal(firm.ines)
    expect(await whose({ technicianId: crypto.randomUUID() })).to.be.oneOf([firm.ines, firm.odile])
  })

  it('has what one is promised to do at another’s site in both their weeks, and in one plan', async () => {
    const siteId = due((i) => !hers(i))[0]!
    const on = inDays(9)
    const agreed = entryAbout(
      'site',
      siteId,
      'appointment',
      { step: 'agreed', on, technicianId: firm.ines, minutes: 30, tasks: [{ subjectId: siteId, key: 'visit' }] },
      { on: today, visitId: crypto.randomUUID().replace(/^(.{14})./, '$17') },
    )
    const { verdicts } = await writeEntries(db, actor(), [agreed], { now: now() })
    expect(verdicts[0]!.verdict).to.equal('saved')
    expect(await makePlan(db, firm.firmId)).to.equal(true)
    const [ines, odile] = [await weeksOf(firm.ines), await weeksOf(firm.odile)]
    expect(ines.rows.some((row) => row.siteId === siteId)).to.equal(false)
    const day = ines.technicians.find(({ id }) => id === firm.ines)!.days.find((one) => one.on === on)
    expect(day!.workMin).to.be.at.least(30)
    const row = odile.rows.find((one) => one.siteId === siteId)!
    expect(row.visits).to.have.length(1)
    expect(row.visits[0]).to.deep.include({ on, technicianId: firm.ines, state: 'agreed', tasks: 1 })
    const valley = await visitValley(db, firm.firmId, today, { siteId, on })
    expect(valley!.tasks.map(({ key }) => key)).to.deep.equal(['visit'])
    const page = await dayPage(db, firm.firmId, { on, today, now: now() })
    expect(page.stops.find((stop) => stop.siteId === siteId)).to.deep.include({ state: 'agreed' })
    expect(page.plan).to.equal('made')
  })

  it('is planned anew only for whose sites something was written about', async () => {
    const note = entryAbout('site', due((i) => !hers(i))[1]!, 'note', { text: 'The lift is out' }, { on: today })
    await writeEntries(db, actor(), [note], { now: now() })
    expect((await weeksOf(firm.ines)).beingMade).to.equal(false)
    expect((await weeksOf(firm.odile)).beingMade).to.equal(true)
    expect(await makePart(db, firm.firmId, firm.odile)).to.equal(true)
    expect((await weeksOf(firm.odile)).beingMade).to.equal(false)
    expect(await makePart(db, firm.firmId, crypto.randomUUID()), 'no part of it').to.equal(false)
  })

  it('says on the board which visit each task goes with, gathered too', async () => {
    const page = await roundPage(db, firm.firmId, { horizon: 'quarter', gather: 'visit' }, today)
    const open = page.rows.filter(({ group }) => group!.isOpen)
    expect(open).to.have.length(0)
    const proposed = new Map(
      (await withFirm(db, firm.firmId, (trx) => proposedVisits(trx))).map((one) => [one.siteId, one]),
    )
    for (const { siteId, goes } of page.rows)
      if (goes!.state === 'proposed') expect(goes!.on, siteId).to.equal(proposed.get(siteId)!.on)
    const days = page.rows.map(({ goes }) => goes!.on)
    expect(days).to.deep.equal([...days].sort())
  })

  it('gives the sites of whoever has left to the one who begins nearest', async () => {
    const parts = await withFirm(db, firm.firmId, async (trx) => {
      const { id: _, version, ...record } = (await keptById(trx, 'technician', firm.odile))!
      await updateKept(trx, 'technician', firm.odile, version, { ...record, leftOn: today })
      return planParts(trx, firm.firmId)
    })
    expect(parts).to.deep.equal([{ id: firm.ines, of: [firm.ines, firm.odile] }])
    expect(await makePlan(db, firm.firmId)).to.equal(true)
    const weeks = await weeksAhead(db, firm.firmId, today, { technicianId: firm.odile })
    expect(weeks.rows).to.have.length(due(() => true).length)
    expect(weeks.rows.every(({ visits }) => visits.every(({ technicianId }) => technicianId === firm.ines))).to.equal(
      true,
    )
  })

  it('is one plan again when there are fewer, and nothing of the parts is left', async () => {
    const before = await withFirm(db, firm.firmId, async (trx) => {
      await trx('site')
        .whereRaw('id = any(?)', [sites.filter((_, i) => i % eachDue >= 2)])
        .update({ retired_on: today })
      return proposedVisits(trx)
    })
    expect(await makePlan(db, firm.firmId)).to.equal(true)
    const weeks = await weeksAhead(db, firm.firmId, today)
    expect(weeks.whose).to.equal(null)
    const { parts, after } = await withFirm(db, firm.firmId, async (trx) => ({
      parts: (await trx('plan').select('part')).map(({ part }) => part),
      after: await proposedVisits(trx),
    }))
    expect(parts).to.deep.equal([firm.firmId])
    // What stood proposed is where it was.
    expect(after.map(({ siteId, on }) => `${siteId} ${on}`)).to.deep.equal(
      before.map(({ siteId, on }) => `${siteId} ${on}`),
    )
  })

  it('looks at ten people’s days at once, those who begin nearest to whoever is asked for', async () => {
    await withFirm(db, firm.firmId, async (trx) => {
      await trx.raw(
        `insert into technician (firm_id, id, name, initials, role, start_latitude, start_longitude)
           select ?, gen_random_uuid(), 'T' || lpad(n::text, 2, '0'), 'T' || n, 'technician', 50.2 - n, -31
           from generate_series(1, 14) n`,
        [firm.firmId],
      )
    })
    const { goes, others } = await withFirm(db, firm.firmId, (trx) => whoTogether(trx, firm.ines))
    expect(goes).to.have.length(10)
    expect(goes![0]).to.equal(firm.ines)
    expect(others.map(({ name }) => name)).to.deep.equal(['T01', 'T11', 'T12', 'T13', 'T14'])
    const page = await dayPage(db, firm.firmId, { on: inDays(9), today, now: now(), technicianId: firm.ines })
    expect(page.otherPeople).to.deep.equal(others)
    expect(page.people.map(({ id }) => id)).to.have.members(goes!)
  })
})
