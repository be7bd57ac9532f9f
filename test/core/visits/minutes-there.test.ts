import { expect } from 'chai'
import fc from 'fast-check'
import { type Handwork, minutesThere, savedByOverlap } from '../../../src/core/visits/minutes-there.ts'

/**
 * The shortest way to lay out some work for one pair of hands, by trying every order: each piece is begun by hand, then
 * goes on by itself; where it holds its machine nothing else is begun there meanwhile.
 */
function shortest(work: readonly Handwork[]): number {
  let best = Number.POSITIVE_INFINITY
  const lay = (left: readonly number[], now: number, until: ReadonlyMap<string, number>, end: number) => {
    if (left.length === 0) best = Math.min(best, end)
    for (const i of left) {
      const { minutes, idleMin = 0, holds, subjectId = '' } = work[i]!
      const begin = Math.max(now, until.get(subjectId) ?? 0)
      const done = begin + minutes
      const next = new Map(until)
      if (holds) next.set(subjectId, done + idleMin)
      lay(
        left.filter((other) => other !== i),
        done,
        next,
        Math.max(end, done + idleMin),
      )
    }
  }
  lay([...work.keys()], 0, new Map(), 0)
  return best
}

describe('minutes at a place', () => {
  const soak = { minutes: 10, idleMin: 20, subjectId: 'a' }

  it('are those of the hands where nothing goes on by itself', () => {
    expect(minutesThere([])).to.equal(0)
    expect(minutesThere([{ minutes: 12 }, { minutes: 8, idleMin: 0 }])).to.equal(20)
  })

  it('are spent beside a soak when there is nothing else to do, and not twice', () => {
    expect(minutesThere([soak])).to.equal(30)
    expect(minutesThere([soak, { minutes: 15, subjectId: 'a' }])).to.equal(30)
    expect(minutesThere([soak, { minutes: 25, subjectId: 'b' }])).to.equal(35)
    // Two baths stand beside each other.
    expect(minutesThere([soak, { ...soak, subjectId: 'b' }])).to.equal(30)
    expect(savedByOverlap([soak, { minutes: 25 }])).to.equal(20)
  })

  it('go one after the other at a machine that a programme holds', () => {
    const programme = { minutes: 5, idleMin: 15, holds: true, subjectId: 'a' }
    expect(minutesThere([programme, { minutes: 12, subjectId: 'a' }])).to.equal(32)
    expect(minutesThere([programme, { minutes: 12, subjectId: 'b' }])).to.equal(20)
    expect(minutesThere([programme, programme])).to.equal(40)
  })

  it('lie between the hands alone and one after the other, and near what the best way of all takes', () => {
    const piece = fc.record({
      minutes: fc.integer({ min: 1, max: 40 }),
      idleMin: fc.constantFrom(0, 0, 8, 20, 45),
      holds: fc.boolean(),
      subjectId: fc.constantFrom('a', 'b', 'c'),
    })
    let exact = 0
    let all = 0
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 5 }), (work) => {
        const there = minutesThere(work)
        const best = shortest(work)
        const hands = work.reduce((sum, { minutes }) => sum + minutes, 0)
        expect(there).to.be.at.least(hands)
        expect(there).to.be.at.most(hands + work.reduce((sum, { idleMin }) => sum + idleMin, 0))
        all += 1
        if (Math.abs(there - best) <= 0.1 * best) exact += 1
      }),
      { numRuns: 400 },
    )
    expect(exact / all).to.be.above(0.8)
  })

  it('grow with every piece', () => {
    const piece = fc.record({
      minutes: fc.integer({ min: 1, max: 40 }),
      idleMin: fc.constantFrom(0, 8, 45),
      holds: fc.boolean(),
      subjectId: fc.constantFrom('a', 'b'),
    })
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 8 }), piece, (work, more) => {
        const [before, after] = [minutesThere(work), minutesThere([...work, more])]
        expect(after).to.be.at.least(before)
        expect(after).to.be.at.most(before + more.minutes + more.idleMin)
      }),
    )
  })
})
