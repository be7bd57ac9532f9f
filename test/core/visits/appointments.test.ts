import { expect } from 'chai'
import type { RecordedEntry } from '../../../src/core/ledger/entry.ts'
import { appointmentsStanding } from '../../../src/core/visits/appointments.ts'

let made = 0
const entry = (kind: string, body: object, { on = '2026-11-26', visitId = 'a', ...more } = {}): RecordedEntry => {
  made += 1
  const id = `0193${String(made).padStart(4, '0')}-0000-7000-8000-000000000000`
  const at = `${on}T09:00:00.000Z`
  return {
    ...{ id, seq: made, subjectKind: 'site', subjectId: 'bakery', kind, visitId, happenedAt: at, happenedOn: on },
    ...{ recordedAt: at, recordedBy: 'ines', body: { v: 1, ...body } },
    ...more,
  } as unknown as RecordedEntry
}
const step = (name: string, on = '2026-12-09', visitId = 'a') =>
  entry('appointment', { step: name, on, technicianId: 'ines', minutes: 60, tasks: [] }, { visitId })
const standing = (...entries: RecordedEntry[]) =>
  appointmentsStanding(entries).map(({ visitId, last }) => `${visitId} ${last.body.step} ${last.body.on}`)

describe('visits to come', () => {
  it('stand at their last step, each by itself', () => {
    expect(standing(step('asked'), step('agreed', '2026-12-10'), step('asked', '2026-12-20', 'b'))).to.deep.equal([
      'a agreed 2026-12-10',
      'b asked 2026-12-20',
    ])
    expect(standing()).to.deep.equal([])
  })

  it('stand no more once refused or called off, and again when asked anew', () => {
    expect(standing(step('asked'), step('refused'))).to.deep.equal([])
    expect(standing(step('agreed'), step('called-off'))).to.deep.equal([])
    expect(standing(step('asked'), step('refused'), step('asked', '2026-12-15'))).to.deep.equal(['a asked 2026-12-15'])
  })

  it('stand no more once somebody was there: under their id, or on their day', () => {
    const been = (on: string, visitId: string) => entry('visit', { technicianIds: ['odile'] }, { on, visitId })
    expect(standing(step('agreed'), been('2026-12-08', 'a'))).to.deep.equal([])
    expect(standing(step('agreed'), been('2026-12-09', 'other'))).to.deep.equal([])
    expect(standing(step('agreed'), been('2026-12-08', 'other'))).to.deep.equal(['a agreed 2026-12-09'])
  })

  it('go back a step when the last is withdrawn', () => {
    const agreed = step('agreed')
    const back = entry('withdrawn', { entry: agreed.id, why: 'the wrong place' }, { supersedes: agreed.id } as object)
    expect(standing(step('asked'), agreed, back)).to.deep.equal(['a asked 2026-12-09'])
  })
})
