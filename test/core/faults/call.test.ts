import { expect } from 'chai'
import { bookFor, bookOf } from '../../../src/core/faults/books.ts'
import { callMinutes, safeWords } from '../../../src/core/faults/call-needs.ts'
import { somethingElse } from '../../../src/core/faults/fault.ts'
import { likelyParts, partsBehind } from '../../../src/core/faults/likely-parts.ts'
import { newSearch, searchStep, suspicion } from '../../../src/core/faults/search.ts'
import { searchOnRecord } from '../../../src/core/faults/search-on-record.ts'
import { soundTold } from '../../../src/core/faults/sound-told.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { jot } from '../../../src/core/ledger/jot.ts'

const c2Faults = bookOf('c2')!
const begun = (symptom: string) => ({ ...newSearch(symptom, 0), phone: true, stop: 'none' as const })
const entry = (id: string, jotting: ReturnType<typeof jot>, second: number): Entry => ({
  id,
  subjectKind: 'machine',
  subjectId: 'the machine',
  happenedOn: '2026-11-26',
  happenedAt: `2026-11-26T08:00:${String(second).padStart(2, '0')}.000Z`,
  ...jotting,
})

describe('what a call needs', () => {
  it('allows time for every complaint of every kind: to find it and to mend it, no more than a morning', () => {
    for (const kind of kinds) {
      const book = bookFor(kind)
      for (const { id } of book?.symptoms ?? []) {
        const minutes = callMinutes(book!, suspicion(book!, begun(id), {}))
        expect(minutes, `${kind.id} ${id}`).to.be.within(30, 240)
        expect(minutes % 5).to.equal(0)
      }
    }
  })

  it('tells customers only what the book says they can do, likeliest first', () => {
    const now = suspicion(c2Faults, begun('no-water'), {})
    const said = safeWords(c2Faults, now)
    expect(said.length).to.be.greaterThan(0)
    for (const { fault, say, chance } of said) {
      expect(say).to.equal(c2Faults.customer[fault])
      expect(chance).to.be.closeTo(now.belief[c2Faults.faults.findIndex(({ id }) => id === fault)]!, 1e-12)
    }
    expect(said.map(({ chance }) => chance)).to.deep.equal(said.map(({ chance }) => chance).sort((a, b) => b - a))
  })

  it('takes along what the suspicion asks for, and says how much of it that cures', () => {
    const { belief } = suspicion(c2Faults, begun('no-water'), {})
    const { parts, covers } = partsBehind(c2Faults, belief)
    const taken = new Set(parts.map(({ part }) => part))
    const cured = c2Faults.faults.reduce(
      (sum, { id, part, repair }, i) =>
        sum + (id !== somethingElse && (!part || repair.tell || taken.has(part)) ? belief[i]! : 0),
      0,
    )
    expect(covers).to.be.closeTo(cured, 1e-9)
    expect(covers).to.be.within(0.3, 1)
    // All of them: whatever has a part is cured, and what is in no book is not.
    expect(partsBehind(c2Faults, belief, 0).covers).to.be.greaterThan(covers - 1e-9)
    expect(likelyParts(c2Faults, 'no-water')).to.deep.equal(
      partsBehind(c2Faults, suspicion(c2Faults, newSearch('no-water', 0), {}).belief).parts,
    )
  })
})

describe('a sound that was told', () => {
  const said = 'It growls and then nothing comes, either side'

  it('answers the question for it, so that nobody runs it dry to hear it again', () => {
    const [told] = soundTold(c2Faults, said, ['no-water'])
    expect(told).to.include({ test: 'pump-sound', outcome: 'growls', words: 'growls' })
    const search = { ...newSearch('no-water', 0, [told!]), phone: true, stop: 'none' as const }
    expect(suspicion(c2Faults, search, {}).next.map(({ test }) => test)).not.to.include('pump-sound')
  })

  it('is not weighed twice where the sound is the complaint, and is nothing where no sound is told', () => {
    expect(soundTold(c2Faults, said, ['noise'])).to.deep.equal([])
    expect(soundTold(c2Faults, 'Nothing comes', ['no-water'])).to.deep.equal([])
    const pods = bookFor(kinds.find(({ id }) => id === 'pk')!)!
    expect(soundTold(pods, said, ['no-water'])).to.deep.equal([])
  })
})

describe('a search that stands in the ledger', () => {
  const report = entry('report', jot('fault-reported', { text: 'Nothing comes', symptom: 'no-water' }), 1)
  const told = entry(
    'told',
    jot('test-seen', { test: 'pump-sound', outcome: 'growls', report: 'report', said: true }),
    2,
  )
  const of = (...more: Entry[]) => searchOnRecord(c2Faults, [report, told, ...more])

  it('goes on from what was told, and asks again what must stop', () => {
    const found = of()!
    expect(found).to.include({ reportId: 'report', text: 'Nothing comes', on: '2026-11-26' })
    expect(found.answerIds).to.deep.equal(['told'])
    expect(found.search.seen).to.deep.include.members([
      { test: 'pump-sound', outcome: 'growls', at: Date.parse(told.happenedAt), said: true },
    ])
    expect(found.search.stop).to.equal(undefined)
    const as = searchStep(
      searchStep(begun('no-water'), { type: 'seen', test: 'pump-sound', outcome: 'growls', at: 2 }),
      {
        type: 'phone',
        on: false,
        at: 3,
      },
    )
    expect([...suspicion(c2Faults, { ...found.search, stop: 'none' }, {}).belief]).to.deep.equal([
      ...suspicion(c2Faults, as, {}).belief,
    ])
  })

  it('is over once it was cured, and says nothing of another fault or of a test that has gone', () => {
    expect(of(entry('cure', jot('repaired', { text: 'Tap opened', cured: true, report: 'report' }), 3))).to.equal(null)
    const strange = entry('x', jot('test-seen', { test: 'no-such-test', outcome: 'yes', report: 'report' }), 3)
    const other = entry('y', jot('test-seen', { test: 'pump-sound', outcome: 'even', report: 'another' }), 4)
    expect(of(strange, other)!.answerIds).to.deep.equal(['told'])
    const unknown = entry('report', jot('fault-reported', { text: 'It sings', symptom: 'sings' }), 1)
    expect(searchOnRecord(c2Faults, [unknown])).to.equal(null)
    expect(searchOnRecord(c2Faults, [])).to.equal(null)
  })
})
