import { expect } from 'chai'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { stageNow, standstills } from '../../../src/core/standing/stages.ts'
import { entry, ledgers, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'

const stage = (on: string, name: string) => entry('stage', on, { stage: name })
const machine = [takenOn('c2', '2025-01-06'), ...steadyReadings('2025-01-06', '2026-06-01', 2800)]
const due = (more: Parameters<typeof ledgers>[0], key: string) => standingOf(ledgers([...machine, ...more]), key).due

describe('stages of a life', () => {
  it('count the days it stood, both ends in, and leave an open end open', () => {
    const history = effective(
      ledgers([stage('2026-02-01', 'still'), stage('2026-02-20', 'working'), stage('2026-05-01', 'winterised')]),
    )
    expect(standstills(history, 'machine')).to.deep.equal([
      { from: '2026-02-01', to: '2026-02-19' },
      { from: '2026-05-01', to: '9999-12-31' },
    ])
    expect(stageNow(history, 'machine')).to.deep.equal({ stage: 'winterised', since: '2026-05-01' })
    expect(stageNow(effective(ledgers([])), 'machine')).to.deep.equal({ stage: 'working', since: null })
  })

  it('standing still stops the count and lets age go on', () => {
    // The 3-way valve lives by shots here, the safety valve by age alone.
    const before = { count: due([], 'three-way-valve@1')!, age: due([], 'safety-valve')! }
    const stood = [
      stage('2026-06-02', 'still'),
      stage('2026-09-02', 'working'),
      entry('cleaned', '2026-09-02', { task: 'restart' }),
    ]
    const after = { count: due(stood, 'three-way-valve@1')!, age: due(stood, 'safety-valve')! }
    expect(after.age).to.deep.equal(before.age)
    const later = toDay(after.count.p50) - toDay(before.count.p50)
    expect(later, 'about the 92 days it stood').to.be.within(60, 92)
    const open = standingOf(ledgers([...machine, stage('2026-06-02', 'still')]), 'three-way-valve@1')
    expect(open.governing, 'with no end in sight only age can make it due').to.equal('months')
  })

  it('winterised asks for nothing until it runs again', () => {
    const away = reckonMachine(ledgers([...machine, stage('2026-06-02', 'winterised')]))!
    expect(away.standings.length).to.be.above(20)
    expect(away.standings.filter((standing) => standing.due)).to.deep.equal([])
    expect(away.standings[0]!.working.why).to.contain('Put away since 2026-06-02')
    expect(away.stage).to.equal('winterised')
  })

  it('retired is asked nothing at all', () => {
    const gone = reckonMachine(ledgers([...machine, stage('2026-06-02', 'retired')]))!
    expect(gone.standings).to.deep.equal([])
    expect([gone.stage, gone.stageSince]).to.deep.equal(['retired', '2026-06-02'])
  })

  it('reads the older way of retiring, and keeps what was written', () => {
    const old = setting('machine', '2026-06-02', { setting: 'retired', on: '2026-06-02' })
    expect(old).to.deep.include({ kind: 'stage', body: { v: 1, stage: 'retired' } })
    expect(reckonMachine(ledgers([...machine, old]))!.stage).to.equal('retired')
  })

  // Common practice, no source: flush after 3 days of standing, empty and sanitise after 4 weeks.
  it('asks for a flush before the first drink, after weeks for more, until it is done', () => {
    const after = (days: number) => {
      const on = fromDay(toDay('2026-06-02') + days)
      return reckonMachine(ledgers([...machine, stage('2026-06-02', 'still'), stage(on, 'working')]))!.standings.find(
        (standing) => standing.key === 'restart',
      )
    }
    expect(after(3)).to.equal(undefined)
    expect(after(4)).to.include({ name: 'Flush after standing', minutes: 5 })
    expect(after(4)!.due).to.deep.equal({ p10: '2026-06-06', p50: '2026-06-06', p90: '2026-06-06' })
    expect(after(40)).to.include({ name: 'Empty, sanitise and refill after standing' })
    const done = [
      stage('2026-06-02', 'still'),
      stage('2026-07-20', 'working'),
      entry('cleaned', '2026-07-20', { task: 'restart' }),
    ]
    expect(reckonMachine(ledgers([...machine, ...done]))!.standings.some(({ key }) => key === 'restart')).to.equal(
      false,
    )
  })
})

describe('a machine with another number of groups', () => {
  it('has tasks for each, sharing the drinks alike', () => {
    const three = ledgers([...machine, setting('machine', '2025-01-06', { setting: 'groups', count: 3 })])
    const keys = reckonMachine(three)!.standings.map((standing) => standing.key)
    expect(keys.filter((key) => key.startsWith('group-gasket@'))).to.deep.equal([
      'group-gasket@1',
      'group-gasket@2',
      'group-gasket@3',
    ])
    const lines = standingOf(three, 'group-gasket@3').working.lines
    expect(lines.find((line) => line.what === 'Group 3 takes')!.value).to.be.closeTo(1 / 3, 1e-9)
  })

  it('leaves a kind without groups as it is', () => {
    const home = [takenOn('sr', '2025-01-06'), setting('machine', '2025-01-06', { setting: 'groups', count: 4 })]
    const plain = reckonMachine(ledgers(home.slice(0, 1)))!.standings.length
    expect(reckonMachine(ledgers(home))!.standings.length).to.equal(plain)
  })
})
