import { expect } from 'chai'

import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { issuesOf } from '../ledger/told.ts'
import { entry, ledgers, standingOf, takenOn } from './a-history.ts'

const taken = takenOn('c2', '2026-01-05')
const passed = entry('certified', '2026-02-10', {
  outcome: 'passed',
  inspector: 'Ede Marrow, works inspection',
  number: 'PV 88',
  dueOn: '2028-02-10',
})
const due = (...more: Parameters<typeof ledgers>[0]) => standingOf(ledgers([taken, passed, ...more]), 'certificate')

describe('the certificate of a pressure vessel', () => {
  it('is due on the very day it says, reckoned from nothing else', () => {
    const standing = due()
    expect(standing.due).to.deep.equal({ p10: '2028-02-10', p50: '2028-02-10', p90: '2028-02-10' })
    expect(standing).to.deep.include({ governing: 'certificate', caution: 'pressure', since: '2026-02-10' })
    expect(standing.working.lines[0]!.source).to.contain('PV 88')
  })

  it('is not moved by a full service, by what is known of ages, nor by another safety valve', () => {
    const moved = due(
      entry('serviced', '2026-03-01', { task: 'full-service' }),
      entry('taken-over', '2026-03-02', { parts: 'good' }),
      entry('fitted', '2026-03-03', { part: 'safety-valve' }),
      entry('checked', '2026-03-04', { task: 'certificate' }),
    )
    expect(moved.due!.p50).to.equal('2028-02-10')
  })

  it('is moved by the next one; one that was refused names no day, and the last that did stands', () => {
    const again = entry('certified', '2028-01-20', { outcome: 'remarks', inspector: 'E. Marrow', dueOn: '2030-01-20' })
    expect(due(again).due!.p50).to.equal('2030-01-20')
    expect(due(entry('certified', '2028-01-20', { outcome: 'refused', inspector: 'E. Marrow' })).due!.p50).to.equal(
      '2028-02-10',
    )
  })

  it('is due as well while the machine stands in the workshop, where nothing else is asked for', () => {
    const away = reckonMachine(ledgers([taken, passed, entry('stage', '2026-05-01', { stage: 'workshop' })]))!
    expect(away.standings.filter(({ due }) => due).map(({ key }) => key)).to.deep.equal(['certificate'])
    const back = entry('stage', '2026-06-01', { stage: 'working' })
    const again = reckonMachine(ledgers([taken, passed, entry('stage', '2026-05-01', { stage: 'workshop' }), back]))!
    expect(again.standings.filter(({ due }) => due).length).to.be.greaterThan(5)
  })

  it('is no certificate without the next day, unless it was refused', () => {
    expect(issuesOf('certified', { outcome: 'passed', inspector: 'E. Marrow' })).to.deep.equal([
      'dueOn: is missing: the certificate says it',
    ])
    expect(issuesOf('certified', { outcome: 'refused', inspector: 'E. Marrow' })).to.deep.equal([])
    expect(reckonMachine(ledgers([taken]))!.standings.some(({ key }) => key === 'certificate')).to.equal(false)
  })
})
