import { expect } from 'chai'
import { filledIn } from '../../src/core/firm/records.ts'
import { fromDay, toDay, weekday } from '../../src/core/quantity/local-day.ts'
import { minutesThere } from '../../src/core/visits/minutes-there.ts'
import { handedTo } from '../../src/islands/round/day/use-day-writes.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { insertKept, keptById, updateKept } from '../../src/records/kept.ts'
import { now } from '../../src/services/clock.ts'
import { dayPage } from '../../src/services/weeks/day.ts'
import { dayAsGeoJson, dayAsGpx } from '../../src/services/weeks/day-file.ts'
import { makePlan } from '../../src/services/weeks/make-plan.ts'
import type { DayPage } from '../../src/views/day-page.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm } from '../records/a-database.ts'
import { writerOf } from './writer.ts'

describe('the day', () => {
  let db: Db
  let firm: SmallFirm
  const [paris, mill] = [crypto.randomUUID(), crypto.randomUUID()]
  const today = now().toISOString().slice(0, 10)
  /** A Tuesday well ahead: everybody works, nothing is done yet. */
  const on = [10, 11, 12, 13, 14, 15, 16]
    .map((ahead) => fromDay(toDay(today) + ahead))
    .find((day) => weekday(toDay(day)) === 2)!
  const write = writerOf(() => ({ db, firm }))
  const look = (day = on, at = now()) => dayPage(db, firm.firmId, { on: day, today, now: at })
  const agreed = (siteId: string, more: object = {}, day = on) =>
    entryAbout(
      'site',
      siteId,
      'appointment',
      { step: 'agreed', on: day, technicianId: firm.ines, minutes: 60, tasks: [], ...more },
      { on: today, visitId: crypto.randomUUID() },
    )
  const ines = (page: DayPage) => page.people.find(({ id }) => id === firm.ines)!
  const namesOf = (page: DayPage, stops: number[]) => stops.map((i) => page.stops[i]!.name)

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    await withFirm(db, firm.firmId, async (trx) => {
      const change = async (kind: 'technician' | 'site', id: string, fields: object) => {
        const { id: _, version, ...record } = (await keptById(trx, kind, id))!
        await updateKept(trx, kind, id, version, { ...record, ...fields } as typeof record)
      }
      await change('technician', firm.ines, { startLatitude: 44.5, startLongitude: -31.2 })
      await change('site', firm.siteId, { latitude: 44.52, longitude: -31.2 })
      const site = { customerId: firm.customerId, technicianId: firm.ines, longitude: -31.2 }
      for (const [id, name, timeZone, latitude] of [
        [mill, 'The mill', 'Europe/London', 44.56],
        [paris, 'Across the border', 'Europe/Paris', 44.6],
      ] as const)
        await insertKept(trx, firm.firmId, 'site', id, filledIn('site', { ...site, name, timeZone, latitude }))
    })
    await write(agreed(firm.siteId), agreed(mill), agreed(paris, { from: '14:00' }))
  })
  after(() => db.destroy())

  it('stands without a plan: what was agreed, in the best order, each with its road', async () => {
    const page = await look()
    const { order, better, isSet, left, outing } = ines(page)
    expect(namesOf(page, order)).to.deep.equal(['A bakery', 'The mill', 'Across the border'])
    expect([better, isSet, left]).to.deep.equal([null, false, []])
    expect(outing).to.deep.include({ startMin: 480, endMin: 990 })
    expect(page.roads[order[0]!]![order[1]!]!.origin).to.equal('reckoned')
    // A browser is told the same.
    expect(JSON.parse(JSON.stringify(page))).to.deep.equal(page)
    expect(page.nowMin).to.equal(null)
    expect(page.people.find(({ id }) => id === firm.odile)!.order).to.deep.equal([])
  })

  it('keeps a time that was promised on the clock of the place', async () => {
    const page = await look()
    const stop = page.stops.find(({ siteId }) => siteId === paris)!
    expect(stop.promised).to.equal('14:00')
    // An hour ahead: their 14:00 is 13:00 where the firm is.
    expect(stop.open).to.deep.equal([{ from: 780, to: 810 }])
  })

  it('takes the order somebody set, and says what it costs', async () => {
    const free = ines(await look())
    await write(
      entryAbout(
        'firm',
        firm.firmId,
        'day-order',
        { on, technicianId: firm.ines, siteIds: [mill, firm.siteId, paris] },
        { on: today },
      ),
    )
    const page = await look()
    const { order, better, isSet } = ines(page)
    expect(isSet).to.equal(true)
    expect(namesOf(page, order)).to.deep.equal(['The mill', 'A bakery', 'Across the border'])
    expect(better!.order).to.deep.equal(free.order)
    expect(better!.savesMin).to.be.above(3)
  })

  it('leaves out what its hours do not hold, and says which', async () => {
    const hours = (spans: [string, string][]) =>
      entryAbout(
        'site',
        mill,
        'setting',
        { setting: 'visit-hours', weekdays: [1, 2, 3, 4, 5], hours: spans.map(([from, to]) => ({ from, to })) },
        { on: today },
      )
    for (const [spans, why] of [
      [[['06:00', '08:05']], 'out-of-reach'],
      [[['10:00', '10:10']], 'no-hours'],
    ] as [[string, string][], string][]) {
      await write(hours(spans))
      const page = await look()
      expect(ines(page).left.map((one) => [page.stops[one.stop]!.name, one.why])).to.deep.equal([['The mill', why]])
    }
    await write(hours([['09:00', '17:00']]))
    expect(ines(await look()).left).to.deep.equal([])
  })

  it('counts an hour less on the day the clocks go forward', async () => {
    // In London 01:30 does not exist on this day: it is as much later.
    const spring = '2027-03-28'
    await write(
      agreed(firm.siteId, {}, spring),
      entryAbout(
        'site',
        firm.siteId,
        'setting',
        { setting: 'visit-hours', weekdays: [1, 2, 3, 4, 5, 6, 7], hours: [{ from: '01:30', to: '09:00' }] },
        { on: today },
      ),
    )
    const near = '2027-03-01'
    const page = await dayPage(db, firm.firmId, { on: spring, today: near, now: new Date(`${near}T06:00:00Z`) })
    const { hours } = page.stops.find(({ siteId }) => siteId === firm.siteId)!
    expect(hours).to.deep.equal([{ from: 90, to: 480 }])
    await write(
      entryAbout(
        'site',
        firm.siteId,
        'setting',
        { setting: 'visit-hours', weekdays: [1, 2, 3, 4, 5, 6, 7], hours: [] },
        { on: today },
      ),
    )
  })

  it('goes on from where somebody is, with what was done as it was done', async () => {
    const visitId = crypto.randomUUID()
    await write(agreed(mill, {}, today), { ...agreed(firm.siteId, {}, today), visitId })
    const at = (time: string) => `${today}T${time}:00.000Z`
    await write(
      entryAbout(
        'site',
        firm.siteId,
        'visit',
        { technicianIds: [firm.ines], arrivedAt: at('08:20') },
        { on: today, visitId },
      ),
    )
    const during = await look(today, new Date(at('08:40')))
    expect(namesOf(during, ines(during).been)).to.deep.equal(['A bakery'])
    expect(during.stops[ines(during).been[0]!]!.state).to.equal('under way')
    expect(namesOf(during, ines(during).order)).to.deep.equal(['The mill'])
    expect(ines(during).outing.start).to.equal(ines(during).been[0])
  })

  it('plans nothing for who is away, and says what was agreed all the same', async () => {
    await write(
      entryAbout(
        'firm',
        firm.firmId,
        'setting',
        { setting: 'absence', technicianId: firm.ines, from: on, to: on, name: 'course' },
        { on: today },
      ),
    )
    const page = await look()
    expect(ines(page).away).to.equal('course')
    expect(ines(page).absences).to.have.length(1)
    expect(ines(page).order).to.have.length(3)
    await write(
      entryAbout('firm', firm.firmId, 'withdrawn', {}, { on: today, supersedes: ines(page).absences[0]!.entryId }),
    )
    expect(ines(await look()).away).to.equal(null)
  })

  it('drives a road as somebody put it right, both ways, until they take it back', async () => {
    const road = (minutes?: number) =>
      entryAbout(
        'site',
        mill,
        'setting',
        { setting: 'road', toId: firm.siteId, toName: 'A bakery', ...(minutes !== undefined && { minutes }) },
        { on: today },
      )
    const between = async () => {
      const page = await look()
      const [a, b] = [firm.siteId, mill].map((id) => page.stops.findIndex(({ siteId }) => siteId === id)) as [
        number,
        number,
      ]
      return [page.roads[a]![b]!, page.roads[b]![a]!]
    }
    const [before] = await between()
    await write(road(41))
    expect((await between()).map(({ minutes, origin }) => [minutes, origin])).to.deep.equal([
      [41, 'typed'],
      [41, 'typed'],
    ])
    await write(road())
    expect((await between())[0]).to.deep.equal(before)
  })

  it('tells what to carry for work and for a fault nobody has looked at', async () => {
    await write(
      entryAbout(
        'machine',
        firm.c2,
        'commissioned',
        { kind: 'c2', kindVersion: 1, partsNew: true },
        { on: fromDay(toDay(today) - 700) },
      ),
      entryAbout(
        'machine',
        firm.c2,
        'fault-reported',
        { text: 'Growls, nothing comes', symptom: 'no-water' },
        { on: today },
      ),
    )
    await makePlan(db, firm.firmId)
    const page = await look()
    const bakery = page.stops.find(({ siteId }) => siteId === firm.siteId)!
    expect(bakery.faults.map(({ text }) => text)).to.deep.equal(['Growls, nothing comes'])
    const lines = page.carry[firm.ines]!
    const { order, left } = ines(page)
    const rows = [...order, ...left.map(({ stop }) => stop)]
    const maybe = lines.filter(({ chance }) => chance !== undefined)
    expect(maybe).not.to.have.length(0)
    for (const { chance, stops, why } of maybe) {
      expect(chance).to.be.within(0.08, 1)
      expect(stops).to.deep.equal([rows.findIndex((i) => page.stops[i]!.siteId === firm.siteId)])
      expect(why).to.match(/^Varnholt Duo 2: /)
    }
    await write(
      entryAbout(
        'machine',
        firm.c2,
        'repaired',
        { text: 'New coil', fault: 'three-way-shut', cured: true },
        { on: today },
      ),
    )
    expect((await look()).carry[firm.ines]!.filter(({ chance }) => chance !== undefined)).to.deep.equal([])
  })

  it('leaves out what is long before its day and nobody was promised, sooner than a stop that was agreed', async () => {
    const page = await look()
    const bakery = page.stops.find(({ siteId }) => siteId === firm.siteId)!
    // Two years of nothing written are due here: more than a day holds beside two other stops.
    expect(
      ines(page)
        .left.map(({ why }) => why)
        .filter((why) => why === 'no-hours'),
    ).to.deep.equal([])
    for (const { stop } of ines(page).left)
      expect(page.stops[stop]!.tasks.filter(({ mayWait, over }) => mayWait && over < 0)).to.deep.equal([])
    const early = bakery.tasks.filter(({ over }) => over < 0)
    if (bakery.notToday.length > 0 && ines(page).left.length === 0)
      expect(bakery.serviceMin).to.equal(15 + minutesThere(bakery.tasks))
    for (const { mayWait } of early) expect(mayWait).to.equal(true)
  })

  it('says who else could go where somebody is away, and it is theirs once that is written', async () => {
    const day = fromDay(toDay(on) + 7)
    const visit = agreed(mill, { from: '10:00' }, day)
    await write(visit)
    await write(
      entryAbout(
        'firm',
        firm.firmId,
        'setting',
        { setting: 'absence', technicianId: firm.ines, from: day, to: day, name: 'ill' },
        { on: today },
      ),
    )
    await makePlan(db, firm.firmId)
    const page = await look(day)
    const { moves, more } = page.handOver!
    expect(more).to.equal(1)
    expect(moves).to.have.length(1)
    expect(moves[0]).to.include({ fromId: firm.ines, toId: firm.odile })
    const stop = page.stops[moves[0]!.stop]!
    const handed = handedTo(page, stop, firm.odile)
    expect(handed).to.deep.include({ kind: 'appointment', visitId: visit.visitId, subjectId: mill })
    expect(handed.body).to.deep.include({ step: 'agreed', on: day, technicianId: firm.odile, from: '10:00', tasks: [] })
    await write({ ...handed, happenedAt: `${today}T23:00:00.000Z` })
    await makePlan(db, firm.firmId)
    const after = await look(day)
    const odile = after.people.find(({ id }) => id === firm.odile)!
    expect(namesOf(after, odile.order)).to.include('The mill')
    expect(after.stops[odile.order[0]!]!.visitId).to.equal(visit.visitId)
    expect(after.handOver?.moves.some(({ stop: other }) => after.stops[other]!.siteId === mill) ?? false).to.equal(
      false,
    )
  })

  it('goes out as GPX and GeoJSON, in order, from the yard and back, without telephone or key', async () => {
    const page = await look()
    const gpx = dayAsGpx(page, firm.ines)!
    const names = [...gpx.matchAll(/<rtept[^>]*>.*?<name>(.*?)<\/name>/gs)].map(([, name]) => name)
    expect(names).to.deep.equal(['Ines Test', ...namesOf(page, ines(page).order), 'Ines Test'])
    const features = dayAsGeoJson(page, firm.ines)!.features
    expect(features.at(-1)!.geometry.type).to.equal('LineString')
    expect(features.at(-1)!.geometry.coordinates).to.have.length(names.length)
    expect(dayAsGpx(page, crypto.randomUUID())).to.equal(null)
  })
})
