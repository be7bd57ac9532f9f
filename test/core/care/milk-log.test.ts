import { expect } from 'chai'
import { milkLog, monthsAway } from '../../../src/core/care/milk-log.ts'
import type { RecordedEntry } from '../../../src/core/ledger/entry.ts'
import { entry } from '../standing/a-history.ts'

const by = (technician: string, ...given: Parameters<typeof entry>) =>
  ({ ...entry(...given), recordedBy: technician }) as RecordedEntry

describe('the milk log of a month', () => {
  const days = milkLog(
    [
      by('ines', 'cleaned', '2026-11-03', { task: 'milk-strip' }),
      by('ines', 'cleaned', '2026-11-03', { task: 'milk-cleaner' }),
      by('odile', 'cleaned', '2026-11-07', { task: 'milk-cleaner' }),
      by('odile', 'cleaned', '2026-11-09', { task: 'milk-strip' }),
      by('ines', 'measured', '2026-11-03', { measure: 'cooler-temperature', state: 'left', value: 7 }),
      by('odile', 'measured', '2026-11-30', { measure: 'cooler-temperature', state: 'left', value: 4 }),
      by('odile', 'cleaned', '2026-11-05', { task: 'hopper-wash' }),
      by('odile', 'cleaned', '2026-12-01', { task: 'milk-strip' }),
      by('odile', 'cleaned', '2026-10-31', { task: 'milk-strip' }),
    ],
    '2026-11',
  )

  it('has a row a day, filled where something is on record', () => {
    expect(days).to.have.lengthOf(30)
    const filled = days.filter(({ cleaned, stripped, coolerC }) => cleaned || stripped || coolerC !== null)
    expect(filled).to.deep.equal([
      { day: '2026-11-03', cleaned: true, stripped: true, coolerC: 7, by: ['ines'] },
      // A day of cleaner alone shows as that; stripped without a record of cleaner does not tick it.
      { day: '2026-11-07', cleaned: true, stripped: false, coolerC: null, by: ['odile'] },
      { day: '2026-11-09', cleaned: false, stripped: true, coolerC: null, by: ['odile'] },
      { day: '2026-11-30', cleaned: false, stripped: false, coolerC: 4, by: ['odile'] },
    ])
    expect(milkLog([], '2028-02')).to.have.lengthOf(29)
  })

  it('turns over the year both ways', () => {
    expect([monthsAway('2026-12', 1), monthsAway('2026-01', -1), monthsAway('2026-05', 3)]).to.deep.equal([
      '2027-01',
      '2025-12',
      '2026-08',
    ])
  })
})
