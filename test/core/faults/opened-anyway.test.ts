import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { outcomesUnder } from '../../../src/core/faults/likelihood.ts'
import { ownLooks, ownLooksOfAll } from '../../../src/core/faults/own-looks.ts'
import { repairNow } from '../../../src/core/faults/repair-now.ts'
import { newSearch, type Search, searchStep, suspicion } from '../../../src/core/faults/search.ts'

/** Tests in order, each answered as a fault mostly shows it, until it may be repaired. */
function asked(kind: string, symptom: string, fault: string): string[] {
  const book = bookOf(kind)!
  let search: Search = { ...newSearch(symptom, 0), stop: 'none' }
  const tests: string[] = []
  for (;;) {
    const now = suspicion(book, search, {})
    const repair = repairNow(book, search, now)
    if (repair && !repair.proof) return repair.fault === fault ? tests : [...tests, `but ${repair.fault}`]
    const next = repair?.proof?.test ?? now.next[0]!.test
    const test = book.tests.find(({ id }) => id === next)!
    const [outcome] = [...outcomesUnder(test, fault)].sort((a, b) => b[1] - a[1])[0]!
    tests.push(next)
    search = searchStep(search, { type: 'seen', test: next, outcome, at: tests.length })
  }
}

describe('a look that its repair needs opened anyway (common practice, no source)', () => {
  it('comes before what was answered is asked again', () => {
    // A jet is looked at cold, open, without pressure: more than an hour of cooling, which its repair waits for as well.
    const tests = asked('c2', 'slow', 'jet-blocked')
    expect(tests.at(-1)).to.equal('jet')
    expect(new Set(tests).size).to.equal(tests.length)
    expect(tests.length).to.be.at.most(14)
  })

  it('is what shows a fault twice as surely as anything else', () => {
    const c2 = bookOf('c2')!
    const jet = c2.tests.find(({ id }) => id === 'jet')!
    expect(jet.sees['jet-blocked']!.chalk).to.be.greaterThan(2 * jet.sees['exchanger-chalked']!.chalk!)
    const fault = (id: string) => c2.faults.find((one) => one.id === id)!
    expect(ownLooks(c2, fault('jet-blocked'))).to.deep.equal(['jet'])
    expect(ownLooks(c2, fault('exchanger-chalked'))).to.not.include('jet')
    expect(ownLooksOfAll(c2)[c2.faults.findIndex(({ id }) => id === 'nothing')]).to.deep.equal([])
  })
})
