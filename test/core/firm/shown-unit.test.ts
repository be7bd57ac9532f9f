import { expect } from 'chai'
import fc from 'fast-check'
import {
  dateStyles,
  pressureUnits,
  temperatureUnits,
  usualPreferences,
  volumeUnits,
} from '../../../src/core/firm/preferences.ts'
import { shownUnit } from '../../../src/core/firm/shown-unit.ts'
import { hardnessUnits } from '../../../src/core/quantity/hardness.ts'
import { dayFull, dayLong, dayNear, dayShort } from '../../../src/ui/format.ts'
import { readPreferencesFrom } from '../../../src/ui/preferences.ts'

describe('units a firm reads in', () => {
  const shown = (unit: string, more: Partial<typeof usualPreferences>) =>
    shownUnit(unit, { ...usualPreferences, ...more })!

  // NIST SP 811, appendix B.8 (gallon, psi); UK Weights and Measures Act 1985 (gallon); DIN 38409-6 (°dH).
  it('are worth what the standards say', () => {
    expect(shown('L', { volumeUnit: 'galUS' }).show(3.785411784)).to.be.closeTo(1, 1e-12)
    expect(shown('L/open day', { volumeUnit: 'galUK' })).to.include({ unit: 'gal (UK)/open day' })
    expect(shown('L', { volumeUnit: 'galUK' }).show(4.54609)).to.be.closeTo(1, 1e-12)
    expect(shown('bar', { pressureUnit: 'psi' }).show(9)).to.be.closeTo(130.534, 1e-3)
    expect(shown('bar', { pressureUnit: 'kPa' }).show(9)).to.equal(900)
    expect(shown('°C', { temperatureUnit: 'F' }).show(93)).to.be.closeTo(199.4, 1e-9)
    expect(shown('°C', { temperatureUnit: 'F' }).showDifference(5)).to.equal(9)
    expect(shown('mg/L CaCO₃', {}).show(178.48)).to.be.closeTo(10, 1e-9)
    expect(shown('°dH', { hardnessUnit: 'fH' }).show(10)).to.be.closeTo(17.848, 1e-9)
  })

  it('leave alone what everybody reads alike', () => {
    for (const unit of ['shots', 'days', 'ml', 'g CaCO₃/L', '', 'L', 'bar', '°C', '°dH'])
      expect(shownUnit(unit, usualPreferences), unit).to.equal(null)
  })

  it('read back what they show', () => {
    const chosen = fc.record({
      ...Object.fromEntries(Object.entries(usualPreferences).map(([field, value]) => [field, fc.constant(value)])),
      hardnessUnit: fc.constantFrom(...hardnessUnits),
      volumeUnit: fc.constantFrom(...volumeUnits),
      temperatureUnit: fc.constantFrom(...temperatureUnits),
      pressureUnit: fc.constantFrom(...pressureUnits),
    }) as fc.Arbitrary<typeof usualPreferences>
    const unit = fc.constantFrom('L', 'bar', '°C', 'mg/L CaCO₃', '°dH')
    fc.assert(
      fc.property(chosen, unit, fc.double({ min: -50, max: 5000, noNaN: true }), (preferences, one, value) => {
        const found = shownUnit(one, preferences)
        if (found) expect(found.read(found.show(value))).to.be.closeTo(value, 1e-9 * Math.max(1, Math.abs(value)))
      }),
    )
  })
})

describe('dates as a firm writes them', () => {
  afterEach(() => readPreferencesFrom(() => usualPreferences))
  const said: Record<(typeof dateStyles)[number], string[]> = {
    words: ['6 Jan 2027', '6 Jan', 'Wed 6 Jan 2027', '6 Jan 27'],
    iso: ['2027-01-06', '01-06', 'Wed 2027-01-06', '2027-01-06'],
    dots: ['06.01.2027', '06.01.', 'Wed 06.01.2027', '06.01.2027'],
    dayFirst: ['06/01/2027', '06/01', 'Wed 06/01/2027', '06/01/2027'],
    monthFirst: ['01/06/2027', '01/06', 'Wed 01/06/2027', '01/06/2027'],
  }
  for (const style of dateStyles)
    it(`${style}: ${said[style][0]}`, () => {
      readPreferencesFrom(() => ({ ...usualPreferences, dateForm: style }))
      const day = '2027-01-06'
      expect([dayLong(day), dayShort(day), dayFull(day), dayNear(day, '2026-11-26')]).to.deep.equal(said[style])
    })
})
