import { expect } from 'chai'
import { faultBooks } from '../../../src/core/faults/books.ts'
import { complaintUnder, outcomesUnder } from '../../../src/core/faults/likelihood.ts'
import { networkOf } from '../../../src/core/faults/network.ts'
import { asFound, nextTests } from '../../../src/core/faults/next-test.ts'
import { outcomeOf } from '../../../src/core/faults/outcome-of.ts'
import { ownLooks } from '../../../src/core/faults/own-looks.ts'
import { rankCauses } from '../../../src/core/faults/rank-causes.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { procedureById } from '../../../src/core/trade/procedures/index.ts'

for (const book of faultBooks) {
  const kind = kindById(book.kind)!
  const stations = new Set(kind.stations.map(({ id }) => id))
  const faults = new Set(book.faults.map(({ id }) => id))

  describe(`what is known of faults: ${kind.name}`, () => {
    it('names enough faults, once each, at stations the kind has, of parts it has', () => {
      // Twenty-five for the kinds most calls come from, twelve for the others.
      expect(book.faults.length).to.be.at.least(['c2', 'dv', 'dn', 'sr', 'pk'].includes(book.kind) ? 25 : 12)
      expect(faults.size).to.equal(book.faults.length)
      const parts = new Set(kind.parts.map(({ id }) => id))
      for (const { id, station, part, complaints, repair } of book.faults) {
        if (station !== null) expect(stations.has(station), `${id}: ${station}`).to.equal(true)
        if (part) expect(parts.has(part), `${id}: ${part}`).to.equal(true)
        for (const symptom of Object.keys(complaints))
          expect(
            book.symptoms.some((one) => one.id === symptom),
            `${id}: ${symptom}`,
          ).to.equal(true)
        if (repair.procedure) expect(procedureById(repair.procedure), `${id}: ${repair.procedure}`).to.not.equal(null)
        // What it leads to is written for this kind of machine.
        if (repair.procedure)
          expect(procedureById(repair.procedure)!.kinds, `${id}: ${repair.procedure}`).to.include(kind.id)
      }
    })

    it('has suspects outside the water path, and “nothing wrong”', () => {
      expect(book.faults.filter(({ station }) => station === null).length).to.be.at.least(2)
      expect(faults.has('nothing')).to.equal(true)
    })

    it('gives every test outcomes that sum to 1 under every fault, none impossible', () => {
      for (const test of book.tests) {
        expect(stations.has(test.station), `${test.id}: ${test.station}`).to.equal(true)
        for (const id of Object.keys(test.sees)) expect(faults.has(id), `${test.id}: ${id}`).to.equal(true)
        for (const { id } of book.faults) {
          const under = [...outcomesUnder(test, id).values()]
          expect(under.reduce((sum, p) => sum + p, 0)).to.be.closeTo(1, 1e-9)
          expect(Math.min(...under)).to.be.greaterThan(0)
        }
      }
    })

    it('spreads each complaint over a whole', () => {
      for (const fault of book.faults) {
        const sum = book.symptoms.reduce((total, { id }) => total + complaintUnder(book, fault, id), 0)
        expect(sum, fault.id).to.be.closeTo(1, 1e-9)
      }
    })

    it('calls a reading in the middle of what the kind calls good by the usual outcome', () => {
      for (const test of book.tests) {
        const measure = kind.measures.find(({ id }) => id === test.reads?.measure)
        if (!test.reads?.measure) continue
        expect(measure, test.reads.measure).to.not.equal(undefined)
        const usual = Object.entries(test.normal).sort((a, b) => b[1] - a[1])[0]![0]
        expect(outcomeOf(test, (measure!.good.from + measure!.good.to) / 2)?.id, test.id).to.equal(usual)
      }
    })

    it('never asks for a live test of who is not qualified, nor for what cannot be done', () => {
      const network = networkOf(book, null)
      const offered = nextTests(book, network, network.prior, [], asFound).map(({ test }) => test)
      const gated = book.tests.filter(({ gate }) => gate).map(({ id }) => id)
      expect(offered.filter((id) => gated.includes(id))).to.deep.equal([])
      const without = nextTests(book, network, network.prior, [], { ...asFound, cannot: [offered[0]!] })
      expect(without.map(({ test }) => test)).to.not.include(offered[0])
    })

    it('asks on the telephone and tells the customer only of what there is', () => {
      const tests = new Map(book.tests.map((test) => [test.id, test]))
      expect(Object.keys(book.phone).length).to.be.at.least(8)
      for (const id of Object.keys(book.phone)) {
        expect(tests.has(id), id).to.equal(true)
        // Nobody opens or unscrews anything because somebody on the telephone asked.
        expect(tests.get(id)!.needs, id).to.not.include.members(['open'])
      }
      for (const id of Object.keys(book.customer)) expect(faults.has(id), id).to.equal(true)
    })

    it('opens nothing under pressure, and no case that is plugged in', () => {
      for (const { id, needs, gate, hazard } of book.tests) {
        if (hazard === 'pressure' && needs.includes('open')) expect(needs, id).to.include('no-pressure')
        if (hazard === 'mains' && !gate) expect(needs, id).to.include('off')
      }
    })

    it('finds each fault by what it is known to show', () => {
      for (const fault of book.faults.filter(({ id }) => id !== 'nothing')) {
        // What only a live test tells is found by who may do it.
        const own = ownLooks(book, fault).map((id) => book.tests.find((test) => test.id === id)!)
        const live = own.length > 0 && own.every(({ gate }) => gate)
        const seen = book.tests
          .filter(({ sees, gate }) => sees[fault.id] && (live || !gate))
          .map((test) => {
            const under = [...outcomesUnder(test, fault.id)]
            return { test: test.id, outcome: under.sort((a, b) => b[1] - a[1])[0]![0] }
          })
        expect(seen.length, `${fault.id} is told by no test`).to.be.at.least(1)
        const [first] = Object.entries(fault.complaints).sort((a, b) => b[1] - a[1])[0]!
        const network = networkOf(book, first)
        const belief = rankCauses(network, seen)!
        // Two that show alike stay alike: it must be among the first two.
        const named = belief.subarray(0, book.faults.length)
        const better = named.filter((p) => p > belief[network.faults.indexOf(fault.id)]!).length
        expect(better, `${fault.id} after ${seen.map(({ test }) => test)}`).to.be.at.most(1)
      }
    })
  })
}
