import { expect } from 'chai'
import type { Entry, EntryOf } from '../../../src/core/ledger/entry.ts'
import { isKind } from '../../../src/core/ledger/is-kind.ts'
import { claimsOf, isOver } from '../../../src/core/warranty/claims.ts'
import { entry } from '../standing/a-history.ts'

const visit = (n: number) => `01939000-0000-7000-8000-0000000000a${n}`
const line = (id: string, pays: string, priceMinor: number | null = 4100) => ({
  id,
  of: 'part',
  name: `Part ${id}`,
  quantityMilli: 2000,
  unit: 'piece',
  priceMinor,
  pays,
})
const closing = (n: number, on: string, lines: object[]): EntryOf<'visit-closed'> => {
  const made: Entry = {
    ...entry('visit-closed', on, {
      minutes: [],
      currency: 'EUR',
      taxBp: 0,
      lines,
      sentences: [{ of: 'done', text: 'Done.' }],
      signed: { how: 'nobody', at: `${on}T12:00:00Z` },
    }),
    visitId: visit(n),
  }
  return [made].filter(isKind('visit-closed'))[0]!
}
const step = (n: number, of: string, name: string): EntryOf<'claimed'> =>
  [entry('claimed', '2026-11-26', { visit: visit(n), line: of, name: 'x', step: name })].filter(isKind('claimed'))[0]!

describe('warranty claims', () => {
  it('are the lines a warranty pays, each with what it is worth and its last step', () => {
    const one = closing(1, '2026-11-10', [line('a', 'warranty'), line('b', 'customer'), line('c', 'warranty', null)])
    const claims = claimsOf([one], [step(1, 'a', 'kept'), step(1, 'a', 'sent'), step(2, 'a', 'refused')])
    expect(claims.map(({ line: id, worthMinor, last }) => [id, worthMinor, last?.body.step ?? null])).to.deep.equal([
      ['a', 8200, 'sent'],
      ['c', null, null],
    ])
  })

  it('have what is open first, the longest open first, then what is over, the latest first', () => {
    const days = ['2026-09-01', '2026-11-10', '2026-10-01', '2026-11-20']
    const closings = days.map((on, i) => closing(i, on, [line('a', 'warranty')]))
    const claims = claimsOf(closings, [step(0, 'a', 'credited'), step(3, 'a', 'dropped')])
    expect(claims.map(({ on }) => on)).to.deep.equal(['2026-10-01', '2026-11-10', '2026-11-20', '2026-09-01'])
    expect(claims.map(isOver)).to.deep.equal([false, false, true, true])
  })
})
