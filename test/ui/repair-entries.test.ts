import { expect } from 'chai'
import { bookOf } from '../../src/core/faults/books.ts'
import { newSearch, type Search, searchStep } from '../../src/core/faults/search.ts'
import { kindById } from '../../src/core/kinds/index.ts'
import { repairEntries, shownShort } from '../../src/islands/fault/repair-entries.ts'

const book = bookOf('c2')!
const kind = kindById('c2')!
const fault = (id: string) => book.faults.find((one) => one.id === id)!
const search = (...seen: [test: string, outcome: string, value?: number][]): Search =>
  seen.reduce<Search>(
    (now, [test, outcome, value], i) =>
      searchStep(now, { type: 'seen', test, outcome, at: 100 + i, ...(value !== undefined && { value }) }),
    { ...newSearch('slow', 0), stop: 'none' },
  )

/** What a repair of the screen leaves in the ledger. */
function written(of: Search, more: Partial<Parameters<typeof repairEntries>[0]> = {}) {
  return repairEntries({
    book,
    fault: fault('screen-clogged'),
    text: 'Screen soaked',
    kind,
    out: { passed: true, readings: [], looks: [] },
    search: of,
    reportId: 'report',
    idOf: (name) => `id of ${name}`,
    machineId: 'm',
    today: '2026-11-26',
    at: new Date('2026-11-26T09:00:00Z'),
    ...more,
  })
}

describe('what a search leaves in the ledger', () => {
  const { document } = globalThis
  // The page says which instant it was drawn at, and where the site is.
  before(() => {
    const told: Record<string, string> = { now: '2026-11-26T09:00:00Z', zone: 'Europe/London' }
    const querySelector = (asked: string) => ({ content: told[/evenshot-(\w+)/.exec(asked)![1]!] })
    globalThis.document = { querySelector } as unknown as Document
  })
  after(() => {
    globalThis.document = document
  })

  const looked = search(['screen', 'clogged'], ['open-flow', 'low', 22])

  it('has the complaint, each answer with its sentence, the repair with its cause', () => {
    const entries = written(looked)
    expect(entries.map(({ kind: is }) => is)).to.include.members([
      'fault-reported',
      'test-seen',
      'repaired',
      'tested-out',
    ])
    const seen = entries.filter(({ kind: is }) => is === 'test-seen')
    expect(seen.map(({ body }) => body)).to.have.lengthOf(2)
    expect(seen[1]!.body).to.include({ test: 'open-flow', outcome: 'low', value: 22, report: 'report' })
    expect(entries.find(({ kind: is }) => is === 'repaired')!.body).to.include({ fault: 'screen-clogged', cured: true })
  })

  it('has a photo with the answer it was taken for; one that waits for its name is not in it', () => {
    const photos = [
      { id: 'a', of: looked.seen[0]!.at, name: 'f'.repeat(64) },
      { id: 'b', of: looked.seen[1]!.at, image: 'waits' },
      { id: 'c', of: 12345, name: 'e'.repeat(64) },
    ]
    const pictured = written(looked, { photos }).filter(({ kind: is }) => is === 'pictured')
    expect(pictured).to.have.lengthOf(1)
    expect(pictured[0]!.body).to.include({ of: 'id of seen 0' })
    expect(pictured[0]!.body).to.deep.include({ photos: ['f'.repeat(64)] })
  })

  it('is the same by its ids, however often it is made', () => {
    const ids = (entries: ReturnType<typeof written>) => entries.map(({ id }) => id)
    expect(ids(written(looked))).to.deep.equal(ids(written(looked)))
    expect(new Set(ids(written(looked))).size).to.equal(written(looked).length)
  })
})

describe('what stands beside a station of the drawing', () => {
  it('is the reading where one was taken, else the answer, cut at a word', () => {
    expect(shownShort(book, { test: 'open-flow', outcome: 'low', value: 22 })).to.equal('22 ml')
    expect(shownShort(book, { test: 'screen', outcome: 'clean' })).to.equal('clean')
    for (const test of book.tests)
      for (const { id } of test.outcomes) {
        const short = shownShort(book, { test: test.id, outcome: id })
        expect(short.length, `${test.id} ${id}`).to.be.within(1, 18)
      }
  })

  it('says so where it was none of the answers', () => {
    expect(shownShort(book, { test: 'screen', outcome: 'none-of-these' })).to.equal('something else')
  })
})
