import { expect } from 'chai'
import { bookOf, faultBooks } from '../../../src/core/faults/books.ts'
import { newSearch, searchStep, suspicion } from '../../../src/core/faults/search.ts'
import { stopOfAnswer } from '../../../src/core/faults/stops-seen.ts'

describe('an answer that stops', () => {
  const stopped = faultBooks.flatMap(({ kind, tests }) =>
    tests.flatMap(({ id, outcomes }) =>
      outcomes.flatMap((outcome) => {
        const stop = stopOfAnswer({ test: id, outcome: outcome.id })
        return stop ? [{ kind, test: id, outcome: outcome.id, stop }] : []
      }),
    ),
  )

  it('is known on every kind with a plug, and is never what is usual', () => {
    for (const book of faultBooks) {
      const own = stopped.filter(({ kind }) => kind === book.kind)
      expect(
        own.map(({ stop }) => stop),
        book.kind,
      ).to.include('burning')
      for (const { test, outcome } of own) {
        const { normal } = book.tests.find(({ id }) => id === test)!
        expect(normal[outcome]!, `${book.kind} ${test}`).to.be.lessThan(0.2)
      }
    }
  })

  it('is a lifting safety valve, a welded contact, an earth leak, water at the board, warm milk', () => {
    const on = (kind: string) => stopped.filter((one) => one.kind === kind).map(({ test, stop }) => `${test}: ${stop}`)
    expect(on('c2')).to.include.members([
      'breather: over-pressure',
      'contactor-contacts: heats-on',
      'element-earth: trips',
      'supply-dry: wet-electrics',
    ])
    expect(on('sr')).to.include('milk-cold: milk')
  })

  it('a gauge that is a little high is no danger, far too high it is', () => {
    const at = (value: number) => stopOfAnswer({ test: 'boiler-gauge', outcome: 'high', value })
    expect(at(1.4)).to.equal(undefined)
    expect(at(1.9)).to.equal('over-pressure')
    expect(stopOfAnswer({ test: 'boiler-gauge', outcome: 'right', value: 1.1 })).to.equal(undefined)
  })

  it('stops a search that was free to go on: nothing runs any more', () => {
    const free = searchStep(newSearch('weak-steam', 0), { type: 'stop', stop: 'none', at: 1 })
    const seen = searchStep(free, { type: 'seen', test: 'breather', outcome: 'safety', at: 2 })
    expect(seen.stop).to.equal('over-pressure')
    expect(suspicion(bookOf('c2')!, seen, {}).all).to.deep.equal([])
    const proved = searchStep(seen, { type: 'proved dead', on: true, at: 3 })
    for (const { test } of suspicion(bookOf('c2')!, proved, {}).all)
      expect(bookOf('c2')!.tests.find(({ id }) => id === test)!.needs, test).to.include('off')
    // Taken back as not so, the search goes on.
    expect(searchStep(seen, { type: 'stop', stop: 'none', at: 4 }).stop).to.equal('none')
  })
})

describe('a complaint that is a stop by itself', () => {
  const free = searchStep(newSearch('slow', 0), { type: 'stop', stop: 'none', at: 1 })

  it('stops when it is put to another, or instead of it', () => {
    expect(searchStep(free, { type: 'also', symptoms: ['trips'], at: 2 }).stop).to.equal('trips')
    expect(searchStep(free, { type: 'also', symptoms: ['taste'], at: 2 }).stop).to.equal('none')
    expect(searchStep(free, { type: 'symptom', symptom: 'burning', at: 2 }).stop).to.equal('burning')
    // Any other is asked anew.
    expect(searchStep(free, { type: 'symptom', symptom: 'fast', at: 2 }).stop).to.equal(undefined)
  })

  it('does not come back by something harmless that is put to it, once it was said not to be so', () => {
    const both = searchStep(free, { type: 'also', symptoms: ['trips'], at: 2 })
    const not = searchStep(both, { type: 'stop', stop: 'none', at: 3 })
    expect(searchStep(not, { type: 'also', symptoms: ['trips', 'taste'], at: 4 }).stop).to.equal('none')
  })

  it('on the telephone what is put to it keeps the machine from being run', () => {
    const call = searchStep(newSearch('slow', 0), { type: 'phone', on: true, at: 1 })
    const leaks = searchStep(call, { type: 'also', symptoms: ['wet-below'], at: 2 })
    const asked = (search: typeof call) => suspicion(bookOf('c2')!, search, {}).all.map(({ test }) => test)
    expect(asked(call)).to.include('pump-sound')
    expect(asked(leaks)).to.not.include('pump-sound')
  })
})
