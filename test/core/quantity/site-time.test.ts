import { expect } from 'chai'
import fc from 'fast-check'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { dayAt, happenedAt, instantAt, timeAt } from '../../../src/core/quantity/site-time.ts'

/** Far east, far west, half and quarter hours, both halves of the year with summer time, and none. */
const zones = [
  'Pacific/Auckland',
  'Pacific/Honolulu',
  'Pacific/Kiritimati',
  'Pacific/Chatham',
  'Australia/Lord_Howe',
  'Asia/Kathmandu',
  'Asia/Kolkata',
  'Europe/London',
  'Europe/Berlin',
  'America/St_Johns',
  'America/New_York',
  'America/Sao_Paulo',
  'UTC',
]
const zone = fc.constantFrom(...zones)
const day = fc.integer({ min: toDay('2024-01-01'), max: toDay('2028-12-31') }).map(fromDay)
const time = fc
  .record({ hour: fc.integer({ min: 0, max: 23 }), minute: fc.integer({ min: 0, max: 59 }) })
  .map(({ hour, minute }) => `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`)

/** By the platform's own clock of a zone, nothing of ours: `2026-11-27 09:20`. */
const wall = (timeZone: string, instant: string): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'short' }).format(new Date(instant))

describe('times at a site', () => {
  it('a time of the day stands at that time of that day, by the platform’s own clock of the zone', () => {
    fc.assert(
      fc.property(zone, day, time, (timeZone, on, at) => {
        const instant = instantAt(timeZone, on, at)
        if (wall(timeZone, instant) === `${on} ${at}`) {
          expect(dayAt(timeZone, Date.parse(instant))).to.equal(on)
          expect(timeAt(timeZone, Date.parse(instant))).to.equal(at)
          return
        }
        // Only what the clocks skip cannot stand where it was said: no instant of that day shows it.
        const from = Date.parse(`${on}T00:00Z`) - 86_400_000
        const shown = Array.from({ length: 3 * 96 }, (_, i) =>
          wall(timeZone, new Date(from + i * 900_000).toISOString()),
        )
        const quarter = `${on} ${at.slice(0, 3)}${String(Math.floor(Number(at.slice(3)) / 15) * 15).padStart(2, '0')}`
        expect(shown, `${timeZone} ${on} ${at}`).to.not.include(quarter)
      }),
      { numRuns: 400 },
    )
  })

  it('the middle of a day is that day everywhere, whatever zone the device is in', () => {
    fc.assert(
      fc.property(zone, day, (timeZone, on) => {
        expect(dayAt(timeZone, new Date(instantAt(timeZone, on)))).to.equal(on)
      }),
    )
  })

  it('what is written now for today is now; for another day its noon at the site', () => {
    fc.assert(
      fc.property(zone, day, time, fc.integer({ min: -40, max: 40 }), (timeZone, on, at, later) => {
        const now = new Date(instantAt(timeZone, on, at))
        const today = dayAt(timeZone, now)
        expect(happenedAt(timeZone, today, now)).to.equal(now.toISOString())
        const other = fromDay(toDay(today) + (later || 1))
        expect(wall(timeZone, happenedAt(timeZone, other, now))).to.equal(`${other} 12:00`)
      }),
    )
  })

  it('entered at 09:20 in Auckland or Honolulu it stands at 09:20 that day', () => {
    expect(instantAt('Pacific/Auckland', '2026-11-27', '09:20')).to.equal('2026-11-26T20:20:00.000Z')
    expect(instantAt('Pacific/Honolulu', '2026-11-27', '09:20')).to.equal('2026-11-27T19:20:00.000Z')
    for (const timeZone of ['Pacific/Auckland', 'Pacific/Honolulu'])
      expect(wall(timeZone, instantAt(timeZone, '2026-11-27', '09:20'))).to.equal('2026-11-27 09:20')
  })

  // IANA time zone database, europe: summer time begins on the last Sunday of March at 01:00 UTC, ends in October.
  it('a time the clocks skip is as much later, one they pass twice is one of the two', () => {
    expect(instantAt('Europe/Berlin', '2026-03-29', '02:30')).to.equal('2026-03-29T01:30:00.000Z')
    expect(['2026-10-25T00:30:00.000Z', '2026-10-25T01:30:00.000Z']).to.include(
      instantAt('Europe/Berlin', '2026-10-25', '02:30'),
    )
    expect(instantAt('Europe/London', '2026-03-29', '00:59')).to.equal('2026-03-29T00:59:00.000Z')
    expect(instantAt('Europe/London', '2026-10-25', '03:00')).to.equal('2026-10-25T03:00:00.000Z')
  })
})
