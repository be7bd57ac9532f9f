import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import iconv from 'iconv-lite'
import { effectiveHistory } from '../../src/core/ledger/effective-history.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { allKept } from '../../src/records/kept.ts'
import { entriesOf } from '../../src/records/ledger.ts'
import { exportFirm } from '../../src/services/export-firm.ts'
import { forget } from '../../src/services/forget.ts'
import { importFirm } from '../../src/services/import-firm.ts'
import { bringIn, startImport, stopImport } from '../../src/services/imports/bring-in.ts'
import {
  importFile,
  importList,
  importPage,
  knownWords,
  refusedRows,
  takeBack,
} from '../../src/services/imports/imports.ts'
import { checkImport } from '../../src/services/imports/judge-import.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { catchUp } from '../../src/services/projections.ts'
import { roundPage } from '../../src/services/round.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import type { JudgedCustomer, JudgedMachine, JudgedWork } from '../../src/views/judged-row.ts'
import { kind, type ListChoices, leftOut, listRequest } from '../lists/list-request.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

const actor = (firm: SmallFirm, role: 'owner' | 'technician' = 'owner') => ({
  firmId: firm.firmId,
  technicianId: role === 'owner' ? firm.ines : firm.odile,
  role,
})
const zone = { timeZone: 'Europe/London' }
const going = () => new AbortController().signal

/** What each word of the German list means. */
const german = {
  kind: {
    Siebträger: kind('c2'),
    Mühle: kind('gr'),
    Kaffeemühle: kind('gr'),
    Vollautomat: kind('sr'),
    Kapsel: kind('pk'),
    Eiswürfelbereiter: leftOut,
  },
  softener: {
    Salz: { is: 'treatment' as const, treatment: 'exchanger' },
    Kartusche: { is: 'treatment' as const, treatment: 'cartridge' },
    keiner: leftOut,
  },
}

