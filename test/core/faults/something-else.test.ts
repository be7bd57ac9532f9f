import { expect } from 'chai'
import { bookOf, faultBooks } from '../../../src/core/faults/books.ts'
import { somethingElse } from '../../../src/core/faults/fault.ts'
import { outcomesUnder } from '../../../src/core/faults/likelihood.ts'
import { networkOf } from '../../../src/core/faults/network.ts'
import { measurementOf } from '../../../src/core/faults/proof.ts'
import { otherThanAll } from '../../../src/core/faults/rank-causes.ts'
import { readingsSeen } from '../../../src/core/faults/readings-seen.ts'
import { isProved, repairNow } from '../../../src/core/faults/repair-now.ts'
import { shareOfElse } from '../../../src/core/faults/residual.ts'
import { newSearch, type Search, searchStep, suspicion } from '../../../src/core/faults/search.ts'
import { elseShare } from '../../../src/core/faults/shares.ts'
import { suspectWorking } from '../../../src/core/faults/suspect-working.ts'
import { anotherComplaint } from '../../../src/core/faults/symptoms-of-all.ts'

const sr = bookOf('sr')!
const after = (from: Search, ...seen: [test: string, outcome: string][]): Search =>
  seen.reduce((search, [test, outcome], i) => searchStep(search, { type: 'seen', test, outcome, at: i }), from)
const start = newSearch('short-cup', 0)
const elseIn = (search: Search): number => {
  const { network, belief } = suspicion(sr, search, {})
  return elseShare(network, belief)
}

describe('what is in no book', () => {
  it('has a share of every complaint before anything is seen, and all suspects come to a whole', () => {
    for (const book of faultBooks)
      for (const { id } of [{ id: null }, ...book.symptoms]) {
        const network = networkOf(book, id)
        const { faults, prior } = network
        expect(faults.at(-1)).to.equal(somethingElse)
        expect(elseShare(network, prior)).to.be.closeTo(shareOfElse, 1e-9)
        expect(prior.reduce((sum, p) => sum + p, 0)).to.be.closeTo(1, 1e-9)
      }
  })

  it('shows anything at every test, never surely', () => {
    for (const { tests } of faultBooks)
      for (const test of tests) {
        const under = [...outcomesUnder(test, somethingElse).values()]
        expect(under.reduce((sum, p) => sum + p, 0)).to.be.closeTo(1, 1e-9)
        expect(Math.min(...under), test.id).to.be.greaterThan(0.05)
        expect(Math.max(...under), test.id).to.be.lessThan(0.9)
      }
  })

  it('grows where all looks come out well, and leads in the end', () => {
    // What could make a cup short, looked at and found right.
    const looked = after(
      start,
      ['nozzle', 'whole'],
      ['ring', 'whole'],
      ['tray-water', 'right'],
      ['settings', 'usual'],
      ['below', 'dry'],
    )
    expect(elseIn(looked)).to.be.greaterThan(2 * elseIn(start))
    // How it came is no look that comes out well or badly.
    const all = sr.tests.filter(({ id, gate }) => !gate && !id.startsWith('ask-'))
    const sound = all.map(({ id, normal }): [string, string] => [
      id,
      Object.entries(normal).sort((a, b) => b[1] - a[1])[0]![0],
    ])
    const last = suspicion(sr, after(start, ...sound), {})
    // Nothing wrong at all may be so as well: everything that is named is behind both.
    const named = last.network.faults.filter((id) => ![somethingElse, 'nothing'].includes(id))
    for (const id of named)
      expect(last.belief[last.network.faults.indexOf(id)]!, id).to.be.lessThan(elseShare(last.network, last.belief))
  })

  it('leads where answers contradict each other, and they are named', () => {
    const odd = suspicion(sr, after(start, ['nozzle', 'gone'], ['tray-water', 'little'], ['espresso', 'long']), {})
    expect(odd.contradicts).to.equal(true)
    expect(odd.doubtful.length).to.be.at.least(2)
    const plain = suspicion(sr, after(start, ['nozzle', 'gone'], ['tray-water', 'much']), {})
    expect(plain.contradicts).to.equal(false)
    expect(plain.doubtful).to.deep.equal([])
  })

  it('is never repaired, and shows how it came to its share', () => {
    const odd = after(start, ['nozzle', 'whole'], ['ring', 'whole'], ['tray-water', 'right'], ['espresso', 'right'])
    const now = suspicion(sr, odd, {})
    expect(repairNow(sr, odd, { ...now, elseLeads: true })).to.equal(null)
    const { lines } = suspectWorking(sr, odd, now.seen, {}, somethingElse)
    expect(lines[0]).to.include({ value: 100 * shareOfElse, unit: '%' })
    expect(lines.at(-1)!.value).to.be.closeTo(100 * elseShare(now.network, now.belief), 1e-9)
  })
})

