import { expect } from 'chai'
import { againWithin } from '../../src/services/weeks/visit-valley.ts'

const task = (name: string, since: string | undefined, p50: string) => ({
  machineName: 'Back room',
  standing: {
    key: name,
    task: name,
    name,
    action: 'regenerate' as const,
    minutes: 20,
    ...(since && { since }),
    due: { p10: p50, p50, p90: p50 },
  },
})

describe('what comes round again', () => {
  it('is what its pace so far brings back within the weeks, counted from the visit, the soonest first', () => {
    const tasks = [
      task('Salt', '2026-11-01', '2026-12-13'),
      task('Softener', '2026-11-20', '2026-12-04'),
      task('Gasket', '2026-01-01', '2026-12-10'),
      task('Nobody knows', undefined, '2026-12-04'),
    ]
    expect(againWithin(tasks, '2026-12-02', '2027-02-18')).to.deep.equal([
      { name: 'Softener', machineName: 'Back room', about: '2026-12-16' },
      { name: 'Salt', machineName: 'Back room', about: '2027-01-13' },
    ])
    expect(againWithin(tasks, '2026-12-02', '2026-12-16')).to.deep.equal([])
    // Overdue, it comes round from when it is done, not from when it should have been.
    expect(againWithin([task('Softener', '2026-11-01', '2026-11-11')], '2026-12-02', '2027-02-18')[0]!.about).to.equal(
      '2026-12-12',
    )
  })
})
