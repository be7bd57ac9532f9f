import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { nothingKnown, priorFactors, priorReasons } from '../../../src/core/faults/prior-factors.ts'
import { repairNow } from '../../../src/core/faults/repair-now.ts'
import { newSearch, type Search, searchStep, suspicion } from '../../../src/core/faults/search.ts'
import { elseShare } from '../../../src/core/faults/shares.ts'
import { suspectWorking } from '../../../src/core/faults/suspect-working.ts'
import { testingMinutes } from '../../../src/core/faults/worth-testing.ts'
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
    const start = newSearch('short-cup', 0)
    const proved = after(['nozzle', 'gone'], ['tray-water', 'much'])
    expect(repairNow(book, start, suspicion(book, start, {}))).to.equal(null)
    const now = repairNow(book, proved, suspicion(book, proved, {}))!
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
      const { lines } = suspectWorking(book, search, search.seen, reasons, fault)
      return lines.slice(0, -1).reduce((product, { value }) => product * Number(value), 1)
    }
    const all = book.faults.reduce((sum, { id }) => sum + weightOf(id), 0)
    const { lines } = suspectWorking(book, search, search.seen, reasons, 'nozzle-seals')
    expect(lines.at(-1)!.value).to.be.closeTo(100 * shareOf(search, 'nozzle-seals', factors), 1e-9)
    // Among those of the book: what is in none has a share of its own.
    const now = suspicion(book, search, factors)
    const inBook = 1 - elseShare(now.network, now.belief)
    expect(weightOf('nozzle-seals') / all).to.be.closeTo(shareOf(search, 'nozzle-seals', factors) / inBook, 1e-9)
    expect(suspectWorking(book, search, search.seen, none, 'nozzle-seals').lines).to.have.lengthOf(lines.length - 1)
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
    expect(evidence.lifeUsed['nozzle-seals']).to.be.greaterThan(2)
    expect(factors['nozzle-seals']).to.equal(4)
    // What was fitted three days ago is seldom worn; how it sits, and what was opened with it, are looked at first.
    expect(factors['unit-ring']).to.be.closeTo(0.2, 1e-9)
    expect(factors['seal-misfit']).to.equal(20 * 6)
    expect(factors['unit-dry']).to.be.at.least(6)
    expect(factors['block-chalked']).to.equal(0.4)
    expect(factors.airlock).to.equal(4)
  })
})

describe('when to stop testing', () => {
  const plain = (outcomes: Record<string, number[]>, minutes: number) => ({
    id: 'look',
    minutes,
    outcomes: Object.entries(outcomes).map(([id, under]) => ({ id, under: Float64Array.from(under) })),
  })
  const again = (belief: Float64Array) => 60 * (1 - Math.max(...belief))

  it('a test that settles it costs its minutes and nothing after', () => {
    const settles = plain({ one: [1, 0], other: [0, 1] }, 4)
    expect(testingMinutes(Float64Array.of(0.6, 0.4), settles, 4, again)).to.be.closeTo(4, 1e-9)
  })

  it('a test that says nothing costs its minutes, and the waste is still there', () => {
    const silent = plain({ one: [0.5, 0.5], other: [0.5, 0.5] }, 4)
    expect(testingMinutes(Float64Array.of(0.6, 0.4), silent, 4, again)).to.be.closeTo(4 + 24, 1e-9)
  })

  it('what is left is repaired as it stands, or tested on at the price of this test a bit', () => {
    // Three in four right: after it 0.75 or 0.25 of even odds, 0.811 bits left at 4 minutes for 0.189 bits.
    const half = plain({ one: [0.75, 0.25], other: [0.25, 0.75] }, 4)
    const even = Float64Array.of(0.5, 0.5)
    const left = 0.8112781244591328
    expect(testingMinutes(even, half, 4, again)).to.be.closeTo(4 + Math.min(15, (4 / (1 - left)) * left), 1e-9)
    expect(testingMinutes(even, half, 4, (now) => 600 * (1 - Math.max(...now)))).to.be.closeTo(
      4 + (4 / (1 - left)) * left,
      1e-9,
    )
  })

  it('a dear part is tested for longer than a cheap one', () => {
    const search = after(['tray-water', 'much'])
    const at = suspicion(book, search, {})
    const [top] = [...at.network.faults].sort(
      (a, b) => at.belief[at.network.faults.indexOf(b)]! - at.belief[at.network.faults.indexOf(a)]!,
    )
    const cheap = repairNow(book, search, at)
    const dear = repairNow(book, search, at, { [top!]: 600 })
    expect(cheap?.fault ?? 'none').to.be.a('string')
    expect(dear).to.equal(null)
  })

  it('says the part’s price in minutes of labour beside what is wasted', () => {
    const search = after(['nozzle', 'gone'], ['tray-water', 'much'])
    const now = repairNow(book, search, suspicion(book, search, {}), { 'nozzle-seals': 10 })!
    expect(now.partMinutes).to.equal(10)
    expect(now.wastedMinutes).to.be.closeTo((1 - now.p) * 15, 1e-9)
    expect(now.testingMinutes).to.be.greaterThan(now.testMinutes!)
  })
})

