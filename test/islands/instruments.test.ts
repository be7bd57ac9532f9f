import { expect } from 'chai'
import { faultBooks } from '../../src/core/faults/books.ts'
import { instrumentOf } from '../../src/islands/fault/InstrumentDrawing.tsx'

const of = (kind: string, id: string) =>
  instrumentOf(faultBooks.find((book) => book.kind === kind)!.tests.find((test) => test.id === id)!)

describe('the instrument that is drawn beside a test', () => {
  it('is what reads its unit', () => {
    expect(of('c2', 'blind-pressure')).to.equal('gauge')
    expect(of('c2', 'basket-temperature')).to.equal('thermometer')
    expect(of('c2', 'shot')).to.equal('watch')
    expect(of('c2', 'open-flow')).to.equal('scale')
    expect(of('c2', 'element')).to.equal('multimeter')
    expect(of('sr', 'sensor')).to.equal('multimeter')
    expect(of('c2', 'conductivity')).to.equal('pen')
  })
  it('else a hand, an ear, a word or an eye', () => {
    expect(of('c2', 'ask')).to.equal('word')
    expect(of('c2', 'pump-sound')).to.equal('ear')
    expect(of('dv', 'socket')).to.equal('eye')
    expect(of('dv', 'protector')).to.equal('multimeter')
    expect(of('lv', 'lever-feel')).to.equal('hand')
  })
  it('of every reading in every book is one that has a display or a needle', () => {
    for (const { kind, tests } of faultBooks)
      for (const test of tests)
        if (test.reads)
          expect(['gauge', 'thermometer', 'watch', 'scale', 'multimeter', 'pen'], `${kind} ${test.id}`).to.include(
            instrumentOf(test),
          )
  })
})
