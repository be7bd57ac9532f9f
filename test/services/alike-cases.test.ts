import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { filledIn } from '../../src/core/firm/records.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { insertKept } from '../../src/records/kept.ts'
import { alikeCases } from '../../src/services/alike-cases.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what other machines of a kind turned out to have', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  /** Another of the kind, of the same firm. */
  const second = randomUUID()
  const write = async (of: SmallFirm, entries: Parameters<typeof writeEntries>[2]) =>
    (
      await writeEntries(db, { firmId: of.firmId, technicianId: of.ines, role: 'owner' }, entries, { now: testNow })
    ).verdicts.map(({ verdict }) => verdict)

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Alike & Daughter')
    other = await smallFirm(db, 'Alike elsewhere')
    const machine = {
      siteId: firm.siteId,
      maker: 'Varnholt',
      model: 'Solo',
      name: 'Upstairs',
      serial: 'SR-2',
      kind: 'sr',
    }
    await withFirm(db, firm.firmId, (trx) =>
      insertKept(trx, firm.firmId, 'machine', second, filledIn('machine', machine)),
    )
    const report = entryAbout(
      'machine',
      firm.sr,
      'fault-reported',
      { text: 'Hardly any coffee', symptom: 'short' },
      { on: '2026-09-01' },
    )
    const mistake = entryAbout('machine', firm.sr, 'repaired', { text: 'x', cause: 'Never' }, { on: '2026-09-03' })
    const said = await write(firm, [
      ...firstEntries(firm.sr, 'sr'),
      report,
      entryAbout(
        'machine',
        firm.sr,
        'repaired',
        { text: 'New seals', cause: 'Nozzle seals worn', fault: 'nozzle-seals', report: report.id, cured: true },
        { on: '2026-09-01' },
      ),
      entryAbout('machine', firm.sr, 'repaired', { text: 'Tried', cause: 'Ring', cured: false }, { on: '2026-09-02' }),
      entryAbout('machine', firm.sr, 'repaired', { text: 'Lamp wiped' }, { on: '2026-09-02' }),
      mistake,
    ])
    expect(new Set(said)).to.deep.equal(new Set(['saved']))
    const back = entryAbout('machine', firm.sr, 'withdrawn', { reason: 'another machine' }, { on: '2026-09-04' })
    await write(firm, [{ ...back, supersedes: mistake.id }])
    await write(firm, firstEntries(second, 'sr'))
    await write(other, firstEntries(other.sr, 'sr'))
  })
  after(() => db.destroy())

  it('come the latest first, with the complaint and the cause as they were written; one taken back does not', async () => {
    const there = { id: firm.sr, name: 'Office', site: 'A bakery' }
    expect(await alikeCases(db, firm.firmId, second)).to.deep.equal([
      { machine: there, on: '2026-09-02', cause: 'Ring', cured: false },
      {
        machine: there,
        on: '2026-09-01',
        symptom: 'short',
        told: 'Hardly any coffee',
        cause: 'Nozzle seals worn',
        fault: 'nozzle-seals',
        cured: true,
      },
    ])
  })

  it('are none of its own: those are in its ledger', async () => {
    expect(await alikeCases(db, firm.firmId, firm.sr)).to.deep.equal([])
  })

  it('are none of another firm’s, nor told to it', async () => {
    expect(await alikeCases(db, other.firmId, other.sr)).to.deep.equal([])
    expect(await alikeCases(db, other.firmId, firm.sr)).to.equal(null)
  })
})
