import { expect } from 'chai'
import fc from 'fast-check'
import { inSerialRange } from '../../../src/core/kinds/serial-range.ts'

describe('whether a serial number lies in a range', () => {
  // Counted as plates are: common practice, no source.
  const cases: [serial: string, from: string | undefined, to: string | undefined, is: boolean | null][] = [
    ['1042', '1000', '1999', true],
    ['999', '1000', undefined, false],
    ['10000', '1000', '9999', false],
    ['B-1042', 'b1000', 'B1999', true],
    ['B1999', 'B1000', 'B1999', true],
    ['0417', '400', '500', true],
    ['2024/0317', '2024/0100', '2025/0001', true],
    ['2025/0002', undefined, '2025/0001', false],
    ['C0001', 'B1000', 'D0500', true],
    ['A9999', 'B1000', undefined, false],
    ['20417', 'B1000', 'B1999', null],
    ['AB12', 'A10', undefined, null],
    ['12-A', '10', undefined, null],
    ['', '10', undefined, null],
    ['no plate', undefined, undefined, true],
  ]
  for (const [serial, serialFrom, serialTo, is] of cases)
    it(`${serial || 'none'} in ${serialFrom ?? '…'} to ${serialTo ?? '…'}: ${is === null ? 'cannot be told' : is}`, () => {
      expect(inSerialRange(serial, { serialFrom, serialTo })).to.equal(is)
    })

  it('agrees with whole numbers, whatever stands before them and between', () => {
    const number = fc.nat({ max: 99_999_999 })
    fc.assert(
      fc.property(number, number, number, fc.constantFrom('', 'X', 'AB-', 'k '), (n, a, b, mark) => {
        const [from, to] = a < b ? [a, b] : [b, a]
        const range = { serialFrom: `${mark}${from}`, serialTo: `${mark.toUpperCase()}${to}` }
        expect(inSerialRange(`${mark}${n}`, range)).to.equal(n >= from && n <= to)
      }),
    )
  })

  it('puts no serial number both before and after, and never throws', () => {
    fc.assert(
      fc.property(fc.string(), fc.string({ minLength: 1 }), (serial, end) => {
        const before = inSerialRange(serial, { serialTo: end })
        const after = inSerialRange(serial, { serialFrom: end })
        expect(before === null).to.equal(after === null)
        if (before !== null) expect(before || after).to.equal(true)
      }),
    )
  })
})
