import 'fake-indexeddb/auto'
import { expect } from 'chai'
import { number, object, string } from 'yup'
import { newTraining } from '../../src/core/bench/training.ts'
import { bookOf } from '../../src/core/faults/books.ts'
import { newSearch, searchStep } from '../../src/core/faults/search.ts'
import { kindById, kinds } from '../../src/core/kinds/index.ts'
import { lanesOf } from '../../src/core/procedures/lanes.ts'
import { offeredTo } from '../../src/core/procedures/offered.ts'
import { runStep, startRun } from '../../src/core/procedures/run.ts'
import { newSheet, sheetStep } from '../../src/core/strip-down/sheet.ts'
import { procedureById, procedures } from '../../src/core/trade/procedures/index.ts'
import { knownStripDowns } from '../../src/core/trade/strip-downs/known.ts'
import { deviceDatabase } from '../../src/device/database.ts'
import { setAsideAllOf } from '../../src/device/set-aside-all.ts'
import { shelf } from '../../src/device/shelf.ts'
import { saveHeld } from '../../src/device/unwritten.ts'
import { emptyDraft } from '../../src/islands/entry/draft.ts'
import { draftSchema } from '../../src/islands/entry/draft-schema.ts'
import { type KeptSearch, keptSearches, strangeTo } from '../../src/islands/fault/kept-search.ts'
import { dropRun, type KeptRun, keepRun, readRun, sawRun } from '../../src/islands/run/kept-run.ts'
import { keptSheets } from '../../src/islands/strip-down/kept-sheet.ts'
import {
  addPast,
  dropCase,
  keepCase,
  type PastCase,
  pastCases,
  readCase,
} from '../../src/islands/trainer/kept-cases.ts'

/** The store of before, one text a thing. */
class Former {
  held = new Map<string, string>()
  getItem(key: string): string | null {
    return this.held.get(key) ?? null
  }
  setItem(key: string, text: string): void {
    this.held.set(key, text)
  }
  removeItem(key: string): void {
    this.held.delete(key)
  }
}

let former: Former
const said: unknown[] = []
const { info } = console
const asided = async () => (await deviceDatabase()).getAll('aside')

/** An empty device that is quiet. */
function onDevice(): void {
  beforeEach(async () => {
    former = new Former()
    said.length = 0
    Object.defineProperty(globalThis, 'localStorage', { value: former, configurable: true })
    console.info = (...words) => void said.push(words)
    const db = await deviceDatabase()
    await Promise.all([db.clear('kept'), db.clear('aside')])
  })
  afterEach(() => {
    console.info = info
    Reflect.deleteProperty(globalThis, 'localStorage')
  })
}

/** What a browser does that keeps nothing: a private window, a store that is full. */
async function whileForbidden(work: () => Promise<void>): Promise<void> {
  const { get, put } = IDBObjectStore.prototype
  const refuse = () => {
    throw new DOMException('full', 'QuotaExceededError')
  }
  Object.assign(IDBObjectStore.prototype, { get: refuse, put: refuse })
  try {
    await work()
  } finally {
    Object.assign(IDBObjectStore.prototype, { get, put })
  }
}

