import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { confirmedCauses, countsOf } from '../../../src/core/faults/confirmed-causes.ts'
import { networkOf } from '../../../src/core/faults/network.ts'
import { nothingKnown, priorFactors, priorReasons } from '../../../src/core/faults/prior-factors.ts'
import { elseShare } from '../../../src/core/faults/shares.ts'
import { entry } from '../standing/a-history.ts'

const book = bookOf('sr')!
const other = '01939000-0000-7000-8000-0000000000aa'
const repaired = (on: string, body: Record<string, unknown>, subjectId?: string) =>
  entry('repaired', on, { text: 'Done.', ...body }, subjectId ? { subjectId } : {})

describe('causes a firm confirmed', () => {
  const entries = [
    repaired('2025-03-01', { fault: 'nozzle-seals', cured: true }),
    repaired('2025-05-01', { fault: 'nozzle-seals', cured: true }, other),
    repaired('2025-06-01', { fault: 'unit-ring', cured: false }),
    repaired('2025-06-01', { fault: 'airlock' }),
    repaired('2025-07-01', { cause: 'Ring swollen.' }),
    repaired('2025-08-01', { fault: 'no-longer-in-the-book', cured: true }),
    entry('note', '2025-08-02', { text: 'nozzle-seals' }),
  ]
  const { causes, inWordsOnly } = confirmedCauses(book, entries)

  it('are counted where the repair cured, the commonest first, the latest machine first', () => {
    expect(causes.map(({ fault, cured, notCured }) => [fault, cured.length, notCured])).to.deep.equal([
      ['nozzle-seals', 2, 0],
      ['airlock', 1, 0],
      ['unit-ring', 0, 1],
    ])
    expect(causes[0]!.cured.map(({ machineId }) => machineId === other)).to.deep.equal([true, false])
  })

  it('are not guessed from words', () => {
    expect(inWordsOnly).to.equal(2)
    expect(countsOf(causes)).to.deep.equal([
      { fault: 'nozzle-seals', n: 2 },
      { fault: 'airlock', n: 1 },
    ])
  })

  it('move the first shares as Dirichlet counts: forty calls of the book, and the firm’s own beside them', () => {
    const confirmed = { 'nozzle-seals': 10 }
    const factors = priorFactors(priorReasons(book, { ...nothingKnown, confirmed }))
    const share = (id: string) => book.faults.find((one) => one.id === id)!.per100 / 100
    const network = networkOf(book, null, factors)
    const { faults, prior } = network
    // Of what the book has, which is all but what is in none.
    const inBook = 1 - elseShare(network, prior)
    // (40 · share + n) / (40 + 10), for the one that was found and for one that never was.
    expect(prior[faults.indexOf('nozzle-seals')]).to.be.closeTo((inBook * (40 * share('nozzle-seals') + 10)) / 50, 1e-9)
    expect(prior[faults.indexOf('airlock')]).to.be.closeTo((inBook * (40 * share('airlock'))) / 50, 1e-9)
  })

  it('say so among the reasons', () => {
    const reasons = priorReasons(book, { ...nothingKnown, confirmed: { 'nozzle-seals': 4, airlock: 2 } })
    expect(reasons['nozzle-seals']!.map(({ words }) => words)).to.deep.equal(['4 of 6 causes this firm confirmed'])
    expect(reasons['unit-ring']!.map(({ words }) => words)).to.deep.equal(['0 of 6 causes this firm confirmed'])
    expect(priorReasons(book, nothingKnown)['nozzle-seals']).to.deep.equal([])
  })
})
