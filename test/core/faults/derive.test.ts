import { expect } from 'chai'
import { fault, look, repair, symptom } from '../../../src/core/faults/build.ts'
import { likeBook, omit } from '../../../src/core/faults/derive.ts'
import type { FaultBook } from '../../../src/core/faults/fault.ts'

const plain: FaultBook = {
  kind: 'one',
  phone: { hear: 'What does the boiler say?', look: 'Look at it.' },
  customer: { chalk: 'Ask us about the boiler.', leak: 'Off.' },
  toStand: { on: 1, hot: 1, off: 2, open: 3, cold: 4, 'no-pressure': 5, 'shut-again': 4 },
  symptoms: [symptom('slow', 'Slow at the boiler', 'slow', 'boiler'), symptom('wet', 'Wet', 'wet', 'tray')],
  faults: [
    fault(
      'chalk',
      'Boiler chalked',
      'boiler',
      2,
      { slow: 9, wet: 1 },
      repair('Descale the boiler', 40, { procedure: 'descale' }),
      { part: 'heater' },
    ),
    fault('leak', 'Leaks', 'tray', 1, { wet: 9 }, repair('New ring', 10, { procedure: 'service' }), { part: 'ring' }),
    fault('beans', 'Beans', null, 1, { slow: 5 }, repair('Shown', 5, { tell: true })),
  ],
  tests: [
    look(
      'hear',
      'Listen to the boiler',
      'boiler',
      1,
      { even: 'Even', loud: 'Loud' },
      { chalk: { loud: 0.8 }, leak: { loud: 0.1 } },
    ),
    look('look', 'Look below', 'tray', 1, { dry: 'Dry', wet: 'Wet' }, { leak: { wet: 0.9 } }),
  ],
}

describe('a book of a kind that is built like another', () => {
  const like = likeBook(plain, {
    kind: 'two',
    stations: { boiler: 'thermoblock' },
    parts: { heater: null, ring: 'gasket' },
    procedures: { descale: null, service: 'shop' },
    words: [
      ['boiler', 'thermoblock'],
      ['Boiler', 'Thermoblock'],
    ],
    complaints: { chalk: { slow: 5 } },
    besides: { hear: { chalk: { loud: 0.6 }, new: { loud: 0.3 } } },
    faults: [fault('new', 'New', 'tray', 1, { wet: 1 }, repair('Out', 5))],
    phone: { look: 'Look below it.' },
    customer: { new: 'Leave it.' },
    toStand: { open: 9 },
  })

  it('keeps what is the same under its own names', () => {
    const chalk = like.faults.find(({ id }) => id === 'chalk')!
    expect(chalk).to.deep.include({ name: 'Thermoblock chalked', station: 'thermoblock', complaints: { slow: 5 } })
    expect(chalk).to.not.have.property('part')
    expect(chalk.repair).to.deep.equal({ say: 'Descale the thermoblock', minutes: 40 })
    const leak = like.faults.find(({ id }) => id === 'leak')!
    expect([leak.part, leak.repair.procedure]).to.deep.equal(['gasket', 'shop'])
    expect(like.faults.find(({ id }) => id === 'beans')!.station).to.equal(null)
    expect(like.symptoms[0]).to.include({ name: 'Slow at the thermoblock', station: 'thermoblock' })
  })

  it('says in its tests what only it has, in place of what the other said', () => {
    expect(like.tests[0]!.sees).to.deep.equal({ chalk: { loud: 0.6 }, leak: { loud: 0.1 }, new: { loud: 0.3 } })
    expect(like.tests[0]).to.include({ say: 'Listen to the thermoblock', station: 'thermoblock' })
    expect(like.phone).to.deep.equal({ hear: 'What does the thermoblock say?', look: 'Look below it.' })
    expect(like.customer).to.deep.equal({ chalk: 'Ask us about the thermoblock.', leak: 'Off.', new: 'Leave it.' })
    expect(like.toStand).to.include({ open: 9, cold: 4 })
  })

  it('leaves out what it has not, and every word of it', () => {
    const less = likeBook(plain, {
      kind: 'three',
      without: { faults: ['leak'], tests: ['look'], symptoms: ['wet'], customer: ['chalk'] },
    })
    expect(less.faults.map(({ id }) => id)).to.deep.equal(['chalk', 'beans'])
    expect(less.faults[0]!.complaints).to.deep.equal({ slow: 9 })
    expect(less.tests.map(({ id, sees }) => [id, Object.keys(sees)])).to.deep.equal([['hear', ['chalk']]])
    expect(less.phone).to.have.all.keys('hear')
    expect(less.customer).to.deep.equal({})
    // The other stays what it was.
    expect(plain.faults[0]!.complaints).to.deep.equal({ slow: 9, wet: 1 })
  })

  it('omits by name', () => {
    expect(omit({ a: 1, b: 2, c: 3 }, ['b', 'z'])).to.deep.equal({ a: 1, c: 3 })
  })
})