describe('a shelf of the device’s store', () => {
  onDevice()
  const schema = async () => object({ litres: number().required() }).noUnknown()
  const cups = shelf<{ litres: number }>({ name: 'cups', version: 1, schema, former: (of) => `old-cups-${of}` })

  it('gives back what was kept, of each thing its own', async () => {
    expect(await cups.keep('one', { litres: 2 })).to.equal(true)
    expect(await cups.read('one')).to.deep.equal({ value: { litres: 2 }, aside: null })
    expect(await cups.read('other')).to.deep.equal({ value: null, aside: null })
    await cups.drop('one')
    expect(await cups.read('one')).to.deep.equal({ value: null, aside: null })
  })

  it('lies enciphered, and is what was written last, however long it is', async () => {
    const long = shelf<{ text: string }>({
      name: 'letters',
      version: 1,
      schema: async () => object({ text: string().required() }).noUnknown(),
    })
    const texts = Array.from({ length: 12 }, (_, i) => `key under the pot ${'x'.repeat((12 - i) * 20_000)} ${i}`)
    await Promise.all(texts.map((text) => long.keep('one', { text })))
    expect((await long.read('one')).value?.text).to.equal(texts.at(-1))
    const stored = JSON.stringify(await (await deviceDatabase()).get('kept', ['letters', 'one']))
    expect(stored).not.to.contain('under the pot')
    // What a version of before kept as it was is read all the same.
    await (await deviceDatabase()).put('kept', {
      ...{ shelf: 'letters', of: 'two', version: 1, value: { text: 'plain' }, keptAt: 1 },
    })
    expect((await long.read('two')).value).to.deep.equal({ text: 'plain' })
    // Without its key it is set aside by nobody, and read by nobody.
    await (await deviceDatabase()).clear('key')
    expect((await long.read('one')).value).to.equal(null)
  })

  it('lifts an earlier version’s thing step by step', async () => {
    await cups.keep('one', { litres: 2 })
    const glasses = shelf<{ ml: number; of: number }>({
      name: 'cups',
      version: 3,
      schema: async () => object({ ml: number().required(), of: number().required() }).noUnknown(),
      lift: {
        1: ({ litres }: { litres: number }) => ({ ml: litres * 1000 }),
        2: ({ ml }: { ml: number }) => ({ ml, of: 6 }),
      },
    })
    expect((await glasses.read('one')).value).to.deep.equal({ ml: 2000, of: 6 })
  })

  it('sets aside what it cannot read, with a word, and never throws it away', async () => {
    const db = await deviceDatabase()
    const put = (of: string, version: number, value: unknown) =>
      db.put('kept', { shelf: 'cups', of, version, value, keptAt: 1 })
    await put('later', 2, { litres: 1 })
    await put('wrong', 1, { litres: 'two' })
    await put('none', 1, 'not a cup')
    await put('unlifted', 0, { litres: 1 })
    expect(await cups.read('later')).to.deep.equal({ value: null, aside: 'a later version kept it' })
    expect((await cups.read('wrong')).aside).to.equal('it is not as it was written')
    expect((await cups.read('none')).aside).to.equal('it is not as it was written')
    expect((await cups.read('unlifted')).aside).to.equal('an earlier version kept it in another shape')
    expect((await asided()).map(({ of }) => of)).to.have.members(['later', 'wrong', 'none', 'unlifted'])
    expect(await db.count('kept')).to.equal(0)
    // Said once: it is aside now.
    expect(await cups.read('later')).to.deep.equal({ value: null, aside: null })
  })

  it('sets aside what means nothing any more', async () => {
    await cups.keep('one', { litres: 2 })
    const found = await cups.read('one', ({ litres }) => (litres > 1 ? 'cups are smaller now' : null))
    expect(found).to.deep.equal({ value: null, aside: 'cups are smaller now' })
    expect((await asided())[0]).to.include({ shelf: 'cups', of: 'one', why: 'cups are smaller now' })
  })

  it('takes over what stood in the store of before, and leaves nothing there', async () => {
    former.held.set('old-cups-one', '{"litres":3}')
    former.held.set('old-cups-two', '{"litres":')
    expect((await cups.read('one')).value).to.deep.equal({ litres: 3 })
    await cups.keep('one', { litres: 4 })
    expect((await cups.read('one')).value).to.deep.equal({ litres: 4 })
    expect((await cups.read('two')).aside).to.equal('it is not as it was written')
    expect(former.held.size).to.equal(0)
  })

  it('finds nothing and keeps nothing where the browser refuses, says so, and breaks nothing', async () => {
    await whileForbidden(async () => {
      expect(await cups.keep('one', { litres: 2 })).to.equal(false)
      expect(await cups.read('one')).to.deep.equal({ value: null, aside: null })
    })
    expect(said).to.have.lengthOf(2)
  })

  it('has what was being written when the page went, and nothing that was being dropped', async () => {
    await cups.keep('one', { litres: 2 })
    await cups.keep('two', { litres: 5 })
    const { put, delete: remove } = IDBObjectStore.prototype
    // The page goes before the store answers: nothing it was asked for last is done.
    const never = () => new Promise(() => {})
    Object.assign(IDBObjectStore.prototype, { put: never, delete: never })
    void cups.keep('one', { litres: 3 })
    void cups.keep('one', { litres: 4 })
    void cups.drop('two')
    await new Promise((resolve) => setTimeout(resolve))
    saveHeld()
    Object.assign(IDBObjectStore.prototype, { put, delete: remove })
    expect((await cups.read('one')).value).to.deep.equal({ litres: 4 })
    expect((await cups.read('two')).value).to.equal(null)
    // It is in the store now: nothing old comes back over what is written next.
    await cups.keep('one', { litres: 6 })
    expect((await cups.read('one')).value).to.deep.equal({ litres: 6 })
  })

  it('goes on without what a page broke on', async () => {
    await cups.keep('one', { litres: 2 })
    await cups.keep('other', { litres: 2 })
    await setAsideAllOf(['machines', 'one'])
    expect((await cups.read('one')).value).to.equal(null)
    expect((await cups.read('other')).value).to.deep.equal({ litres: 2 })
    expect(await asided()).to.have.lengthOf(1)
  })

  it('goes on without what the page before could not write any more', async () => {
    const { put } = IDBObjectStore.prototype
    Object.assign(IDBObjectStore.prototype, { put: () => new Promise(() => {}) })
    for (const of of ['one', 'other']) void cups.keep(of, { litres: 3 })
    await new Promise((resolve) => setTimeout(resolve, 100))
    saveHeld()
    Object.assign(IDBObjectStore.prototype, { put })
    await setAsideAllOf(['machines', 'one'])
    expect((await cups.read('one')).value).to.equal(null)
    expect(await asided()).to.have.lengthOf(1)
    expect((await cups.read('other')).value).to.deep.equal({ litres: 3 })
  })
})

