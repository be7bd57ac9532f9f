import { expect } from 'chai'
import { checkKind } from '../../../src/core/kinds/check-kind.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import type { Kind } from '../../../src/core/kinds/kind.ts'
import { entryKindOf } from '../../../src/core/ledger/entry-kinds.ts'
import { parseEntry } from '../../../src/core/ledger/parse-entry.ts'
import { inTodaysWords } from '../../../src/core/ledger/upcast.ts'
import { checkProcedure } from '../../../src/core/procedures/check-procedure.ts'
import type { Procedure } from '../../../src/core/procedures/procedure.ts'
import { procedures } from '../../../src/core/trade/procedures/index.ts'
import { told } from './told.ts'

/** A kind in the words of before: the other way round than it is read. */
const kindOfBefore = ({ tasks: duties, descale, ...rest }: Kind) =>
  JSON.parse(
    JSON.stringify({
      ...rest,
      duties,
      descale: descale && {
        ...descale,
        litres: descale.litres.map(({ byPolicy: bySchool, ...row }) => ({ ...row, bySchool })),
      },
    }),
  )
const procedureOfBefore = ({ ways: schools, ...rest }: Procedure) => JSON.parse(JSON.stringify({ ...rest, schools }))
const asFile = (thing: object) => JSON.parse(JSON.stringify(thing))

/** An entry as a device of before sent it. */
const sent = (kind: string, body: object, subjectKind = 'machine') => ({
  id: '01939000-0000-7000-8000-000000000001',
  subjectKind,
  subjectId: '01939000-0000-7000-8000-000000000002',
  kind,
  happenedAt: '2026-03-02T09:00:00.000Z',
  happenedOn: '2026-03-02',
  body: { v: 1, ...body },
})

/** What is read of it today; it stays as it came. */
function readToday(entry: ReturnType<typeof sent>) {
  const parsed = parseEntry(entry)
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.issues))
  expect(parsed.value, 'it stays as it came').to.deep.equal(entry)
  return told(inTodaysWords(parsed.value))
}

describe('words of before', () => {
  it('of how early to act are read as a policy', () => {
    expect(readToday(sent('setting', { setting: 'school', school: 'cautious' }))).to.deep.equal({
      v: 1,
      setting: 'policy',
      policy: 'cautious',
    })
    expect(readToday(sent('setting', { setting: 'school', school: 'usual', duty: 'basket' }, 'firm'))).to.include({
      policy: 'usual',
      task: 'basket',
    })
  })

  it('of a life, a way and a run are read under the names of today', () => {
    const life = readToday(sent('setting', { setting: 'life', duty: 'basket', clock: 'months', value: 9 }))
    expect(life).to.deep.equal({ v: 1, setting: 'life', task: 'basket', clock: 'months', value: 9 })
    const way = readToday(sent('setting', { setting: 'way', procedure: 'wand-clean', school: 'overnight' }))
    expect(way).to.deep.equal({ v: 1, setting: 'way', procedure: 'wand-clean', way: 'overnight' })
    const run = { procedure: 'wand-clean', version: 1, minutes: 4, ended: 'done', steps: [] }
    expect(readToday(sent('run', { ...run, school: 'overnight' }))).to.deep.equal({ v: 1, ...run, way: 'overnight' })
  })

  it('are refused at the field of today where they are wrong', () => {
    const parsed = entryKindOf('setting').body.parse({ v: 1, setting: 'school', school: 'reckless' })
    expect(parsed.ok ? [] : parsed.issues.map(({ path }) => path)).to.deep.equal(['policy'])
    const both = entryKindOf('run').body.parse({ v: 1, school: 'a', way: 'b' })
    expect(both.ok, 'what is missing stays missing').to.equal(false)
  })

  it('of every kind that ships are read as that kind, from a file and from the ledger', () => {
    for (const kind of kinds) {
      const was = kindOfBefore(kind)
      const checked = checkKind(was)
      expect(checked.ok && asFile(checked.value), kind.id).to.deep.equal(asFile(kind))
      const own = { ...was, id: `our-${kind.id}`, basedOn: kind.id }
      const read = readToday(sent('own-kind', { kind: own }, 'firm')).kind
      expect(asFile(read), kind.id).to.deep.equal(asFile({ ...kind, id: `our-${kind.id}`, basedOn: kind.id }))
    }
  })

  it('of every procedure that ships are read as that procedure, from a file and from the ledger', () => {
    for (const procedure of procedures) {
      const was = procedureOfBefore(procedure)
      const checked = checkProcedure(was)
      expect(checked.ok && asFile(checked.value), procedure.id).to.deep.equal(asFile(procedure))
      const named = { id: `our-${procedure.id}`, basedOn: procedure.id }
      const read = readToday(sent('own-procedure', { procedure: { ...was, ...named }, inUse: true }, 'firm'))
      expect(asFile(read.procedure), procedure.id).to.deep.equal(asFile({ ...procedure, ...named }))
    }
  })
})
