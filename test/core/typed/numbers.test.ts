import { expect } from 'chai'
import fc from 'fast-check'
import { countWords } from '../../../src/core/typed/count-words.ts'
import { readAs } from '../../../src/core/typed/read-as.ts'
import { decimalMarkOf, readCount, readNumber } from '../../../src/core/typed/read-number.ts'
import { readQuantity } from '../../../src/core/typed/read-quantity.ts'
import { meant, saysUnknown } from '../../../src/core/typed/typed.ts'

describe('a count as people write it', () => {
  const counts: [cell: string, count: number | null][] = [
    ['84210', 84_210],
    ['84,210', 84_210],
    ['84.210', 84_210],
    ['84 210', 84_210],
    ['84\u00a0210', 84_210],
    ['84\u202f210', 84_210],
    ["84'210", 84_210],
    ['84’210', 84_210],
    ["1'184'220", 1_184_220],
    ['1.184.220', 1_184_220],
    ['184220.0', 184_220],
    ['184.220,00', 184_220],
    ['7,00', 7],
    ['0', 0],
    [' 12 ', 12],
    ['20900 Bezüge', 20_900],
    ['20.900 Tassen', 20_900],
    ['ca. 20900', 20_900],
    ['~ 20 900 cafés', 20_900],
    ['84k', 84_000],
    ['84 tsd.', 84_000],
    ['84,5 tsd', 84_500],
    ['18.4', null],
    ['1,84,220', null],
    ['184,220.5', null],
    ['184.220.5', null],
    ['-5', null],
    ['12a', null],
    ['12 bar', null],
    ['8.42E+04', null],
    ['999999999999', null],
    ['', null],
    ['?', null],
    ['k.A.', null],
  ]
  for (const [cell, count] of counts)
    it(`"${cell}": ${count ?? 'no count'}`, () => expect(meant(readCount(cell, { units: countWords }))).to.equal(count))

  it('says what is wrong with one that is none', () => {
    const why = (cell: string) => {
      const read = readCount(cell)
      return read.is === 'wrong' ? read.why : read.is
    }
    expect(why('84.2')).to.equal('is no whole number')
    expect(why('-3')).to.equal('is below 0')
    expect(why('8.42E+04')).to.contain('its last digits are lost')
    expect(why('999999999999')).to.contain('more than any counter shows')
    expect(why('12 bar')).to.contain('"bar"')
    expect(why('many')).to.equal('is no number')
    expect(why('unbekannt')).to.equal('unknown')
    expect(why('1.234k')).to.equal('either')
  })

  it('reads back every count that any country’s spreadsheet shows', () => {
    const locales = ['en-GB', 'de-DE', 'de-CH', 'fr-FR', 'it-IT', 'es-ES', 'nl-NL', 'sv-SE', 'pl-PL', 'pt-BR', 'en-US']
    // Node's own formatting of each country, after Unicode CLDR.
    const formats = locales.map((locale) => new Intl.NumberFormat(locale, { useGrouping: true }))
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), (count) => {
        for (const format of formats) expect(meant(readCount(format.format(count)))).to.equal(count)
      }),
    )
  })
})

describe('a figure as people write it', () => {
  const figures: [cell: string, read: number | [number, number] | null][] = [
    ['14,5', 14.5],
    ['14.5', 14.5],
    ['.5', 0.5],
    ['0,125', 0.125],
    ['1.234', [1234, 1.234]],
    ['1,234', [1234, 1.234]],
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ["1'234.5", 1234.5],
    ['1 234,5', 1234.5],
    ['1234,567', 1234.567],
    ['0.000', 0],
    ['-5', -5],
    ['−5,5', -5.5],
    ['+3', 3],
    ['12,-', 12],
    ['1.2.3', null],
    ['1,2.3,4', null],
    ['1 23', null],
    ['12 4,5', null],
    ['1/2', null],
    ['x', null],
  ]
  for (const [cell, expected] of figures)
    it(`"${cell}": ${expected ?? 'no figure'}`, () => {
      const read = readNumber(cell)
      if (Array.isArray(expected)) expect(read).to.deep.equal({ is: 'either', values: expected })
      else expect(meant(read)).to.equal(expected)
    })

  it('asks only where limits and the file leave it open', () => {
    expect(meant(readNumber('1.234', { to: 25 }))).to.equal(1.234)
    expect(meant(readNumber('1.234', { from: 100 }))).to.equal(1234)
    expect(meant(readNumber('1.234', { mark: '.' }))).to.equal(1.234)
    expect(meant(readNumber('1.234', { mark: ',' }))).to.equal(1234)
    expect(readNumber('30', { to: 25 })).to.deep.equal({ is: 'wrong', why: 'is above 25' })
    expect(decimalMarkOf(['1,234', '14,5'])).to.equal(',')
    expect(decimalMarkOf(['1,234', '14.5', '12'])).to.equal('.')
    expect(decimalMarkOf(['1,234', '12'])).to.equal(null)
    expect(decimalMarkOf(['1,5', '1.5'])).to.equal(null)
  })

  it('reads back what this application prints, exactly', () => {
    const exact = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 10 })
    fc.assert(
      fc.property(fc.integer({ min: -999_999_999, max: 999_999_999 }), fc.constantFrom(1, 10, 100, 1000), (n, by) => {
        const value = n / by
        const read = readNumber(exact.format(value))
        expect(read.is === 'either' ? read.values : [meant(read)]).to.include(value === 0 ? 0 : value)
      }),
    )
  })
})