describe('a search kept on this device', () => {
  onDevice()
  const book = bookOf('sr')!
  const search = searchStep(newSearch('short-cup', 1), { type: 'seen', test: 'nozzle', outcome: 'gone', at: 2 })
  const kept: KeptSearch = { search, reportId: 'r', ids: { repaired: 'i' } }
  const strange = (found: KeptSearch) => strangeTo(book, found)

  it('is there again, whole', async () => {
    await keptSearches.keep('one', kept)
    expect((await keptSearches.read('one', strange)).value).to.deep.equal(kept)
  })

  it('is set aside where a test of it has another name since', async () => {
    for (const seen of [
      { test: 'a-test-of-before', outcome: 'gone', at: 2 },
      { test: 'nozzle', outcome: 'a-look-of-before', at: 2 },
    ]) {
      await keptSearches.keep('one', { ...kept, search: { ...search, seen: [seen] } })
      expect((await keptSearches.read('one', strange)).aside).to.match(/has another name now$/)
    }
    await keptSearches.keep('one', { ...kept, search: { ...search, cannot: ['a-test-of-before'] } })
    expect((await keptSearches.read('one', strange)).aside).to.match(/^what it calls a-test-of-before/)
    await keptSearches.keep('one', { ...kept, search: { ...search, symptom: 'grumpy' } })
    expect((await keptSearches.read('one', strange)).aside).to.match(/^what it calls grumpy/)
  })
})

describe('a run kept on this device', () => {
  onDevice()
  const procedure = procedureById('detergent-backflush')!
  const way = procedure.ways[0]!
  const lanes = lanesOf(procedure, way, kindById('c2')!)
  const begun = runStep(lanes, startRun(lanes, 1_000), { at: 21_000, type: 'done' })
  const run: KeptRun = { running: [{ procedure, way }], lanes, state: begun, ids: ['a', 'b'], held: [] }

  it('goes on where it was, with the second it was last seen at', async () => {
    expect(await keepRun('m', run, 21_000)).to.equal(true)
    await sawRun('m', 25_000)
    const read = (await readRun('m')).value!
    expect(read.seenAt).to.equal(25_000)
    // What was read goes on as the one that was kept.
    const press = { at: 40_000, type: 'done' } as const
    expect(runStep(read.run.lanes, read.run.state, press)).to.deep.equal(runStep(lanes, begun, press))
  })

  it('loses its second life where the browser refuses, not its first', async () => {
    await whileForbidden(async () => {
      expect(await keepRun('m', run, 21_000)).to.equal(false)
    })
    expect((await readRun('m')).value).to.equal(null)
  })

  it('is gone with the second it was seen at when it is over', async () => {
    await keepRun('m', run, 21_000)
    await dropRun('m')
    expect(await (await deviceDatabase()).count('kept')).to.equal(0)
  })

  it('is taken over from the store of before, from the last moment it tells of', async () => {
    // Ways were called schools then.
    const running = run.running.map(({ procedure: { ways: schools, ...rest }, way: school }) => ({
      procedure: { ...rest, schools },
      school,
    }))
    former.held.set('evenshot-run-2-m', JSON.stringify({ ...run, running }))
    const read = (await readRun('m')).value!
    expect(read.run.running).to.deep.equal(JSON.parse(JSON.stringify(run.running)))
    expect(read.run.lanes).to.deep.equal(JSON.parse(JSON.stringify(lanes)))
    expect(read.seenAt).to.equal(21_000)
    former.held.set('evenshot-run-seen-m', '25000')
    expect((await readRun('m')).value!.seenAt).to.equal(25_000)
  })

  it('is set aside where a lane of it stands nowhere', async () => {
    const [first] = lanes
    const { [first!.id]: _, ...at } = begun.at
    await keepRun('m', { ...run, state: { ...begun, at } }, 21_000)
    expect((await readRun('m')).aside).to.equal(`nothing says where ${first!.title} stood`)
  })

  it('comes back whatever is run, in every way and on every kind', async () => {
    for (const kind of kinds)
      for (const { procedure: one } of offeredTo(kind, 'exchanger', procedures))
        for (const way of one.ways) {
          const its = lanesOf(one, way, kind)
          if (its.length === 0) continue
          const kept = {
            running: [{ procedure: one, way: way }],
            lanes: its,
            state: startRun(its, 1),
            ids: [],
            held: [],
          }
          await keepRun('m', kept, 1)
          expect((await readRun('m')).aside, `${one.id} ${way.id} ${kind.id}`).to.equal(null)
        }
  })
})

