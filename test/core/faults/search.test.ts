import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { nothingKnown, priorFactors, priorReasons } from '../../../src/core/faults/prior-factors.ts'
import { newSearch, repairNow, type Search, searchStep, suspicion } from '../../../src/core/faults/search.ts'
import { suspectWorking } from '../../../src/core/faults/suspect-working.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { faultEvidence } from '../../../src/core/standing/fault-evidence.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { entry, ledgers, steadyReadings, takenOn } from '../standing/a-history.ts'

const book = bookOf('sr')!
const none = priorReasons(book, nothingKnown)
const after = (...seen: [test: string, outcome: string][]): Search =>
  seen.reduce(
    (search, [test, outcome], i) => searchStep(search, { type: 'seen', test, outcome, at: i }),
    newSearch('short-cup', 0),
  )
const shareOf = (search: Search, fault: string, factors = {}) => {
  const { network, belief } = suspicion(book, search, factors)
  return belief[network.faults.indexOf(fault)]!
}

describe('a search', () => {
  it('takes answers back one by one, and leaves what it was given alone', () => {
    const two = after(['nozzle', 'gone'], ['ring', 'whole'])
    const one = searchStep(two, { type: 'back', at: 9 })
    expect(one.seen).to.have.lengthOf(1)
    expect(two.seen).to.have.lengthOf(2)
    expect(searchStep(newSearch('short-cup', 0), { type: 'back', at: 1 }).seen).to.deep.equal([])
  })

  it('asks no more for what cannot be done, and for live tests only of who is qualified', () => {
    const start = newSearch('short-cup', 0)
    const [first] = suspicion(book, start, {}).next
    const without = searchStep(start, { type: 'cannot', test: first!.test, at: 1 })
    expect(suspicion(book, without, {}).all.map(({ test }) => test)).to.not.include(first!.test)
    const c2 = bookOf('c2')!
    const live = c2.tests.filter(({ gate }) => gate === 'live').map(({ id }) => id)
    const over = newSearch('over', 0)
    const offered = (search: Search) => suspicion(c2, search, {}).all.map(({ test }) => test)
    expect(offered(over)).to.not.include.members(live)
    expect(offered(searchStep(over, { type: 'gates', gates: ['live'], at: 1 }))).to.include.members(live)
  })

  it('a repair that did not cure speaks against it, and the rest stand as they did', () => {
    const sure = after(['nozzle', 'gone'])
    const not = searchStep(sure, { type: 'not cured', fault: 'nozzle-seals', at: 5 })
    expect(shareOf(not, 'nozzle-seals')).to.be.lessThan(0.5 * shareOf(sure, 'nozzle-seals'))
    expect(shareOf(not, 'valve-leaks') / shareOf(not, 'unit-ring')).to.be.closeTo(
      shareOf(sure, 'valve-leaks') / shareOf(sure, 'unit-ring'),
      1e-9,
    )
  })

  it('repairs when it is sure, or when repairing wastes less than testing', () => {
    expect(repairNow(book, suspicion(book, newSearch('short-cup', 0), {}))).to.equal(null)
    const now = repairNow(book, suspicion(book, after(['nozzle', 'gone'], ['tray-water', 'much']), {}))!
    expect(now.fault).to.equal('nozzle-seals')
    expect(now.wastedMinutes).to.be.closeTo((1 - now.p) * 5, 1e-9)
  })

  it('on the telephone asks only what can be asked, believes it less, and takes it along to the machine', () => {
    const call = searchStep(newSearch('short-cup', 0), { type: 'phone', on: true, at: 0 })
    const asked = suspicion(book, call, {}).all.map(({ test }) => test)
    expect(asked.length).to.be.greaterThan(4)
    expect(asked.every((test) => book.phone[test] !== undefined)).to.equal(true)
    const said = searchStep(call, { type: 'seen', test: 'puck', outcome: 'wet', at: 1 })
    expect(said.seen[0]).to.include({ said: true })
    const seen = after(['puck', 'wet'])
    expect(shareOf(said, 'unit-ring')).to.be.lessThan(shareOf(seen, 'unit-ring'))
    expect(shareOf(said, 'unit-ring')).to.be.greaterThan(shareOf(call, 'unit-ring'))
    // Nobody is asked twice; on site it may be looked at for the first time.
    expect(suspicion(book, said, {}).all.map(({ test }) => test)).to.not.include('puck')
    const there = searchStep(said, { type: 'phone', on: false, at: 2 })
    expect(suspicion(book, there, {}).all.map(({ test }) => test)).to.include('puck')
  })

  it('shows how a suspect comes to its share: its lines multiply to it', () => {
    const search = after(['nozzle', 'gone'], ['nozzle', 'gone'], ['ring', 'whole'])
    const reasons = priorReasons(book, { ...nothingKnown, lifeUsed: { 'nozzle-seals': 1.3 } })
    const factors = priorFactors(reasons)
    const weightOf = (fault: string) => {
      const { lines } = suspectWorking(book, search, reasons, fault)
      return lines.slice(0, -1).reduce((product, { value }) => product * Number(value), 1)
    }
    const all = book.faults.reduce((sum, { id }) => sum + weightOf(id), 0)
    const { lines } = suspectWorking(book, search, reasons, 'nozzle-seals')
    expect(lines.at(-1)!.value).to.be.closeTo(100 * shareOf(search, 'nozzle-seals', factors), 1e-9)
    expect(weightOf('nozzle-seals') / all).to.be.closeTo(shareOf(search, 'nozzle-seals', factors), 1e-9)
    expect(suspectWorking(book, search, none, 'nozzle-seals').lines).to.have.lengthOf(lines.length - 1)
  })
})

describe('what a machine’s records say of its faults', () => {
  const kind = kindById('sr')!
  const history = ledgers([
    takenOn('sr', '2025-01-06'),
    ...steadyReadings('2025-01-06', '2026-01-05', 300),
    entry('fitted', '2026-01-02', { part: 'piston-ring' }),
    entry('descaled', '2025-12-30', { task: 'descale' }),
    entry('stage', '2025-11-01', { stage: 'still' }),
    entry('stage', '2026-01-03', { stage: 'working' }),
  ])
  const { standings } = reckonMachine(history)!
  const evidence = faultEvidence(kind, effective(history), standings, '2026-01-05')

  it('knows the age of parts, what was opened, the last descale, and how long it stood', () => {
    expect(evidence.lifeUsed['nozzle-seals']).to.be.greaterThan(1)
    expect(evidence.lifeUsed['piston-ring']).to.be.lessThan(0.1)
    expect(evidence.opened).to.deep.equal([{ station: 'brew-unit', daysAgo: 3 }])
    expect(evidence.descaledDaysAgo).to.equal(6)
    expect(evidence.stoodDays).to.equal(63)
  })

  it('makes an old seal the first suspect, a leak where hands were lately likelier', () => {
    const factors = priorFactors(priorReasons(book, evidence))
    expect(factors['nozzle-seals']).to.equal(2.5)
    expect(factors['unit-ring']).to.equal(6 * 0.5)
    expect(factors['block-chalked']).to.equal(0.4)
    expect(factors.airlock).to.equal(4)
  })
})
