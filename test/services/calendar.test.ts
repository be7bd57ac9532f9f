import { expect } from 'chai'
import ICAL from 'ical.js'
import { filledIn } from '../../src/core/firm/records.ts'
import { fromDay, toDay } from '../../src/core/quantity/local-day.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { insertKept, keptById, updateKept } from '../../src/records/kept.ts'
import {
  calendarFeed,
  endCalendar,
  makeCalendar,
  ownCalendarSince,
  visitInvitation,
} from '../../src/services/calendar.ts'
import { now } from '../../src/services/clock.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm } from '../records/a-database.ts'

/** Events as a reader of calendars has them that is not ours, by their id. */
function readBack(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text))
  for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone)
  return new Map(
    calendar.getAllSubcomponents('vevent').map((component) => {
      const event = new ICAL.Event(component)
      return [
        event.uid,
        {
          start: event.startDate,
          minutes: event.duration.toSeconds() / 60,
          status: component.getFirstPropertyValue('status'),
          sequence: event.sequence,
          summary: event.summary,
          zone: component.getFirstProperty('dtstart')!.getParameter('tzid'),
        },
      ] as const
    }),
  )
}

describe('a calendar of visits', () => {
  let db: Db
  let firm: SmallFirm
  let second = 0
  const paris = crypto.randomUUID()
  const today = now().toISOString().slice(0, 10)
  const [first, later] = [8, 15].map((ahead) => fromDay(toDay(today) + ahead)) as [string, string]
  const visit = crypto.randomUUID()
  const feed = async (token: string) => readBack((await calendarFeed(db, token, now()))!)
  const say = async (visitId: string, body: object, siteId = firm.siteId) => {
    const entry = entryAbout(
      'site',
      siteId,
      'appointment',
      { step: 'agreed', on: first, technicianId: firm.ines, minutes: 75, tasks: [], ...body },
      { on: today, visitId, happenedAt: `${today}T08:00:${String(second++).padStart(2, '0')}.000Z` },
    )
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const told = await writeEntries(db, actor, [entry], { now: now() })
    expect(told.verdicts.map(({ verdict }) => verdict)).to.deep.equal(['saved'])
    return entry
  }
  const mine = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    await withFirm(db, firm.firmId, async (trx) => {
      const { id: _, version, ...site } = (await keptById(trx, 'site', firm.siteId))!
      await updateKept(trx, 'site', firm.siteId, version, {
        ...site,
        accessNote: 'Key behind the third tile',
        address: 'Mill Lane 3',
      })
      const { id: __, version: known, ...customer } = (await keptById(trx, 'customer', firm.customerId))!
      await updateKept(trx, 'customer', firm.customerId, known, { ...customer, phone: '0555 0123', contact: 'Bettany' })
      const abroad = {
        customerId: firm.customerId,
        technicianId: firm.ines,
        name: 'Across, the border',
        timeZone: 'Europe/Paris',
      }
      await insertKept(trx, firm.firmId, 'site', paris, filledIn('site', abroad))
    })
  })
  after(() => db.destroy())

  it('holds what was agreed with me, at the clock of the place', async () => {
    await say(visit, { from: '10:30' })
    await say(crypto.randomUUID(), { step: 'asked' })
    await say(crypto.randomUUID(), { technicianId: firm.odile })
    const abroad = crypto.randomUUID()
    await say(abroad, { from: '14:00', on: later }, paris)
    const { token } = await makeCalendar(db, mine())
    const events = await feed(token)
    expect([...events.keys()].sort()).to.deep.equal([visit, abroad].map((id) => `${id}@visits.even-shot`).sort())
    const here = events.get(`${visit}@visits.even-shot`)!
    expect(here).to.deep.include({
      minutes: 75,
      status: 'CONFIRMED',
      sequence: 0,
      summary: 'A bakery',
      zone: 'Europe/London',
    })
    expect(here.start.toString()).to.equal(`${first}T10:30:00`)
    const there = events.get(`${abroad}@visits.even-shot`)!
    expect(there).to.deep.include({ zone: 'Europe/Paris', summary: 'Across, the border' })
    // Two in the afternoon there is as many hours of the world as that zone says.
    const clock = new Intl.DateTimeFormat('en-GB', { timeZone: 'Europe/Paris', hour: '2-digit', minute: '2-digit' })
    expect(clock.format(there.start.toJSDate())).to.equal('14:00')
  })

  it('keeps the id of a visit that moves, counts on, and takes it away when it is called off', async () => {
    const { token } = await makeCalendar(db, mine())
    const event = async () => (await feed(token)).get(`${visit}@visits.even-shot`)!
    await say(visit, { on: later })
    expect(await event()).to.deep.include({ sequence: 1, status: 'CONFIRMED' })
    // No time was promised: the whole day, at no clock.
    expect((await event()).start.isDate).to.equal(true)
    expect((await event()).start.toString()).to.equal(later)
    await say(visit, { step: 'called-off', on: later, note: 'Closed that week' })
    expect(await event()).to.deep.include({ sequence: 2, status: 'CANCELLED' })
  })

  it('goes from mine when somebody else takes it on', async () => {
    const other = crypto.randomUUID()
    await say(other, { from: '09:00' })
    await say(other, { from: '09:00', technicianId: firm.odile })
    const { token } = await makeCalendar(db, mine())
    const theirs = await makeCalendar(db, { ...mine(), technicianId: firm.odile })
    expect((await feed(token)).get(`${other}@visits.even-shot`)!.status).to.equal('CANCELLED')
    expect((await feed(theirs.token)).get(`${other}@visits.even-shot`)!.status).to.equal('CONFIRMED')
  })

  it('says no telephone number, no person, no key, and folds no line wrongly', async () => {
    const { token } = await makeCalendar(db, mine())
    const text = (await calendarFeed(db, token, now()))!
    for (const secret of ['0555', 'Bettany', 'third tile']) expect(text).not.to.contain(secret)
    expect(text).to.contain('Mill Lane 3')
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).to.be.at.most(75)
  })

  it('is read by nobody once its address is ended, made anew, or its owner has left', async () => {
    const before = await makeCalendar(db, mine())
    const after = await makeCalendar(db, mine())
    expect(await calendarFeed(db, before.token, now())).to.equal(null)
    expect(await calendarFeed(db, after.token, now())).not.to.equal(null)
    expect(await ownCalendarSince(db, mine())).not.to.equal(null)
    await endCalendar(db, mine())
    expect(await calendarFeed(db, after.token, now())).to.equal(null)
    expect(await ownCalendarSince(db, mine())).to.equal(null)
    const odile = await makeCalendar(db, { ...mine(), technicianId: firm.odile })
    await withFirm(db, firm.firmId, async (trx) => {
      const { id: _, version, ...person } = (await keptById(trx, 'technician', firm.odile))!
      await updateKept(trx, 'technician', firm.odile, version, { ...person, leftOn: today })
    })
    expect(await calendarFeed(db, odile.token, now())).to.equal(null)
  })

  it('gives a customer the one visit, and only while it is agreed', async () => {
    const one = crypto.randomUUID()
    await say(one, { from: '11:00' })
    const events = readBack((await visitInvitation(db, firm.firmId, one))!)
    expect([...events.values()].map(({ summary, sequence }) => [summary, sequence])).to.deep.equal([
      ['Test & Daughter at A bakery', 0],
    ])
    await say(one, { step: 'called-off', note: 'No time' })
    expect(await visitInvitation(db, firm.firmId, one)).to.equal(null)
    expect(await visitInvitation(db, firm.firmId, crypto.randomUUID())).to.equal(null)
    const rival = await smallFirm(db, 'Rival')
    await say(one, { from: '11:00' })
    expect(await visitInvitation(db, rival.firmId, one)).to.equal(null)
  })
})
