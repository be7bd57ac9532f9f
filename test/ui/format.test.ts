import { expect } from 'chai'
import fc from 'fast-check'
import { type DateStyle, dateStyles, usualPreferences } from '../../src/core/firm/preferences.ts'
import { fromDay } from '../../src/core/quantity/local-day.ts'
import {
  counted,
  dayFull,
  dayLong,
  dayNear,
  dayShort,
  daysUntil,
  ended,
  figure,
  halfWidth,
  monthYear,
} from '../../src/ui/format.ts'
import { readPreferencesFrom } from '../../src/ui/preferences.ts'
import { asReckoned, asTyped, differenceFigure, firmUnit, quantity, quantityWords } from '../../src/ui/quantity.ts'
import { lasts, spreadWords, urgencyOf, usedOn, usedShare } from '../../src/ui/urgency.ts'

const as = (preferences: Partial<typeof usualPreferences>) =>
  readPreferencesFrom(() => ({ ...usualPreferences, ...preferences }))
const usual = () => readPreferencesFrom(() => usualPreferences)

describe('days as a firm writes them', () => {
  afterEach(usual)
  it('end a sentence with one point, whatever their form', () => {
    for (const style of dateStyles) {
      as({ dateForm: style })
      expect(ended(dayNear('2026-11-28', '2026-11-29')), style).to.match(/[^.]\.$/)
    }
  })
  it('are known to days, or to years where days say nothing', () => {
    expect([9, 364, 365, 2124].map(spreadWords)).to.deep.equal(['± 9 d', '± 364 d', '± 1 y', '± 6 y'])
  })
  const written: Record<DateStyle, [long: string, short: string, near: string]> = {
    words: ['6 Jan 2027', '6 Jan', '6 Jan 27'],
    iso: ['2027-01-06', '01-06', '2027-01-06'],
    dots: ['06.01.2027', '06.01.', '06.01.2027'],
    dayFirst: ['06/01/2027', '06/01', '06/01/2027'],
    monthFirst: ['01/06/2027', '01/06', '01/06/2027'],
  }
  for (const style of dateStyles)
    it(`in the form of ${style}`, () => {
      as({ dateForm: style })
      const day = '2027-01-06'
      expect([dayLong(day), dayShort(day), dayNear(day, '2026-11-26')]).to.deep.equal(written[style])
      expect(dayNear(day, '2027-11-26')).to.equal(written[style][1])
    })

  it('with the weekday, and months of three letters', () => {
    expect(dayFull('2026-11-26')).to.equal('Thu 26 Nov 2026')
    expect(dayLong('2026-09-02')).to.equal('2 Sep 2026')
    expect(monthYear('2026-09-02')).to.equal('Sep 2026')
    expect(daysUntil('2026-12-01', '2026-11-26')).to.equal(5)
    expect(halfWidth({ p10: '2026-11-20', p90: '2026-12-01' })).to.equal(6)
  })

  it('as the tables of the runtime have them, whatever the day', () => {
    const weekday = new Intl.DateTimeFormat('en-US', { timeZone: 'UTC', weekday: 'short' })
    const rest = new Intl.DateTimeFormat('en-US', { timeZone: 'UTC', day: 'numeric', month: 'short', year: 'numeric' })
    fc.assert(
      fc.property(fc.integer({ min: -25_000, max: 60_000 }), (number) => {
        const at = new Date(number * 86_400_000)
        const [, month, date, year] = /^(\w+) (\d+), (\d+)$/.exec(rest.format(at))!
        expect(dayFull(fromDay(number))).to.equal(`${weekday.format(at)} ${date} ${month} ${year}`)
      }),
    )
  })
})

describe('figures', () => {
  afterEach(usual)
  it('have as many digits as a technician reads', () => {
    expect([0, 0.125, 1, 9.876, 12.345, 123.456, 123_456.7, -9.876].map(figure)).to.deep.equal([
      '0',
      '0.13',
      '1',
      '9.88',
      '12.3',
      '123',
      '123,457',
      '-9.88',
    ])
    expect([
      counted(1, 'machine'),
      counted(0, 'machine'),
      counted(1200, 'machine'),
      counted(2, 'entry', 'entries'),
    ]).to.deep.equal(['1 machine', '0 machines', '1,200 machines', '2 entries'])
  })

  it('come in the firm’s units, and go back as they were meant', () => {
    as({ pressureUnit: 'psi', temperatureUnit: 'F', volumeUnit: 'galUS', hardnessUnit: 'gpg' })
    expect(quantityWords(9, 'bar')).to.equal('131 psi')
    expect(quantity(93, '°C')).to.deep.equal({ value: '199', unit: '°F' })
    expect(differenceFigure(10, '°C')).to.equal('18')
    expect(firmUnit('L/open day')).to.equal('gal/open day')
    for (const [value, unit] of [
      [9, 'bar'],
      [93, '°C'],
      [46, 'L'],
    ] as const)
      expect(asReckoned(Number(asTyped(value, unit)), unit)).to.be.closeTo(value, value * 1e-5)
    expect(asReckoned(12, 'shots')).to.equal(12)
  })

  it('count one thing as one', () => {
    expect(quantityWords(1, 'months')).to.equal('1 month')
    expect(quantityWords(2, 'months')).to.equal('2 months')
    expect(quantityWords(1, 'open days')).to.equal('1 open day')
    expect(quantityWords(3, '')).to.equal('3')
  })
})

describe('how urgent it is', () => {
  const due = (p50: string, p10 = p50, p90 = p50) => ({ p10, p50, p90 })
  const today = '2026-11-26'
  it('is decided by the middle of the window', () => {
    expect(
      [due('2026-11-25'), due(today), due('2027-01-25'), due('2027-01-26'), undefined].map((one) =>
        urgencyOf(one, today),
      ),
    ).to.deep.equal(['overdue', 'soon', 'soon', 'later', 'none'])
  })

  it('is said in days, then in months', () => {
    expect(lasts(due('2026-11-20'), today)).to.equal('overdue 6 d')
    expect(lasts(due('2027-01-06'), today)).to.equal('41 d')
    expect(lasts(due('2027-01-06', '2026-12-28', '2027-01-15'), today)).to.equal('41 d ±9')
    expect(lasts(due('2028-11-26'), today)).to.equal('24 mo')
    expect(lasts(undefined, today)).to.equal('over 10 y')
    // No better known than now or twice as far: no spread in days is written there.
    expect(lasts(due('2027-02-26', '2026-11-30', '2028-06-01'), today)).to.equal('3 mo or more')
    expect(lasts(due('2027-12-01', '2026-12-01', '2031-01-01'), today)).to.equal('1 y or more')
  })

  it('carries use on from the day of reckoning, and takes the clock that governs', () => {
    const shots = { clock: 'shots' as const, used: 100, limit: 400, unit: 'shots', perDay: 10 }
    const months = { clock: 'months' as const, used: 3, limit: 4, unit: 'months', perDay: 0 }
    expect(usedOn(shots, '2026-11-16', today)).to.equal(200)
    expect(usedOn(shots, '2026-12-01', today)).to.equal(100)
    const standing = { uses: [shots, months], asOf: '2026-11-16' } as Parameters<typeof usedShare>[0]
    expect(usedShare({ ...standing, governing: 'shots' }, today)).to.equal(0.5)
    expect(usedShare(standing, today)).to.equal(0.75)
  })
})
