import { expect } from 'chai'
import { askThem, ofBook, stopsToAsk, type TheyTold, toldThem } from '../../../src/core/customers/their-fault.ts'
import { mayBeAsked } from '../../../src/core/faults/asked-by-phone.ts'
import { bookFor } from '../../../src/core/faults/books.ts'
import { kinds } from '../../../src/core/kinds/index.ts'

const said = (words: string, more: Partial<TheyTold> = {}): TheyTold => ({
  words,
  stop: 'none',
  denied: false,
  symptom: null,
  seen: [],
  passed: [],
  ...more,
})
/** Sayings that no list of ours holds, one of each sort. */
const sayings = [
  'the coffee dribbles out at a snail’s pace since this morning',
  'there is a puddle creeping out from beneath',
  'lukewarm, customers send it back',
  'it makes a racket like a cement mixer',
  'I press and press and it just sits there',
  'milk comes out cold and flat',
  'zzz',
]

/** Answers whatever is asked with the first answer, until nothing is. */
function walk(kind: (typeof kinds)[number], words: string) {
  const book = bookFor(kind)
  let told = said(words)
  const asked: { ask: string; test?: string }[] = []
  for (let n = 0; n < 12; n += 1) {
    const next = askThem(kind, book, told, {})
    if (next.ask === 'nothing') return { told, asked, book }
    asked.push({ ask: next.ask, ...(next.ask === 'test' && { test: next.test.id }) })
    if (next.ask === 'is it so') told = { ...told, denied: true }
    else if (next.ask === 'complaint') told = { ...told, symptom: next.choices[0]!.id }
    else told = { ...told, seen: [...told.seen, { test: next.test.id, outcome: next.test.outcomes[0]!.id }] }
  }
  throw new Error(`${kind.id}: it never stops asking about “${words}”`)
}

describe('asking whoever stands at a machine', () => {
  for (const kind of kinds) {
    it(`asks of a ${kind.id} three things at most, none that runs or opens it where that may hurt`, () => {
      for (const words of sayings) {
        const { told, asked, book } = walk(kind, words)
        expect(asked.filter(({ ask }) => ask !== 'is it so').length, words).to.be.at.most(3)
        for (const { test } of asked) {
          if (!test || !told.symptom) continue
          const of = book!.tests.find(({ id }) => id === test)!
          expect(book!.phone, `${test} of “${words}”`).to.have.property(test)
          expect(mayBeAsked(told.symptom, of), `${test} of ${told.symptom}`).to.equal(true)
        }
      }
    })
  }

  const c2 = kinds.find(({ id }) => id === 'c2')!
  const book = bookFor(c2)

  it('asks nothing more where something must stop, and says what is done now', () => {
    const told = said('It will not come on', { stop: 'trips' })
    expect(askThem(c2, book, told, {})).to.deep.equal({ ask: 'nothing' })
    const until = toldThem(c2, book, told, {})
    expect(until.stop!.now[0]).to.match(/breaker down/i)
    expect(until.safe).to.deep.equal([])
  })

  it('hears in their words what must stop, and asks whether it is so before all else', () => {
    const next = askThem(c2, book, said('there is a smell like burnt plastic coming from it'), {})
    expect(next.ask).to.equal('is it so')
    expect(next.ask === 'is it so' && next.stops.map(({ id }) => id)).to.include('burning')
    const after = askThem(c2, book, said('there is a smell like burnt plastic coming from it', { denied: true }), {})
    expect(after.ask).to.not.equal('is it so')
  })

  it('passes over what they do not know, and does not ask it again', () => {
    const first = askThem(c2, book, said('slow', { symptom: 'slow' }), {})
    if (first.ask !== 'test') throw new Error(first.ask)
    const next = askThem(c2, book, said('slow', { symptom: 'slow', passed: [first.test.id] }), {})
    expect(next.ask === 'test' && next.test.id).to.not.equal(first.test.id)
  })

  it('tells nobody what is suspected', () => {
    const names = book!.faults.map(({ name }) => name)
    for (const words of sayings) {
      const { told } = walk(c2, words)
      for (const say of toldThem(c2, book, told, {}).safe) expect(names).to.not.include(say)
    }
  })

  it('leaves out of a form what the book does not know', () => {
    const told = ofBook(
      c2,
      book,
      said('x', {
        symptom: 'nonsense',
        seen: [{ test: 'nonsense', outcome: 'yes' }],
        passed: ['nonsense'],
        stop: 'cellar',
      }),
    )
    expect(told).to.deep.include({ symptom: null, seen: [], passed: [] })
    expect(stopsToAsk(c2).map(({ id }) => id)).to.include.members(['trips', 'burning', 'shock', 'escapes'])
  })

  it('goes on without a book: their words alone', () => {
    expect(askThem(c2, null, said('slow'), {})).to.deep.equal({ ask: 'nothing' })
    expect(toldThem(c2, null, said('slow'), {})).to.deep.include({ stop: null, safe: [] })
  })
})
