import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { dayWithUnsent } from '../../src/device/day-with-unsent.ts'
import type { Unsent } from '../../src/device/unsent.ts'
import { makeEntry } from '../../src/islands/make-entry.ts'
import type { DayPage, DayStop } from '../../src/views/day-page.ts'

const on = '2026-11-26'
const at = (time: string) => `${on}T${time}:00.000Z`

const stop = (siteId: string): DayStop => ({
  siteId,
  name: siteId,
  area: '',
  address: '',
  place: null,
  state: 'agreed',
  technicianId: 'ines',
  visitId: `visit ${siteId}`,
  timeZone: 'Europe/London',
  accessNote: '',
  customer: { name: '', contact: '', phone: '' },
  hours: [],
  hoursNote: '',
  serviceMin: 40,
  open: [],
  tasks: [],
  notToday: [],
  faults: [],
})

const page = (): DayPage => ({
  on,
  today: on,
  nowMin: 420,
  timeZone: 'Europe/London',
  stops: ['a', 'b', 'c'].map(stop),
  people: [
    {
      id: 'ines',
      name: 'Ines',
      initials: 'IQ',
      start: null,
      away: null,
      absences: [],
      outing: { start: 3, end: 3, startMin: 480, endMin: 1020 },
      been: [],
      order: [0, 1, 2],
      isSet: false,
      left: [],
      better: null,
    },
  ],
  handOver: null,
  roads: [],
  carry: {},
  others: [],
  otherPeople: [],
  daysOut: [],
  plan: 'made',
  seq: 1,
})

const saves = (...entries: Entry[]): Unsent[] =>
  entries.map((entry, order) => ({
    order,
    by: 'ines',
    entries: [entry],
    entryIds: [entry.id],
    subjectIds: [entry.subjectId],
    visitIds: [],
    knownSeq: null,
    origin: null,
    bytes: 0,
    madeAt: 0,
    saidAt: 0,
    clockOffMs: null,
    tries: 0,
    nextAt: 0,
    state: 'waits',
    issues: [],
  }))

const header = (site: string, body: { arrivedAt?: string; leftAt?: string }, more: object = {}) =>
  makeEntry('site', site, 'visit', { technicianIds: ['ines'], ...body }, on, { visitId: `visit ${site}`, ...more })
const shown = (unsent: Unsent[], time: string, day = page()) =>
  dayWithUnsent(day, unsent, new Date(at(time)), (id) => (id === 'machine at b' ? 'b' : undefined))

describe('a day as it stands on a device', () => {
  it('goes by the clock, whenever it was packed', () => {
    const day = shown([], '09:30')
    expect(day.nowMin).to.equal(570)
    expect(day.people[0]!.outing.startMin).to.equal(570)
    expect(day.people[0]!.order).to.deep.equal([0, 1, 2])
    expect(dayWithUnsent(page(), [], new Date('2026-11-27T09:00:00Z'), () => undefined)).to.deep.include({
      nowMin: null,
      today: '2026-11-27',
    })
  })

  it('goes on from where somebody has arrived, and from when they left', () => {
    const arrived = header('b', { arrivedAt: at('09:00') })
    const there = shown(saves(arrived), '09:20')
    expect(there.stops[1]).to.deep.include({ state: 'under way', arrivedMin: 540, isTimed: true, waits: 1 })
    expect(there.people[0]).to.deep.include({ been: [1], order: [0, 2] })
    // The work is reckoned to its end.
    expect(there.people[0]!.outing).to.deep.include({ start: 1, startMin: 580 })
    const left = header('b', { arrivedAt: at('09:00'), leftAt: at('09:25') }, { supersedes: arrived.id })
    const gone = shown(saves(arrived, left), '09:40')
    expect(gone.stops[1]).to.deep.include({ state: 'done', leftMin: 565, waits: 2 })
    expect(gone.people[0]!.outing.startMin).to.equal(580)
  })

  it('is as it was where somebody was not there after all', () => {
    const arrived = header('a', { arrivedAt: at('09:00') })
    const back = makeEntry('site', 'a', 'withdrawn', {}, on, { supersedes: arrived.id })
    const both = shown(saves(arrived, back), '09:10')
    expect(both.stops[0]).to.deep.include({ state: 'agreed', waits: 2 })
    expect(both.people[0]).to.deep.include({ been: [], order: [0, 1, 2] })
    // The arrival is in the ledger already; only its withdrawal waits.
    const sent = shown(saves(arrived), '09:05')
    const taken = shown(saves(back), '09:10', sent)
    expect(taken.stops[0]!.header).to.equal(undefined)
    expect(taken.people[0]!.order).to.have.members([0, 1, 2])
  })

  it('keeps an order that was set, and says how much waits where', () => {
    const order = makeEntry('firm', 'f', 'day-order', { on, technicianId: 'ines', siteIds: ['c', 'a'] }, on)
    const note = makeEntry('machine', 'machine at b', 'note', { text: 'x' }, on)
    const elsewhere = makeEntry('machine', 'unknown', 'note', { text: 'x' }, on)
    const day = shown(saves(order, note, elsewhere), '08:00')
    expect(day.people[0]).to.deep.include({ order: [2, 0, 1], isSet: true })
    expect(day.stops.map(({ waits }) => waits)).to.deep.equal([undefined, 1, undefined])
    const refused = saves(header('a', { arrivedAt: at('09:00') })).map((save) => ({
      ...save,
      state: 'refused' as const,
    }))
    expect(shown(refused, '09:10').people[0]!.been, 'what was refused is not done').to.deep.equal([])
  })
})
