import { expect } from 'chai'
import fc from 'fast-check'
import { type ChargeLine, comesTo, totalsOf } from '../../../src/core/close-out/charge-line.ts'
import { payers } from '../../../src/core/close-out/charge-terms.ts'
import { chargesOf, type ToCharge } from '../../../src/core/close-out/charges.ts'
import type { Cover } from '../../../src/core/close-out/cover.ts'
import type { DoneLine } from '../../../src/core/close-out/done-lines.ts'
import { minutesAt } from '../../../src/core/close-out/minutes-at.ts'

const fitted = (part: string, pieces = 1): DoneLine => ({
  key: `part ${part}`,
  name: part,
  what: 'new',
  part,
  groups: [],
  isOpen: false,
  fitted: { part, pieces },
  entryIds: [],
})
const prices: Record<string, number> = { gasket: 520, burrs: 6800, valve: 4100 }
const cover: Cover = {
  until: '2026-12-31',
  partsUpToMinor: 2500,
  notParts: ['valve'],
  labour: true,
  travel: true,
  used: true,
}
const visit = (more: Partial<ToCharge> = {}): ToCharge => ({
  on: '2026-11-26',
  machines: [
    {
      subjectId: 'm',
      lines: [fitted('gasket', 4), fitted('burrs'), fitted('valve')],
      minutes: 92,
      priceOf: (part) => prices[part] ?? null,
      underWarranty: () => false,
    },
  ],
  used: [],
  roadMinutes: 10,
  roadKm: 6,
  rates: { labourPerHourMinor: 6300, travelPerHourMinor: 7500 },
  cover,
  terms: 'contract',
  ...more,
})
const said = (lines: ChargeLine[]) => lines.map((line) => [line.name, comesTo(line), line.pays, line.why ?? ''])

describe('what a visit costs, and who pays', () => {
  it('goes by the clauses of the contract', () => {
    expect(said(chargesOf(visit()))).to.deep.equal([
      ['gasket', 2080, 'contract', ''],
      ['burrs', 6800, 'customer', 'dearer than the contract takes'],
      ['valve', 4100, 'customer', 'not among its parts'],
      ['Work', 9660, 'contract', ''],
      ['The road', 1250, 'contract', ''],
    ])
    expect(totalsOf(chargesOf(visit()), 1900)).to.deep.equal({
      worthMinor: 23_890,
      byPayer: { contract: 12_990, customer: 10_900, warranty: 0, nobody: 0 },
      netMinor: 10_900,
      taxMinor: 2071,
      grossMinor: 12_971,
      unpriced: 0,
    })
  })

  it('is charged where the contract is over, from the day after its last', () => {
    const who = (on: string) => new Set(chargesOf(visit({ on })).map(({ pays }) => pays))
    expect([...who('2026-12-31')]).to.have.members(['contract', 'customer'])
    expect([...who('2027-01-01')]).to.deep.equal(['customer'])
  })

  it('is nobody’s under goodwill, and a warranty’s before a contract’s', () => {
    expect(new Set(chargesOf(visit({ terms: 'goodwill' })).map(({ pays }) => pays))).to.deep.equal(new Set(['nobody']))
    const [gasket, , valve] = chargesOf(
      visit({ machines: visit().machines.map((one) => ({ ...one, underWarranty: (part) => part === 'valve' })) }),
    )
    expect([gasket!.pays, valve!.pays, valve!.why]).to.deep.equal(['contract', 'warranty', 'under warranty'])
    expect(new Set(chargesOf(visit({ terms: 'chargeable' })).map(({ pays }) => pays))).to.deep.equal(
      new Set(['customer']),
    )
  })

  it('says where nobody knows a price, and charges nothing for it', () => {
    const lines = chargesOf(
      visit({ machines: [{ ...visit().machines[0]!, lines: [fitted('unheard-of')] }], rates: {} }),
    )
    expect(said(lines)).to.deep.equal([
      ['unheard-of', null, 'customer', 'its price is not known'],
      ['Work', null, 'contract', ''],
    ])
    expect(totalsOf(lines, 1900)).to.deep.include({ worthMinor: 0, netMinor: 0, unpriced: 2 })
  })

  it('comes to the same whoever pays, and nothing is paid twice', () => {
    const line = fc.record({
      id: fc.string(),
      of: fc.constantFrom('part' as const, 'labour' as const),
      name: fc.string(),
      quantityMilli: fc.nat({ max: 1e6 }),
      unit: fc.constant('piece' as const),
      priceMinor: fc.option(fc.nat({ max: 1e6 })),
      pays: fc.constantFrom(...payers),
    })
    fc.assert(
      fc.property(fc.array(line, { maxLength: 20 }), fc.nat({ max: 3000 }), (lines, taxBp) => {
        const totals = totalsOf(lines, taxBp)
        expect(totals.worthMinor).to.equal(lines.reduce((sum, one) => sum + (comesTo(one) ?? 0), 0))
        expect(totals.grossMinor).to.equal(totals.netMinor + totals.taxMinor)
        expect(totals.netMinor).to.equal(totals.byPayer.customer)
      }),
    )
  })
})

describe('minutes at each machine', () => {
  it('are what was counted, and of the rest a share by the usual', () => {
    const told = minutesAt(92, [
      { subjectId: 'a', countedMin: 40, usualMin: 30 },
      { subjectId: 'b', countedMin: 0, usualMin: 15 },
    ])
    expect(told).to.deep.equal([
      { subjectId: 'a', minutes: 75 },
      { subjectId: 'b', minutes: 17 },
    ])
  })
  it('are together as long as somebody was there, however much was counted', () => {
    const at = fc.record({ subjectId: fc.uuid(), countedMin: fc.nat({ max: 90 }), usualMin: fc.nat({ max: 90 }) })
    fc.assert(
      fc.property(fc.nat({ max: 400 }), fc.array(at, { minLength: 1, maxLength: 9 }), (there, machines) => {
        expect(minutesAt(there, machines).reduce((sum, { minutes }) => sum + minutes, 0)).to.equal(there)
      }),
    )
  })
  it('are what was counted, or the usual, where nobody looked at the clock', () => {
    const told = minutesAt(null, [
      { subjectId: 'a', countedMin: 12.4, usualMin: 30 },
      { subjectId: 'b', countedMin: 0, usualMin: 15 },
    ])
    expect(told.map(({ minutes }) => minutes)).to.deep.equal([12, 15])
  })
})