describe('proof before parts', () => {
  it('the records alone change no part, whatever they say', () => {
    const certain = { 'nozzle-seals': 1e6 }
    const now = suspicion(sr, start, certain)
    expect(Math.max(...now.belief)).to.be.greaterThan(0.9)
    expect(repairNow(sr, start, now)?.proof?.test, 'it is looked at first').to.equal('nozzle')
    const looked = after(start, ['nozzle', 'gone'])
    expect(repairNow(sr, looked, suspicion(sr, looked, certain))).to.include({
      fault: 'nozzle-seals',
      proof: null,
    })
  })

  it('what was only said on the telephone proves nothing', () => {
    const call = searchStep(start, { type: 'phone', on: true, at: 0 })
    const said = after(call, ['puck', 'wet'])
    expect(isProved(sr, said, suspicion(sr, said, {}), 'unit-ring')).to.equal(false)
    const seen = after(start, ['puck', 'wet'])
    expect(isProved(sr, seen, suspicion(sr, seen, {}), 'unit-ring')).to.equal(true)
  })

  it('nothing is called sound without the measurement the complaint is about', () => {
    for (const book of faultBooks)
      for (const { id } of book.symptoms) {
        const search = newSearch(id, 0)
        const measure = measurementOf(book, networkOf(book, id))
        expect(measure, `${book.kind} ${id}`).to.not.equal(null)
        const others = book.tests.filter((test) => test.id !== measure && !test.gate)
        const sound = others.map(({ id: test, outcomes }): [string, string] => [test, outcomes[0]!.id])
        const looked = after(search, ...sound)
        expect(isProved(book, looked, suspicion(book, looked, {}), 'nothing'), `${book.kind} ${id}`).to.equal(false)
        const measured = after(search, [measure!, book.tests.find((test) => test.id === measure)!.outcomes[0]!.id])
        expect(isProved(book, measured, suspicion(book, measured, {}), 'nothing')).to.equal(true)
      }
  })
})

describe('after a repair that did not cure', () => {
  const sure = after(start, ['nozzle', 'gone'], ['tray-water', 'much'], ['settings', 'usual'])
  const not = searchStep(sure, { type: 'not cured', fault: 'nozzle-seals', at: 9 })

  it('what it explains is set aside, the rest stays, and may be looked at again', () => {
    const now = suspicion(sr, not, {})
    expect(now.aside.map((i) => not.seen[i]!.test)).to.deep.equal(['nozzle', 'tray-water'])
    expect(now.seen.map(({ test }) => test)).to.deep.equal(['settings'])
    expect(now.all.map(({ test }) => test)).to.include.members(['nozzle', 'tray-water'])
  })

  it('a guess sets nothing aside: what was seen is still so', () => {
    const guessed = searchStep(sure, { type: 'not cured', fault: 'unit-ring', at: 9 })
    expect(suspicion(sr, guessed, {}).aside).to.deep.equal([])
  })

  it('the same is not repaired again until something new speaks for it', () => {
    expect(isProved(sr, not, suspicion(sr, not, {}), 'nozzle-seals')).to.equal(false)
    const again = after(not, ['nozzle', 'gone'])
    expect(isProved(sr, again, suspicion(sr, again, {}), 'nozzle-seals')).to.equal(true)
  })

  it('finds the second fault by what shows once the first is gone', () => {
    const second = after(not, ['tray-water', 'much'], ['nozzle', 'whole'], ['ring', 'worn'], ['puck', 'wet'])
    expect(repairNow(sr, second, suspicion(sr, second, {}))?.fault).to.equal('unit-ring')
  })
})

