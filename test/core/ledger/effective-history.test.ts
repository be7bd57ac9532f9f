import { expect } from 'chai'
import fc from 'fast-check'
import { effectiveHistory } from '../../../src/core/ledger/effective-history.ts'
import type { Entry, Envelope } from '../../../src/core/ledger/entry.ts'
import type { Jotting } from '../../../src/core/ledger/entry-kinds.ts'
import { asKept } from './told.ts'

const entry = (id: string, on: string, more: Partial<Envelope> & Partial<Jotting> = {}): Entry =>
  asKept({
    id,
    subjectKind: 'machine',
    subjectId: 'm',
    kind: 'note' as const,
    happenedAt: `${on}T09:00:00Z`,
    happenedOn: on,
    body: { v: 1, text: id },
    ...more,
  })
const ids = (entries: Entry[]) => effectiveHistory(entries).entries.map(({ id }) => id)

describe('effective history', () => {
  it('sorts by day, instant, id', () => {
    const later = entry('a', '2026-01-02')
    const early = entry('z', '2026-01-02', { happenedAt: '2026-01-02T07:00:00Z' })
    expect(ids([later, entry('c', '2026-01-01'), early, entry('b', '2026-01-01')])).to.deep.equal(['b', 'c', 'z', 'a'])
  })

  it('puts corrected and withdrawn entries aside, and says by what', () => {
    const history = effectiveHistory([
      entry('a', '2026-01-01'),
      entry('b', '2026-01-01', { supersedes: 'a' }),
      entry('c', '2026-01-03'),
      entry('d', '2026-01-04', { kind: 'withdrawn', supersedes: 'c' }),
    ])
    expect(history.entries.map(({ id }) => id)).to.deep.equal(['b'])
    expect([...history.putAside]).to.have.deep.members([
      ['a', 'b'],
      ['c', 'd'],
    ])
  })

  it('lets the greatest of rival corrections win and flags them all; what was built on a loser falls with it', () => {
    const history = effectiveHistory([
      entry('a', '2026-01-01'),
      entry('b', '2026-01-01', { supersedes: 'a' }),
      entry('c', '2026-01-01', { supersedes: 'a' }),
      entry('d', '2026-01-01', { supersedes: 'b' }),
    ])
    expect(history.entries.map(({ id }) => id)).to.deep.equal(['c'])
    expect([...history.rivals].sort()).to.deep.equal(['b', 'c'])
  })

  it('keeps a correction whose target has not arrived', () => {
    expect(ids([entry('b', '2026-01-01', { supersedes: 'not yet' })])).to.deep.equal(['b'])
  })

  it('does not depend on the order of arrival', () => {
    const tree = fc.array(
      fc.record({
        target: fc.nat({ max: 20 }),
        supersedes: fc.boolean(),
        withdraws: fc.boolean(),
        day: fc.integer({ min: 1, max: 5 }),
      }),
      { maxLength: 20 },
    )
    fc.assert(
      fc.property(tree, fc.integer(), (made, seed) => {
        const entries = made.map(({ target, supersedes, withdraws, day }, i) =>
          entry(
            String(i).padStart(2, '0'),
            `2026-01-0${day}`,
            supersedes
              ? {
                  supersedes: String(target).padStart(2, '0'),
                  ...(withdraws && { kind: 'withdrawn' as const }),
                }
              : {},
          ),
        )
        const shuffled = [...entries].sort((a, b) => hash(a.id, seed) - hash(b.id, seed))
        const [one, other] = [effectiveHistory(entries), effectiveHistory(shuffled)]
        expect(other.entries).to.deep.equal(one.entries)
        expect([...other.rivals].sort()).to.deep.equal([...one.rivals].sort())
      }),
    )
  })
})

const hash = (id: string, seed: number) => Math.sin(Number(id) * 7919 + seed)
