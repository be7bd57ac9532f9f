import { expect } from 'chai'
import { faultBooks } from '../../../src/core/faults/books.ts'
import type { Test } from '../../../src/core/faults/fault.ts'
import { networkOf } from '../../../src/core/faults/network.ts'
import { nextTests, standingAfter } from '../../../src/core/faults/next-test.ts'
import { testHazards } from '../../../src/islands/fault/test-words.ts'

const all = faultBooks.flatMap((book) => book.tests.map((test) => ({ name: `${book.kind}: ${test.say}`, test })))
const words = ({ say, how }: Test) => `${say} ${how ?? ''}`
/** Done with the case open while pump, heater or valves work. */
const openAndRunning = ({ needs }: Test) =>
  needs.includes('open') && !needs.includes('off') && !needs.includes('shut-again')

describe('how a machine stands at each test', () => {
  it('open and running is live: for qualified people only, with what may spray, and never “plug out”', () => {
    for (const { name, test } of all) {
      if (!openAndRunning(test)) continue
      expect(test.gate, name).to.equal('live')
      expect(test.hazard, name).to.equal('live')
    }
    expect(testHazards.live)
      .to.match(/qualified/)
      .and.match(/gloves/i)
      .and.match(/catch vessel/i)
    expect(testHazards.live).to.not.match(/plug out|prove it dead/i)
  })

  it('“plug out, prove it dead” stands only where it is off while the hand is inside', () => {
    for (const { name, test } of all)
      if (test.hazard === 'mains') {
        expect(test.needs, name).to.include('off')
        expect(test.needs, name).to.not.include('shut-again')
      }
  })

  it('what pumps, brews or steams is never done with a hand inside an open case', () => {
    const runs = /into a jug|10 s|one coffee|one shot|one cup|then steam|tried$|pulls? in|minutes hot/i
    for (const { name, test } of all) {
      if (!test.needs.includes('open') || !runs.test(words(test))) continue
      expect(test.needs.includes('shut-again') || test.gate === 'live', name).to.equal(true)
    }
  })

  it('what is measured by ohms is measured dead', () => {
    for (const { name, test } of all)
      if (/resistance|by ohms|through the (thermal )?(fuse|cut-out|protector)/i.test(test.say))
        expect(test.needs, name).to.include.members(['off'])
  })

  it('joints of a water path come apart without pressure, or dead and shut before it runs', () => {
    for (const { name, test } of all)
      if (/valve apart|probe out|jet out|strainer out/i.test(test.say) && !/^unit out/i.test(test.say))
        expect(test.needs, name).to.include('no-pressure')
  })

  it('a machine shut to run is shut again each time, and stays opened for the next look', () => {
    const sr = faultBooks.find(({ kind }) => kind === 'sr')!
    const hose = sr.tests.find(({ id }) => id === 'pump-hose')!
    const after = standingAfter(hose, ['hot'])
    expect(after).to.include('open').and.not.include('shut-again')
  })

  it('nobody unqualified is offered a live test', () => {
    for (const book of faultBooks) {
      const network = networkOf(book, book.symptoms[0]!.id, {})
      const belief = Float64Array.from(network.faults, () => 1 / network.faults.length)
      const offered = nextTests(book, network, belief, [], { standing: ['hot'], gates: [], cannot: [] }, 0)
      for (const { test } of offered)
        expect(book.tests.find(({ id }) => id === test)!.gate, `${book.kind}: ${test}`).to.equal(undefined)
    }
  })
})
