import { expect } from 'chai'
import { comebacks } from '../../../src/core/visits/comebacks.ts'
import { instrumentOn } from '../../../src/core/visits/instrument-on.ts'
import { measureHistories } from '../../../src/core/visits/measure-history.ts'
import { openRemarks } from '../../../src/core/visits/open-remarks.ts'
import { entry } from '../standing/a-history.ts'

const repaired = (on: string, part?: string, visitId?: string) =>
  entry('repaired', on, { text: 'mended', ...(part && { part }) }, visitId ? { visitId } : {})
const reported = (on: string, visitId?: string) =>
  entry('fault-reported', on, { text: 'drips' }, visitId ? { visitId } : {})

describe('a repair that comes back', () => {
  // Common practice, no source: thirty days.
  it('does so within thirty days, on another visit', () => {
    expect(comebacks([repaired('2026-03-01'), reported('2026-03-31')]).map(({ days }) => days)).to.deep.equal([30])
    expect(comebacks([repaired('2026-03-01'), reported('2026-04-01')])).to.deep.equal([])
    expect(comebacks([reported('2026-03-01', 'v'), repaired('2026-03-01', undefined, 'v')])).to.deep.equal([])
    expect(comebacks([repaired('2026-03-01', 'pump', 'v'), repaired('2026-03-01', 'seal', 'v')])).to.deep.equal([])
  })

  it('says whether it is the same part, and counts each repair once', () => {
    const found = comebacks([
      repaired('2026-03-01', 'pump', 'a'),
      reported('2026-03-10', 'b'),
      repaired('2026-03-10', 'pump', 'b'),
      repaired('2026-03-20', 'gasket', 'c'),
    ])
    expect(found.map(({ days, samePart }) => [days, samePart])).to.deep.equal([
      [9, null],
      [10, false],
    ])
  })
})

describe('as found and as left', () => {
  const measured = (on: string, state: 'found' | 'left', value: number, group = 1) =>
    entry('measured', on, { measure: 'open-flow', group, state, value })

  it('pairs them by day and group', () => {
    const [one, two] = measureHistories([
      measured('2026-01-05', 'found', 60),
      measured('2026-01-05', 'left', 80),
      measured('2026-01-05', 'found', 75, 2),
    ])
    expect(one!.values).to.deep.equal([{ on: '2026-01-05', found: 60, left: 80, instruments: [] }])
    expect(two).to.include({ group: 2, own: null, perYear: null })
  })

  it('says what is good for this machine, whatever one slip of the pen', () => {
    const left = [78, 80, 82, 80, 79, 800]
    const [history] = measureHistories(left.map((value, i) => measured(`2026-0${i + 1}-05`, 'left', value)))
    expect(history!.own!.n).to.equal(6)
    expect(history!.own!.middle).to.equal(80)
    // Median deviation 1.5: 80 ± 3 × 1.4826 × 1.5.
    expect(history!.own!.from).to.be.closeTo(80 - 6.6717, 1e-4)
    expect(history!.own!.to).to.be.closeTo(80 + 6.6717, 1e-4)
  })

  it('sees a drift, and none where values go up and down', () => {
    const falling = ['2025-01-01', '2025-07-01', '2026-01-01', '2026-07-01'].map((on, i) =>
      measured(on, 'found', 90 - 5 * i),
    )
    expect(measureHistories(falling)[0]!.perYear).to.be.closeTo(-10, 0.2)
    const wavering = ['2025-01-01', '2025-07-01', '2026-01-01', '2026-07-01'].map((on, i) =>
      measured(on, 'found', i % 2 ? 82 : 80),
    )
    expect(measureHistories(wavering)[0]!.perYear).to.equal(null)
  })
})

describe('what was left open', () => {
  it('stays until it is closed', () => {
    const hose = entry('remark', '2026-01-05', { text: 'hose chafes' })
    const plug = entry('remark', '2026-02-05', { text: 'plug loose' })
    const closed = entry('remark-closed', '2026-03-05', { remark: hose.id })
    expect(openRemarks([hose, plug, closed])).to.deep.equal([plug])
  })
})

describe('an instrument', () => {
  const calibrated = (on: string, dueOn: string) => entry('calibrated', on, { dueOn })

  it('is judged by the sticker it had that day', () => {
    const history = [calibrated('2025-03-01', '2026-03-01'), calibrated('2026-04-10', '2027-04-10')]
    expect(instrumentOn(history, '2025-02-01')).to.deep.equal({ state: 'never' })
    expect(instrumentOn(history, '2026-03-01')).to.deep.equal({ state: 'good', until: '2026-03-01' })
    expect(instrumentOn(history, '2026-03-20')).to.deep.equal({ state: 'expired', since: '2026-03-01' })
    expect(instrumentOn(history, '2026-06-01')).to.deep.equal({ state: 'good', until: '2027-04-10' })
  })
})
