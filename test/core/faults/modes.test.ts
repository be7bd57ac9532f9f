import { expect } from 'chai'
import { faultBooks, writtenOf } from '../../../src/core/faults/books.ts'
import { outcomesUnder } from '../../../src/core/faults/likelihood.ts'
import { modeFault, withModes } from '../../../src/core/faults/modes.ts'
import { otherThanAll } from '../../../src/core/faults/rank-causes.ts'
import { sorts } from '../../../src/core/faults/sorts/index.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { withoutFailures } from '../../../src/core/trade/shared/faults/parts-without.ts'

/** How far apart two faults are at the test that tells them best: 0 alike, 1 never the same. */
function toldApart(book: (typeof faultBooks)[number], one: string, other: string): number {
  return Math.max(
    ...book.tests.map((test) => {
      const [a, b] = [outcomesUnder(test, one), outcomesUnder(test, other)]
      return [...a].reduce((sum, [outcome, p]) => sum + Math.abs(p - b.get(outcome)!), 0) / 2
    }),
  )
}

for (const book of faultBooks) {
  const { book: written, parts } = writtenOf(book.kind)!
  const faults = new Set(book.faults.map(({ id }) => id))

  describe(`how the parts of a ${book.kind} fail`, () => {
    it('every part has all of its sort’s failures, or the file says why not', () => {
      for (const part of parts)
        for (const mode of sorts[part.sort].modes) {
          const known = part.is?.[mode.id] ?? modeFault(part, mode)
          const reason = part.without?.[mode.id]
          if (reason === undefined) expect(faults.has(known), `${part.id}: ${mode.id}`).to.equal(true)
          else expect(reason.length, `${part.id}: ${mode.id}`).to.be.greaterThan(10)
        }
    })

    it('every part of the kind has a failure, or is known by another’s', () => {
      const named = new Set([...book.faults, ...parts].map(({ part }) => part))
      for (const { id } of kindById(book.kind)!.parts)
        expect(named.has(id) || withoutFailures[id] !== undefined, id).to.equal(true)
    })

    it('every failure is reached by a complaint of the kind and told from its neighbours', function () {
      // Every pair of failures: on a busy machine that takes its time.
      this.timeout(300_000)
      const known = new Set(book.symptoms.map(({ id }) => id))
      const added = book.faults.filter(({ id }) => !written.faults.some((one) => one.id === id))
      for (const { id, complaints, name } of added) {
        expect(Object.keys(complaints).length, id).to.be.greaterThan(0)
        for (const complaint of Object.keys(complaints))
          expect(known.has(complaint), `${id}: ${complaint}`).to.equal(true)
        expect(name, id).to.match(/^[^{}]+$/)
        for (const other of book.faults)
          if (other.id !== id) expect(toldApart(book, id, other.id), `${id} and ${other.id}`).to.be.at.least(0.45)
      }
    })

    it('asks for nothing with a hole in its words, and by no name twice', () => {
      const ids = book.tests.map(({ id }) => id)
      expect(new Set(ids).size).to.equal(ids.length)
      for (const { say, station } of book.tests) {
        expect(say).to.match(/^[^a-z{}][^{}]+$/)
        expect(kindById(book.kind)!.stations.some(({ id }) => id === station)).to.equal(true)
      }
    })

    it('a reading has a top where too much is no better than too little', () => {
      for (const { id, reads, outcomes } of book.tests) {
        if (!reads || reads.good.to >= 1e6) continue
        const good = outcomes.findLastIndex(({ from }) => (from ?? 0) <= (reads.good.from + reads.good.to) / 2)
        expect(good, id).to.be.lessThan(outcomes.length - 1)
      }
    })
  })
}

describe('a book whose parts say too little', () => {
  it('is refused', () => {
    const { book, parts } = writtenOf('gr')!
    const [part] = parts
    expect(() => withModes(book, [{ ...part!, does: {} }])).to.throw(
      'gr grinder says nothing of motor, which does: silent',
    )
    expect(() => withModes(book, [{ ...part!, does: { silent: 'unheard-of', coarse: 'burrs-worn' } }])).to.throw(
      'gr grinder',
    )
  })
})

describe('a failure’s complaints', () => {
  it('are known to some kind of machine', () => {
    const known = new Set(faultBooks.flatMap(({ symptoms }) => symptoms.map(({ id }) => id)))
    for (const [sort, { modes }] of Object.entries(sorts))
      for (const { id, complaints } of modes)
        for (const said of Object.keys(complaints ?? {}))
          expect(known.has(said), `${sort} ${id}: ${said}`).to.equal(true)
  })

  it('one beside its part has no part: no age, no price, no upkeep done', () => {
    for (const { kind, faults } of faultBooks)
      for (const part of writtenOf(kind)!.parts)
        for (const mode of sorts[part.sort].modes)
          if (mode.beside) {
            const fault = faults.find(({ id }) => id === modeFault(part, mode))
            expect(fault?.part, `${kind} ${part.id} ${mode.id}`).to.equal(undefined)
          }
  })
})

describe('the answer that no test has', () => {
  it('has a name that no test gives to one of its own', () => {
    for (const { kind, tests } of faultBooks)
      for (const { id, outcomes } of tests)
        expect(
          outcomes.map((outcome) => outcome.id),
          `${kind} ${id}`,
        ).to.not.include(otherThanAll)
  })
})
