import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { topics } from '../../../src/core/topics/index.ts'

const fault = topics.find(({ name }) => name === 'fault')!
const ask = (input: unknown) => {
  const asked = fault.ask(input)
  if (!asked.ok) throw new Error(JSON.stringify(asked.issues))
  return asked.answer.result as {
    suspects: { fault: string; p: number }[]
    next?: { test: string; bits: number; minutes: number }
  }
}
const problems = (input: unknown): string[] => {
  const asked = fault.ask(input)
  return asked.ok ? [] : asked.issues.map(({ path, message }) => `${path}: ${message}`)
}

/** Two faults, a sure test that takes long and a poor one that is quick. */
const network = {
  faults: [
    { id: 'a', prior: 1 },
    { id: 'b', prior: 1 },
  ],
  tests: [
    { id: 'sure', minutes: 10, outcomes: { yes: { a: 1 }, no: { b: 1 } } },
    { id: 'poor', minutes: 1, outcomes: { yes: { a: 0.75, b: 0.25 }, no: { a: 0.25, b: 0.75 } } },
  ],
}

describe('the topic fault', () => {
  it('hears complaints in what was said, and stops before it searches: then only what is done dead', () => {
    const said = { kind: 'c2', says: ['Steam is weak.', 'It trips the breaker when it heats up'] }
    const { stop, symptoms, next } = ask(said) as ReturnType<typeof ask> & {
      stop: { why: string; now: string[]; mayTest: string }
      symptoms: { symptom: string; p: number; words: string[] }[]
    }
    expect(stop).to.deep.include({ why: 'trips', mayTest: 'dead' })
    expect(stop.now[0]).to.contain('Leave the breaker down')
    expect(symptoms.slice(0, 2).map(({ symptom }) => symptom)).to.have.members(['weak-steam', 'trips'])
    for (const { p } of symptoms.slice(0, 2)) expect(p).to.be.within(0.4, 0.5)
    expect(symptoms.reduce((sum, { p }) => sum + p, 0)).to.be.closeTo(1, 1e-9)
    const { needs } = bookOf('c2')!.tests.find(({ id }) => id === next!.test)!
    expect(needs).to.include('off')
    expect(ask({ kind: 'gr', says: ['There is a smell of gas'] })).not.to.have.property('next')
    expect(ask({ kind: 'c2', says: ['coffee comes slowly'] })).not.to.have.property('stop')
    expect(problems({ ...network, says: ['it drips'] })).to.deep.equal(['says: belongs to a kind: name one'])
  })

  it('takes the test that says most a minute, with its bits', () => {
    const { suspects, next } = ask(network)
    expect(suspects).to.deep.equal([
      { fault: 'a', p: 0.5 },
      { fault: 'b', p: 0.5 },
    ])
    expect(next!.test).to.equal('poor')
    // Capacity of a binary symmetric channel that errs one time in four: 1 − H(0.25) (Shannon 1948).
    expect(next!.bits).to.be.closeTo(1 + 0.25 * Math.log2(0.25) + 0.75 * Math.log2(0.75), 1e-12)
    expect(next!.minutes).to.equal(1)
  })

  it('goes on from what was seen, and asks the same test no more', () => {
    const { suspects, next } = ask({ ...network, seen: [{ test: 'poor', outcome: 'yes' }] })
    expect(suspects[0]).to.deep.equal({ fault: 'a', p: 0.75 })
    expect(next!.test).to.equal('sure')
    const done = ask({ ...network, seen: [{ test: 'sure', outcome: 'no' }] })
    expect(done.suspects[0]).to.deep.equal({ fault: 'b', p: 1 })
    expect(done).to.not.have.property('next')
  })

  it('takes a test that can only come out one way, which says nothing, and none that cannot come out', () => {
    const only = { id: 'only', minutes: 1, outcomes: { seen: { a: 1, b: 1 } } }
    expect(ask({ ...network, tests: [only, network.tests[0]] }).next!.test).to.equal('sure')
    expect(problems({ ...network, tests: [{ id: 'none', minutes: 1, outcomes: {} }] })[0]).to.match(
      /^tests\[0\]\.outcomes/,
    )
  })

  it('weighs what is likelier more, whatever its weights add up to', () => {
    const { suspects } = ask({
      ...network,
      faults: [
        { id: 'a', prior: 1 },
        { id: 'b', prior: 9 },
      ],
    })
    expect(suspects.map(({ fault: id, p }) => [id, p])).to.deep.equal([
      ['b', 0.9],
      ['a', 0.1],
    ])
  })

  it('knows the kinds that ship, by complaint', () => {
    const { suspects, next } = ask({ kind: 'sr', symptom: 'short-cup' })
    expect(suspects.slice(0, 3).map((one) => one.fault)).to.include('nozzle-seals')
    expect(suspects.reduce((sum, { p }) => sum + p, 0)).to.be.closeTo(1, 1e-9)
    expect(next!.bits).to.be.greaterThan(0.01)
  })

  it('refuses at the place what it cannot reckon with', () => {
    expect(problems({ ...network, seen: [{ test: 't9', outcome: 'yes' }] })).to.deep.equal(['seen[0].test: is unknown'])
    expect(problems({ ...network, seen: [{ test: 'sure', outcome: 'maybe' }] })).to.deep.equal([
      'seen[0].outcome: is no outcome of sure',
    ])
    const both = [
      { test: 'sure', outcome: 'yes' },
      { test: 'sure', outcome: 'no' },
    ]
    expect(problems({ ...network, seen: both })).to.deep.equal(['seen[1].test: is there already'])
    const two = { ...network, tests: [...network.tests, { ...network.tests[0]!, id: 'again' }] }
    expect(problems({ ...two, seen: [both[0], { test: 'again', outcome: 'no' }] })).to.deep.equal([
      'seen: is impossible under every fault',
    ])
    const half = { id: 'half', minutes: 1, outcomes: { yes: { a: 0.5, b: 1 }, no: { a: 0.4 } } }
    expect(problems({ ...network, tests: [half] })).to.deep.equal([
      'tests[0].outcomes: must sum to 1 over the outcomes for a',
    ])
    expect(problems({ faults: [{ id: 'a', prior: 0 }], tests: [] })).to.deep.equal([
      'faults[0].prior: must be more than 0',
    ])
    expect(problems({ kind: 'sr', tests: [] })[0]).to.match(/^tests: belong to a network/)
    expect(problems({ seen: [] })[0]).to.match(/^faults: is missing/)
    expect(problems({ kind: 'xx' })[0]).to.match(/^kind: must be one of/)
  })
})
