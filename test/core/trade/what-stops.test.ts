import { expect } from 'chai'
import { bookFor } from '../../../src/core/faults/books.ts'
import { anotherComplaint } from '../../../src/core/faults/symptoms-of-all.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import { takesFrom } from '../../../src/core/trade/what-stops.ts'

describe('what a complaint takes from a place', () => {
  it('is said of every complaint of every kind; only "something else" says nothing', () => {
    const silent = kinds.flatMap((kind) =>
      (bookFor(kind)?.symptoms ?? []).filter(({ id }) => takesFrom([id]) === null).map(({ id }) => id),
    )
    expect(new Set(silent)).to.deep.equal(new Set([anotherComplaint]))
  })

  it('is the most of what is complained of', () => {
    expect(takesFrom(['noise', 'no-water'])).to.equal('all')
    expect(takesFrom(['taste', 'weak-steam'])).to.equal('some')
    expect(takesFrom(['taste'])).to.equal('quality')
    expect(takesFrom([anotherComplaint])).to.equal(null)
    expect(takesFrom([anotherComplaint, 'taste'])).to.equal('quality')
  })
})
