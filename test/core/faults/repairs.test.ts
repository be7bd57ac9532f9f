import { expect } from 'chai'
import { bookOf, writtenOf } from '../../../src/core/faults/books.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import { procedureForRepair } from '../../../src/core/procedures/led-by.ts'
import { sheetForFault } from '../../../src/core/strip-down/sheet-for.ts'
import { procedureById } from '../../../src/core/trade/procedures/index.ts'
import { repairsOf } from './repairs-of.ts'

describe('what a fault’s repair leads to', () => {
  for (const { id } of kinds)
    it(`on a ${id}: where it sits, how long it takes, what it is done by`, () => {
      const { book } = writtenOf(id)!
      expect(book.faults.map((fault) => fault.id)).to.deep.equal(Object.keys(repairsOf[id]!))
      for (const fault of book.faults) {
        const led = procedureForRepair(fault, id)
        const sheet = sheetForFault(fault.id, id)
        const by = [
          fault.repair.tell ? 'told' : '',
          led ? `led ${led}` : '',
          sheet ? `sheet ${sheet.id}` : '',
          fault.part ? `part ${fault.part}` : '',
        ]
        expect([fault.station, fault.repair.minutes, by.filter(Boolean).join(', ')], `${id} ${fault.id}`).to.deep.equal(
          repairsOf[id]![fault.id],
        )
      }
    })

  it('is a job of that kind of machine, whatever the fault', () => {
    for (const { id } of kinds)
      for (const fault of bookOf(id)!.faults) {
        const led = procedureForRepair(fault, id)
        if (led) expect(procedureById(led)!.kinds, `${id} ${fault.id}: ${led}`).to.include(id)
      }
  })

  it('takes as long as somebody would believe, and what is only told takes no tool', () => {
    for (const { id } of kinds)
      for (const { id: fault, repair } of bookOf(id)!.faults) {
        expect(repair.minutes, `${id} ${fault}`).to.be.within(1, 360)
        if (repair.tell) expect(repair.minutes, `${id} ${fault}`).to.be.at.most(25)
        expect(repair.say.length, `${id} ${fault}`).to.be.above(5)
      }
  })
})
