import { expect } from 'chai'
import { comesTo, totalsOf } from '../../../src/core/close-out/charge-line.ts'
import type { Cover } from '../../../src/core/close-out/cover.ts'
import { quoteLines, type ToQuote } from '../../../src/core/quotes/quote-lines.ts'

const board: ToQuote = {
  key: 'a part control-board',
  subjectId: 'a',
  name: 'Control board',
  part: 'control-board',
  pieces: 1,
  partMinor: 18_000,
  minutes: 30,
  isUnderWarranty: false,
}
const gaskets: ToQuote = {
  ...board,
  key: 'a part group-gasket',
  name: 'Group gasket',
  part: 'group-gasket',
  pieces: 2,
  partMinor: 520,
  minutes: 12,
}
const rates = { labourPerHourMinor: 6300, travelPerHourMinor: 4800, perKmMinor: 80, callOutMinor: 5500 }
const cover: Cover = { until: '2026-12-31', partsUpToMinor: 2500, notParts: [], labour: true, travel: true, used: true }
const asked = { rates, cover: null, validUntil: '2026-12-26', own: null }
const comesToOf = (lines: ReturnType<typeof quoteLines>) => lines.map((line) => [line.name, comesTo(line), line.pays])

describe('the lines of a quote', () => {
  it('are each part and the work in one line, on the next visit', () => {
    expect(comesToOf(quoteLines([board, gaskets], asked))).to.deep.equal([
      ['Control board', 18_000, 'customer'],
      ['Group gasket', 1040, 'customer'],
      ['Work', 4410, 'customer'],
    ])
  })

  it('have the call and the road where it is a visit of its own', () => {
    const lines = quoteLines([board], { ...asked, own: { minutes: 10, km: 6 } })
    expect(comesToOf(lines).slice(2)).to.deep.equal([
      ['The road', 800, 'customer'],
      ['Kilometres', 480, 'customer'],
      ['The call', 5500, 'customer'],
    ])
    // Sums as the visit itself would be charged.
    expect(totalsOf(lines, 1900)).to.deep.include({ netMinor: 27_930, taxMinor: 5307, grossMinor: 33_237 })
  })

  it('go by the contract and the warranty, while they hold', () => {
    const lines = quoteLines([board, gaskets], { ...asked, cover })
    expect(lines.map(({ name, pays, why }) => [name, pays, why])).to.deep.equal([
      ['Control board', 'customer', 'dearer than the contract takes'],
      ['Group gasket', 'contract', undefined],
      ['Work', 'contract', undefined],
    ])
    const late = quoteLines([gaskets], { ...asked, cover, validUntil: '2027-01-10' })
    expect(
      late.map(({ pays }) => pays),
      'the contract ends before the quote does',
    ).to.deep.equal(['customer', 'customer'])
    const [part] = quoteLines([{ ...board, isUnderWarranty: true }], asked)
    expect([part!.pays, part!.why]).to.deep.equal(['warranty', 'under warranty'])
  })

  it('have no part where nothing goes in, and no work where none is said', () => {
    const { part: _, ...descale } = board
    expect(comesToOf(quoteLines([{ ...descale, partMinor: null }], asked))).to.deep.equal([['Work', 3150, 'customer']])
    expect(quoteLines([{ ...board, minutes: 0 }], asked)).to.have.length(1)
    // Work whose hour has no price waits for one.
    expect(totalsOf(quoteLines([board], { ...asked, rates: {} }), 0).unpriced).to.equal(1)
  })
})
