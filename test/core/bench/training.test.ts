import { expect } from 'chai'
import { benchOf } from '../../../src/core/bench/benches.ts'
import {
  bestRun,
  caseOf,
  haloMinutes,
  newTraining,
  type TrainingBench,
  trainingStep,
  yourRun,
} from '../../../src/core/bench/training.ts'
import { bookOf } from '../../../src/core/faults/books.ts'

const at: TrainingBench = { book: bookOf('pk')!, bench: benchOf('pk')! }
const start = newTraining('pk', 11, false)
const secret = caseOf(at, start)

describe('a case at the bench', () => {
  it('is the same machine from the same number, and shows the same', () => {
    const one = trainingStep(at, start, { type: 'test', test: 'open-flow' })
    const other = trainingStep(at, newTraining('pk', 11, true), { type: 'test', test: 'open-flow' })
    expect(one.tests).to.deep.equal(other.tests)
    expect(start.tests).to.deep.equal([])
  })

  it('ends on the right name; a wrong one costs what its repair takes, a halo five minutes', () => {
    const wrong = at.book.faults.find(({ id }) => id !== secret.fault)!
    const named = trainingStep(at, start, { type: 'name', fault: wrong.id })
    expect(named.ended).to.equal(null)
    expect(yourRun(at, named).minutes).to.equal(wrong.repair.minutes)
    const asked = trainingStep(at, named, { type: 'halo' })
    expect(yourRun(at, asked).minutes).to.equal(wrong.repair.minutes + haloMinutes)
    const found = trainingStep(at, asked, { type: 'name', fault: secret.fault })
    expect(found.ended).to.equal('found')
    expect(trainingStep(at, found, { type: 'halo' })).to.equal(found)
  })

  it('puts each test on the clock with what it needs first, and says which told nothing new', () => {
    const tests = ['fuse', 'element', 'below']
    const run = yourRun(
      at,
      tests.reduce((now, test) => trainingStep(at, now, { type: 'test', test }), start),
    )
    const { toStand } = at.book
    expect(run.stops[0]!.atMinutes).to.equal(3 + toStand.off + toStand.open)
    // It is off and open by now: the second costs only itself.
    expect(run.stops[1]!.atMinutes - run.stops[0]!.atMinutes).to.equal(4)
    expect(run.minutes).to.equal(run.stops[2]!.atMinutes)
  })

  it('has a best way that is a way: its tests on the same clock', () => {
    const best = bestRun(at, start)
    expect(best.stops.length).to.be.greaterThan(0)
    expect(best.minutes).to.equal(best.stops.at(-1)!.atMinutes)
    expect(at.book.faults.map(({ id }) => id)).to.include(best.named)
  })
})
