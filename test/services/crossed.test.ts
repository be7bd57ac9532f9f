import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { entriesOf } from '../../src/records/ledger.ts'
import { now } from '../../src/services/clock.ts'
import { crossedList } from '../../src/services/crossed.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { endListedSession } from '../../src/services/people.ts'
import { recordById } from '../../src/services/records.ts'
import { openSession, shutOutOf, signOut, whoHolds } from '../../src/services/sign-in.ts'
import { isWritten, writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm } from '../records/a-database.ts'

describe('what two wrote without knowing of each other, seen from the server', () => {
  let db: Db
  let firm: SmallFirm
  const actor = (who: 'ines' | 'odile') => ({
    firmId: firm.firmId,
    technicianId: firm[who],
    role: who === 'ines' ? ('owner' as const) : ('technician' as const),
  })
  const write = async (who: 'ines' | 'odile', entries: Entry[], knownSeq?: number) => {
    const known = knownSeq === undefined ? {} : { known: new Map(entries.map(({ id }) => [id, knownSeq])) }
    const answer = await writeEntries(db, actor(who), entries, { now: now(), ...known })
    expect(isWritten(answer)).to.equal(true)
    return answer.seq
  }
  const seen = (condition: number) =>
    entryAbout('machine', firm.c2, 'inspected', { part: 'group-gasket', group: 1, condition }, { on: '2026-11-20' })

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
  })

  it('is listed by machine until somebody has compared it, for this firm alone', async () => {
    const knew = await write('ines', firstEntries(firm.c2, 'c2'))
    const theirs = seen(1)
    await write('odile', [theirs])
    const mine = seen(3)
    await write('ines', [mine], knew)
    const other = await smallFirm(db)
    expect(await crossedList(db, other.firmId, now())).to.deep.equal([])
    const [line, ...more] = await crossedList(db, firm.firmId, now())
    expect(more).to.deep.equal([])
    expect(line).to.deep.include({ machineId: firm.c2, differs: 1 })
    expect(line!.by).to.have.members(['Ines Test', 'Odile Test'])
    await write('ines', [
      entryAbout('machine', firm.c2, 'compared', { entries: [theirs.id, mine.id] }, { on: '2026-11-20' }),
    ])
    expect(await crossedList(db, firm.firmId, now())).to.deep.equal([])
  })

  it('is nothing where the same was said, and nobody knows more of the ledger than there is', async () => {
    const knew = await write('ines', firstEntries(firm.c2, 'c2'))
    await write('odile', [seen(2)])
    await write('ines', [seen(2)], knew)
    await write('ines', [seen(1)], 1_000_000)
    expect(await crossedList(db, firm.firmId, now())).to.deep.equal([])
  })

  it('a device that was signed out from elsewhere is told apart from one whose time is over', async () => {
    const open = () => openSession(db, { firmId: firm.firmId, technicianId: firm.odile }, 'a phone')
    const [lost, left] = [await open(), await open()]
    expect(await shutOutOf(db, lost.token)).to.equal(null)
    await signOut(db, left.token)
    expect(await shutOutOf(db, left.token), 'it left by itself').to.equal(null)
    const held = (await whoHolds(db, lost.token))!
    await endListedSession(db, actor('ines'), held.sessionId, now())
    expect(await whoHolds(db, lost.token)).to.equal(null)
    expect(await shutOutOf(db, lost.token)).to.equal('lost')
    expect(await shutOutOf(db, 'a token nobody was given')).to.equal(null)
  })

  it('whoever left hands in what they wrote until then, and is shown nothing', async () => {
    const phone = await openSession(db, { firmId: firm.firmId, technicianId: firm.odile }, 'a phone')
    const odile = (await recordById(db, firm.firmId, 'technician', firm.odile))!
    const { id: _, version, ...record } = odile
    const left = { ...record, leftOn: now().toISOString().slice(0, 10) }
    expect(
      await keepRecord(db, actor('ines'), { kind: 'technician', id: firm.odile, version, record: left }, now()),
    ).to.include({
      ok: true,
    })
    expect(await shutOutOf(db, phone.token)).to.equal('left')
    const who = (await whoHolds(db, phone.token))!
    expect(who).to.include({ onlyHandsIn: true })
    expect(who.technician.id).to.equal(firm.odile)
  })

  it('a machine that was moved or retired meanwhile takes what was written before that was known', async () => {
    const knew = await write('ines', firstEntries(firm.c2, 'c2'))
    await write('odile', [entryAbout('machine', firm.c2, 'stage', { stage: 'retired' }, { on: '2026-11-20' })])
    await write('ines', [seen(2)], knew)
    const kept = await entriesSaid()
    expect(kept).to.include.members(['stage', 'inspected'])
  })

  const entriesSaid = () =>
    withFirm(db, firm.firmId, async (trx) => (await entriesOf(trx, [firm.c2])).map(({ kind }) => kind))
})
