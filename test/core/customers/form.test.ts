import { expect } from 'chai'
import fc from 'fast-check'
import { type Form, fieldsOf, sendingOf, wrongOf } from '../../../src/core/customers/form.ts'
import { stopIds } from '../../../src/core/faults/stops.ts'

const id = '01939000-0000-7000-8000-0000000000aa'
const sent = (form: Form) => sendingOf({ id, ...form })
const sending = (form: Form) => {
  const read = sent(form)
  return read.ok ? read.value?.sending : read.issues.map(({ path }) => path)
}

describe('what a form of a machine’s page holds', () => {
  it('is read as people write figures', () => {
    expect(sending({ do: 'counter', count: '115,146' })).to.deep.equal({ what: 'counter', count: 115_146 })
    expect(sending({ do: 'counter', count: '115 146' })).to.deep.equal({ what: 'counter', count: 115_146 })
    expect(sending({ do: 'regenerated', kg: '1,5' })).to.deep.equal({ what: 'regenerated', saltKg: 1.5 })
    expect(sending({ do: 'regenerated' })).to.deep.equal({ what: 'regenerated' })
    expect(sending({ do: 'salt', kg: '25' })).to.deep.equal({ what: 'salt', kg: 25 })
    expect(sending({ do: 'strip', zone: '1' })).to.deep.equal({ what: 'strip', low: 4, high: 7, unit: 'dH' })
    expect(sending({ do: 'job', say: 'Tank washed' })).to.deep.equal({ what: 'job', say: 'Tank washed' })
  })

  it('says at its field what nobody can read', () => {
    expect(sending({ do: 'counter', count: 'a lot' })).to.deep.equal(['count'])
    expect(sending({ do: 'counter', count: '-4' })).to.deep.equal(['count'])
    expect(sending({ do: 'counter', count: '99999999999' })).to.deep.equal(['count'])
    expect(sending({ do: 'salt' })).to.deep.equal(['kg'])
    expect(sending({ do: 'salt', kg: '0' })).to.deep.equal(['kg'])
    expect(sending({ do: 'regenerated', kg: '1500' })).to.deep.equal(['kg'])
    expect(sending({ do: 'strip' })).to.deep.equal(['zone'])
    expect(sending({ do: 'another-day', words: '  ' })).to.deep.equal(['words'])
    expect(sending({ do: 'everything' })).to.deep.equal(['do'])
    expect(sending({ do: 'salt', kg: '1', price: '4' })).to.deep.equal(['price'])
  })

  it('is nothing where a program filled in what nobody sees', () => {
    expect(sent({ do: 'counter', count: '12', website: 'https://pills.example' })).to.deep.equal({
      ok: true,
      value: null,
    })
  })

  it('never breaks, whatever is in it', () => {
    const field = fc.constantFrom('do', 'id', 'count', 'kg', 'zone', 'words', 'say', 'seen', 'passed', 'stop', 'answer')
    fc.assert(
      fc.property(fc.dictionary(field, fc.string({ maxLength: 40 })), (form) => {
        expect(sendingOf(form).ok).to.be.a('boolean')
        expect(wrongOf(form).ok).to.be.a('boolean')
      }),
    )
  })
})

describe('what was told of a fault', () => {
  it('comes back from its hidden fields as it went in', () => {
    const slug = fc.stringMatching(/^[a-z][a-z-]{0,12}$/)
    fc.assert(
      fc.property(
        fc.record({
          words: fc.string({ minLength: 1, maxLength: 60 }).filter((words) => words.trim() === words && words !== ''),
          stop: fc.constantFrom('none' as const, ...stopIds),
          denied: fc.boolean(),
          symptom: fc.option(slug, { nil: null }),
          seen: fc.array(fc.record({ test: slug, outcome: slug }), { maxLength: 3 }),
          passed: fc.array(slug, { maxLength: 3 }),
        }),
        (told) => {
          const form = Object.fromEntries(Object.entries(fieldsOf(told)).filter(([, value]) => value !== ''))
          const read = wrongOf(form)
          if (/[\0\ud800-\udfff]/.test(told.words)) return
          expect(read.ok && read.value.told).to.deep.equal({ ...told, caller: '', phone: '' })
        },
      ),
    )
  })

  it('takes the answer that was pressed: seen, or passed over', () => {
    const told = (form: Form) => {
      const read = wrongOf({ words: 'Slow', ...form })
      return read.ok ? read.value.told : null
    }
    expect(told({ answer: 'gauge:low', seen: 'drip:side' })?.seen).to.deep.equal([
      { test: 'drip', outcome: 'side' },
      { test: 'gauge', outcome: 'low' },
    ])
    expect(told({ answer: 'gauge:' })).to.deep.include({ seen: [], passed: ['gauge'] })
    expect(told({ so: 'burning' })?.stop).to.equal('burning')
    expect(told({ so: 'no' })).to.deep.include({ stop: 'none', denied: true })
    expect(told({ stop: 'nothing of ours' })?.stop).to.equal('none')
  })

  it('is nothing without words', () => {
    expect(wrongOf({ words: ' ' }).ok).to.equal(false)
  })
})
