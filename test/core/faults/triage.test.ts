import { expect } from 'chai'
import { runsIt } from '../../../src/core/faults/asked-by-phone.ts'
import { faultBooks } from '../../../src/core/faults/books.ts'
import { stopOfComplaint } from '../../../src/core/faults/stops.ts'
import { enoughQuestions, triageCard } from '../../../src/core/faults/triage.ts'

const sr = faultBooks.find(({ kind }) => kind === 'sr')!

describe('the card beside the telephone', () => {
  it('asks five questions at most, each once, and only what can be asked', () => {
    for (const book of faultBooks)
      for (const { id } of book.symptoms) {
        const { questions } = triageCard(book, id, {})
        // What must stop is asked of nobody.
        if (stopOfComplaint(id)) expect(questions, `${book.kind} ${id}`).to.deep.equal([])
        else expect(questions.length, `${book.kind} ${id}`).to.be.within(1, enoughQuestions)
        expect(new Set(questions.map(({ test }) => test.id)).size).to.equal(questions.length)
        for (const { test, ask } of questions) expect(book.phone[test.id]).to.equal(ask)
      }
  })

  it('sends nobody into a machine: what the customer does needs no tool and opens nothing', () => {
    for (const book of faultBooks)
      for (const { id } of book.symptoms)
        for (const { say } of triageCard(book, id, {}).safe)
          expect(say, `${book.kind} ${id}`).to.not.match(/screwdriver|multimeter|case off|unscrew/i)
  })

  it('has a layman do what staff do every day: no cover, tool, pressure or reset, no hand in a hopper that is plugged in', () => {
    for (const book of faultBooks)
      for (const say of [...Object.values(book.customer), ...Object.values(book.phone)]) {
        expect(say, book.kind).to.not.match(
          /\b(?:un)?screw|\bcover|panel|multimeter|spanner|\breset|reach in|pliers|\btools?\b|case open|safety valve/i,
        )
        if (/hopper off|spoon/i.test(say)) expect(say, book.kind).to.match(/plug(?: out|,)|pull the plug/i)
      }
  })

  it('asks nobody to run, heat or open what leaks, hisses, kicks, hums or is dead', () => {
    for (const book of faultBooks)
      for (const id of ['wet-below', 'hisses', 'too-hot', 'handle-kicks', 'hums', 'stuck', 'dead', 'no-heat'])
        if (book.symptoms.some((symptom) => symptom.id === id))
          for (const { test, ask } of triageCard(book, id, {}).questions) {
            expect(runsIt(test), `${book.kind} ${id}: ${ask}`).to.equal(false)
            expect(ask, `${book.kind} ${id}`).to.not.match(/press (?:the|a) (?:brew )?key|start it|open the steam/i)
          }
  })

  it('never has a customer switch on what fell, purge steam into a cloth, or force what is stuck', () => {
    for (const book of faultBooks)
      for (const say of [...Object.values(book.customer), ...Object.values(book.phone)]) {
        expect(say, book.kind).to.not.match(
          /another socket\.|into a cloth|hard three times|(?<!half )a minute at a time/i,
        )
        if (/breaker/.test(say)) expect(say, book.kind).to.match(/down/)
      }
  })

  it('takes along what the hands mend, not what a word mends', () => {
    const { along, safe } = triageCard(sr, 'grounds-says', {})
    expect(safe[0]).to.include({ name: 'Grounds box, tray or door not home' })
    expect(along[0]).to.equal('Door or tray switch fails')
    expect(along).to.not.include('Grounds box, tray or door not home')
  })

  it('goes by the machine’s own records', () => {
    const plain = triageCard(sr, 'short-cup', {}).along
    const old = triageCard(sr, 'short-cup', { 'valve-leaks': 20 }).along
    expect(plain[0]).to.not.equal('Multi-way valve leaks to the tray')
    expect(old[0]).to.equal('Multi-way valve leaks to the tray')
  })
})
