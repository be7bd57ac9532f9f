import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import { partWorthMin } from '../../../src/core/trade/part-worth.ts'

describe('what a part is worth, in minutes of work (common practice, no source)', () => {
  it('is more for what is bought whole than for a seal, on every kind that has both', () => {
    for (const kind of kinds) {
      const worths = kind.parts.map(({ id }) => partWorthMin(id))
      expect(Math.min(...worths, partWorthMin('group-gasket')), kind.id).to.be.above(0)
    }
    expect(partWorthMin('brew-unit')).to.be.above(partWorthMin('group-gasket'))
    expect(partWorthMin(undefined)).to.equal(partWorthMin('group-gasket'))
  })

  it('is not nothing for what stands ahead of a machine: a membrane, then a cartridge, then a carbon filter', () => {
    const [membrane, cartridge, carbon] = ['change-membrane', 'change-cartridge', 'change-prefilter'].map(partWorthMin)
    expect(membrane).to.be.above(cartridge!)
    expect(cartridge).to.be.above(carbon!)
    expect(carbon).to.be.above(0)
  })
})
