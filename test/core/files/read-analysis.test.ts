import { expect } from 'chai'
import fc from 'fast-check'
import { type AnalysisRow, analysisColumns, readAnalysis } from '../../../src/core/files/read-analysis.ts'
import { hardnessUnits } from '../../../src/core/quantity/hardness.ts'
import { issuesOf } from '../ledger/told.ts'

const row = (part: Partial<AnalysisRow>): AnalysisRow =>
  Object.fromEntries(analysisColumns.map((name) => [name, part[name] ?? ''])) as AnalysisRow
const read = (part: Partial<AnalysisRow>, unit: (typeof hardnessUnits)[number] = 'dH') =>
  readAnalysis(row({ date: '01.03.2026', ...part }), 'day-first', unit, 2.4973)

describe('a row of the works’ table', () => {
  it('becomes one test a hardness, and one entry for the rest', () => {
    const told = read({
      total: '19,4',
      carbonate: '15.2',
      pH: '7,3',
      conductivity: '640',
      chloride: '< 25',
      silica: '~8',
    })
    if (!told.ok) throw new Error(told.reason)
    expect(told.on).to.equal('2026-03-01')
    expect(told.work.map(({ kind }) => kind)).to.deep.equal(['water-test', 'water-test', 'water-figures'])
    expect(told.work[0]!.body).to.deep.equal({
      v: 1,
      point: 'raw',
      quantity: 'total',
      method: 'figure',
      unit: 'dH',
      value: 19.4,
    })
    expect(told.work[2]!.body).to.include({ pH: 7.3, conductivityUsCm: 640, chlorideMgL: 25, silicaMgL: 8 })
  })

  it('keeps calcium as CaCO₃, by atomic weights', () => {
    const told = read({ calcium: '100' })
    // IUPAC atomic weights: 1 mg/L Ca is 2.4973 mg/L as CaCO₃.
    expect(told.ok && told.work[0]!.body).to.include({ calciumMgL: 249.73 })
  })

  it('keeps the file’s own unit', () => {
    const told = read({ total: '339' }, 'mgL')
    expect(told.ok && told.work[0]!.body).to.include({ unit: 'mgL', value: 339 })
    // As °dH it would be harder than any tap water.
    expect(read({ total: '339' })).to.deep.include({ ok: false })
  })

  for (const [name, part, reason] of [
    ['a day that is none', { date: '31.02.2026', total: '19' }, '"31.02.2026" is not a date'],
    ['words for a figure', { total: 'soft' }, 'total "soft" is no number'],
    [
      'a figure with another unit behind it',
      { chloride: '24 bar' },
      'chloride "24 bar" has "bar" behind it, which is no unit of this: mg/L',
    ],
    ['a row of empty cells', {}, 'no figure stands in this row'],
    ['a pH above the scale', { pH: '15' }, 'pH "15" is above 14'],
  ] as const)
    it(`refuses ${name}, in words`, () => {
      const told = read(part)
      expect(told.ok ? '' : told.reason).to.equal(reason)
    })

  it('writes only what the ledger takes, whatever stands in the cells', () => {
    const cell = fc.oneof(
      fc.constant(''),
      fc.double({ min: 0, max: 60, noNaN: true }).map((value) => value.toFixed(1).replace('.', ',')),
      fc.string({ maxLength: 8 }),
    )
    fc.assert(
      fc.property(
        fc.record(Object.fromEntries(analysisColumns.map((name) => [name, cell]))),
        fc.constantFrom(...hardnessUnits),
        (cells, unit) => {
          const told = readAnalysis({ ...row({}), ...cells, date: '2026-03-01' }, 'year-first', unit, 2.4973)
          if (!told.ok) {
            expect(told.reason).to.be.a('string')
            return
          }
          for (const { kind, body } of told.work) {
            expect(issuesOf(kind, body)).to.deep.equal([])
          }
        },
      ),
      { numRuns: 500 },
    )
  })
})
