import { expect } from 'chai'
import { inCup, inHand, newSheet, onBench, sheetStep } from '../../../src/core/strip-down/sheet.ts'
import { fastenerWords } from '../../../src/core/strip-down/thing.ts'
import { knownStripDowns } from '../../../src/core/trade/strip-downs/known.ts'
import { sheetOrders } from './sheet-orders.ts'

describe('the order of a strip-down', () => {
  it('is known of every sheet, and of no other', () => {
    expect(Object.keys(sheetOrders).sort()).to.deep.equal(knownStripDowns.map(({ id }) => id).sort())
  })

  for (const { id, things } of knownStripDowns)
    it(`${id}: each thing in its turn, with what turns it`, () => {
      const order = things.map(({ name, fasteners }) => [
        name,
        fasteners.map((one) => (one.drive === 'by hand' ? 'by hand' : `${one.count} ${fastenerWords(one)}`)).join(', '),
      ])
      expect(order).to.deep.equal(sheetOrders[id])
    })

  for (const { id, things } of knownStripDowns)
    it(`${id}: off and back again, every screw of the cup goes home`, () => {
      let sheet = newSheet(0)
      let screws = 0
      for (const [i, thing] of things.entries()) {
        sheet = sheetStep(sheet, { at: (i + 1) * 1000, type: 'off', thing })
        screws += thing.fasteners.reduce((sum, { count }) => sum + count, 0)
        expect(inCup(sheet).reduce((sum, { count }) => sum + count, 0)).to.equal(screws)
      }
      sheet = sheetStep(sheet, { at: 100_000, type: 'turn' })
      const back: string[] = []
      while (onBench(sheet).length > 0) {
        back.push(sheet.things[inHand(sheet)!]!.thing.name)
        sheet = sheetStep(sheet, { at: 100_000 + back.length * 1000, type: 'in' })
      }
      expect(back).to.deep.equal(things.map(({ name }) => name).reverse())
      expect(inCup(sheet)).to.deep.equal([])
      expect(sheetStep(sheet, { at: 200_000, type: 'close' }).closed).to.deep.equal({ at: 200_000 })
    })

  it('hangs nothing on a screw that is not there: what is turned has a count, what is levered or picked none', () => {
    for (const { id, things } of knownStripDowns)
      for (const { name, fasteners } of things) {
        expect(fasteners.length, `${id}: ${name}`).to.be.above(0)
        for (const { drive, count } of fasteners)
          if (['hex', 'torx', 'cross-head', 'wrench', 'Y'].includes(drive))
            expect(count, `${id}: ${name}`).to.be.above(0)
      }
  })
})
