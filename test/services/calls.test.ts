import { expect } from 'chai'
import { filledIn } from '../../src/core/firm/records.ts'
import { fromDay, toDay, weekday } from '../../src/core/quantity/local-day.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { insertKept, keptById, updateKept } from '../../src/records/kept.ts'
import { callerMachine, callPlace, ringBacks, whoRang } from '../../src/services/calls.ts'
import { now } from '../../src/services/clock.ts'
import { machinePassport } from '../../src/services/passport.ts'
import { callDay, promiseBefore } from '../../src/services/weeks/call-moments.ts'
import { dayPage } from '../../src/services/weeks/day.ts'
import { lightest } from '../../src/services/weeks/day-stops.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import type { DayStop } from '../../src/views/day-page.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm } from '../records/a-database.ts'
import { writerOf } from './writer.ts'

describe('a call', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  const mill = crypto.randomUUID()
  const today = now().toISOString().slice(0, 10)
  const onWeekday = (of: number) =>
    [10, 11, 12, 13, 14, 15, 16]
      .map((ahead) => fromDay(toDay(today) + ahead))
      .find((day) => weekday(toDay(day)) === of)!
  const on = onWeekday(2)
  const write = writerOf(() => ({ db, firm }))
  const agreed = (siteId: string, more: object = {}) =>
    entryAbout(
      'site',
      siteId,
      'appointment',
      { step: 'agreed', on, technicianId: firm.ines, minutes: 60, tasks: [], ...more },
      { on: today, visitId: crypto.randomUUID() },
    )
  const look = (siteId: string, day = on, minutes = 40) =>
    callDay(db, firm.firmId, { on: day, today, now: now(), siteId, minutes })

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    other = await smallFirm(db, 'Another firm')
    await withFirm(db, firm.firmId, async (trx) => {
      const change = async (kind: 'technician' | 'site' | 'customer', id: string, fields: object) => {
        const { id: _, version, ...record } = (await keptById(trx, kind, id))!
        await updateKept(trx, kind, id, version, { ...record, ...fields } as typeof record)
      }
      await change('technician', firm.ines, { startLatitude: 44.5, startLongitude: -31.2 })
      await change('technician', firm.odile, { startLatitude: 44.9, startLongitude: -31.2 })
      await change('site', firm.siteId, { latitude: 44.52, longitude: -31.2 })
      await change('customer', firm.customerId, { contact: 'Marit', phone: '+44 (0)555 01-42 77' })
      const site = {
        customerId: firm.customerId,
        technicianId: firm.ines,
        timeZone: 'Europe/London',
        longitude: -31.2,
        latitude: 44.56,
      }
      await insertKept(trx, firm.firmId, 'site', mill, filledIn('site', { ...site, name: 'The mill' }))
    })
    await write(...(firstEntries(firm.c2, 'c2') as ReturnType<typeof entryAbout>[]))
  })
  after(() => db.destroy())

  it('finds the machine by any words of it, its place or its customer, and by the number that rings', async () => {
    const found = async (text: string) => (await whoRang(db, firm.firmId, text)).map(({ machineId }) => machineId)
    const { name } = (await withFirm(db, firm.firmId, (trx) => keptById(trx, 'machine', firm.c2)))!
    for (const text of [
      name,
      'bakery',
      'marit',
      `marit ${name.slice(0, 3)}`,
      '0555 014277',
      '+44 555 01 42 77',
      '555-0142-77',
    ])
      expect(await found(text), text).to.include(firm.c2)
    expect(await found('marit nobody-of-that-name')).to.deep.equal([])
    expect(await found('0555 999999')).to.deep.equal([])
    expect(await found('')).to.deep.equal([])
    // Signs that mean something to a search mean themselves.
    expect(await found('%')).to.deep.equal([])
    expect((await whoRang(db, other.firmId, '0555 014277')).length).to.equal(0)
    expect(await callerMachine(db, other.firmId, firm.c2)).to.equal(null)
    expect(await callerMachine(db, firm.firmId, 'no id')).to.equal(null)
    expect((await callerMachine(db, firm.firmId, firm.c2))?.customer).to.not.equal('')
  })

  it('knows the place: who, when we may come, what else stands there, and what is open', async () => {
    const [, fault] = await write(
      entryAbout('site', firm.siteId, 'setting', {
        setting: 'visit-hours',
        weekdays: [1, 2, 3, 4, 5],
        hours: [{ from: '09:00', to: '12:00' }],
        note: 'Not while they bake',
      }),
      entryAbout('machine', firm.c2, 'fault-reported', { text: 'Nothing comes', symptom: 'no-water' }),
    )
    const place = (await callPlace(db, firm.firmId, firm.siteId))!
    expect(place.customer).to.include({ contact: 'Marit', phone: '+44 (0)555 01-42 77' })
    expect(place.hours).to.deep.equal({
      weekdays: [1, 2, 3, 4, 5],
      hours: [{ from: '09:00', to: '12:00' }],
      note: 'Not while they bake',
    })
    const own = place.machines.find(({ id }) => id === firm.c2)!
    // 6,000 in thirteen weeks, and an open day or two of those are none.
    expect(own.perDay).to.be.within(55, 100)
    // The others were never read: nobody knows their drinks.
    expect(place.machines.every(({ id, perDay }) => id === firm.c2 || perDay === null)).to.equal(true)
    expect(own.isOut).to.equal(false)
    expect(own.fault).to.deep.include({ id: fault!.id, text: 'Nothing comes', symptom: 'no-water' })
    await write(entryAbout('machine', firm.c2, 'held', { why: 'electrical' }))
    expect((await callPlace(db, firm.firmId, firm.siteId))!.machines.find(({ id }) => id === firm.c2)!.isOut).to.equal(
      true,
    )
    expect(await callPlace(db, other.firmId, firm.siteId)).to.equal(null)
  })

  it('is to be rung back until somebody has, whatever it was about', async () => {
    const [aboutMachine, aboutNobody] = await write(
      entryAbout('machine', firm.c2, 'call', { end: 'ring-back', text: 'It drips' }, { on: today }),
      entryAbout('firm', firm.firmId, 'call', { end: 'ring-back', phone: '0555 0190' }, { on: today }),
      entryAbout('machine', firm.c2, 'call', { end: 'solved', text: 'A tap was shut' }, { on: today }),
    )
    const open = await ringBacks(db, firm.firmId, today)
    expect(open.map(({ id }) => id)).to.deep.equal([aboutMachine!.id, aboutNobody!.id])
    // What is on record is no part of what was told.
    expect(open[0]).to.deep.include({ text: 'It drips', caller: '', phone: '' })
    expect(open[0]!.customer).to.deep.equal({ contact: 'Marit', phone: '+44 (0)555 01-42 77' })
    expect(open[0]!.machine?.id).to.equal(firm.c2)
    expect(open[1]).to.deep.include({ machine: null, place: '', phone: '0555 0190', text: '' })
    expect(open[1]!.by).to.not.equal('')
    // Rung back, it turned out to be about a machine.
    await write(
      entryAbout('machine', firm.c2, 'call', { end: 'done', answers: aboutNobody!.id }, { on: today }),
      entryAbout('machine', firm.c2, 'withdrawn', { reason: 'twice' }, { on: today, supersedes: aboutMachine!.id }),
    )
    expect(await ringBacks(db, firm.firmId, today)).to.deep.equal([])
    expect(await ringBacks(db, other.firmId, today)).to.deep.equal([])
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const strange = entryAbout(
      'firm',
      firm.firmId,
      'call',
      { end: 'done', answers: crypto.randomUUID() },
      { on: today },
    )
    const told = await writeEntries(db, actor, [strange], { now: now() })
    expect(told.verdicts[0]!.verdict).to.equal('refused')
  })

  it('names faults that are there, and goes to no other firm with the machine', async () => {
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const nowhere = crypto.randomUUID()
    const told = await writeEntries(
      db,
      actor,
      [
        entryAbout('machine', firm.c2, 'call', { end: 'solved', report: nowhere }, { on: today }),
        agreed(mill, { repair: { report: nowhere, minutes: 30 } }),
      ],
      { now: now() },
    )
    expect(told.verdicts.map(({ verdict }) => verdict)).to.deep.equal(['refused', 'refused'])
    await write(
      entryAbout(
        'machine',
        firm.c2,
        'call',
        { end: 'done', text: 'Rung by name', caller: 'the new one', phone: '0555 0171' },
        { on: today },
      ),
    )
    const passport = JSON.stringify(await machinePassport(db, firm.firmId, firm.c2))
    expect(passport).to.include('fault-reported').and.not.include('0555 0171').and.not.include('the new one')
  })

  it('promises no time that is past, and else a quarter of an hour', () => {
    expect(promiseBefore(746, 458)).to.equal(735)
    expect(promiseBefore(464, 458)).to.equal(460)
    expect(promiseBefore(463.4, 462)).to.equal(463)
    expect(promiseBefore(462.4, 462.3)).to.equal(463)
  })

  it('makes room first with what the plan put on a visit beside what was promised, never with what is due', () => {
    const task = (more: object) => ({ minutes: 30, mayWait: true, over: -40, ...more })
    const stop = {
      hours: [],
      serviceMin: 145,
      tasks: [task({}), task({ over: 3 }), task({ mayWait: false }), task({})],
      repair: { report: 'x', minutes: 10 },
      open: [],
    } as unknown as DayStop
    const light = lightest(stop, 15)
    expect(light.tasks).to.deep.equal([stop.tasks[1], stop.tasks[2]])
    expect(light.serviceMin).to.equal(15 + 10 + 60)
    expect(lightest(light, 15)).to.equal(light)
  })

  it('offers every place in everybody’s day within the hours of the place, with the road it costs', async () => {
    await write(agreed(mill))
    const day = (await look(firm.siteId))!
    expect(day.why).to.equal(null)
    const mine = day.moments.filter(({ technicianId }) => technicianId === firm.ines)
    expect(mine.map(({ day: stops }) => stops.map(({ state }) => state))).to.deep.include.members([
      ['call', 'agreed'],
      ['agreed', 'call'],
    ])
    for (const moment of day.moments) {
      expect(moment.beginMin).to.be.within(9 * 60, 12 * 60)
      expect(moment.endMin).to.be.at.most(12 * 60)
      expect(moment.endMin - moment.beginMin).to.be.closeTo(55, 1e-6)
      // The promise is a quarter that has begun.
      const [hours, minutes] = moment.promise.split(':').map(Number) as [number, number]
      expect(moment.beginMin - (hours * 60 + minutes)).to.be.within(0, 15)
      expect(moment.siteIds).to.have.length(moment.day.length)
      expect(moment.siteIds[moment.day.findIndex(({ state }) => state === 'call')]).to.equal(firm.siteId)
    }
    // On the way to the mill it is hardly a detour; Odile would come from afar for it alone.
    expect(mine[0]!.detourMin).to.be.lessThan(10)
    const hers = day.moments.find(({ technicianId }) => technicianId === firm.odile)!
    expect(hers.detourMin).to.be.greaterThan(30)
    expect([hers.isOther, mine[0]!.isOther]).to.deep.equal([true, false])
    expect(JSON.parse(JSON.stringify(day))).to.deep.equal(day)
  })

  it('becomes the stop it was put in as, with its minutes and in its order', async () => {
    const day = (await look(firm.siteId))!
    const moment = day.moments.find(
      ({ technicianId, day: stops }) => technicianId === firm.ines && stops[0]!.state === 'call',
    )!
    const [report] = await write(
      entryAbout('machine', firm.c2, 'fault-reported', { text: 'Nothing comes', symptom: 'no-water' }),
    )
    await write(
      entryAbout(
        'firm',
        firm.firmId,
        'day-order',
        { on, technicianId: firm.ines, siteIds: moment.siteIds },
        { on: today },
      ),
      agreed(firm.siteId, { from: moment.promise, repair: { report: report!.id, minutes: 40 }, minutes: 55 }),
    )
    const page = await dayPage(db, firm.firmId, { on, today, now: now() })
    const { order } = page.people.find(({ id }) => id === firm.ines)!
    expect(order.map((i) => page.stops[i]!.siteId)).to.deep.equal(moment.siteIds)
    const stop = page.stops[order[0]!]!
    expect(stop).to.deep.include({ state: 'agreed', serviceMin: 55, promised: moment.promise })
    expect(stop.repair).to.deep.equal({ report: report!.id, minutes: 40 })
    expect(stop.faults.map(({ text }) => text)).to.include('Nothing comes')
  })

  it('joins a visit that stands: no other trip, and nobody else on that day', async () => {
    const day = (await look(firm.siteId))!
    expect(day.moments).to.have.length(1)
    const [moment] = day.moments
    expect(moment).to.deep.include({ technicianId: firm.ines, detourMin: 0 })
    expect(moment!.joins).to.deep.include({ state: 'agreed', minutes: 55 })
    expect(moment!.endMin - moment!.beginMin).to.be.closeTo(95, 1e-6)
  })

  it('says why nobody can come', async () => {
    expect((await look(firm.siteId, onWeekday(6)))!.why).to.equal('closed')
    await write(
      entryAbout('site', mill, 'setting', { setting: 'opening', openWeekdays: [1, 2, 3, 4, 5, 6, 7] }, { on: today }),
    )
    expect((await look(mill, onWeekday(7)))!.why).to.equal('nobody works')
    expect((await look(firm.siteId, onWeekday(3), 300))!.why).to.equal('full')
    expect(await look(crypto.randomUUID())).to.equal(null)
    expect(await callDay(db, other.firmId, { on, today, now: now(), siteId: mill, minutes: 40 })).to.equal(null)
    expect(await look(mill, fromDay(toDay(today) - 1))).to.equal(null)
  })
})