describe('what notes and treatment say of a fault', () => {
  const kind = kindById('sr')!
  const evidenceOf = (entries: ReturnType<typeof entry>[], softener: ReturnType<typeof entry>[] = []) =>
    faultEvidence(
      kind,
      effective(ledgers([takenOn('sr', '2025-01-06'), ...entries], softener.length > 0 ? { softener } : {})),
      [],
      '2026-01-05',
    )

  it('other beans noted lately make grind and user likelier, with the note quoted', () => {
    const { beansNoted } = evidenceOf([
      entry('note', '2025-06-01', { text: 'Beans changed to a lighter roast.' }),
      entry('note', '2026-01-02', { text: 'Beans changed to a darker roast last week.' }),
      entry('note', '2026-01-03', { text: 'Tray full again.' }),
    ])
    expect(beansNoted).to.deep.equal({ words: 'Beans changed to a darker roast last week.', daysAgo: 3 })
    const reasons = priorReasons(book, { ...nothingKnown, beansNoted })
    expect(reasons['grind-fine']).to.deep.equal([
      { words: 'noted 3 days ago: “Beans changed to a darker roast last week.”', factor: 3 },
    ])
    expect(reasons['nozzle-seals']).to.deep.equal([])
    expect(
      priorReasons(book, { ...nothingKnown, beansNoted: { words: 'x', daysAgo: 30 } })['grind-fine'],
    ).to.deep.equal([])
  })

  it('a long note is cut where it is quoted', () => {
    const { beansNoted } = evidenceOf([entry('note', '2026-01-02', { text: `Beans ${'again '.repeat(40)}` })])
    expect(beansNoted!.words.length).to.be.at.most(60)
    expect(beansNoted!.words.endsWith('…')).to.equal(true)
  })

  it('going again after the winter makes split joints likelier, going again after a pause does not', () => {
    const stood = (stage: string) =>
      evidenceOf([entry('stage', '2025-10-20', { stage }), entry('stage', '2025-12-29', { stage: 'working' })])
    expect(stood('winterised').winteredDaysAgo).to.equal(7)
    expect(stood('still').winteredDaysAgo).to.equal(null)
    const factors = priorFactors(priorReasons(book, { ...nothingKnown, winteredDaysAgo: 7 }))
    expect(factors['hose-leaks']).to.equal(3)
    expect(factors['nozzle-seals']).to.equal(1)
  })

  it('another treatment ahead of it counts from its day, one that was there before does not', () => {
    const taken = (on: string) =>
      entry('commissioned', on, { kind: 'exchanger', kindVersion: 1, partsNew: true }, { subjectKind: 'softener' })
    expect(evidenceOf([], [taken('2025-12-01')]).treatmentChangedDaysAgo).to.equal(35)
    expect(evidenceOf([], [taken('2024-12-01')]).treatmentChangedDaysAgo).to.equal(null)
    expect(evidenceOf([]).treatmentChangedDaysAgo).to.equal(null)
    const c2 = bookOf('c2')!
    const factors = priorFactors(priorReasons(c2, { ...nothingKnown, treatmentChangedDaysAgo: 35 }))
    expect(factors['probe-chalked']).to.equal(5)
    expect(priorFactors(priorReasons(c2, { ...nothingKnown, treatmentChangedDaysAgo: 61 }))['probe-chalked']).to.equal(
      1,
    )
  })

  it('causes adopted for its kind come along', () => {
    const causes = entry(
      'setting',
      '2025-12-01',
      { setting: 'causes', kind: 'sr', counts: [{ fault: 'airlock', n: 3 }] },
      { subjectKind: 'firm' },
    )
    const other = entry(
      'setting',
      '2025-12-02',
      { setting: 'causes', kind: 'pk', counts: [{ fault: 'airlock', n: 9 }] },
      { subjectKind: 'firm' },
    )
    const history = effective(ledgers([takenOn('sr', '2025-01-06')], { firm: [causes, other] }))
    expect(faultEvidence(kind, history, [], '2026-01-05').confirmed).to.deep.equal({ airlock: 3 })
  })
})
