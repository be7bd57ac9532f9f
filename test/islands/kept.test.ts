import { expect } from 'chai'
import { newTraining } from '../../src/core/bench/training.ts'
import { newSearch, searchStep } from '../../src/core/faults/search.ts'
import { kindById } from '../../src/core/kinds/index.ts'
import { lanesOf } from '../../src/core/procedures/lanes.ts'
import { procedureById } from '../../src/core/procedures/library/index.ts'
import { runStep, startRun } from '../../src/core/procedures/run.ts'
import { dropSearch, type KeptSearch, keepSearch, readSearch } from '../../src/islands/fault/kept-search.ts'
import { dropRun, type KeptRun, keepRun, readRun, sawRun } from '../../src/islands/run/kept-run.ts'
import {
  addPast,
  dropCase,
  keepCase,
  type PastCase,
  pastCases,
  readCase,
} from '../../src/islands/trainer/kept-cases.ts'

/** A device's store, which may be full, or hold what nobody can read. */
class Store {
  held = new Map<string, string>()
  full = false
  getItem(key: string): string | null {
    return this.held.get(key) ?? null
  }
  setItem(key: string, value: string): void {
    if (this.full) throw new DOMException('full', 'QuotaExceededError')
    this.held.set(key, value)
  }
  removeItem(key: string): void {
    this.held.delete(key)
  }
}

let store: Store
const said: unknown[] = []
const { info } = console

function withStore(): void {
  beforeEach(() => {
    store = new Store()
    said.length = 0
    Object.defineProperty(globalThis, 'localStorage', { value: store, configurable: true })
    console.info = (...words) => void said.push(words)
  })
  afterEach(() => {
    console.info = info
    Reflect.deleteProperty(globalThis, 'localStorage')
  })
}

describe('a search kept on this device', () => {
  withStore()
  const search = searchStep(newSearch('short-cup', 1), { type: 'seen', test: 'nozzle', outcome: 'gone', at: 2 })
  const kept: KeptSearch = { search, reportId: 'r', ids: { repaired: 'i' } }

  it('is there again, whole, and only on its own machine', () => {
    expect(keepSearch('one', kept)).to.equal(true)
    expect(readSearch('one')).to.deep.equal(kept)
    expect(readSearch('other')).to.equal(null)
    dropSearch('one')
    expect(readSearch('one')).to.equal(null)
  })

  it('says so where the device is full, and is not half there', () => {
    store.full = true
    expect(keepSearch('one', kept)).to.equal(false)
    expect(store.held.size).to.equal(0)
    expect(said).to.have.lengthOf(1)
  })

  it('begins anew where what is there cannot be read', () => {
    store.held.set('evenshot-search-one', '{"search":')
    expect(readSearch('one')).to.equal(null)
    expect(said).to.have.lengthOf(1)
  })
})

describe('a run kept on this device', () => {
  withStore()
  const procedure = procedureById('detergent-backflush')!
  const school = procedure.schools[0]!
  const lanes = lanesOf(procedure, school, kindById('c2')!)
  const begun = runStep(lanes, startRun(lanes, 1_000), { at: 21_000, type: 'done' })
  const run: KeptRun = { running: [{ procedure, school }], lanes, state: begun, ids: ['a', 'b'], held: [] }

  it('goes on where it was, with the second it was last seen at', () => {
    expect(keepRun('m', run, 21_000)).to.equal(true)
    sawRun('m', 25_000)
    const read = readRun('m')!
    expect(read.seenAt).to.equal(25_000)
    expect(read.run).to.deep.equal(JSON.parse(JSON.stringify(run)))
    // What was read goes on as the one that was kept.
    const press = { at: 40_000, type: 'done' } as const
    expect(runStep(read.run.lanes, read.run.state, press)).to.deep.equal(
      JSON.parse(JSON.stringify(runStep(lanes, begun, press))),
    )
  })

  it('loses its second life on a full device, not its first, and says so once', () => {
    store.full = true
    expect(keepRun('m', run, 21_000)).to.equal(false)
    sawRun('m', 25_000)
    expect(said).to.have.lengthOf(1)
    expect(readRun('m')).to.equal(null)
  })

  it('is gone with the second it was seen at when it is over', () => {
    keepRun('m', run, 21_000)
    dropRun('m')
    expect(store.held.size).to.equal(0)
  })

  it('begins anew where what is there cannot be read', () => {
    store.held.set('evenshot-run-m', 'not a run')
    expect(readRun('m')).to.equal(null)
  })
})

describe('the bench on this device', () => {
  withStore()
  const past = (seed: number, minutes = 10): PastCase => ({ kind: 'pk', seed, minutes, bestMinutes: 8, found: true })

  it('keeps the case that is open', () => {
    const training = newTraining('pk', 11, true)
    keepCase(training)
    expect(readCase()).to.deep.equal(training)
    dropCase()
    expect(readCase()).to.equal(null)
  })

  it('keeps the last ten, the newest first, each once', () => {
    for (let seed = 1; seed <= 12; seed += 1) addPast(past(seed))
    expect(pastCases().map(({ seed }) => seed)).to.deep.equal([12, 11, 10, 9, 8, 7, 6, 5, 4, 3])
    addPast(past(5, 30))
    expect(pastCases().map(({ seed }) => seed)).to.deep.equal([5, 12, 11, 10, 9, 8, 7, 6, 4, 3])
    expect(pastCases()[0]!.minutes).to.equal(30)
  })

  it('has none where nothing was kept, or nothing can be', () => {
    expect(pastCases()).to.deep.equal([])
    store.full = true
    addPast(past(1))
    expect(pastCases()).to.deep.equal([])
    expect(said).to.have.lengthOf(1)
  })
})
