import { expect } from 'chai'
import fc from 'fast-check'
import { crossedIn, settled } from '../../../src/core/ledger/crossed.ts'
import { effectiveHistory } from '../../../src/core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../../src/core/ledger/entry.ts'

interface Line {
  by: string
  kind: string
  body: Record<string, unknown>
  at?: string
  known?: number
  supersedes?: string
}

/** A ledger in the order it was written; ids rise with it. */
const ledger = (...lines: Line[]): RecordedEntry[] =>
  lines.map(
    ({ by, kind, body, at = '2026-11-26T09:00:00.000Z', known, supersedes }, i) =>
      ({
        id: `e${String(i + 1).padStart(2, '0')}`,
        subjectKind: 'machine',
        subjectId: 'm',
        kind,
        body: { v: 1, ...body },
        happenedAt: at,
        happenedOn: at.slice(0, 10),
        recordedAt: at,
        recordedBy: by,
        seq: i + 1,
        ...(known !== undefined && { knownSeq: known }),
        ...(supersedes && { supersedes }),
      }) as RecordedEntry,
  )
const at = (day: number, time = '09:00') => `2026-11-${String(day).padStart(2, '0')}T${time}:00.000Z`
const counter = (count: number) => ({ kind: 'reading', body: { counter: 'shots', count } })
const grade = (condition: number) => ({ kind: 'inspected', body: { part: 'piston-ring', condition } })
const hardness = (drops: number) => ({
  kind: 'water-test',
  body: { point: 'raw', quantity: 'total', method: 'drops', unit: 'dH', drops, perDrop: 1 },
})

/** Two of one thing: Odile's came in first, Ines wrote hers without knowing of it. */
const two = (first: Omit<Line, 'by'>, second: Omit<Line, 'by'>) =>
  crossedIn(ledger({ by: 'odile', ...first }, { by: 'ines', known: 0, ...second }))
const differ = (first: Omit<Line, 'by'>, second: Omit<Line, 'by'>) =>
  two(first, second).crossings.map(({ differs }) => differs)

