import { expect } from 'chai'
import { mgLPer } from '../../../src/core/quantity/hardness.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { waterKnown } from '../../../src/core/standing/water-known.ts'
import { entry, ledgers, setting, steadyReadings, takenOn } from './a-history.ts'

const softener = { subjectKind: 'softener', subjectId: 'softener' } as const
const outlet = (on: string, drops: number, quantity = 'total') =>
  entry('water-test', on, { point: 'softened', quantity, method: 'drops', unit: 'dH', drops, perDrop: 1 }, softener)
const regenerated = (on: string) => entry('regenerated', on, {}, softener)
const taken = entry('commissioned', '2026-01-05', { kind: 'exchanger', kindVersion: 1, partsNew: true }, softener)
const raw = entry(
  'water-test',
  '2026-01-05',
  { point: 'raw', quantity: 'total', method: 'drops', unit: 'dH', drops: 18, perDrop: 1 },
  { subjectKind: 'site', subjectId: 'site' },
)
const given = (...own: ReturnType<typeof outlet>[]) => {
  const around = ledgers([takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-08-31', 1400)])
  return effective({
    ...around,
    site: [...around.site!, raw],
    softener: [taken, setting('softener', '2026-01-05', { setting: 'exchanger', resinL: 8, bypass: 0 }), ...own],
  })
}
const known = (...own: ReturnType<typeof outlet>[]) => waterKnown(given(...own)).softened
const chalkNow = (...own: ReturnType<typeof outlet>[]) => machineChalk(machineFacts(given(...own))!)!

describe('the water after a regeneration', () => {
  const good = outlet('2026-03-02', 1)
  const spent = outlet('2026-06-01', 6)

  it('is not that of the spent resin any more: it is what was tested good, and says that it is assumed', () => {
    expect(known(good, spent)!.value).to.be.closeTo(6 * mgLPer.dH, 0.5)
    const now = known(good, spent, regenerated('2026-06-01'))!
    expect(now.value).to.be.closeTo(1 * mgLPer.dH, 0.5)
    expect(now).to.include({ assumed: true, on: '2026-06-01' })
    expect(now.said).to.contain('assumed since it was regenerated')
  })

  it('is what such softeners let through where none was ever tested good, from memory', () => {
    const now = known(spent, regenerated('2026-06-02'))!
    expect(now.value).to.be.below(62)
    expect(now.said).to.contain('from memory')
  })

  it('is a good test still, however often it was regenerated since; and a new test as soon as there is one', () => {
    expect(known(good, regenerated('2026-06-01'))).to.not.have.property('assumed')
    const after = outlet('2026-06-20', 2)
    const now = known(good, spent, regenerated('2026-06-01'), after)!
    expect(now.value).to.be.closeTo(2 * mgLPer.dH, 0.5)
    expect(now).to.not.have.property('assumed')
  })

  it('feeds the machine from that day on, and chalk grows by it: less than behind spent resin', () => {
    const stays = chalkNow(good, spent)
    const renewed = chalkNow(good, spent, regenerated('2026-06-01'))
    expect(renewed.water.fed.likely.hardnessMgL).to.be.closeTo(1 * mgLPer.dH, 0.5)
    expect(stays.water.fed.likely.hardnessMgL).to.be.closeTo(6 * mgLPer.dH, 0.5)
    const grams = ({ vessels }: typeof stays) => vessels.reduce((sum, vessel) => sum + vessel.gramsAt(20_696), 0)
    expect(grams(renewed)).to.be.below(grams(stays))
    // What was before it stays as it was.
    const before = ({ vessels }: typeof stays) => vessels.reduce((sum, vessel) => sum + vessel.gramsAt(20_500), 0)
    expect(before(renewed)).to.be.closeTo(before(stays), before(stays) * 0.02)
  })

  it('of a cartridge: what left the one before says nothing of the new one', () => {
    const cartridge = entry(
      'commissioned',
      '2026-01-05',
      { kind: 'cartridge', kindVersion: 1, partsNew: true },
      softener,
    )
    const carbonate = outlet('2026-06-01', 8, 'carbonate')
    const of = (...own: ReturnType<typeof outlet>[]) =>
      waterKnown(effective({ softener: [cartridge, ...own] })).softenedCarbonate
    expect(of(carbonate)!.value).to.be.closeTo(8 * mgLPer.dH, 0.5)
    expect(of(carbonate, entry('cartridge-changed', '2026-06-02', { capacityG: 400 }, softener))).to.equal(undefined)
  })
})
