import { expect } from 'chai'
import { bookFor, bookOf, bookWithAll } from '../../../src/core/faults/books.ts'
import { outcomesUnder } from '../../../src/core/faults/likelihood.ts'
import { newSearch, suspicion } from '../../../src/core/faults/search.ts'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'
import { everyFitting } from './fitted-books.ts'

const fitted = (id: string, options: Record<string, boolean>) =>
  bookFor(withOptions(kindById(id)!, new Map(Object.entries(options))))!
const faultsOf = (book: { faults: { id: string }[] }) => book.faults.map(({ id }) => id)

describe('a machine as it is fitted', () => {
  for (const { id } of kinds.filter((kind) => bookOf(kind.id)))
    it(`${id}: has only faults and tests of what it has, each reached and told, in every fitting`, () => {
      for (const { said, kind, book } of everyFitting(id)) {
        const stations = new Set(kind.stations.map((one) => one.id))
        const known = new Set(book.symptoms.map((one) => one.id))
        const faults = new Set(faultsOf(book))
        const words = JSON.stringify([...said])
        for (const { id: fault, station, complaints, per100 } of book.faults) {
          if (station !== null) expect(stations.has(station), `${words} ${fault}`).to.equal(true)
          expect(per100, fault).to.be.greaterThan(0)
          expect(
            Object.keys(complaints).some((one) => known.has(one)),
            `${words} ${fault}`,
          ).to.equal(true)
        }
        for (const test of book.tests) {
          for (const fault of Object.keys(test.sees))
            expect(faults.has(fault), `${words} ${test.id} ${fault}`).to.equal(true)
          const shown = [...outcomesUnder(test, book.faults[0]!.id).values()]
          expect(shown.reduce((sum, p) => sum + p, 0)).to.be.closeTo(1, 1e-9)
        }
        for (const test of Object.keys(book.phone))
          expect(
            book.tests.some((one) => one.id === test),
            `${words} ${test}`,
          ).to.equal(true)
        const { belief } = suspicion(book, newSearch(book.symptoms[0]!.id, 0), {})
        expect([...belief].reduce((sum, p) => sum + p, 0)).to.be.closeTo(1, 1e-9)
      }
    })

  it('asks nothing of a tank where it is plumbed in, and of its tap and softener instead', () => {
    const [tank, plumbed] = [fitted('lv', { plumbed: false }), fitted('lv', { plumbed: true })]
    expect(faultsOf(tank)).to.include('tank-empty').and.not.include('supply-shut')
    expect(faultsOf(plumbed)).to.include('supply-shut').and.include('softener-half-shut').and.not.include('tank-empty')
    expect(plumbed.tests.map(({ id }) => id))
      .to.include('taps')
      .and.not.include('tank')
  })

  it('knows the pump it has: none that rattles where one with a motor is fitted', () => {
    const [coil, motor] = [fitted('lv', { rotary: false }), fitted('lv', { rotary: true })]
    expect(faultsOf(coil)).to.include('pump-valves').and.not.include('rotary-capacitor')
    expect(faultsOf(motor)).to.include('rotary-capacitor').and.not.include('pump-valves')
    // It is no vibratory pump whose age speaks for it.
    expect(motor.faults.find(({ id }) => id === 'pump-weak')!.part).to.equal(undefined)
  })

  it('looks for no 3-way valve where a plain one is fitted, and for no milk where none is drawn', () => {
    expect(faultsOf(fitted('pl', { jug: false }))).to.not.include('jug-seal')
    expect(fitted('pl', { jug: false }).symptoms.map(({ id }) => id)).to.not.include('jug-leaks')
    expect(faultsOf(fitted('pl', { jug: true }))).to.include('jug-seal')
  })

  it('is the kind’s own book where nothing was said, and the same book each time', () => {
    const usual = fitted('dv', {})
    expect(faultsOf(usual)).to.deep.equal(faultsOf(bookOf('dv')!))
    expect(fitted('dv', {})).to.equal(usual)
  })
})

describe('causes a firm confirmed', () => {
  it('are counted where only some machines of the kind can have them', () => {
    const all = new Set(faultsOf(bookWithAll('lv')!))
    for (const { book } of everyFitting('lv')) for (const id of faultsOf(book)) expect(all.has(id), id).to.equal(true)
    expect(all.has('supply-shut') && all.has('tank-empty')).to.equal(true)
    expect(bookWithAll('no-such-kind')).to.equal(null)
  })
})

describe('a seal that is looked at', () => {
  it('is looked at as its machine asks: dead where it sits inside, never twice over', () => {
    for (const { id } of kinds.filter((kind) => bookOf(kind.id))) {
      const book = bookOf(id)!
      expect(book.tests.some((test) => test.id === 'seal-seat')).to.equal(false)
      const looks = book.tests.filter(({ sees }) => sees['seal-misfit']?.wrong !== undefined)
      if (book.faults.some((fault) => fault.id === 'seal-misfit')) expect(looks, id).to.have.lengthOf(1)
      if (id === 'st') expect(looks[0]!.needs).to.include.members(['off', 'open'])
    }
  })
})