describe('a sheet kept on this device', () => {
  onDevice()

  it('comes back with every thing that is known to come off, and with what was named by hand', async () => {
    for (const known of knownStripDowns) {
      let sheet = newSheet(1)
      for (const thing of known.things) sheet = sheetStep(sheet, { type: 'off', thing, at: 2 })
      sheet = sheetStep(sheet, { type: 'turn', at: 3 })
      sheet = sheetStep(sheet, { type: 'in', at: 4 })
      const kept = { title: known.name, known: known.id, sheet, waiting: { a: 'base64' }, id: 'i' }
      await keptSheets.keep('m', kept)
      expect(await keptSheets.read('m'), known.id).to.deep.equal({ value: kept, aside: null })
    }
  })
})

describe('a visit being written, kept on this device', () => {
  it('has a field in its shape for each that can be typed, and no other', () => {
    const typed = { ...emptyDraft, visitId: 'v', happenedOn: '2026-11-26', startedAt: '2026-11-26T07:34:00Z' }
    expect(Object.keys(draftSchema.fields).sort()).to.deep.equal(Object.keys(typed).sort())
    expect(draftSchema.isValidSync(typed, { strict: true })).to.equal(true)
    expect(draftSchema.isValidSync({ ...typed, counter: 5 }, { strict: true })).to.equal(false)
    expect(draftSchema.isValidSync({ ...typed, parts: { gasket: { changed: 'yes' } } }, { strict: true })).to.equal(
      false,
    )
    const { reagent: _, ...earlier } = typed
    expect(draftSchema.isValidSync(earlier, { strict: true })).to.equal(true)
  })
})

describe('the bench on this device', () => {
  onDevice()
  const past = (seed: number, minutes = 10): PastCase => ({ kind: 'pk', seed, minutes, bestMinutes: 8, found: true })
  const fits = () => null

  it('keeps the case that is open', async () => {
    const training = newTraining('pk', 11, true)
    const [test] = bookOf('pk')!.tests
    const shown = { ...training, tests: [{ test: test!.id, shown: null, outcome: test!.outcomes[0]!.id }] }
    await keepCase(shown)
    expect((await readCase(fits)).value).to.deep.equal(shown)
    await dropCase()
    expect((await readCase(fits)).value).to.equal(null)
  })

  it('keeps the last ten, the newest first, each once', async () => {
    for (let seed = 1; seed <= 12; seed += 1) await addPast(past(seed))
    expect((await pastCases()).map(({ seed }) => seed)).to.deep.equal([12, 11, 10, 9, 8, 7, 6, 5, 4, 3])
    await addPast(past(5, 30))
    expect((await pastCases()).map(({ seed }) => seed)).to.deep.equal([5, 12, 11, 10, 9, 8, 7, 6, 4, 3])
    expect((await pastCases())[0]!.minutes).to.equal(30)
  })

  it('takes over the list of before', async () => {
    former.held.set('evenshot-bench-last', JSON.stringify([past(1), past(2)]))
    expect((await pastCases()).map(({ seed }) => seed)).to.deep.equal([1, 2])
  })

  it('has none where nothing was kept, or nothing can be', async () => {
    expect(await pastCases()).to.deep.equal([])
    await whileForbidden(async () => {
      await addPast(past(1))
      expect(await pastCases()).to.deep.equal([])
    })
  })
})