describe('what was just seen', () => {
  it('is not asked again at once, but later', () => {
    const offered = (search: Search) => suspicion(sr, search, {}).all.map(({ test }) => test)
    const once = after(start, ['puck', 'wet'])
    expect(offered(once)).to.not.include('puck')
    expect(offered(after(once, ['below', 'dry']))).to.include('puck')
  })
})

describe('an answer that a test does not have', () => {
  it('speaks for what is in no book, and is kept in words', () => {
    const strange = searchStep(start, {
      type: 'seen',
      test: 'nozzle',
      outcome: otherThanAll,
      words: 'a third seal in it',
      at: 1,
    })
    expect(strange.seen[0]).to.include({ words: 'a third seal in it' })
    expect(elseIn(strange)).to.be.greaterThan(3 * elseIn(start))
    const { lines } = suspectWorking(sr, strange, suspicion(sr, strange, {}).seen, {}, 'nozzle-seals')
    expect(lines.some(({ what }) => what.includes('a third seal in it'))).to.equal(true)
    expect(suspicion(sr, strange, {}).belief.reduce((sum, p) => sum + p, 0)).to.be.closeTo(1, 1e-9)
  })
})

describe('a complaint that is none of the kind’s', () => {
  it('leaves every fault its share of the calls', () => {
    for (const book of faultBooks) {
      const [plain, said] = [networkOf(book, null), networkOf(book, anotherComplaint)]
      book.faults.forEach(({ id }, i) => {
        // What is as it should be is complained of in any words more often than what is broken.
        if (id !== 'nothing')
          expect(said.prior[i]! / said.prior[0]!, id).to.be.closeTo(plain.prior[i]! / plain.prior[0]!, 1e-9)
      })
    }
  })
})

describe('answers taken back after a repair', () => {
  it('what is looked at anew is new', () => {
    const sure = after(start, ['nozzle', 'gone'], ['tray-water', 'much'])
    const not = searchStep(sure, { type: 'not cured', fault: 'nozzle-seals', at: 9 })
    const back = searchStep(not, { type: 'back', at: 10 })
    expect(back.repairedAfter).to.deep.equal({ 'nozzle-seals': 1 })
    const again = after(back, ['nozzle', 'gone'])
    expect(isProved(sr, again, suspicion(sr, again, {}), 'nozzle-seals')).to.equal(true)
  })
})

describe('a repair that was it, where something else shows', () => {
  const sure = after(start, ['nozzle', 'gone'], ['tray-water', 'much'])
  const cured = searchStep(sure, { type: 'not cured', fault: 'nozzle-seals', wasIt: true, at: 9 })

  it('is kept as cured, and what it explained is set aside however sure it was', () => {
    expect(cured.cured).to.deep.equal(['nozzle-seals'])
    const guess = after(start, ['settings', 'usual'], ['tray-water', 'much'])
    const was = searchStep(guess, { type: 'not cured', fault: 'unit-ring', wasIt: true, at: 9 })
    const not = searchStep(guess, { type: 'not cured', fault: 'unit-ring', at: 9 })
    expect(suspicion(sr, was, {}).aside.map((i) => was.seen[i]!.test)).to.deep.equal(['tray-water'])
    expect(suspicion(sr, not, {}).aside).to.deep.equal([])
  })

  it('what the test-out read is an answer of the search, and leads to the second fault', () => {
    const read = readingsSeen(sr, [
      { measure: 'outlet-temperature', value: 70 },
      { measure: 'no-such-measure', value: 1 },
    ])
    expect(read).to.deep.equal([{ test: 'outlet-temperature', outcome: 'low', value: 70 }])
    const on = searchStep(cured, { type: 'seen', ...read[0]!, at: 10 })
    const { network, belief } = suspicion(sr, on, {})
    const before = suspicion(sr, cured, {})
    const share = (of: typeof before, fault: string) => of.belief[of.network.faults.indexOf(fault)]!
    expect(share({ network, belief } as typeof before, 'block-chalked')).to.be.greaterThan(
      2 * share(before, 'block-chalked'),
    )
  })
})