describe('what two wrote of one thing', () => {
  it('crosses only where it was written without knowing of the other', () => {
    const lines = (known: number) =>
      ledger({ by: 'odile', ...counter(46_192) }, { by: 'ines', known, at: at(26, '08:50'), ...counter(46_912) })
    expect(crossedIn(lines(0)).crossings).to.have.length(1)
    expect(crossedIn(lines(1)).crossings, 'she knew of it').to.have.length(0)
    const online = ledger({ by: 'odile', ...counter(46_192) }, { by: 'ines', ...counter(46_912) })
    expect(crossedIn(online).crossings, 'written on the line').to.have.length(0)
    const own = ledger({ by: 'ines', ...counter(46_192) }, { by: 'ines', known: 0, ...counter(46_912) })
    expect(crossedIn(own).crossings, 'her own of the same morning').to.have.length(0)
  })

  it('differs where a counter fell, or rose as no counter does; else both fit', () => {
    expect(
      differ({ at: at(26, '09:58'), ...counter(46_192) }, { at: at(26, '09:52'), ...counter(46_912) }),
    ).to.deep.equal([true])
    expect(
      differ({ at: at(26, '09:52'), ...counter(46_192) }, { at: at(26, '09:58'), ...counter(46_912) }),
    ).to.deep.equal([true])
    expect(
      differ({ at: at(26, '09:52'), ...counter(46_912) }, { at: at(26, '14:58'), ...counter(46_926) }),
    ).to.deep.equal([false])
    expect(differ({ at: at(20), ...counter(46_700) }, { at: at(26), ...counter(46_912) }), 'of two days').to.deep.equal(
      [],
    )
    expect(differ({ at: at(20), ...counter(46_990) }, { at: at(26), ...counter(46_912) }), 'it fell').to.deep.equal([
      true,
    ])
  })

  it('goes by the pace of this machine where it is known', () => {
    const read = (day: number, count: number): Line => ({ by: 'odile', at: at(day), ...counter(count) })
    const before = [read(1, 1000), read(8, 1070), read(15, 1140), read(22, 1210)]
    const rose = (count: number) =>
      crossedIn(
        ledger(
          ...before,
          { by: 'odile', at: at(26, '09:50'), ...counter(1250) },
          { by: 'ines', known: 4, at: at(26, '10:00'), ...counter(count) },
        ),
      ).crossings.map(({ differs }) => differs)
    expect(rose(1262)).to.deep.equal([false])
    // Ten a day: a hundred in ten minutes is a digit, not a morning.
    expect(rose(1350)).to.deep.equal([true])
  })

  it('looks at grades, gauges and water of one day alone', () => {
    expect(differ(grade(2), grade(2))).to.deep.equal([false])
    expect(differ(grade(2), grade(3))).to.deep.equal([true])
    expect(differ({ at: at(20), ...grade(2) }, { at: at(26), ...grade(3) }), 'it wore on').to.deep.equal([])
    const bar = (value: number, state = 'left') => ({ kind: 'measured', body: { measure: 'pump', state, value } })
    expect(differ(bar(9), bar(9.1))).to.deep.equal([false])
    expect(differ(bar(9), bar(10.5))).to.deep.equal([true])
    expect(differ(bar(10.5, 'found'), bar(9, 'left')), 'found and left are two').to.deep.equal([])
    expect(differ(hardness(17), hardness(18)), 'a drop more is the same water').to.deep.equal([false])
    expect(differ(hardness(12), hardness(18))).to.deep.equal([true])
  })

  it('is one thing done where both did it, and two where each adds', () => {
    const cleaned = { kind: 'cleaned', body: { task: 'oil-removal' } }
    expect(differ(cleaned, cleaned)).to.deep.equal([false])
    const note = { kind: 'note', body: { text: 'drips' } }
    expect(two(note, note).crossings).to.deep.equal([])
    expect(two(note, note).alone.map(({ id }) => id)).to.deep.equal(['e01'])
    expect(two(grade(2), cleaned).alone.map(({ recordedBy }) => recordedBy)).to.deep.equal(['odile'])
  })

  it('holds two settings of one thing against each other, of two things never', () => {
    const life = (task: string, value: number) => ({
      kind: 'setting',
      body: { setting: 'life', task, clock: 'shots', value },
    })
    expect(differ(life('group-gasket', 9000), life('group-gasket', 9000))).to.deep.equal([false])
    const crossed = two(life('group-gasket', 9000), life('group-gasket', 7000))
    expect(crossed.crossings.map(({ differs, holds }) => [differs, holds])).to.deep.equal([[true, 'e02']])
    expect(differ(life('group-gasket', 9000), life('shower-screen', 7000))).to.deep.equal([])
  })

  it('shows two who put the same line right, whichever of them the ledger follows', () => {
    const crossed = crossedIn(
      ledger(
        { by: 'ines', ...counter(4619) },
        { by: 'odile', supersedes: 'e01', ...counter(46_190) },
        { by: 'ines', known: 1, supersedes: 'e01', ...counter(46_912) },
      ),
    )
    expect(crossed.crossings).to.have.length(1)
    const [crossing] = crossed.crossings
    expect(crossing).to.include({ differs: true, holds: 'e03' })
    // Odile's is said once more, so that it is the later of the two.
    expect(settled(crossing!, 'e02', 'why')).to.deep.equal([
      { kind: 'compared', body: { v: 1, entries: ['e02', 'e03'], counts: 'e02' } },
      { kind: 'reading', body: { v: 1, counter: 'shots', count: 46_190 }, supersedes: 'e01' },
    ])
  })

  it('shows three writers as one thing', () => {
    const crossed = crossedIn(
      ledger(
        { by: 'odile', ...grade(1) },
        { by: 'piet', known: 0, ...grade(2) },
        { by: 'ines', known: 0, ...grade(3) },
      ),
    )
    expect(crossed.crossings.map(({ lines }) => lines.map(({ id }) => id))).to.deep.equal([['e01', 'e02', 'e03']])
  })

  it('asks once: what was compared, or taken back, is not asked about again', () => {
    const lines: Line[] = [
      { by: 'odile', ...grade(2) },
      { by: 'ines', known: 0, ...grade(3) },
    ]
    const [crossing] = crossedIn(ledger(...lines)).crossings
    for (const counts of ['e01', 'e02', null]) {
      const written = settled(crossing!, counts, 'Odile’s line counts')
      const after = ledger(
        ...lines,
        ...written.map(
          ({ supersedes, kind, body }): Line => ({
            by: 'ines',
            kind,
            body,
            ...(supersedes && { supersedes }),
          }),
        ),
      )
      expect(crossedIn(after).crossings, String(counts)).to.deep.equal([])
      const counting = effectiveHistory(after).entries.filter(({ kind }) => kind === 'inspected')
      expect(counting.map(({ id }) => id)).to.deep.equal(counts ? [counts] : ['e01', 'e02'])
    }
    expect(() => settled(crossing!, 'e09', '')).to.throw('no line of')
    const takenBack = ledger(...lines, { by: 'odile', kind: 'withdrawn', body: {}, supersedes: 'e01' })
    expect(crossedIn(takenBack).crossings).to.deep.equal([])
  })

  it('loses nothing: whatever is chosen, every line is still in the ledger and exactly the chosen one counts', () => {
    const some = fc.record({
      by: fc.constantFrom('ines', 'odile', 'piet'),
      known: fc.option(fc.nat({ max: 12 }), { nil: undefined }),
      what: fc.oneof(
        fc.nat({ max: 4 }).map(grade),
        fc.integer({ min: 1000, max: 9000 }).map(counter),
        fc.integer({ min: 8, max: 24 }).map(hardness),
      ),
      minute: fc.integer({ min: 10, max: 59 }),
    })
    fc.assert(
      fc.property(fc.array(some, { minLength: 2, maxLength: 14 }), fc.nat(), (made, pick) => {
        const lines = made.map(
          ({ by, known, what, minute }, i): Line => ({
            by,
            at: at(26, `09:${minute}`),
            // Nobody knows more than what was there before.
            ...(known !== undefined && { known: Math.min(known, i) }),
            ...what,
          }),
        )
        const before = ledger(...lines)
        for (const crossing of crossedIn(before).crossings) {
          expect(new Set(crossing.lines.map(({ recordedBy }) => recordedBy)).size).to.be.greaterThan(1)
          expect(crossing.lines.some(({ knownSeq }) => knownSeq !== undefined)).to.equal(true)
          const chosen = crossing.lines[pick % crossing.lines.length]!
          const after = ledger(
            ...lines,
            ...settled(crossing, chosen.id, 'x').map(
              ({ supersedes, kind, body }): Line => ({
                by: 'ines',
                kind,
                body,
                ...(supersedes && { supersedes }),
              }),
            ),
          )
          const counts = new Set(effectiveHistory(after).entries.map(({ id }) => id))
          expect(crossing.lines.filter(({ id }) => counts.has(id)).map(({ id }) => id)).to.deep.equal([chosen.id])
          // Lines of other things stand as they stood.
          for (const { id } of before)
            if (!crossing.lines.some((line) => line.id === id)) expect(counts.has(id)).to.equal(true)
          expect(crossedIn(after).crossings.map(({ thing }) => thing)).to.not.include(crossing.thing)
        }
      }),
    )
  })
})
