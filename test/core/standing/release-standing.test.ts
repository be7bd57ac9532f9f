import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { asKept } from '../ledger/told.ts'

const entry = (id: string, kind: Entry['kind'], on: string, body: object): Entry =>
  asKept({
    id: `01939000-0000-7000-8000-00000000000${id}`,
    subjectKind: 'machine',
    subjectId: 'm',
    kind,
    happenedAt: `${on}T10:00:00Z`,
    happenedOn: on,
    body,
  })
const taken = entry('1', 'commissioned', '2026-01-05', { kind: 'dv', kindVersion: 1, partsNew: true })
const held = entry('2', 'held', '2026-11-20', { why: 'descaler' })
const released = entry('3', 'released', '2026-11-20', { held: held.id })

const due = (...machine: Entry[]) => reckonMachine({ machine })!.standings.find(({ task }) => task === 'release')

describe('a machine with something in it that nobody may drink', () => {
  it('is due the day it went in, on every list, until it is released', () => {
    const standing = due(taken, held)!
    expect(standing.name).to.equal('Do not use: acid in it. Rinse, release')
    expect(standing.due).to.deep.equal({ p10: '2026-11-20', p50: '2026-11-20', p90: '2026-11-20' })
    expect(standing.caution).to.equal('acid')
    expect(due(taken, held, released)).to.equal(undefined)
    expect(due(taken)).to.equal(undefined)
  })

  it('says of what it is: milk alone where milk it is, by what cures it', () => {
    const milk = entry('5', 'held', '2026-11-20', { why: 'milk', only: 'milk' })
    expect(due(taken, milk)).to.deep.include({
      name: 'Do not use its milk: spoilt milk in it. Clean, release',
      caution: 'milk',
    })
    expect(due(taken, milk, held)!.name).to.match(/^Do not use: /)
    const heated = entry('6', 'held', '2026-11-20', { why: 'heating' })
    expect(due(taken, heated)!.name).to.equal('Do not use: it heated on, or ran dry. Test, release')
  })

  it('is released thing by thing', () => {
    const second = entry('4', 'held', '2026-11-21', { why: 'detergent', group: 1 })
    expect(due(taken, held, second)!.name).to.contain('acid and detergent')
    expect(due(taken, held, second, released)!.name).to.contain('detergent in it')
  })
})
