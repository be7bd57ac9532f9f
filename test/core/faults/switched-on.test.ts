import { expect } from 'chai'
import { faultBooks } from '../../../src/core/faults/books.ts'
import type { FaultBook, MachineState } from '../../../src/core/faults/fault.ts'
import { asFound, standingAfter, testMinutes } from '../../../src/core/faults/next-test.ts'

const c2 = faultBooks.find(({ kind }) => kind === 'c2')!
const named = (id: string, book: FaultBook = c2) => book.tests.find((test) => test.id === id)!
const minutes = (id: string, standing: MachineState[]) =>
  testMinutes(c2, { ...named(id), hazard: undefined }, standing) - named(id).minutes

describe('how a machine stands between tests (common practice, no source)', () => {
  it('serves as it is found: a look at its lamps takes nothing more', () => {
    expect(minutes('lamps', asFound.standing)).to.equal(0)
  })

  it('opened, it is put together and switched on before its lamps are looked at', () => {
    const opened = standingAfter(named('jet'), asFound.standing)
    expect(opened).to.include.members(['off', 'open', 'cold']).and.not.include('on').and.not.include('hot')
    expect(minutes('lamps', opened)).to.equal(c2.toStand.on + c2.toStand['shut-again'])
    const shut = standingAfter(named('lamps'), opened)
    expect(shut).to.include('on').and.not.include('open')
    // Cold it still is, and to be opened again it is switched off and opened again.
    expect(shut).to.include('cold')
    expect(minutes('jet', shut)).to.equal(c2.toStand.off + c2.toStand.open)
  })

  it('hot, it serves; off, it does not', () => {
    const off = standingAfter(named('strainer'), asFound.standing)
    expect(minutes('lamps', off)).to.equal(c2.toStand.on)
    expect(standingAfter(named('open-flow'), off)).to.include('on')
  })

  it('is asked for by whatever shows what it does, and by no look at a part that is off', () => {
    for (const { kind, tests } of faultBooks)
      for (const { id, needs, reads } of tests) {
        if (needs.includes('on')) expect(needs, `${kind} ${id}`).to.deep.equal(['on'])
        if (['lamps', 'display', 'lamp', 'ways-watch'].includes(id)) expect(needs, `${kind} ${id}`).to.include('on')
        if (reads?.measure === 'grind-seconds') expect(needs, `${kind} ${id}`).to.not.deep.equal([])
      }
  })
})
