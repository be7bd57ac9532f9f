import { expect } from 'chai'
import { faultBooks, writtenOf } from '../../../src/core/faults/books.ts'
import type { FaultBook } from '../../../src/core/faults/fault.ts'
import { firstShares, withFirstShares } from '../../../src/core/faults/first-shares.ts'
import { everyFitting } from './fitted-books.ts'

/** Causes of a hundred calls, by family as each kind has them. From memory. */
const fromMemory: Record<string, number[]> = {
  c2: [11, 7, 13, 7, 6, 6, 8, 7, 9, 6, 4, 4, 4, 5, 3],
  lv: [15, 9, 12, 11, 8, 10, 7, 9, 8, 5, 4, 2],
  pt: [15, 9, 12, 11, 8, 10, 7, 9, 8, 5, 4, 2],
  dv: [22, 9, 14, 9, 8, 11, 7, 5, 3, 4],
  dn: [22, 9, 14, 9, 8, 11, 7, 5, 3, 4],
  dg: [22, 9, 14, 9, 8, 11, 7, 5, 3, 8, 4],
  bt: [22, 9, 14, 9, 8, 11, 7, 5, 3, 8, 4],
  sr: [18, 8, 5, 6, 9, 7, 12, 7, 5, 9, 8, 4, 2],
  st: [18, 8, 5, 6, 9, 7, 12, 7, 5, 9, 8, 4, 2],
  sp: [14, 7, 10, 7, 8, 5, 4, 8, 10, 14, 7, 3],
  pk: [20, 12, 18, 9, 10, 10, 7, 3, 5],
  pl: [20, 12, 18, 9, 10, 10, 7, 3, 5, 6],
  pd: [15, 10, 20, 8, 10, 10, 9, 10, 4, 4],
  gr: [28, 20, 15, 7, 8, 10, 5, 7],
}

describe('the first shares of causes (from memory)', () => {
  for (const whole of faultBooks) {
    it(`${whole.kind}: every fault in one family, each family with its share`, () => {
      const book = withFirstShares(writtenOf(whole.kind)!.book)
      const families = firstShares[book.kind]!
      expect(families.map(([, share]) => share)).to.deep.equal(fromMemory[book.kind])
      const listed = families.flatMap(([, , ids]) => ids)
      expect(new Set(listed).size).to.equal(listed.length)
      for (const { id } of book.faults) expect(listed).to.include(id)
      // What only some machines of the kind have is in a family as well.
      const known = new Set(everyFitting(whole.kind).flatMap((one) => one.book.faults.map(({ id }) => id)))
      for (const id of listed) expect(known.has(id), id).to.equal(true)
      for (const [family, share, ids] of families) {
        const sum = book.faults.filter(({ id }) => ids.includes(id)).reduce((total, { per100 }) => total + per100, 0)
        expect(sum, family).to.be.closeTo(share, 1e-9)
      }
      // Failures of parts share the calls of what does the same: all together are as many as before.
      const calls = ({ faults }: FaultBook) => faults.reduce((total, { per100 }) => total + per100, 0)
      expect(calls(whole)).to.be.closeTo(calls(book), 1e-9)
    })
  }

  it('come to a hundred, less what a kind has none of', () => {
    for (const [kind, shares] of Object.entries(fromMemory)) {
      const sum = shares.reduce((total, share) => total + share, 0)
      expect(sum, kind).to.be.within(92, 100)
    }
  })

  it('leave no fault without a family', () => {
    const { book } = writtenOf('c2')!
    const odd = { ...book, faults: [...book.faults, { ...book.faults[0]!, id: 'unheard-of' }] }
    expect(() => withFirstShares(odd)).to.throw('c2 unheard-of is in no family')
  })
})
