import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { forgetStandings, reckonWaiting } from '../../src/services/rebuild.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('writing entries', () => {
  let db: Db
  let firm: SmallFirm

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
    await write(firstEntries(firm.c2, 'c2'))
  })

  const actor = (who: 'ines' | 'odile' = 'ines') => ({
    firmId: firm.firmId,
    technicianId: firm[who],
    role: who === 'ines' ? ('owner' as const) : ('technician' as const),
  })
  const write = (entries: unknown[], options: Partial<Parameters<typeof writeEntries>[3]> = {}) =>
    writeEntries(db, actor(), entries, { now: testNow, ...options })
  const stored = () =>
    withFirm(db, firm.firmId, (trx) => trx('entry').orderBy('seq').select('id', 'seq', 'body', 'recorded_by'))
  const standings = () =>
    withFirm(db, firm.firmId, async (trx) => {
      const rows = await trx('standing').orderBy(['subject_id', 'key']).select('subject_id', 'key', 'detail')
      return rows.map((row) => [row.subject_id, row.key, row.detail])
    })
  const reading = (count: number, on: string, more: Partial<Entry> = {}) =>
    entryAbout('machine', firm.c2, 'reading', { counter: 'shots', count }, { on, ...more })

  it('saves, and reckons what is due in the same breath', async () => {
    const due = new Map((await standings()).map(([, key, detail]) => [key, detail]))
    expect(due.get('group-gasket@1').due.p50).to.equal('2026-12-01')
    expect(due.get('group-gasket@1').governing).to.equal('months')
    expect(due.get('group-gasket@1').uses.map((use: { clock: string }) => use.clock)).to.include('shots')
  })

  it('takes the same entry twice as one, whatever the order of its keys', async () => {
    const entry = reading(7600, '2026-11-10')
    const shuffled = Object.fromEntries(Object.entries(entry).reverse())
    expect((await write([entry])).verdicts).to.deep.equal([{ id: entry.id, verdict: 'saved' }])
    expect((await write([entry])).verdicts).to.deep.equal([{ id: entry.id, verdict: 'already' }])
    expect((await write([shuffled])).verdicts).to.deep.equal([{ id: entry.id, verdict: 'already' }])
    expect((await stored()).filter((row) => row.id === entry.id)).to.have.length(1)
  })

  it('saves once however many press at once', async () => {
    const entry = reading(7600, '2026-11-10', { visitId: randomUUID() })
    const answers = await Promise.all(Array.from({ length: 6 }, () => write([entry])))
    const verdicts = answers.map(({ verdicts: [verdict] }) => verdict!.verdict).sort()
    expect(verdicts).to.deep.equal(['already', 'already', 'already', 'already', 'already', 'saved'])
  })

  it('calls another body under a used id a conflict, and writes nothing of its visit', async () => {
    const visitId = randomUUID()
    const entry = reading(7600, '2026-11-10')
    await write([entry])
    const before = (await stored()).length
    const note = entryAbout('machine', firm.c2, 'note', { text: 'also' }, { visitId })
    const answer = await write([note, { ...entry, visitId, body: { v: 1, counter: 'shots', count: 7601 } }])
    expect(answer.verdicts.map(({ verdict }) => verdict)).to.deep.equal(['held', 'conflict'])
    expect(await stored()).to.have.length(before)
  })

  it('keeps the order of what stands alone and of visits: what comes after may name what came before', async () => {
    const held = entryAbout('machine', firm.c2, 'held', { why: 'descaler' }, { visitId: randomUUID() })
    const batch = [
      entryAbout('machine', firm.c2, 'note', { text: 'before' }),
      held,
      entryAbout('machine', firm.c2, 'released', { held: held.id }),
    ]
    expect((await write(batch)).verdicts.map(({ verdict }) => verdict)).to.deep.equal(['saved', 'saved', 'saved'])
  })

  it('writes what stands alone together, and each as if it stood alone', async () => {
    const note = (text: string, subject = firm.c2) => entryAbout('machine', subject, 'note', { text })
    const good = Array.from({ length: 60 }, (_, i) => note(`${i}`, i % 2 ? firm.c2 : firm.sr))
    const noBody = { ...note('x'), body: {} }
    const nowhere = note('y', randomUUID())
    const twice = good[3]!
    const other = { ...note('another body'), id: good[5]!.id }
    const batch = [...good.slice(0, 20), noBody, ...good.slice(20, 40), nowhere, ...good.slice(40), twice, other, null]
    const { verdicts, seq } = await write(batch)
    const became = new Map<string, number>()
    for (const { verdict } of verdicts) became.set(verdict, (became.get(verdict) ?? 0) + 1)
    expect(Object.fromEntries(became)).to.deep.equal({ saved: 60, refused: 3, already: 1, conflict: 1 })
    expect(
      verdicts.map(({ id }) => id),
      'in the order they came',
    ).to.deep.equal(batch.map((entry) => entry?.id ?? ''))
    expect(verdicts.map(({ verdict }) => verdict).indexOf('refused')).to.equal(20)
    const rows = await stored()
    expect(rows.at(-1)!.seq).to.equal(seq)
    expect((await write(batch)).verdicts.filter(({ verdict }) => verdict === 'already')).to.have.length(61)
  })

  it('writes a visit whole or not at all; what stands alone stands alone', async () => {
    const visitId = randomUUID()
    const before = (await stored()).length
    const good = entryAbout('machine', firm.c2, 'note', { text: 'good' }, { visitId })
    const bad = entryAbout('machine', firm.c2, 'inspected', { part: 'group-gasket', condition: 9 }, { visitId })
    const alone = entryAbout('machine', firm.c2, 'note', { text: 'alone' })
    const { verdicts } = await write([good, bad, alone])
    expect(verdicts.map(({ id, verdict }) => [id === alone.id, verdict])).to.deep.equal([
      [false, 'held'],
      [false, 'refused'],
      [true, 'saved'],
    ])
    expect(verdicts[1]).to.have.nested.property('issues[0].path', 'body.condition')
    expect(await stored()).to.have.length(before + 1)
  })

  it('refuses tomorrow by the site’s own clock', async () => {
    const { verdicts } = await write([reading(9000, '2026-11-27')])
    expect(verdicts[0]).to.have.nested.property('issues[0].path', 'happenedOn')
    expect(verdicts[0]).to.have.nested.property('issues[0].code', 'future')
    expect((await write([reading(9000, '2026-11-26')])).verdicts[0]!.verdict).to.equal('saved')
  })

  it('refuses another firm’s machine, and one that is none', async () => {
    const other = await smallFirm(db, 'Other')
    for (const subjectId of [other.c2, randomUUID()]) {
      const { verdicts } = await write([entryAbout('machine', subjectId, 'note', { text: 'x' })])
      expect(verdicts[0]).to.have.nested.property('issues[0].code', 'unknown')
    }
    const asSite = await write([{ ...entryAbout('site', firm.c2, 'note', { text: 'x' }) }])
    expect(asSite.verdicts[0]!.verdict).to.equal('refused')
  })

  it('refuses one id twice in a batch', async () => {
    const entry = reading(7600, '2026-11-10', { visitId: randomUUID() })
    const { verdicts } = await write([entry, { ...entry, body: { v: 1, counter: 'shots', count: 8000 } }])
    expect(verdicts.map(({ verdict }) => verdict)).to.include('refused')
    expect((await stored()).filter((row) => row.id === entry.id)).to.deep.equal([])
  })

  it('tells the second of two people what the first wrote, and writes nothing until told to', async () => {
    const { seq } = await write([reading(7600, '2026-11-10')])
    await writeEntries(db, actor('odile'), [entryAbout('machine', firm.c2, 'cleaned', { task: 'drain-hose-clean' })], {
      now: testNow,
    })
    const mine = entryAbout('machine', firm.c2, 'note', { text: 'mine' }, { visitId: randomUUID() })
    const unlessSince = { seq, subjectIds: [firm.c2] }
    const told = await write([mine], { unlessSince })
    expect(told.verdicts[0]!.verdict).to.equal('held')
    expect(told.writtenSince).to.have.length(1)
    expect(told.writtenSince![0]).to.include({ by: 'Odile Test' })
    expect(told.writtenSince![0]!.said).to.deep.equal(['cleaned drain-hose-clean'])
    expect((await write([mine])).verdicts[0]!.verdict).to.equal('saved')
    expect((await write([mine], { unlessSince })).verdicts[0]!.verdict, 'a retry is still a success').to.equal(
      'already',
    )
  })

  it('is not surprised by what came with it: one batch of a visit and of what stands beside it', async () => {
    const { seq } = await write([reading(7650, '2026-11-11')])
    const beside = entryAbout('machine', firm.c2, 'note', { text: 'rung about it' })
    const onVisit = entryAbout('machine', firm.c2, 'note', { text: 'to be seen' }, { visitId: randomUUID() })
    const unlessSince = { seq, subjectIds: [firm.c2] }
    const verdictsOf = async (batch: Entry[]) =>
      (await write(batch, { unlessSince })).verdicts.map(({ verdict }) => verdict)
    expect(await verdictsOf([beside, onVisit])).to.deep.equal(['saved', 'saved'])
    // Sent again after a lost answer, with the part that did not arrive.
    const more = entryAbout('machine', firm.c2, 'note', { text: 'and that' }, { visitId: randomUUID() })
    expect(await verdictsOf([beside, onVisit, more])).to.deep.equal(['already', 'already', 'saved'])
    expect(await verdictsOf([entryAbout('machine', firm.c2, 'note', { text: 'another' })])).to.deep.equal(['held'])
  })

  it('moves the machines of a site by an entry about the site', async () => {
    const dueOf = async (key: string) => (await standings()).find(([, found]) => found === key)![2].due.p50
    await write(firstEntries(firm.sr, 'sr'))
    const before = await dueOf('nozzle-seals')
    await write([
      entryAbout('site', firm.siteId, 'setting', { setting: 'closure', from: '2026-12-01', to: '2027-02-28' }),
    ])
    const shut = await dueOf('nozzle-seals')
    expect(shut >= before).to.equal(true)
    await write([entryAbout('firm', firm.firmId, 'setting', { setting: 'policy', policy: 'longLife' })])
    expect((await dueOf('group-gasket@1')) > '2027-03-01').to.equal(true)
  })

  it('leaves what moves the whole firm to its owner', async () => {
    const way = () => entryAbout('firm', firm.firmId, 'setting', { setting: 'policy', policy: 'cautious' })
    const asOdile = await writeEntries(db, actor('odile'), [way()], { now: testNow })
    expect(asOdile.verdicts[0]).to.have.nested.property('issues[0].code', 'owner_only')
    expect((await write([way()])).verdicts[0]!.verdict).to.equal('saved')
    const own = entryAbout('machine', firm.c2, 'setting', { setting: 'policy', policy: 'longLife' })
    expect((await writeEntries(db, actor('odile'), [own], { now: testNow })).verdicts[0]!.verdict).to.equal('saved')
  })

  it('comes to the same standings in whatever order the entries arrive', async () => {
    const history = [
      ...[7600, 8100, 8700].map((count, i) => reading(count, `2026-11-1${i}`)),
      entryAbout('machine', firm.c2, 'fitted', { part: 'group-gasket', group: 1 }, { on: '2026-09-01' }),
      entryAbout('site', firm.siteId, 'water-test', {
        point: 'raw',
        quantity: 'total',
        method: 'drops',
        unit: 'dH',
        drops: 19,
        perDrop: 1,
      }),
      entryAbout(
        'softener',
        firm.softenerId,
        'commissioned',
        { kind: 'exchanger', kindVersion: 1, partsNew: true },
        { on: '2026-06-01' },
      ),
      entryAbout('softener', firm.softenerId, 'setting', { setting: 'exchanger', resinL: 12 }, { on: '2026-06-01' }),
      entryAbout('softener', firm.softenerId, 'regenerated', { saltKg: 1.5 }, { on: '2026-11-12' }),
    ]
    const correction = { ...reading(7650, '2026-11-10'), supersedes: history[0]!.id }
    await write([...history, correction])
    const forwards = await standings()
    const again = await smallFirm(db)
    const moved = (entry: Entry): Entry => ({
      ...entry,
      subjectId: { [firm.c2]: again.c2, [firm.siteId]: again.siteId, [firm.softenerId]: again.softenerId }[
        entry.subjectId
      ]!,
    })
    const backwards = [...firstEntries(firm.c2, 'c2'), ...history, correction].reverse().map(moved)
    for (const entry of backwards) {
      await writeEntries(db, { firmId: again.firmId, technicianId: again.ines, role: 'owner' }, [entry], {
        now: testNow,
      })
    }
    const other = await withFirm(db, again.firmId, (trx) => trx('standing').orderBy('key').select('key', 'detail'))
    const plain = (details: { key: string }[]) => JSON.stringify(details.sort((a, b) => (a.key < b.key ? -1 : 1)))
    expect(plain(other.map((row) => row.detail))).to.equal(plain(forwards.map(([, , detail]) => detail)))
  })

  it('rebuilds to what is stored', async () => {
    await write(firstEntries(firm.sr, 'sr'))
    await write(firstEntries(firm.pk, 'pk'))
    const before = await standings()
    await forgetStandings(db, firm.firmId)
    expect(await reckonWaiting(db, firm.firmId)).to.equal(4)
    expect(await standings()).to.deep.equal(before)
    expect(await reckonWaiting(db, firm.firmId)).to.equal(0)
  })

  it('marks stale what is too much to reckon at once, and the worker catches up', async () => {
    await withFirm(db, firm.firmId, async (trx) => {
      for (let i = 0; i < 55; i += 1) {
        const id = randomUUID()
        await trx('subject').insert({ firm_id: firm.firmId, id, kind: 'machine', reckoning_version: 1 })
        await trx('machine').insert({
          firm_id: firm.firmId,
          id,
          site_id: firm.siteId,
          name: `Pod ${i}`,
          maker: 'Pellamy',
          model: 'P1',
          serial: `P-${i}`,
          kind: 'pk',
        })
      }
    })
    await reckonWaiting(db, firm.firmId)
    await write([
      entryAbout('supply', firm.supplyId, 'water-test', {
        point: 'raw',
        quantity: 'total',
        method: 'figure',
        unit: 'dH',
        value: 21,
      }),
    ])
    const stale = await withFirm(db, firm.firmId, (trx) =>
      trx('subject').where({ stale: true }).count({ n: '*' }).first(),
    )
    expect(Number(stale!.n)).to.equal(59)
    expect(await reckonWaiting(db, firm.firmId)).to.equal(59)
  })

  it('moves nobody by a visit’s header or a note, its own machine by what was done to it, all along by water', async () => {
    await write([
      ...firstEntries(firm.sr, 'sr'),
      entryAbout('softener', firm.softenerId, 'commissioned', {
        ...{ kind: 'exchanger', kindVersion: 1, partsNew: true },
      }),
    ])
    /** Subjects whose stored standings were written anew: their rows have another version of the database’s own. */
    const rows = () =>
      withFirm(db, firm.firmId, async (trx) => {
        const found = await trx('subject').select('id', trx.raw('xmin::text as written'))
        return new Map(found.map((row) => [row.id as string, row.written as string]))
      })
    const reckonedBy = async (...entries: Entry[]) => {
      const before = await rows()
      await write(entries)
      const after = await rows()
      // What an entry is about is locked, and a lock alone leaves a mark: only the ids beside it are told apart by it.
      return [...after].flatMap(([id, written]) => (written === before.get(id) ? [] : [id]))
    }
    const visitId = randomUUID()
    const header = entryAbout('site', firm.siteId, 'visit', { technicianIds: [firm.ines] }, { visitId })
    const beside = (ids: string[]) => ids.filter((id) => [firm.c2, firm.sr, firm.softenerId].includes(id))
    expect(beside(await reckonedBy(header))).to.deep.equal([])
    expect(
      beside(await reckonedBy(entryAbout('site', firm.siteId, 'note', { text: 'closed for paint' }))),
    ).to.deep.equal([])
    expect(beside(await reckonedBy(entryAbout('machine', firm.c2, 'cleaned', { task: 'screen-soak' })))).to.deep.equal([
      firm.c2,
    ])
    const test = { point: 'raw', quantity: 'total', method: 'figure', unit: 'dH', value: 21 }
    expect(beside(await reckonedBy(entryAbout('site', firm.siteId, 'water-test', test)))).to.have.members([
      ...[firm.c2, firm.sr, firm.softenerId],
    ])
  })

  it('reckons anew what a correction takes back, whatever the correction itself would move', async () => {
    const done = entryAbout('machine', firm.c2, 'fitted', { part: 'group-gasket', group: 1 })
    const before = await standings()
    await write([done])
    expect(await standings()).to.not.deep.equal(before)
    await write([entryAbout('machine', firm.c2, 'withdrawn', {}, { supersedes: done.id })])
    const dues = (rows: Awaited<ReturnType<typeof standings>>) => rows.map(([, key, { due }]) => [key, due?.p50])
    expect(dues(await standings())).to.deep.equal(dues(before))
  })

  it('survives writers that cross each other', async () => {
    await write(firstEntries(firm.sr, 'sr'))
    const jobs = Array.from({ length: 24 }, (_, i) => {
      const subject = i % 2 ? firm.c2 : firm.sr
      const batch = [
        entryAbout('machine', subject, 'note', { text: `note ${i}` }, { visitId: randomUUID() }),
        entryAbout('site', firm.siteId, 'setting', { setting: 'opening', openWeekdays: [1 + (i % 7)] }),
        entryAbout('softener', firm.softenerId, 'regenerated', { saltKg: i }),
      ]
      return write(i % 3 ? batch : [...batch].reverse(), { asOne: true })
    })
    const answers = await Promise.all(jobs)
    expect(new Set(answers.flatMap(({ verdicts }) => verdicts.map(({ verdict }) => verdict)))).to.deep.equal(
      new Set(['saved']),
    )
    const seqs = (await stored()).map((row) => row.seq)
    expect(seqs).to.deep.equal(seqs.map((_, i) => i + 1))
  })
})
