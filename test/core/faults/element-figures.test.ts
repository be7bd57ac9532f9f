import { expect } from 'chai'
import { faultBooks } from '../../../src/core/faults/books.ts'
import { outcomeOf } from '../../../src/core/faults/outcome-of.ts'

/** Watts of what each kind heats its brew water with, from memory as the kinds are; U²/P at 230 V, rounded. */
const ohms: Record<string, number> = {
  c2: 15.1,
  lv: 40.7,
  pt: 58.8,
  dv: 50.4,
  dn: 50.4,
  dg: 36.5,
  bt: 36.5,
  sr: 40.7,
  st: 40.7,
  sp: 26.5,
  pk: 40.7,
  pl: 40.7,
  pd: 44.1,
}

describe('an element’s resistance (Ohm’s law: R = U²/P)', () => {
  for (const [kind, ohm] of Object.entries(ohms))
    it(`of a ${kind} is good at ${ohm} Ω, low a fifth under it, open a fifth over it`, () => {
      const test = faultBooks.find((book) => book.kind === kind)!.tests.find(({ id }) => id === 'element')!
      expect(outcomeOf(test, ohm)!.id).to.equal('right')
      expect(outcomeOf(test, 0.95 * ohm)!.id).to.equal('right')
      expect(outcomeOf(test, 1.05 * ohm)!.id).to.equal('right')
      expect(outcomeOf(test, 0.8 * ohm)!.id).to.equal('low')
      expect(outcomeOf(test, 1.2 * ohm)!.id).to.equal('open')
      expect(outcomeOf(test, Number.POSITIVE_INFINITY)!.id).to.equal('open')
      expect(test.reads!.good.from).to.be.closeTo(0.9 * ohm, 0.1)
      expect(test.how).to.include('Volts squared')
    })

  it('of a steam boiler by its own watts', () => {
    for (const [kind, ohm] of [
      ['pt', 40.7],
      ['sp', 19.6],
    ] as const) {
      const test = faultBooks.find((book) => book.kind === kind)!.tests.find(({ id }) => id === 'steam-element')!
      expect(outcomeOf(test, ohm)!.id).to.equal('right')
      expect(outcomeOf(test, 1.3 * ohm)!.id).to.equal('open')
    }
  })
})