describe('a quantity with its unit', () => {
  // NIST SP 811, appendix B.8: 1 psi = 6.894757 kPa; °F by definition. Hardness by DIN 38409-6 and molar masses.
  const cases: [cell: string, unit: string, kept: number][] = [
    ['14,0 °dH', '°dH', 14],
    ['14 °d', '°dH', 14],
    ['250 ppm', '°dH', 14.0072],
    ['25 °fH', 'mg/L CaCO₃', 250],
    ['10 gpg', 'mg/L CaCO₃', 171.18],
    ['12 bar', 'bar', 12],
    ['130 psi', 'bar', 8.963184],
    ['1,2 MPa', 'bar', 12],
    ['200 °F', '°C', 93.33333],
    ['93 °C', '°F', 199.4],
    ['2 h', 'min', 120],
    ['1 h', 'min', 60],
    ['40 min', 'min', 40],
    ['1.5 m³', 'L', 1500],
    ['2 lb', 'kg', 0.90718474],
    ['500 µS/cm', 'µS/cm', 500],
  ]
  for (const [cell, unit, kept] of cases)
    it(`"${cell}" is ${kept} ${unit}`, () => {
      const read = readQuantity(cell, unit)
      if (read.is !== 'value') throw new Error(JSON.stringify(read))
      expect(read.value.value).to.be.closeTo(kept, 1e-4 * Math.max(1, kept))
    })

  it('says how it stood there where that was another unit', () => {
    expect(readQuantity('130 psi', 'bar')).to.deep.include({
      value: { value: 8.9631841, as: { value: 130, unit: 'psi' } },
    })
    expect(readQuantity('9 bar', 'bar')).to.deep.equal({ is: 'value', value: { value: 9 } })
  })

  it('takes no unit that measures something else', () => {
    expect(readQuantity('12 bar', '°C').is).to.equal('wrong')
    expect(readQuantity('12 °C', '°dH').is).to.equal('wrong')
    expect(readQuantity('12 wigs', 'bar').is).to.equal('wrong')
  })

  it('holds limits against what would be kept', () => {
    expect(readQuantity('130 psi', 'bar', { to: 20 }).is).to.equal('value')
    expect(readQuantity('130', 'bar', { to: 20 })).to.deep.equal({ is: 'wrong', why: 'is above 20' })
    expect(readQuantity('1300 psi', 'bar', { to: 20 })).to.deep.equal({ is: 'wrong', why: 'is above 20 bar' })
  })
})

describe('cells that nobody thought of', () => {
  it('are never thrown over, and never a tenth or a thousand times what their digits say', () => {
    const mark = fc.constantFrom('.', ',', ' ', "'", '’', '\u00a0', '-', '−', 'E', 'k', '°dH', ' bar', ' Bezüge', '?')
    const digits = fc.integer({ min: 0, max: 9_999_999 }).map(String)
    const cell = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.array(fc.oneof(mark, digits), { maxLength: 5 }).map((parts) => parts.join('')),
    )
    fc.assert(
      fc.property(cell, (text) => {
        for (const read of [readCount(text), readNumber(text), readAs(text, { unit: 'bar' })]) {
          const values = read.is === 'value' ? [read.value] : read.is === 'either' ? read.values : []
          // Whatever the marks mean, the digits stay the digits: none is lost, none is added.
          for (const value of values) {
            const given = text.replace(/\D/g, '').replace(/^0+/, '')
            const kept = exactDigits(value)
            expect(
              sameDigits(given, kept) || /[kK]|tsd|psi|\d\s*m/.test(text),
              `${JSON.stringify(text)} as ${value}`,
            ).to.equal(true)
          }
        }
      }),
      { numRuns: 100_000 },
    )
  })

  it('know the words for what nobody knows', () => {
    for (const word of ['?', 'n/a', 'k.A.', 'unbekannt', ' – ', 'inconnu', 'N.D.'])
      expect(saysUnknown(word), word).to.equal(true)
    for (const word of ['0', 'no', 'soft', '']) expect(saysUnknown(word), word).to.equal(false)
  })
})

const exactDigits = (value: number) =>
  value.toLocaleString('en', { useGrouping: false, maximumFractionDigits: 15 }).replace(/\D/g, '').replace(/^0+/, '')

/** The same but for noughts at the end, which a fraction does not keep. */
function sameDigits(given: string, kept: string): boolean {
  const bare = (text: string) => text.replace(/0+$/, '')
  return bare(given) === bare(kept)
}
