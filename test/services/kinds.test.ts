import { expect } from 'chai'
import { v7 } from 'uuid'
import { kindById, kinds } from '../../src/core/kinds/index.ts'
import type { Kind } from '../../src/core/kinds/kind.ts'
import { simpleKind } from '../../src/core/kinds/simple-kind.ts'
import { reckonMachine } from '../../src/core/standing/reckon-machine.ts'
import type { Db } from '../../src/records/database.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { kindMoves, kindOfFirm, kindsOfFirm } from '../../src/services/kinds.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { reckonWaiting } from '../../src/services/rebuild.ts'
import { roundPage } from '../../src/services/round.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('a firm’s own kinds', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  /** The two-group, with gaskets that go three times as long. */
  const own: Kind = (() => {
    const base = structuredClone(kindById('c2')!)
    for (const task of base.tasks)
      if (task.id === 'group-gasket') {
        for (const limit of Object.values(task.limits)) {
          limit!.cautious *= 3
          limit!.usual *= 3
          limit!.longLife *= 3
        }
      }
    return { ...base, id: 'our-c2', basedOn: 'c2', name: 'our two-group', version: 1 }
  })()
  const write = async (entries: Parameters<typeof writeEntries>[2], of = firm) =>
    (
      await writeEntries(db, { firmId: of.firmId, technicianId: of.ines, role: 'owner' }, entries, { now: testNow })
    ).verdicts.map(({ verdict }) => verdict)
  let minute = 10
  const about = (body: Record<string, unknown>, kind: 'own-kind' | 'setting' = 'setting') => {
    minute += 1
    return entryAbout('firm', firm.firmId, kind, body, { happenedAt: `2026-11-20T09:${minute}:00.000Z` })
  }
  const gasketDue = async () => {
    const bundle = (await machineBundle(db, firm.firmId, firm.c2))!
    const { standings } = reckonMachine(bundle.ledgers, { showWorking: false })!
    return standings.find(({ task }) => task === 'group-gasket')!.due!.p50
  }

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Kinds & Daughter')
    other = await smallFirm(db, 'Another')
    expect(await write([...firstEntries(firm.c2, 'c2'), ...firstEntries(firm.sr, 'sr')])).to.have.length(6)
    await write(firstEntries(other.c2, 'c2'), other)
  })
  after(() => db.destroy())

  it('all that ship are listed, with how many the firm has', async () => {
    const rows = await kindsOfFirm(db, firm.firmId)
    expect(rows.map(({ id }) => id)).to.deep.equal(kinds.map(({ id }) => id))
    const counted = Object.fromEntries(rows.map(({ id, machines }) => [id, machines]))
    expect([counted.c2, counted.sr, counted.gr]).to.deep.equal([1, 1, 0])
    expect(await kindOfFirm(db, firm.firmId, 'nothing')).to.equal(null)
  })

  it('which kind holds is the owner’s to say, at a machine too', async () => {
    const chosen = { setting: 'kind-as', kind: 'c2', own: 'c2' }
    const entry = entryAbout('machine', firm.c2, 'setting', chosen)
    const technician = { firmId: firm.firmId, technicianId: firm.odile, role: 'technician' as const }
    const { verdicts } = await writeEntries(db, technician, [entry], { now: testNow })
    expect(verdicts[0]).to.deep.include({ verdict: 'refused' })
    expect(JSON.stringify(verdicts)).to.contain('owner_only')
  })

  it('what would move is what does move once it is chosen, and comes back', async () => {
    const shipped = await gasketDue()
    const told = await kindMoves(db, firm.firmId, own)
    expect(told).to.include({ read: 1, machines: 1 })
    const moves = told.rows.filter(({ name }) => /gasket/i.test(name))
    expect(moves.length).to.be.greaterThan(0)
    expect(moves[0]!.before).to.equal(shipped)
    // As it ships, nothing moves.
    expect(await kindMoves(db, firm.firmId, { ...own, tasks: kindById('c2')!.tasks })).to.include({ moved: 0 })

    expect(await write([about({ kind: own }, 'own-kind')])).to.deep.equal(['saved'])
    // Kept is not chosen.
    expect(await gasketDue()).to.equal(shipped)
    expect((await kindOfFirm(db, firm.firmId, 'our-c2'))!.inUse).to.equal(false)
    expect(await write([about({ setting: 'kind-as', kind: 'c2', own: 'our-c2' })])).to.deep.equal(['saved'])
    expect(await gasketDue()).to.equal(moves[0]!.after)
    expect(await kindOfFirm(db, firm.firmId, 'our-c2')).to.deep.include({ inUse: true, machines: 1 })
    expect((await kindsOfFirm(db, firm.firmId)).at(-1)).to.deep.include({ id: 'our-c2', machines: 1 })

    // Thought of as chosen again, it says the same as before: what stands now does not hide it.
    expect((await kindMoves(db, firm.firmId, { ...own, version: 2 })).moved).to.equal(0)
    expect(await write([about({ setting: 'kind-as', kind: 'c2', own: 'c2' })])).to.deep.equal(['saved'])
    expect(await gasketDue()).to.equal(shipped)
  })

  it('are nobody else’s', async () => {
    expect(await kindOfFirm(db, other.firmId, 'our-c2')).to.equal(null)
    expect((await kindsOfFirm(db, other.firmId)).some(({ id }) => id === 'our-c2')).to.equal(false)
    expect(await write([entryAbout('firm', other.firmId, 'own-kind', { kind: own })], firm)).to.deep.equal(['refused'])
  })

  it('are the owner’s to keep, to choose and to take back', async () => {
    const kept = about({ kind: own }, 'own-kind')
    await write([kept])
    const byOdile = { firmId: firm.firmId, technicianId: firm.odile, role: 'technician' as const }
    for (const entry of [
      about({ kind: own }, 'own-kind'),
      about({ setting: 'kind-as', kind: 'c2', own: 'our-c2' }),
      entryAbout('firm', firm.firmId, 'withdrawn', { reason: 'away' }, { supersedes: kept.id }),
    ]) {
      const { verdicts } = await writeEntries(db, byOdile, [entry], { now: testNow })
      expect(verdicts[0]).to.have.nested.property('issues[0].code', 'owner_only')
    }
  })

  it('are refused where they do not hold together', async () => {
    const [task] = own.tasks
    const odd = [
      { kind: { ...own, id: 'c2' } },
      { kind: { ...own, basedOn: 'nothing' } },
      { kind: { ...own, basedOn: 'our-c2' } },
      { kind: { ...own, tasks: [{ ...task, station: 'nowhere' }] } },
      { kind: { ...own, tasks: [{ ...task, limits: { shots: { cautious: 3, usual: 2, longLife: 1 } } }] } },
      { kind: { ...own, lines: [] } },
    ].map((body) => about(body, 'own-kind'))
    expect(await write(odd)).to.deep.equal(odd.map(() => 'refused'))
    expect(await write([about({ setting: 'kind-as', kind: 'c2', own: 'never-kept' })])).to.deep.equal(['refused'])
    expect(await write([about({ setting: 'kind-as', kind: 'sr', own: 'our-c2' })])).to.deep.equal(['refused'])
  })
  it('can be made from nothing: a machine is taken on as one, due, found and listed by it, in this firm alone', async () => {
    const kind = simpleKind(
      {
        name: 'hot-water urn',
        about: '',
        water: 'plumbed',
        counter: null,
        tasks: [{ name: 'Urn basket', action: 'clean', months: 3, minutes: 10 }],
      },
      kinds.map(({ id }) => id),
    )
    const id = v7()
    const urn = (at: SmallFirm, more: object[] = []) =>
      keepRecord(
        db,
        { firmId: at.firmId, technicianId: at.ines, role: 'owner' },
        {
          kind: 'machine',
          id: at === firm ? id : v7(),
          version: 0,
          record: { siteId: at.siteId, name: 'Urn', maker: '', model: '', revision: '', serial: '', kind: kind.id },
          entries: more,
        },
        testNow,
      )
    expect(await urn(firm)).to.have.nested.property('issues[0].path', 'kind')
    expect(await write([about({ kind }, 'own-kind')])).to.deep.equal(['saved'])
    const taken = entryAbout(
      'machine',
      id,
      'commissioned',
      { kind: kind.id, kindVersion: 1, partsNew: true },
      { happenedOn: '2026-10-01' },
    )
    expect(await urn(firm, [taken])).to.deep.equal({ ok: true, version: 1 })
    expect(await urn(other)).to.have.nested.property('issues[0].path', 'kind')
    const row = (await kindsOfFirm(db, firm.firmId)).find((one) => one.id === kind.id)
    expect(row).to.include({ ownMake: true, machines: 1, tasks: 1 })
    expect(await kindOfFirm(db, firm.firmId, kind.id)).to.include({ isOwn: true, inUse: true, machines: 1 })
    await reckonWaiting(db, firm.firmId)
    const found = await roundPage(db, firm.firmId, { text: 'urn basket', horizon: 'all' }, '2026-11-20')
    expect(found.rows.map(({ machineName, standing }) => [machineName, standing.due!.p50])).to.deep.equal([
      ['Urn', '2027-01-01'],
    ])
    const strange = entryAbout('machine', id, 'fitted', { part: 'group-gasket' }, { happenedOn: '2026-11-01' })
    expect(await write([strange])).to.deep.equal(['refused'])
    // What moves where its figures change is shown as of any kind.
    const sooner = {
      ...kind,
      tasks: kind.tasks.map((task) => ({ ...task, limits: { months: { cautious: 1, usual: 1, longLife: 1 } } })),
    }
    expect(await kindMoves(db, firm.firmId, sooner)).to.deep.include({ machines: 1, moved: 1 })
  })
})