describe('lists of other firms', () => {
  let db: Db
  let firm: SmallFirm
  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Reads Lists')
  })
  after(() => db.destroy())

  const machines = async (name: string, choices: ListChoices = {}) => {
    const checked = await checkImport(db, actor(firm), zone, await listRequest(name, 'machines', choices), testNow)
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    return checked.rows as JudgedMachine[]
  }
  const count = (rows: { verdict: string }[]) => {
    const counts: Record<string, number> = {}
    for (const { verdict } of rows) counts[verdict] = (counts[verdict] ?? 0) + 1
    return counts
  }
  /** What matters of a row: which machine, of what kind, since when, how many. */
  const told = ({ machine, reason }: JudgedMachine) =>
    machine
      ? [
          machine.serial || machine.name,
          machine.kind,
          machine.takenOn ? `${machine.takenOn.on}${machine.takenOn.known ? ` (${machine.takenOn.known})` : ''}` : null,
          machine.count ?? null,
        ]
      : reason

  it('German, in the western code page: a title above, totals below, figures with points, half a date', async () => {
    const rows = await machines('german-machines.csv', { words: german })
    expect(count(rows)).to.deep.equal({ taken: 59, 'left-out': 2 })
    const [first] = rows
    expect(first!.machine).to.deep.include({
      site: 'Bäckerei Sommer',
      customer: 'Sommer KG',
      phone: '0555 2000',
      groups: 2,
      takenOn: { on: '2024-07-05' },
      count: 85_790,
      readOn: { on: '2026-10-30' },
      hardness: { value: 5.1, unit: 'dH' },
      treatment: 'exchanger',
    })
    expect(rows[8]!.machine).to.deep.include({ count: 76_819, takenOn: { on: '2013-07-01', known: 'year' } })
    expect(rows[60]!.reason).to.equal('a line of totals')
    expect(rows.filter(({ machine }) => machine && !machine.serial)).to.have.length(5)
  })

  it('French, in UTF-16 with tabs: months in words, thin blanks, degrees French', async () => {
    const rows = await machines('french-machines.csv', {
      unit: 'fH',
      words: {
        kind: {
          'machine à expresso': kind('c2'),
          'moulin à café': kind('gr'),
          'machine à capsules': kind('pk'),
          automatique: kind('sr'),
          '3 groupes': kind('c2', 3),
        },
        softener: { 'oui, sel': { is: 'treatment', treatment: 'exchanger' } },
      },
    })
    expect(rows.map(told)).to.deep.equal([
      ['VD-501', 'c2', '2019-03-12', 84_210],
      ['VM-502', 'gr', '2019-03-12', null],
      ['PP-503', 'pk', '2022-06-16 (month)', 20_900],
      ['Étage 3', 'sr', '2021-07-01 (year)', 1204],
      ['VT-504', 'c2', '2020-02-01', null],
      'a line of totals',
    ])
    expect(rows[0]!.machine).to.deep.include({
      hardness: { value: 32.5, unit: 'fH' },
      readOn: { on: '2026-11-03' },
      remark: 'vanne derrière le bar',
    })
    expect(rows[4]!.machine!.groups).to.equal(3)
  })

  it('British: commas in counts, unknowns in words, the same machine twice, an empty site', async () => {
    const rows = await machines('british-machines.csv', {
      unit: 'mgL',
      words: { kind: { '2-group': kind('c2', 2), grinder: kind('gr'), pods: kind('pk'), 'bean to cup': kind('sr') } },
    })
    expect(rows.map(told)).to.deep.equal([
      ['FH-01', 'c2', '2021-04-03', 184_220],
      ['FH-02', 'gr', '2021-04-03', 1240],
      ['FH-03', 'pk', null, null],
      ['MO-01', 'sr', '2022-09-16 (month)', 12_400],
      ['MO-01', 'sr', '2022-09-16 (month)', 12_400],
      ['Boardroom', 'sr', '2024-01-15', null],
      'the site is empty',
    ])
    expect(count(rows)).to.deep.equal({ taken: 5, duplicate: 1, unreadable: 1 })
    expect(rows[0]!.machine).to.deep.include({ hardness: { value: 250, unit: 'mgL' }, access: 'Key at the slip' })
    expect(rows[1]!.machine!.unit).to.equal('kg')
  })

  it('American, a workbook: real days, a sum by formula, ppm in the cell, a kind that is left out', async () => {
    const rows = await machines('american-machines.xlsx', {
      unit: 'mgL',
      words: {
        kind: {
          superautomatic: kind('sr'),
          'espresso machine': kind('c2'),
          'coffee grinder': kind('gr'),
          'ice machine': leftOut,
        },
        softener: { 'carbon filter': { is: 'treatment', treatment: 'carbon' } },
      },
    })
    expect(rows.map(told)).to.deep.equal([
      ['RT-1', 'sr', '2021-04-03', 84_210],
      ['RT-2', 'c2', '2020-11-26', 184_220],
      ['CC-1', 'gr', '2019-02-01', 1240],
      '“ice machine” is left out',
      'a line of totals',
    ])
    expect(rows[0]!.machine).to.deep.include({ hardness: { value: 250, unit: 'mgL' }, treatment: 'carbon' })
  })

  it('Swiss: apostrophes of both sorts, days of two figures, a counter that no machine has', async () => {
    const rows = await machines('swiss-machines.csv', {
      words: {
        kind: {
          Kaffeevollautomat: kind('sr'),
          'Siebträgermaschine 2-gruppig': kind('c2', 2),
          'Gastro Vollautomat': kind('sp'),
        },
      },
    })
    expect(rows.map(told)).to.deep.equal([
      ['AR-11', 'sr', '2023-03-01', 84_210],
      ['AR-12', 'sr', '2023-03-01', 102_900],
      ['FI-01', 'c2', '2018-12-16 (month)', 1_184_220],
      "the counter “999'999'999'999” is above 100,000,000: more than any counter shows",
    ])
    // 28 °fH in a list of °dH: 28 × 10 / 17.848.
    expect(rows[0]!.machine!.hardness!.value).to.be.closeTo(15.688, 0.001)
    expect(rows[0]!.machine!.readOn).to.deep.equal({ on: '2026-09-30' })
  })

  it('Italian, an open document: cells that were merged stand for all they cover', async () => {
    const rows = await machines('italian-machines.ods', {
      unit: 'fH',
      words: {
        kind: {
          'macchina espresso': kind('c2'),
          macinacaffè: kind('gr'),
          cialde: kind('pk'),
          superautomatica: kind('sr'),
        },
      },
    })
    expect(rows.map(({ machine }) => [machine!.site, machine!.serial, machine!.count])).to.deep.equal([
      ['Bar Centrale', 'BC-1', 120_500],
      ['Bar Centrale', 'BC-2', 640],
      ['Bar Centrale', 'BC-3', 3400],
      ['Ufficio Tasse', 'UT-1', 12_400],
    ])
  })

  it('with kinds that are not known here: no row is taken for something else, an empty cell least of all', async () => {
    const rows = await machines('kinds-not-known.csv', { words: { kind: { '2 group': kind('c2', 2) } } })
    expect(rows.map(told)).to.deep.equal([
      '“filter brewer”: say above what it means',
      '“urn”: say above what it means',
      ['SC-3', 'c2', '2021-05-01', 44_120],
      '“water boiler”: say above what it means',
      '“soda”: say above what it means',
      'no kind of machine stands here: say above what it is',
    ])
  })

  it('with half-known days and empty lines: a site stands for the rows below it, what is no day is refused', async () => {
    const words = { kind: { 'two-group': kind('c2'), grinder: kind('gr'), pod: kind('pk'), 'Bean-to-Cup': kind('sr') } }
    const rows = await machines('half-known-dates.csv', { fillDown: true, words })
    expect(rows.map(told)).to.deep.equal([
      ['RR-1', 'c2', '2019-07-01 (year)', 50_000],
      ['RR-2', 'gr', '2020-03-16 (month)', 400],
      'taken on “spring 2020” is not a date',
      'taken on “2020-13” is not a date',
      ['TW-2', 'sr', null, 9000],
      'taken on “11/26/2024” is not a date',
      'taken on “2030” is in the future',
    ])
    expect(rows[1]!.machine!.site).to.equal('Reading room')
    const alone = await machines('half-known-dates.csv', { words })
    expect(alone[1]!.reason).to.equal('the site is empty')
  })

  it('takes no word for an unknown serial number for one: two such machines are two', async () => {
    const request = {
      ...(await listRequest('kinds-not-known.csv', 'machines', { words: { kind: { grinder: kind('gr') } } })),
      columns: { site: 0, kind: 1, serial: 2, name: 3 },
      cells: JSON.stringify([
        ['Site', 'Type', 'Serial', 'Name'],
        ['Mill', 'grinder', '?', 'Left'],
        ['Mill', 'grinder', 'n/a', 'Right'],
        ['Pier', 'grinder', '?', 'Left'],
      ]),
    }
    const checked = await checkImport(db, actor(firm), zone, request, testNow)
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    const rows = checked.rows as JudgedMachine[]
    expect(rows.map(({ verdict, machine }) => [verdict, machine!.serial])).to.deep.equal([
      ['taken', ''],
      ['taken', ''],
      ['taken', ''],
    ])
  })

  it('of customers: who is there gets what was missing, and keeps what is there', async () => {
    const checked = await checkImport(
      db,
      actor(firm),
      zone,
      await listRequest('british-customers.csv', 'customers'),
      testNow,
    )
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    const rows = checked.rows as JudgedCustomer[]
    expect(rows.map(({ verdict }) => verdict)).to.deep.equal(['taken', 'duplicate', 'taken', 'taken', 'unreadable'])
    expect(rows[0]!.customer).to.include({ phone: '0555 0199', email: 'rook@lantern.example', note: 'invoice monthly' })
    expect(rows[3]!.customer).to.include({ phone: '' })
  })

  it('refuses what is no list, and points at what is wrong', async () => {
    const good = await listRequest('kinds-not-known.csv', 'machines')
    const wrong = async (some: object) => {
      const checked = await checkImport(db, actor(firm), zone, { ...good, ...some }, testNow)
      return checked.ok ? 'taken' : checked.issues.map(({ path }) => path).join()
    }
    expect(await wrong({})).to.equal('taken')
    expect(await wrong({ cells: 'x' })).to.equal('cells')
    expect(await wrong({ cells: '[["a"]]' })).to.equal('cells')
    expect(await wrong({ cells: JSON.stringify([['a'], [1]]) })).to.equal('cells')
    expect(await wrong({ cells: JSON.stringify(Array.from({ length: 5002 }, () => ['a'])) })).to.equal('cells')
    expect(await wrong({ columns: { site: 99 } })).to.equal('columns')
    expect(await wrong({ columns: { site: -1 } })).to.equal('columns')
    expect(await wrong({ columns: { __proto__: 1, nothing: 0 } })).to.equal('columns')
    expect(await wrong({ words: [['kind', 'x', '{"is":"magic"}']] })).to.equal('words')
    expect(await wrong({ words: [['__proto__', 'x', '{"is":"left-out"}']] })).to.equal('words')
    expect(await wrong({ dateForm: 'sideways' })).to.equal('dateForm')
    expect(await wrong({ what: 'analyses', columns: { date: 0 }, supplyId: randomUUID() })).to.equal('supplyId')
    expect(({} as Record<string, unknown>).x).to.equal(undefined)
  })
})

