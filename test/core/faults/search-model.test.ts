import { expect } from 'chai'
import fc from 'fast-check'
import { benchOf } from '../../../src/core/bench/benches.ts'
import {
  bestRun,
  caseOf,
  newTraining,
  type TrainingPress,
  trainingStep,
  yourRun,
} from '../../../src/core/bench/training.ts'
import { faultBooks } from '../../../src/core/faults/books.ts'
import type { FaultBook } from '../../../src/core/faults/fault.ts'
import { handlingMinutes, hazardMinutes } from '../../../src/core/faults/next-test.ts'
import { ownLooksOfAll } from '../../../src/core/faults/own-looks.ts'
import { repairNow } from '../../../src/core/faults/repair-now.ts'
import { newSearch, type Search, type SearchPress, searchStep, suspicion } from '../../../src/core/faults/search.ts'

const someBook = fc.constantFrom(...faultBooks)
const near = fc.record({ a: fc.nat(1000), b: fc.nat(1000) })

/** Presses by number, whatever the book: each means something in it. */
const presses = fc.array(
  fc.tuple(fc.constantFrom('seen', 'seen', 'seen', 'cannot', 'back', 'symptom', 'gates', 'phone', 'not cured'), near),
  { maxLength: 14 },
)

function pressOf(book: FaultBook, [what, { a, b }]: [string, { a: number; b: number }], search: Search): SearchPress {
  const test = book.tests[a % book.tests.length]!
  switch (what) {
    case 'seen':
      return { type: 'seen', test: test.id, outcome: test.outcomes[b % test.outcomes.length]!.id }
    case 'cannot':
      return { type: 'cannot', test: test.id }
    case 'symptom':
      return { type: 'symptom', symptom: book.symptoms[a % book.symptoms.length]!.id }
    case 'gates':
      return { type: 'gates', gates: a % 2 ? ['live'] : [] }
    case 'phone':
      return { type: 'phone', on: a % 2 === 0 }
    case 'not cured':
      return { type: 'not cured', fault: book.faults[a % book.faults.length]!.id }
    default:
      return search.seen.length > 0 ? { type: 'back' } : { type: 'phone', on: false }
  }
}

const played = (book: FaultBook, given: [string, { a: number; b: number }][], each: (search: Search) => void): Search =>
  given.reduce(
    (search, press, at) => {
      const next = searchStep(search, { ...pressOf(book, press, search), at })
      each(next)
      return next
    },
    newSearch(book.symptoms[0]!.id, 0),
  )

