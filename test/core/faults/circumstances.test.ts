import { expect } from 'chai'
import { bookOf, faultBooks } from '../../../src/core/faults/books.ts'
import { circumstancesHeard } from '../../../src/core/faults/circumstances-heard.ts'
import type { Fault } from '../../../src/core/faults/fault.ts'
import { comesAndGoes, newSearch, onlyWhen, searchStep, suspicion } from '../../../src/core/faults/search.ts'

/** As people tell it, and what is told of how it comes and goes; invented, written before the words were settled. */
const told: [kind: string, said: string, answers: string][] = [
  ['c2', 'Some days it steams well and some days hardly at all', 'ask-often sometimes'],
  ['c2', 'One shot out of five is far too short', 'ask-often sometimes'],
  ['sr', 'Every third coffee the message appears', 'ask-often sometimes'],
  ['dv', 'It gets slower and slower', 'ask-came slowly'],
  ['pk', 'Over the last months the cups became smaller', 'ask-came slowly'],
  ['gr', 'Yesterday it was fine, today it only hums', 'ask-came sudden'],
  ['lv', 'All of a sudden there was no pressure', 'ask-came sudden'],
  ['c2', 'It only drips when it is cold, later it stops', 'ask-when cold'],
  ['sp', 'The first drinks are tepid', 'ask-when cold'],
  ['c2', 'After twenty cups the steam is gone', 'ask-when hot'],
  ['dv', 'Once it is warm it trickles', 'ask-when hot'],
  ['c2', 'After about twenty coffees the right group stops giving water', 'ask-when hot'],
  ['c2', 'It leaks since you replaced the gasket', 'ask worked'],
  ['sr', 'After the service it grinds without end', 'ask worked'],
  ['gr', 'We have other beans since Monday', 'ask beans'],
  ['pk', 'After the holidays nothing comes', 'ask stood'],
  ['c2', 'Both groups run slowly', 'other-group same'],
  ['c2', 'The right group is dead slow, the left one is fine', 'other-group better'],
]

describe('what is told of how a complaint comes and goes', () => {
  for (const [kind, said, answers] of told)
    it(`“${said}”: ${answers}`, () => {
      const heard = circumstancesHeard(bookOf(kind)!, said).map(({ test, outcome }) => `${test} ${outcome}`)
      expect(heard).to.include(answers)
    })

  it('is nothing where nothing of it was said, and each question is answered once at most', () => {
    for (const said of ['The coffee is cold', 'Water under the machine', 'It does nothing when I press the key'])
      for (const book of faultBooks) expect(circumstancesHeard(book, said), said).to.deep.equal([])
    const both = circumstancesHeard(bookOf('c2')!, 'sometimes, now and then, suddenly and more and more')
    expect(both.map(({ test }) => test)).to.have.members(['ask-often', 'ask-came'])
  })

  it('is heard only as answers the kind’s own book has', () => {
    for (const book of faultBooks)
      for (const [, said] of told)
        for (const { test, outcome } of circumstancesHeard(book, said))
          expect(book.tests.find(({ id }) => id === test)!.outcomes.some(({ id }) => id === outcome)).to.equal(true)
  })
})

const c2 = bookOf('c2')!
const shareOf = (search: ReturnType<typeof newSearch>, fault: string) => {
  const { network, belief } = suspicion(c2, search, {})
  return belief[network.faults.indexOf(fault)]!
}
const comesSo = (how: NonNullable<Fault['comes']>[number]) => c2.faults.filter(({ comes }) => comes?.includes(how))

