import { expect } from 'chai'
import { kindById } from '../../../src/core/kinds/index.ts'
import type { Kind } from '../../../src/core/kinds/kind.ts'
import { parseEntry } from '../../../src/core/ledger/parse-entry.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineKind } from '../../../src/core/standing/machine-kind.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { entry, ledgers, setting, steadyReadings, takenOn } from './a-history.ts'

const from = '2025-01-06'
const ours = (change: Partial<Kind> = {}): Kind => ({
  ...structuredClone(kindById('pk')!),
  id: 'our-pk',
  basedOn: 'pk',
  name: 'our pod machine',
  ...change,
})
const firmId = '01939000-0000-7000-8000-000000000001'
const kept = (kind: Kind, on = from) =>
  entry('own-kind', on, { kind: JSON.parse(JSON.stringify(kind)) }, { subjectKind: 'firm', subjectId: firmId })
const as = (level: 'machine' | 'site' | 'firm', own: string, on = from) =>
  setting(level, on, { setting: 'kind-as', kind: 'pk', own })
const machine = (firm: ReturnType<typeof entry>[], more: ReturnType<typeof entry>[] = []) =>
  ledgers([takenOn('pk', from), ...steadyReadings(from, '2026-01-05', 70), ...more], { firm })
const nameOf = (...given: Parameters<typeof machine>) => machineKind(effective(machine(...given)))!.name

describe('a firm’s own version of a kind', () => {
  it('is kept, and reckons nothing until it is chosen; the nearest choice wins', () => {
    expect(nameOf([kept(ours())])).to.equal('pod machine, locking head')
    expect(nameOf([kept(ours()), as('firm', 'our-pk')])).to.equal('our pod machine')
    expect(nameOf([kept(ours()), as('firm', 'our-pk')], [as('machine', 'pk')])).to.equal('pod machine, locking head')
    expect(nameOf([kept(ours()), as('firm', 'our-pk'), as('firm', 'pk', '2025-03-01')])).to.equal(
      'pod machine, locking head',
    )
    // Chosen and never kept: it ships on.
    expect(nameOf([as('firm', 'our-pk')])).to.equal('pod machine, locking head')
  })

  it('moves what its limits say', () => {
    const short = ours()
    short.tasks = short.tasks.map((task) =>
      task.id === 'tank-valve' ? { ...task, limits: { months: { cautious: 2, usual: 3, longLife: 4 } } } : task,
    )
    const due = (firm: ReturnType<typeof entry>[]) =>
      reckonMachine(machine(firm))!.standings.find(({ key }) => key === 'tank-valve')!.due!.p50
    expect(due([])).to.equal('2029-01-06')
    expect(due([kept(short), as('firm', 'our-pk')])).to.equal('2025-04-06')
    // The last of an id counts.
    const longer = ours({
      tasks: short.tasks.map((task) =>
        task.id === 'tank-valve' ? { ...task, limits: { months: { cautious: 5, usual: 6, longLife: 7 } } } : task,
      ),
    })
    expect(due([kept(short), kept(longer, '2025-02-01'), as('firm', 'our-pk')])).to.equal('2025-07-06')
  })

  it('is refused at its place: broken, of a base that does not ship, or under a name that ships', () => {
    const asked = (kind: unknown) => {
      const parsed = parseEntry({ ...kept(ours()), body: { v: 1, kind } })
      return parsed.ok ? [] : parsed.issues.map(({ path }) => path)
    }
    const asFile = (change: Partial<Kind>) => JSON.parse(JSON.stringify(ours(change)))
    expect(asked(asFile({}))).to.deep.equal([])
    expect(asked(asFile({ id: 'pk' }))).to.deep.equal(['body.kind.id'])
    expect(asked({ ...asFile({}), basedOn: 'nothing' })).to.deep.equal(['body.kind.basedOn'])
    // From nothing: reckoned by itself.
    expect(asked({ ...asFile({}), basedOn: undefined })).to.deep.equal([])
    expect(asked(asFile({ stations: ours().stations.slice(1) }))[0]).to.match(/^body\.kind\.(lines|parts|tasks)/)
    expect(asked('pk')).to.deep.equal(['body.kind'])
  })
})
