import { expect } from 'chai'
import { bookOf, faultBooks } from '../../../src/core/faults/books.ts'
import { complaintUnder, spokenFor } from '../../../src/core/faults/likelihood.ts'
import { networkOf } from '../../../src/core/faults/network.ts'
import { nothingKnown, type PriorEvidence, priorFactors, priorReasons } from '../../../src/core/faults/prior-factors.ts'
import { complainedOf, newSearch, searchStep } from '../../../src/core/faults/search.ts'
import { fault } from '../../../src/core/topics/fault.ts'

const c2 = bookOf('c2')!
const asked = (input: unknown) => {
  const told = fault.ask(input)
  if (!told.ok) throw new Error(JSON.stringify(told.issues))
  return told.answer.result
}

describe('several things complained of at once', () => {
  const shareOf = (said: Parameters<typeof networkOf>[1], id: string) => {
    const { faults, prior } = networkOf(c2, said)
    return prior[faults.indexOf(id)]!
  }

  it('one alone is what it was, by its name or as a complaint', () => {
    expect([...networkOf(c2, 'slow').prior]).to.deep.equal([...networkOf(c2, [{ slow: 1 }]).prior])
    for (const book of faultBooks)
      for (const { id } of book.symptoms.slice(0, 3))
        expect(spokenFor(book, id)).to.deep.equal(book.faults.map((one) => complaintUnder(book, one, id)))
  })

  it('what explains both gains over what explains one', () => {
    const [one, both] = ['cold', 'weak-steam']
      .map((second) => shareOf([{ 'weak-steam': 1 }, ...(second === 'cold' ? [{ cold: 1 }] : [])], 'pressure-low'))
      .reverse()
    expect(both).to.be.greaterThan(1.5 * one!)
    // What explains one alone is not ruled out: it may be two faults.
    const tip = shareOf([{ 'weak-steam': 1 }, { cold: 1 }], 'tip-blocked')
    expect(tip).to.be.greaterThan(0.3 * shareOf('weak-steam', 'tip-blocked'))
  })

  it('a sentence that may mean two things counts for both, by their shares', () => {
    const either = spokenFor(c2, [{ slow: 0.5, fast: 0.5 }])
    const [slow, fast] = [spokenFor(c2, 'slow'), spokenFor(c2, 'fast')]
    either.forEach((weight, i) => {
      expect(weight).to.be.closeTo((slow[i]! + fast[i]!) / 2, 1e-12)
    })
  })

  it('are kept with the search, once each, and taken back', () => {
    const start = newSearch('slow', 0)
    const both = searchStep(start, { type: 'also', symptoms: ['taste', 'taste', 'slow'], at: 1 })
    expect(complainedOf(both)).to.deep.equal([{ slow: 1 }, { taste: 1 }])
    expect(complainedOf(searchStep(both, { type: 'also', symptoms: [], at: 2 }))).to.deep.equal([{ slow: 1 }])
  })

  it('at the command line each sentence is one, the residual among the suspects, all a whole', () => {
    const result = asked({ kind: 'c2', says: ['The steam is weak', 'and the coffee is lukewarm'] })
    const { suspects, symptoms } = result as {
      suspects: { fault: string; p: number }[]
      symptoms: { symptom: string }[]
    }
    expect(suspects.reduce((sum, { p }) => sum + p, 0)).to.be.closeTo(1, 1e-9)
    expect(suspects.filter(({ fault: id }) => id === 'something-else')).to.have.lengthOf(1)
    expect(suspects[0]!.fault).to.equal('pressure-low')
    expect(symptoms.slice(0, 3).map(({ symptom }) => symptom)).to.include.members(['weak-steam', 'cold'])
  })

  it('a complaint that is a stop by itself stops at the command line', () => {
    const result = asked({ kind: 'dv', symptom: 'trips' })
    expect((result as { stop?: { why: string } }).stop?.why).to.equal('trips')
    const plain = asked({ kind: 'dv', symptom: 'slow' })
    expect(plain).to.not.have.property('stop')
  })
})

describe('last hands first', () => {
  const reasons = (hands: PriorEvidence['hands']) => priorReasons(c2, { ...nothingKnown, hands })
  const at = (station: string | null, daysAgo: number) => [{ what: 'repaired', station, daysAgo }]

  it('what hands may have left so is a suspect in its own right for thirty days, there most of all', () => {
    const factorOf = (hands: PriorEvidence['hands'], id: string) => priorFactors(reasons(hands))[id]
    expect(factorOf(at('softener', 3), 'softener-half-shut')).to.equal(20)
    expect(factorOf(at('boiler', 3), 'softener-half-shut')).to.equal(5)
    expect(factorOf(at(null, 30), 'inside-misfit')).to.equal(5)
    expect(factorOf(at('boiler', 31), 'inside-misfit')).to.equal(1)
    expect(factorOf(at('boiler', 3), 'pump-worn')).to.equal(1)
  })

  it('says so, with what was done and when', () => {
    expect(reasons(at('softener', 1))['softener-half-shut']).to.deep.equal([
      { words: 'repaired 1 day ago: last hands there', factor: 20 },
    ])
  })

  it('every kind has something that hands can leave so', () => {
    for (const book of faultBooks)
      expect(book.faults.filter(({ traits }) => traits?.includes('refit')).length, book.kind).to.be.at.least(2)
  })

  it('a softener just regenerated is asked before the pump is blamed', () => {
    const said = [{ 'no-water': 1 }]
    const plain = networkOf(c2, said)
    const lately = networkOf(c2, said, priorFactors(reasons(at('softener', 1))))
    const place = plain.faults.indexOf('softener-half-shut')
    expect(lately.prior[place]!).to.be.greaterThan(5 * plain.prior[place]!)
    expect(lately.prior[place]!).to.be.greaterThan(lately.prior[plain.faults.indexOf('pump-worn')]!)
  })
})

describe('the next test at the command line', () => {
  it('is never a live one: nobody there says that he is qualified', () => {
    for (const book of faultBooks) {
      const live = new Set(book.tests.filter(({ gate }) => gate).map(({ id }) => id))
      for (const { id: symptom } of book.symptoms) {
        const { next } = asked({ kind: book.kind, symptom }) as { next?: { test: string } }
        expect(live.has(next?.test ?? ''), `${book.kind} ${symptom}`).to.equal(false)
      }
    }
  })
})