describe('how a fault comes', () => {
  it('is known of every failure of a part, and asked in every book', () => {
    for (const { kind, tests, phone } of faultBooks) {
      for (const id of ['ask-often', 'ask-came']) {
        expect(
          tests.some((test) => test.id === id),
          kind,
        ).to.equal(true)
        expect(phone[id], kind).to.match(/\?$/)
      }
      expect(tests.some(({ id }) => id === 'ask-when')).to.equal(kind !== 'gr')
    }
    expect(comesSo('sometimes').length).to.be.greaterThan(5)
    expect(comesSo('hot').length).to.be.greaterThan(1)
  })

  it('speaks for what comes so, and is weighed as told, not as seen', () => {
    const plain = newSearch('blinks', 0)
    const now = newSearch('blinks', 0, [{ test: 'ask-often', outcome: 'sometimes' }])
    expect(now.seen[0]!.said).to.equal(true)
    expect(shareOf(now, 'meter-plug')).to.be.greaterThan(1.5 * shareOf(plain, 'meter-plug'))
    expect(shareOf(now, 'meter-jammed')).to.be.lessThan(shareOf(plain, 'meter-jammed'))
  })

  it('hands that were told of speak for what hands leave behind', () => {
    const plain = newSearch('handle-leaks', 0)
    const now = newSearch('handle-leaks', 0, [{ test: 'ask', outcome: 'worked' }])
    expect(shareOf(now, 'seal-misfit')).to.be.greaterThan(2 * shareOf(plain, 'seal-misfit'))
    expect(shareOf(now, 'gasket-hard')).to.be.lessThan(shareOf(plain, 'gasket-hard'))
  })
})

describe('what is seen only some of the times', () => {
  const seen = (times?: { n: number; of: number }) =>
    searchStep(newSearch('blinks', 0), {
      type: 'seen',
      test: 'three-doses',
      outcome: 'no-stop',
      at: 1,
      ...(times && { times }),
    })

  it('speaks for what comes and goes, where the same each time speaks for what is always so', () => {
    const [always, seldom] = [seen(), seen({ n: 3, of: 10 })]
    const ratio = (search: ReturnType<typeof seen>) => shareOf(search, 'meter-plug') / shareOf(search, 'meter-silent')
    expect(ratio(seldom)).to.be.greaterThan(2 * ratio(always))
    // It still speaks for what shows it at all, against what does not.
    expect(shareOf(seldom, 'meter-plug')).to.be.greaterThan(shareOf(newSearch('blinks', 0), 'meter-plug'))
  })

  it('as often as it was tried is each time', () => {
    expect(shareOf(seen({ n: 10, of: 10 }), 'meter-silent')).to.equal(shareOf(seen(), 'meter-silent'))
  })

  it('leaves the shares a whole, and is kept with its answer', () => {
    const search = seen({ n: 1, of: 50 })
    expect(search.seen[0]!.times).to.deep.equal({ n: 1, of: 50 })
    expect(suspicion(c2, search, {}).belief.reduce((sum, p) => sum + p, 0)).to.be.closeTo(1, 1e-9)
  })
})

describe('what is so only hot, or only now and then', () => {
  const well = (search: ReturnType<typeof newSearch>) =>
    searchStep(search, { type: 'seen', test: 'open-flow', outcome: 'right', at: 1 })
  const told = (test: string, outcome: string) => newSearch('no-water', 0, [{ test, outcome }])

  it('is not cleared by a machine that does well just now', () => {
    const lost = (search: ReturnType<typeof newSearch>) =>
      shareOf(well(search), 'valve-coil-shorted') / shareOf(search, 'valve-coil-shorted')
    const plain = lost(newSearch('no-water', 0))
    for (const [test, outcome] of [
      ['ask-often', 'sometimes'],
      ['ask-when', 'hot'],
    ] as const)
      expect(lost(told(test, outcome)), outcome).to.be.greaterThan(2 * plain)
  })

  it('a look at the part itself says as much as ever', () => {
    const search = told('ask-often', 'sometimes')
    const { network } = suspicion(c2, search, {})
    const plain = suspicion(c2, newSearch('no-water', 0), {}).network
    const of = (from: typeof network, id: string) => from.tests.find((test) => test.id === id)!
    expect(of(network, 'valve-plug')).to.equal(of(plain, 'valve-plug'))
    expect(of(network, 'open-flow')).to.not.equal(of(plain, 'open-flow'))
  })

  it('is so whenever, once it is said so', () => {
    const search = told('ask-when', 'hot')
    expect(onlyWhen(search)).to.equal('hot')
    const later = searchStep(search, { type: 'seen', test: 'ask-when', outcome: 'any', at: 2 })
    expect([onlyWhen(later), comesAndGoes(later)]).to.deep.equal([null, false])
  })
})
