import { expect } from 'chai'
import fc from 'fast-check'
import { effectiveHistory, inOrder } from '../../../src/core/ledger/effective-history.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { asKept } from './told.ts'

/**
 * What an effective history is, said as plainly as possible and without any haste: start from whatever
 * corrects nothing that is there, follow the greatest correction to the end of its chain, keep that end.
 */
function plainly(given: Entry[]): { ids: string[]; aside: Set<string>; rivals: Set<string> } {
  const byId = new Map(given.map((entry) => [entry.id, entry]))
  const all = [...byId.values()]
  const correcting = (id: string) =>
    all.filter((entry) => entry.supersedes === id).sort((a, b) => (a.id < b.id ? 1 : -1))
  const ids: string[] = []
  const rivals = new Set<string>()
  for (const start of all) {
    if (start.supersedes && byId.has(start.supersedes)) continue
    const seen = new Set<string>()
    let at: Entry | undefined = start
    let end = start
    while (at && !seen.has(at.id)) {
      seen.add(at.id)
      end = at
      const next: Entry[] = correcting(at.id)
      if (next.length > 1) for (const one of next) rivals.add(one.id)
      at = next[0]
    }
    // A circle of corrections has no end, so nothing of it counts.
    if (!at && end.kind !== 'withdrawn') ids.push(end.id)
  }
  const counted = new Set(ids)
  const aside = new Set(all.filter((entry) => !counted.has(entry.id) && entry.kind !== 'withdrawn').map(({ id }) => id))
  return {
    ids: all
      .filter(({ id }) => counted.has(id))
      .sort(inOrder)
      .map(({ id }) => id),
    aside,
    rivals,
  }
}

/** Small histories full of corrections: of each other, of what is not there, twice of the same. */
const history = fc
  .array(
    fc.record({
      day: fc.integer({ min: 1, max: 9 }),
      hour: fc.integer({ min: 10, max: 19 }),
      withdraws: fc.boolean(),
      corrects: fc.option(fc.integer({ min: 0, max: 11 }), { nil: undefined }),
    }),
    { maxLength: 10 },
  )
  .map((rows) =>
    rows.map(
      ({ day, hour, withdraws, corrects }, i): Entry =>
        asKept({
          id: `e${i}`,
          subjectKind: 'machine',
          subjectId: 'm',
          // Only what comes later can correct, as on a device: no circles.
          ...(corrects !== undefined && (corrects < i || corrects > 9) && { supersedes: `e${corrects}` }),
          kind: withdraws && corrects !== undefined && corrects < i ? 'withdrawn' : 'note',
          happenedAt: `2026-01-0${day}T${hour}:00:00Z`,
          happenedOn: `2026-01-0${day}`,
          body: { v: 1, text: `${i}` },
        }),
    ),
  )

describe('effective history, against a plain telling of it', () => {
  it('keeps the same entries in the same order', () => {
    fc.assert(
      fc.property(history, (entries) => {
        expect(effectiveHistory(entries).entries.map(({ id }) => id)).to.deep.equal(plainly(entries).ids)
      }),
      { numRuns: 2000 },
    )
  })

  it('flags the same rivals where each chain starts', () => {
    fc.assert(
      fc.property(history, (entries) => {
        const found = effectiveHistory(entries)
        for (const rival of plainly(entries).rivals) expect(found.rivals.has(rival)).to.equal(true)
      }),
      { numRuns: 1000 },
    )
  })

  it('says of everything that was corrected by what, and of nothing that counts', () => {
    fc.assert(
      fc.property(history, (entries) => {
        const found = effectiveHistory(entries)
        const counted = new Set(found.entries.map(({ id }) => id))
        for (const [id, by] of found.putAside) {
          expect(counted.has(id)).to.equal(false)
          expect(entries.some((entry) => entry.id === by)).to.equal(true)
        }
      }),
      { numRuns: 1000 },
    )
  })

  it('depends on which entries there are, not on how often or in which order they come', () => {
    fc.assert(
      fc.property(
        history.chain((entries) =>
          fc.tuple(
            fc.constant(entries),
            fc.shuffledSubarray([...entries, ...entries], { minLength: entries.length * 2 }),
          ),
        ),
        ([entries, shuffled]) => {
          expect(effectiveHistory(shuffled).entries).to.deep.equal(effectiveHistory(entries).entries)
        },
      ),
      { numRuns: 500 },
    )
  })
})
