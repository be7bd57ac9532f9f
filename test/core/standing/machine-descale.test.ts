import { expect } from 'chai'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { tankDescale } from '../../../src/core/standing/water/machine-descale.ts'
import { entry, ledgers, steadyReadings, takenOn } from './a-history.ts'

const reckoned = (kind: string, descaledOn?: string) => {
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
  return tankDescale(facts, machineChalk(facts)!, 'citric', toDay('2026-01-05'))
}

describe('acid for a descale from the tank', () => {
  it('goes by the chalk of all it passes: stoichiometry of citric acid, twice', () => {
    const { scaleG, plan } = reckoned('sr')!
    expect(scaleG).to.be.greaterThan(1)
    // 1.280 g of anhydrous citric acid a gram of CaCO₃ (molar masses 192.124 · 2/3 over 100.087), poured twice over.
    expect(plan.acidG).to.be.closeTo(scaleG * ((192.124 * 2) / 3 / 100.0869) * 2, 0.01)
    expect(plan.gasL).to.be.closeTo(scaleG * 0.24, 0.01)
  })

  it('is less where it was descaled meanwhile, and none right after', () => {
    expect(reckoned('sr', '2025-07-01')!.scaleG).to.be.lessThan(reckoned('sr')!.scaleG)
    expect(reckoned('sr', '2026-01-05')).to.equal(null)
  })

  it('is not reckoned for a steam boiler: that is not descaled through a tank', () => {
    expect(reckoned('c2')).to.equal(null)
  })
})