describe('a search, whatever is pressed', () => {
  it('shares a whole among its suspects, and offers only what may and can be done', () => {
    fc.assert(
      fc.property(someBook, presses, (book, given) => {
        played(book, given, (search) => {
          const { belief, all, next } = suspicion(book, search, {})
          expect([...belief].reduce((sum, p) => sum + p, 0)).to.be.closeTo(1, 1e-9)
          expect(Math.min(...belief)).to.be.at.least(0)
          for (const { test: id, minutes, bits } of all) {
            const test = book.tests.find((one) => one.id === id)!
            expect(search.cannot).to.not.include(id)
            if (test.gate) expect(search.gates).to.include(test.gate)
            if (search.phone) expect(book.phone[id]).to.be.a('string')
            expect(minutes).to.be.greaterThan(0)
            expect(bits).to.be.at.least(0)
          }
          // To open and to cool it for a look at a fault is no loss where the fault is there: its repair needs the same.
          const besides = (id: string, minutes: number): number => {
            if (search.phone) return 0
            const { hazard, minutes: own } = book.tests.find((one) => one.id === id)!
            const looked = ownLooksOfAll(book).map((looks, i) => (looks.includes(id) ? belief[i]! : 0))
            const toStand = minutes - own - (hazard ? hazardMinutes[hazard] : 0)
            return handlingMinutes - toStand * looked.reduce((sum, p) => sum + p, 0)
          }
          const fresh = next.filter(({ test }) => !search.seen.some((one) => one.test === test))
          const rates = fresh.map(({ test, bits, minutes }) => bits / (minutes + besides(test, minutes)))
          for (let i = 1; i < rates.length; i += 1) expect(rates[i]!).to.be.at.most(rates[i - 1]! * (1 + 1e-3))
        })
      }),
      { numRuns: 60, seed: 21 },
    )
  })

  it('is as if it had never been, once an answer is taken back', () => {
    fc.assert(
      fc.property(someBook, presses, near, (book, given, { a, b }) => {
        const search = played(book, given, () => {})
        const more = searchStep(search, { ...pressOf(book, ['seen', { a, b }], search), at: 99 })
        expect(searchStep(more, { type: 'back', at: 100 })).to.deep.equal(search)
      }),
      { numRuns: 60, seed: 22 },
    )
  })

  it('says the same after it was written down and read again', () => {
    fc.assert(
      fc.property(someBook, presses, (book, given) => {
        const search = played(book, given, () => {})
        const read = JSON.parse(JSON.stringify(search)) as Search
        expect([...suspicion(book, read, {}).belief]).to.deep.equal([...suspicion(book, search, {}).belief])
      }),
      { numRuns: 40, seed: 23 },
    )
  })

  it('asks for a repair only of its likeliest suspect, and never says a waste below nothing', () => {
    fc.assert(
      fc.property(someBook, presses, (book, given) => {
        played(book, given, (search) => {
          const now = suspicion(book, search, {})
          const repair = repairNow(book, search, now)
          if (!repair) return
          expect(repair.p).to.be.closeTo(Math.max(...now.belief), 1e-12)
          expect(repair.wastedMinutes).to.be.at.least(0)
          if (repair.testingMinutes !== null) expect(repair.testingMinutes).to.be.at.least(repair.testMinutes!)
        })
      }),
      { numRuns: 40, seed: 24 },
    )
  })

  it('weighs the records’ factors as odds: twice as likely is twice the odds against any other', () => {
    fc.assert(
      fc.property(someBook, near, fc.double({ min: 0.2, max: 20, noNaN: true }), (book, { a, b }, factor) => {
        const search = newSearch(book.symptoms[a % book.symptoms.length]!.id, 0)
        const one = book.faults[a % book.faults.length]!.id
        const other = book.faults[(a + 1 + (b % (book.faults.length - 1))) % book.faults.length]!.id
        const odds = (factors: Record<string, number>) => {
          const { network, belief } = suspicion(book, search, factors)
          return belief[network.faults.indexOf(one)]! / belief[network.faults.indexOf(other)]!
        }
        expect(odds({ [one]: factor }) / odds({})).to.be.closeTo(factor, factor * 1e-9)
      }),
      { numRuns: 80, seed: 25 },
    )
  })
})

describe('a case at the bench, whatever is pressed', () => {
  const somePress = fc.tuple(fc.constantFrom('test', 'test', 'test', 'halo', 'name'), near)

  it('has a clock that only goes on, and ends only on the right name or when it is given up', () => {
    fc.assert(
      fc.property(
        someBook,
        fc.integer({ min: 1, max: 400 }),
        fc.array(somePress, { maxLength: 12 }),
        (book, seed, given) => {
          const at = { book, bench: benchOf(book.kind)! }
          let training = newTraining(book.kind, seed, false)
          const secret = caseOf(at, training)
          let minutes = 0
          for (const [what, { a }] of given) {
            const press: TrainingPress =
              what === 'test'
                ? { type: 'test', test: book.tests[a % book.tests.length]!.id }
                : what === 'halo'
                  ? { type: 'halo' }
                  : { type: 'name', fault: book.faults[a % book.faults.length]!.id }
            training = trainingStep(at, training, press)
            const now = yourRun(at, training).minutes
            expect(now).to.be.at.least(minutes)
            minutes = now
            if (training.ended) {
              expect(press).to.deep.equal({ type: 'name', fault: secret.fault })
              break
            }
          }
          expect(training.wrong).to.not.include(secret.fault)
          expect(caseOf(at, training).fault).to.equal(secret.fault)
        },
      ),
      { numRuns: 60, seed: 26 },
    )
  })

  it('is searched best within the minutes of a working day, on every kind', () => {
    for (const book of faultBooks)
      for (const seed of [3, 30, 300]) {
        const at = { book, bench: benchOf(book.kind)! }
        const best = bestRun(at, newTraining(book.kind, seed, false))
        expect(best.minutes, `${book.kind} ${seed}`).to.be.within(0.5, 300)
        expect(best.stops.map(({ atMinutes }) => atMinutes)).to.deep.equal(
          [...best.stops.map(({ atMinutes }) => atMinutes)].sort((x, y) => x - y),
        )
      }
  })
})