describe('a list brought in', () => {
  let db: Db
  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())

  const bring = async (firm: SmallFirm, request: object, signal = going()) => {
    const started = await startImport(db, actor(firm), request, testNow)
    if (!started.ok) throw new Error(JSON.stringify(started.issues))
    await bringIn(db, firm.firmId, signal)
    return started.id
  }
  const page = async (firm: SmallFirm, id: string) => (await importPage(db, actor(firm), id))!
  /** Everything that follows from a firm's ledger, for the machines given. */
  const allThatFollows = async (firm: SmallFirm, ids: string[]) => {
    await catchUp(db, firm.firmId)
    return withFirm(db, firm.firmId, async (trx) => ({
      standings: await trx('standing')
        .orderBy(['subject_id', 'key'])
        .select('subject_id', 'key', 'due_p10', 'due_p50', 'due_p90', 'detail'),
      machines: await allKept(trx, 'machine'),
      sites: await allKept(trx, 'site'),
      customers: await allKept(trx, 'customer'),
      softeners: await allKept(trx, 'softener'),
      history: effectiveHistory(await entriesOf(trx, ids)).entries.map(({ id, kind, body }) => ({ id, kind, body })),
    }))
  }

  it('is written once however often it is sent, stands in the list, and is taken back without a trace in what is due', async () => {
    const firm = await smallFirm(db, 'Takes Back')
    const ids = [firm.c2, firm.sr, firm.pk, firm.siteId, firm.softenerId]
    await writeEntries(
      db,
      actor(firm),
      [entryAbout('machine', firm.c2, 'fitted', { part: 'group-gasket', group: 1 }, { on: '2026-05-04' })],
      { now: testNow },
    )
    const before = await allThatFollows(firm, ids)
    const boardBefore = await roundPage(db, firm.firmId, { horizon: 'all' }, '2026-11-28')
    const request = await listRequest('german-machines.csv', 'machines', { words: german })
    const id = await bring(firm, request)
    expect(await page(firm, id)).to.deep.include({
      state: 'written',
      rows: 61,
      done: 61,
      verdicts: { taken: 59, 'left-out': 2 },
    })
    const { made } = await page(firm, id)
    expect(made.records).to.deep.equal({ customer: 10, site: 10, softener: 6, machine: 59 })
    await bring(firm, request)
    expect((await page(firm, id)).made).to.deep.equal(made)
    expect((await importList(db, firm.firmId)).map((one) => [one.fileName, one.state])).to.deep.equal([
      ['german-machines.csv', 'written'],
    ])
    const again = await checkImport(db, actor(firm), zone, { ...request, id: randomUUID() }, testNow)
    expect(again.ok && again.rows.filter(({ verdict }) => verdict === 'duplicate')).to.have.length(59)
    expect((await knownWords(db, firm.firmId)).kind).to.have.property('vollautomat')

    expect(await takeBack(db, actor(firm), id)).to.deep.equal({ ok: true })
    await bringIn(db, firm.firmId, going())
    expect(await page(firm, id)).to.deep.include({ state: 'taken-back', builtUpon: [] })
    expect(await allThatFollows(firm, ids)).to.deep.equal(before)
    expect(await roundPage(db, firm.firmId, { horizon: 'all' }, '2026-11-28')).to.deep.equal(boardBefore)
    // What was written and withdrawn stays to be read.
    const kinds = await withFirm(db, firm.firmId, (trx) =>
      trx('entry').where({ origin: 'a spreadsheet' }).count({ n: '*' }).first(),
    )
    const back = await withFirm(db, firm.firmId, (trx) =>
      trx('entry').where({ origin: 'a spreadsheet taken back' }).count({ n: '*' }).first(),
    )
    expect([Number(kinds!.n), Number(back!.n)]).to.deep.equal([made.entries, made.entries])
  })

  it('goes on where it was when it is killed in the middle, and ends the same', async () => {
    const firm = await smallFirm(db, 'Goes On In The Middle')
    const whole = await smallFirm(db, 'Goes Through')
    const lines = [
      ['Site', 'Type', 'Serial', 'Count'],
      ...Array.from({ length: 350 }, (_, i) => [`Place ${i % 40}`, 'grinder', `K-${i}`, String(100 + i)]),
    ]
    const request = {
      ...(await listRequest('kinds-not-known.csv', 'machines', { words: { kind: { grinder: kind('gr') } } })),
      columns: { site: 0, kind: 1, serial: 2, count: 3 },
      cells: JSON.stringify(lines),
    }
    const stopped = new AbortController()
    // Told to stop as soon as it has written anything.
    const watch = setInterval(async () => {
      const list = (await importList(db, firm.firmId))[0]
      if (list && list.done > 0) stopped.abort()
    }, 5)
    const id = await bring(firm, request, stopped.signal)
    clearInterval(watch)
    const half = await page(firm, id)
    await bringIn(db, firm.firmId, going())
    const other = await bring(whole, { ...request, id: randomUUID() })
    const strip = ({ made, verdicts, done, state }: Awaited<ReturnType<typeof page>>) => ({
      made,
      verdicts,
      done,
      state,
    })
    expect(half.done).to.be.within(100, 350)
    expect(strip(await page(firm, id))).to.deep.equal(strip(await page(whole, other)))
    expect((await page(firm, id)).made).to.deep.include({
      records: { customer: 40, site: 40, machine: 350 },
      entries: 1050,
    })
  })

  it('keeps what was built upon when it is taken back, with the place it stands at, and names it', async () => {
    const firm = await smallFirm(db, 'Builds Upon')
    const words = {
      kind: { '2-group': kind('c2', 2), grinder: kind('gr'), pods: kind('pk'), 'bean to cup': kind('sr') },
    }
    const id = await bring(firm, await listRequest('british-machines.csv', 'machines', { words, unit: 'mgL' }))
    const machine = (await withFirm(db, firm.firmId, (trx) => allKept(trx, 'machine'))).find(
      ({ serial }) => serial === 'FH-02',
    )!
    await writeEntries(
      db,
      actor(firm),
      [entryAbout('machine', machine.id, 'reading', { counter: 'shots', count: 1300 }, { on: '2026-11-20' })],
      { now: testNow },
    )
    expect((await page(firm, id)).builtUpon).to.deep.equal([
      { kind: 'machine', id: machine.id, name: 'Grinder', by: '1 entry' },
    ])
    expect(await takeBack(db, actor(firm, 'technician'), id)).to.include({ ok: false, status: 403 })
    await takeBack(db, actor(firm), id)
    await bringIn(db, firm.firmId, going())
    const left = await withFirm(db, firm.firmId, async (trx) => ({
      machines: (await allKept(trx, 'machine')).map(({ serial }) => serial).filter((serial) => /^(FH|MO)/.test(serial)),
      sites: (await allKept(trx, 'site'))
        .map(({ name }) => name)
        .filter((name) => name !== 'A bakery' && !/bakery/i.test(name)),
      of: effectiveHistory(await entriesOf(trx, [machine.id]))
        .entries.map(({ kind: one }) => one)
        .sort(),
    }))
    expect(left).to.deep.equal({
      machines: ['FH-02'],
      sites: ['Ferry Hut'],
      of: ['commissioned', 'reading', 'reading', 'taken-over'],
    })
  })

  it('gives back the file, and the rows that were not written in its own letters and separators', async () => {
    const firm = await smallFirm(db, 'Gives Back')
    const id = await bring(firm, await listRequest('german-machines.csv', 'machines', { words: german }))
    const file = (await importFile(db, firm.firmId, id))!
    expect(file.name).to.equal('german-machines.csv')
    expect(file.bytes.includes(Buffer.from('M\xfchlgasse', 'latin1'))).to.equal(true)
    const refused = (await refusedRows(db, firm.firmId, id))!
    // Not by this runtime's own decoder: it takes the code page for Latin-1.
    const text = iconv.decode(refused.bytes, 'Windows-1252')
    expect(text.split('\r\n')).to.have.length(4)
    expect(text).to.contain('Seriennr.;Inbetriebnahme').and.contain('“Eiswürfelbereiter” is left out')
    const other = await smallFirm(db, 'Looks Elsewhere')
    expect(await importFile(db, other.firmId, id)).to.equal(null)
    expect(await importPage(db, actor(other), id)).to.equal(null)
    expect(await takeBack(db, actor(other), id)).to.include({ ok: false, status: 404 })
    expect(await stopImport(db, actor(other), id)).to.equal(false)
  })

  it('fills in what was missing of customers, and empties it again unless somebody changed it', async () => {
    const firm = await smallFirm(db, 'Fills In')
    const cells = JSON.stringify([
      ['Customer', 'Tel', 'Mail'],
      ['a customer', '0555 77', 'new@bakery.example'],
      ['Newcomer', '0555 78', ''],
    ])
    const request = {
      ...(await listRequest('british-customers.csv', 'customers')),
      columns: { name: 0, phone: 1, email: 2 },
      cells,
    }
    const id = await bring(firm, request)
    const named = async () =>
      (await withFirm(db, firm.firmId, (trx) => allKept(trx, 'customer')))
        .map(({ name, phone }) => [name, phone])
        .sort()
    expect(await named()).to.deep.equal([
      ['A customer', '0555 77'],
      ['Newcomer', '0555 78'],
    ])
    expect((await page(firm, id)).made).to.deep.include({ filled: 1, records: { customer: 1 } })
    await takeBack(db, actor(firm), id)
    await bringIn(db, firm.firmId, going())
    expect(await named()).to.deep.equal([['A customer', '']])
  })

  it('goes with all the firm has into another place: file, rows, what it made, what words mean; and is taken back there', async () => {
    const firm = await smallFirm(db, 'Moves Its Lists')
    const before = (await withFirm(db, firm.firmId, (trx) => allKept(trx, 'machine'))).length
    const id = await bring(firm, await listRequest('german-machines.csv', 'machines', { words: german }))
    let told = ''
    const write = (piece: string) => {
      told += piece
    }
    await exportFirm(db, firm.firmId, write)
    const data = JSON.parse(told)
    expect(data.imports.map((list: { id: string }) => list.id)).to.deep.equal([id])
    const owner = { email: `${randomUUID()}@test.example`, password: 'a long enough password' }
    await db
      .transaction(async (trx) => {
        for (const table of ['invitation', 'session', 'account']) await trx(table).delete()
        // What was under way when it was taken out goes on nowhere.
        const halfway = structuredClone(data)
        halfway.imports[0].state = 'waiting'
        const imported = await importFirm(trx, owner, halfway)
        if (!imported.ok) throw new Error(JSON.stringify(imported.issues))
        const there = { firmId: imported.firmId, technicianId: imported.technicianId, role: 'owner' as const }
        expect((await importPage(trx, there, id))!.state).to.equal('stopped')
        const file = (await importFile(trx, there.firmId, id))!
        expect(file.bytes.equals((await importFile(db, firm.firmId, id))!.bytes)).to.equal(true)
        expect(await knownWords(trx, there.firmId)).to.deep.equal(await knownWords(db, firm.firmId))
        expect(await refusedRows(trx, there.firmId, id)).to.deep.equal(await refusedRows(db, firm.firmId, id))
        let again = ''
        await exportFirm(trx, there.firmId, (piece) => {
          again += piece
        })
        expect(again).to.equal(told.replace('"state":"written"', '"state":"stopped"'))
        expect(await takeBack(trx, there, id)).to.deep.equal({ ok: true })
        await bringIn(trx, there.firmId, going())
        expect((await importPage(trx, there, id))!.state).to.equal('taken-back')
        expect((await withFirm(trx, there.firmId, (inner) => allKept(inner, 'machine'))).length).to.equal(before)
        throw new Error('undone')
      })
      .catch((error: Error) => {
        if (error.message !== 'undone') throw error
      })
    const odd = structuredClone(data)
    odd.imports[0].technicianId = randomUUID()
    odd.words = { kind: 7 }
    await db
      .transaction(async (trx) => {
        for (const table of ['invitation', 'session', 'account']) await trx(table).delete()
        const refused = await importFirm(trx, owner, odd)
        expect(!refused.ok && refused.issues.map(({ path }) => path).sort()).to.deep.equal([
          'imports[0].technicianId',
          'words',
        ])
        throw new Error('undone')
      })
      .catch((error: Error) => {
        if (error.message !== 'undone') throw error
      })
  })

  it('says nothing of a customer any more who is forgotten: neither file nor cells; what it made stays', async () => {
    const firm = await smallFirm(db, 'Forgets In Lists')
    const id = await bring(firm, await listRequest('german-machines.csv', 'machines', { words: german }))
    const customers = await withFirm(db, firm.firmId, (trx) => allKept(trx, 'customer'))
    const one = customers.find(({ name }) => name === 'Sommer KG')!
    const { id: customerId, version, ...record } = one
    const change = {
      kind: 'customer' as const,
      id: customerId,
      version,
      record: { ...record, retiredOn: '2026-11-25' },
    }
    await keepRecord(db, actor(firm), change, testNow)
    expect(await forget(db, actor(firm), 'customer', customerId, testNow)).to.deep.include({ ok: true })
    expect(await importFile(db, firm.firmId, id)).to.equal(null)
    expect(await refusedRows(db, firm.firmId, id)).to.equal(null)
    const kept = await withFirm(db, firm.firmId, (trx) => trx('import').first('cells', 'file_name'))
    expect(JSON.stringify(kept)).not.to.contain('Sommer')
    expect((await page(firm, id)).made.records).to.include({ machine: 59 })
  })

  it('of past work: by words in German, one meaning for all rows of a word, the rest as notes', async () => {
    const firm = await smallFirm(db, 'Remembers Work')
    await bring(firm, await listRequest('german-machines.csv', 'machines', { words: german }))
    const request = await listRequest('german-past-work.csv', 'work')
    const checked = await checkImport(db, actor(firm), zone, request, testNow)
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    const rows = checked.rows as JudgedWork[]
    expect(rows.map(({ verdict, work }) => [verdict, work?.map(({ kind: one }) => one).join(' ') ?? ''])).to.deep.equal(
      [
        ['taken', 'reading fitted note'],
        ['taken', 'fitted note'],
        ['taken', 'reading fitted fitted note'],
        ['note-only', 'note'],
        ['taken', 'serviced note'],
        ['taken', 'reading descaled note'],
        ['note-only', 'note'],
        ['unreadable', ''],
        ['unknown-machine', ''],
        ['impossible', ''],
      ],
    )
    expect(rows[3]!.guess).to.deep.equal({ entry: 'fitted', id: 'group-gasket', group: 'all' })
    expect(rows[0]!.work!.at(-1)!.body).to.deep.include({ text: 'By J. Roth. Charged 84,00. Kunde zufrieden' })
    const meant = { is: 'work', entry: 'fitted', id: 'group-gasket', group: 'all' }
    const told = await checkImport(
      db,
      actor(firm),
      zone,
      { ...request, words: [['what', 'dichtung', JSON.stringify(meant)]] },
      testNow,
    )
    expect(told.ok && (told.rows[3] as JudgedWork).work!.map(({ kind: one }) => one)).to.deep.equal([
      'fitted',
      'fitted',
    ])
    const id = await bring(firm, request)
    expect((await page(firm, id)).verdicts).to.deep.equal({
      taken: 5,
      'note-only': 2,
      unreadable: 1,
      'unknown-machine': 1,
      impossible: 1,
    })
  })
})
