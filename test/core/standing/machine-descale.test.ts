import { expect } from 'chai'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import type { Acid } from '../../../src/core/scale/acid.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { tankDescale } from '../../../src/core/standing/water/machine-descale.ts'
import { entry, ledgers, steadyReadings, takenOn } from './a-history.ts'

const reckoned = (kind: string, descaledOn?: string, acid: Acid = 'citric') => {
  const facts = machineFacts(
    effective(
      ledgers(
        [
          takenOn(kind, '2025-01-06'),
          ...steadyReadings('2025-01-06', '2026-01-05', 30),
          ...(descaledOn ? [entry('descaled', descaledOn, { task: 'descale' })] : []),
        ],
        {
          site: ['total', 'carbonate'].map((quantity, i) =>
            entry(
              'water-test',
              '2025-01-06',
              { point: 'raw', quantity, method: 'drops', unit: 'dH', drops: 18 - 3 * i, perDrop: 1 },
              { subjectKind: 'site' },
            ),
          ),
        },
      ),
    ),
  )!
  return tankDescale(facts, machineChalk(facts)!, acid, toDay('2026-01-05'))
}

describe('acid for a descale from the tank', () => {
  it('is a bath of the strength that works, whatever the chalk: citric 5 % (from memory)', () => {
    const descale = reckoned('sr')!
    expect(descale.scaleG!).to.be.greaterThan(1)
    expect(descale.bath(1).acidG).to.be.closeTo(50, 1e-9)
    expect(descale.bath(0.5).acidG).to.be.closeTo(25, 1e-9)
    // 0.24 L of gas a gram of chalk (stoichiometry, 20 °C), of what one bath takes up.
    const bath = descale.bath(1)
    expect(bath.gasL).to.be.closeTo(Math.min(descale.scaleG! / bath.baths, bath.takesUpG) * 0.24, 0.01)
  })

  it('knows the aluminium of its block, and keeps sulfamic acid off it', () => {
    expect(reckoned('sr')!.aluminium).to.equal(true)
    expect(reckoned('sr')!.forbidden).to.equal(null)
    expect(reckoned('sr', undefined, 'sulfamic')!.forbidden).to.contain('aluminium')
  })

  it('expects less where it was descaled meanwhile, and the bath stays a bath', () => {
    expect(reckoned('sr', '2025-07-01')!.scaleG!).to.be.lessThan(reckoned('sr')!.scaleG!)
    const after = reckoned('sr', '2026-01-05')!
    expect(after.scaleG!).to.be.lessThan(0.05)
    expect(after.bath(1).acidG).to.be.closeTo(50, 1e-9)
  })

  it('is not reckoned for a steam boiler: that is not descaled through a tank', () => {
    expect(reckoned('c2')).to.equal(null)
  })
})
