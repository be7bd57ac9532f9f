import { expect } from 'chai'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { promptPaces } from '../../../src/core/standing/prompt-pace.ts'
import { entry, ledgers, steadyReadings, takenOn } from './a-history.ts'

const asked = (on: string, task = 'oil-removal') => entry('prompt-seen', on, { task })
const paces = (...more: ReturnType<typeof asked>[]) =>
  promptPaces(
    machineFacts(
      effective(ledgers([takenOn('sr', '2025-01-06'), ...steadyReadings('2025-01-06', '2026-01-05', 70), ...more])),
    )!,
  )

describe('how often a machine asks', () => {
  it('is told by the count between two askings, against what it says it counts', () => {
    // Ten a day: every twelve days it asks every 120, and says 220.
    const [pace, ...others] = paces(asked('2025-03-01'), asked('2025-03-13'), asked('2025-03-25'), asked('2025-04-06'))
    expect(others).to.deep.equal([])
    expect(pace).to.deep.include({ task: 'oil-removal', times: 4, claims: 220 })
    expect(pace!.everyDrinks).to.be.closeTo(120, 1)
    expect(pace!.drinks).to.have.length(3)
    expect(pace!.everyLitres).to.be.above(10)
  })

  it('takes two notes of one asking for one, and says nothing of a single one', () => {
    expect(paces(asked('2025-03-01'), asked('2025-03-02'))).to.deep.equal([])
    expect(paces(asked('2025-03-01'))).to.deep.equal([])
    expect(paces()).to.deep.equal([])
  })

  it('keeps tasks apart, and is not pulled by one odd interval', () => {
    const days = ['2025-02-01', '2025-02-11', '2025-02-21', '2025-06-01', '2025-06-11']
    const found = paces(...days.map((on) => asked(on)), asked('2025-02-01', 'descale'), asked('2025-05-01', 'descale'))
    expect(found.map(({ task }) => task).sort()).to.deep.equal(['descale', 'oil-removal'])
    expect(found.find(({ task }) => task === 'oil-removal')!.everyDrinks).to.be.closeTo(100, 1)
    expect(found.find(({ task }) => task === 'descale')!.claims).to.equal(undefined)
  })
})
