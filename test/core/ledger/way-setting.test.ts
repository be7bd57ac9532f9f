import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { parseEntry } from '../../../src/core/ledger/parse-entry.ts'

const rhythm = { tasks: ['detergent-backflush'], words: 'weekly at home', days: 7 }
const way = (body: Record<string, unknown>) =>
  parseEntry({
    id: '01939000-0000-7000-8000-000000000001',
    subjectKind: 'machine',
    subjectId: '01939000-0000-7000-8000-00000000000a',
    kind: 'setting',
    happenedAt: '2026-11-26T09:00:00Z',
    happenedOn: '2026-11-26',
    body: { v: 1, setting: 'way', procedure: 'detergent-backflush', way: 'light-dose', ...body },
  } as Entry)
const refused = (body: Record<string, unknown>): string => {
  const parsed = way(body)
  if (parsed.ok) throw new Error(`taken: ${JSON.stringify(body)}`)
  return parsed.issues.map(({ path, message }) => `${path}: ${message}`).join('; ')
}

describe('a way made the usual one, as it comes in', () => {
  it('is taken as it was before rhythms were kept, and with one', () => {
    expect(way({}).ok).to.equal(true)
    expect(way({ name: 'light dose, long strokes' }).ok).to.equal(true)
    expect(way({ name: 'light dose, long strokes', rhythm }).ok).to.equal(true)
  })

  it('is taken by days, drinks or litres, and by several of them', () => {
    for (const clocks of [{ days: 1 }, { drinks: 30 }, { litres: 15, days: 152 }, { days: 91, drinks: 300 }])
      expect(way({ rhythm: { tasks: ['descale'], words: 'so often', ...clocks } }).ok).to.equal(true)
  })

  it('is refused at its field where a clock is none', () => {
    for (const days of [0, -7, 5000, Number.NaN, 'often'])
      expect(refused({ rhythm: { ...rhythm, days } }), String(days)).to.match(/rhythm\.days/)
    expect(refused({ rhythm: { ...rhythm, drinks: 0 } })).to.match(/rhythm\.drinks/)
    expect(refused({ rhythm: { ...rhythm, litres: -1 } })).to.match(/rhythm\.litres/)
  })

  it('is refused where it names no task, or too many, or none that could be one', () => {
    expect(refused({ rhythm: { ...rhythm, tasks: [] } })).to.match(/rhythm\.tasks/)
    expect(refused({ rhythm: { ...rhythm, tasks: Array.from({ length: 21 }, (_, i) => `task-${i}`) } })).to.match(
      /rhythm\.tasks/,
    )
    expect(refused({ rhythm: { ...rhythm, tasks: ['NOT A TASK; drop table'] } })).to.match(/rhythm\.tasks/)
  })

  it('is refused with words too long, without words, and with what it does not know', () => {
    expect(refused({ rhythm: { ...rhythm, words: 'x'.repeat(121) } })).to.match(/rhythm\.words/)
    expect(refused({ rhythm: { tasks: ['descale'], days: 7 } })).to.match(/rhythm\.words/)
    expect(refused({ name: 'x'.repeat(121) })).to.match(/name/)
    expect(refused({ rhythm: { ...rhythm, weeks: 2 } })).to.match(/weeks|rhythm/)
  })
})
