import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { kindById } from '../../src/core/kinds/index.ts'
import type { Db } from '../../src/records/database.ts'
import { oddEntries } from '../../src/services/odd-entries.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('what the ledger takes', () => {
  let db: Db
  let firm: SmallFirm
  let others: SmallFirm
  before(async () => {
    db = appDatabase()
    ;[firm, others] = [await smallFirm(db), await smallFirm(db, 'Others & Sons')]
  })
  after(() => db.destroy())

  type Made = Parameters<typeof entryAbout>
  const about = (subject: string, kind: Made[2], body: object, more: Made[4] = {}) =>
    entryAbout('machine', subject, kind, body as Made[3], more)
  const write = (...entries: unknown[]) =>
    writeEntries(db, { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' }, entries, {
      now: testNow,
      asOne: true,
    })
  /** Where it was refused, by the paths of its issues; nothing where it was written. */
  const refusedAt = async (...entries: unknown[]) =>
    (await write(...entries)).verdicts.flatMap((verdict) =>
      'issues' in verdict ? verdict.issues.map(({ path }) => path) : [],
    )

  it('counts whole shots, and litres in parts', async () => {
    const reading = (body: object) => about(firm.c2, 'reading', { counter: 'shots', ...body })
    expect(await refusedAt(reading({ count: 0.5 }))).to.deep.equal(['body.count'])
    expect(
      await refusedAt(reading({ count: 1200, groups: [600, 600.5], rinses: 1.5, drinks: [{ name: 'a', count: 2.5 }] })),
    ).to.deep.equal(['body.groups[1]', 'body.drinks[0].count', 'body.rinses'])
    expect(await refusedAt(about(firm.c2, 'reading', { counter: 'litres', count: 812.4 }))).to.deep.equal([])
  })

  it('takes no figure that nobody measured and no day that is none of ours', async () => {
    const measured = (value: number) => about(firm.c2, 'measured', { measure: 'brew-pressure', state: 'found', value })
    expect(await refusedAt(measured(1e308))).to.include('body.value')
    expect(await refusedAt(measured(9.2))).to.deep.equal([])
    expect(await refusedAt(about(firm.c2, 'note', { text: 'old' }, { on: '0100-01-01' }))).to.deep.equal(['happenedOn'])
    expect(await refusedAt(about(firm.c2, 'note', { text: 'old' }, { on: '1989-12-31' }))).to.deep.equal(['happenedOn'])
    expect(await refusedAt(about(firm.c2, 'note', { text: 'old' }, { on: '1990-01-01' }))).to.deep.equal([])
    const closed = (to: string) =>
      entryAbout('site', firm.siteId, 'setting', { setting: 'closure', name: 'winter', from: '2026-12-24', to })
    expect(await refusedAt(closed('2027-01-03'))).to.deep.equal([])
    expect(await refusedAt(closed('9999-12-31'))).to.deep.equal(['body.to'])
  })

  it('knows the kinds and parts there are, the firm’s own among them', async () => {
    const taken = (kind: string) => about(firm.pk, 'commissioned', { kind, kindVersion: 1, partsNew: true })
    expect(await refusedAt(taken('steam-engine'))).to.deep.equal(['body.kind'])
    expect(await refusedAt(taken('pk'))).to.deep.equal([])
    const softener = (kind: string) =>
      entryAbout('softener', firm.softenerId, 'commissioned', { kind, kindVersion: 1, partsNew: true })
    expect(await refusedAt(softener('c2'))).to.deep.equal(['body.kind'])
    expect(await refusedAt(softener('cartridge'))).to.deep.equal([])
    const fitted = (part: string, subject = firm.c2) => about(subject, 'fitted', { part })
    expect(await refusedAt(fitted('flux-capacitor'))).to.deep.equal(['body.part'])
    expect(await refusedAt(fitted('group-gasket', firm.pk)), 'a part of another kind of machine').to.deep.equal([
      'body.part',
    ])
    expect(await refusedAt(fitted('group-gasket'))).to.deep.equal([])
    const c2 = kindById('c2')!
    const part = { ...c2.parts[0]!, id: 'own-valve', name: 'A valve of ours' }
    const own = { ...c2, id: 'own-two-group', basedOn: 'c2', parts: [...c2.parts, part] }
    expect(await refusedAt(fitted('own-valve'))).to.deep.equal(['body.part'])
    expect(
      await refusedAt(entryAbout('firm', firm.firmId, 'own-kind', { kind: own }), fitted('own-valve')),
    ).to.deep.equal([])
    expect(await refusedAt(fitted('own-valve'))).to.deep.equal([])
  })

  it('lets an entry name only what is there, of this machine', async () => {
    const [held, remark, report] = [
      about(firm.c2, 'held', { why: 'descaler' }),
      about(firm.c2, 'remark', { text: 'drip tray cracked' }),
      about(firm.c2, 'fault-reported', { text: 'no steam' }),
    ]
    const naming = (subject: string, of: { held: string; remark: string; report: string }) => [
      about(subject, 'released', { held: of.held }),
      about(subject, 'remark-closed', { remark: of.remark }),
      about(subject, 'tested-out', { passed: true, report: of.report }),
    ]
    const right = { held: held.id, remark: remark.id, report: report.id }
    const [paths] = [['body.held', 'body.remark', 'body.report']]
    expect(await refusedAt(...naming(firm.c2, right)), 'before they are there').to.deep.equal(paths)
    expect(await refusedAt(held, remark, report, ...naming(firm.c2, right)), 'in one batch').to.deep.equal([])
    expect(await refusedAt(...naming(firm.sr, right)), 'of another machine').to.deep.equal(paths)
    const mixed = { held: remark.id, remark: report.id, report: held.id }
    expect(await refusedAt(...naming(firm.c2, mixed)), 'of another kind').to.deep.equal(paths)
    expect(
      await refusedAt(
        about(firm.c2, 'tested-out', { passed: true, electrical: { earthOhm: 0.1, instrument: others.ines } }),
      ),
    ).to.deep.equal(['body.electrical.instrument'])
    const thing = { name: 'lid', offS: 1, photos: ['0'.repeat(64)] }
    const stripped = about(firm.c2, 'strip-down', { title: 'the lid', minutes: 3, things: [thing] })
    expect((await refusedAt(stripped)).length, 'a photo nobody sent').to.be.greaterThan(0)
  })

  it('lets no entries correct each other in a circle, however many and whenever they come', async () => {
    const ids = [randomUUID(), randomUUID(), randomUUID()]
    const note = (i: number, of: number) => ({
      ...about(firm.c2, 'note', { text: `${i}` }),
      id: ids[i]!,
      supersedes: ids[of]!,
    })
    expect(await refusedAt(note(0, 1), note(1, 0)), 'two in one batch').to.deep.equal(['supersedes', 'supersedes'])
    expect(await refusedAt(note(0, 1)), 'what it corrects is still on its way').to.deep.equal([])
    expect(await refusedAt(note(1, 2))).to.deep.equal([])
    expect(await refusedAt(note(2, 0)), 'the third would close it').to.deep.equal(['supersedes'])
    const other = { ...about(firm.sr, 'note', { text: 'x' }), supersedes: ids[0]! }
    expect(await refusedAt(other), 'of another machine').to.deep.equal(['supersedes'])
  })

  it('lists what was written before the rules held, and leaves it readable', async () => {
    const before = await smallFirm(db, 'Before & After')
    const told = (entry: object) =>
      writeEntries(db, { firmId: before.firmId, technicianId: before.ines, role: 'owner' }, [entry], {
        now: testNow,
        told: true,
      })
    const odd = [
      about(before.c2, 'reading', { counter: 'shots', count: 812.5 }),
      about(before.c2, 'fitted', { part: 'flux-capacitor' }),
    ]
    for (const entry of [about(before.c2, 'note', { text: 'all right' }), ...odd]) await told(entry)
    const all = await oddEntries(db, before.firmId, 0)
    expect(all.rows.map(({ id, name, kind }) => ({ id, name, kind }))).to.deep.equal(
      odd.map(({ id, kind }) => ({ id, name: 'Left bar', kind })),
    )
    expect(all.rows.map(({ why }) => why)).to.deep.equal([
      ['count must be a whole number'],
      ['part is no part of this kind of machine'],
    ])
    expect(all).to.deep.include({ of: 3 })
    expect(all).not.to.have.property('next')
    const first = await oddEntries(db, before.firmId, 0, 2)
    expect(first.rows).to.have.length(1)
    expect((await oddEntries(db, before.firmId, first.next!, 2)).rows.map(({ id }) => id)).to.deep.equal([odd[1]!.id])
    expect((await oddEntries(db, others.firmId, 0)).rows, 'of one firm alone').to.deep.equal([])
  })

  it('says that an id is taken when two machines are written about with it at once', async () => {
    for (let i = 0; i < 5; i += 1) {
      const id = randomUUID()
      const answers = await Promise.all(
        [firm.c2, firm.sr].map((subject) => write({ ...about(subject, 'note', { text: 'same' }), id })),
      )
      expect(answers.map(({ verdicts }) => verdicts[0]!.verdict).sort()).to.deep.equal(['conflict', 'saved'])
    }
  })
})
