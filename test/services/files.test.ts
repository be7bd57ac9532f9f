import { expect } from 'chai'
import { readWork } from '../../src/core/files/read-work.ts'
import { kindById } from '../../src/core/kinds/index.ts'
import type { Db } from '../../src/records/database.ts'
import { checkCustomers } from '../../src/services/check-customers.ts'
import { checkMachines } from '../../src/services/check-machines.ts'
import { checkWork } from '../../src/services/check-work.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

describe('an old service record, read', () => {
  const c2 = kindById('c2')!
  const said: [text: string, kind: string, body: Record<string, unknown>, group?: number][] = [
    ['Group gasket replaced', 'fitted', { part: 'group-gasket', group: 1 }],
    ['replaced group gaskets, group 2', 'fitted', { part: 'group-gasket', group: 2 }],
    ['New steam tip right', 'fitted', { part: 'steam-tip', group: 2 }],
    ['Shower screen changed', 'fitted', { part: 'shower-screen', group: 2 }, 2],
    ['Cleaned inlet strainer', 'cleaned', { task: 'inlet-strainer-clean' }],
    ['Electrical safety test, passed', 'checked', { task: 'electrical-test' }],
    ['full service', 'serviced', { task: 'full-service' }],
    ['yearly service', 'serviced', { task: 'full-service' }],
    ['leaking at the front', 'fault-reported', { text: 'leaking at the front' }],
    ['repaired rotary pump head', 'repaired', { text: 'repaired rotary pump head', part: 'pump-head' }],
    ['talked to the owner', 'note', { text: 'talked to the owner' }],
    ['group gasket looked fine', 'note', { text: 'group gasket looked fine' }],
  ]
  for (const [text, kind, body, group] of said)
    it(`${text} → ${kind}`, () => expect(readWork(c2, text, group)).to.deep.equal({ kind, body: { v: 1, ...body } }))

  it('descales only what is descaled in place', () => {
    expect(readWork(kindById('sr')!, 'Descaled with citric').kind).to.equal('descaled')
    expect(readWork(c2, 'Descaled with citric').kind).to.equal('note')
  })
})

describe('files brought in', () => {
  let db: Db
  let firm: SmallFirm

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const gasket = entryAbout('machine', firm.c2, 'fitted', { part: 'group-gasket', group: 1 }, { on: '2026-05-04' })
    await writeEntries(db, actor, [gasket], { now: testNow })
  })
  after(() => db.destroy())

  it('past work: each row says what it would write', async () => {
    const rows = [
      ['C2-1', '04.05.2026', 'Group gasket replaced', '1', ''],
      ['C2-1', '05.05.2026', 'Group gasket replaced', '2', '12.500'],
      ['C2-1', '05.05.2026', 'Group gasket replaced', '2', '12.500'],
      ['C2-1', '06.05.2026', '', '', '13000'],
      ['C2-1', '06.05.2026', '', '', ''],
      ['C2-1', '31.02.2026', 'x', '', ''],
      ['C2-1', '01.01.2027', 'x', '', ''],
      ['C2-1', '01.05.2026', 'x', '9', ''],
      ['NONE', '01.05.2026', 'x', '', ''],
    ].map(([serial, date, what, group, count]) => ({ serial, date, what, group, count }))
    const checked = await checkWork(db, firm.firmId, 'Europe/London', { dateForm: 'day-first', rows }, testNow)
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    expect(checked.rows.map(({ verdict }) => verdict)).to.deep.equal([
      'duplicate',
      'taken',
      'duplicate',
      'taken',
      'unreadable',
      'unreadable',
      'unreadable',
      'unreadable',
      'unknown-machine',
    ])
    expect(checked.rows[1]!.work!.map(({ kind }) => kind)).to.deep.equal(['reading', 'fitted'])
    const bad = await checkWork(db, firm.firmId, 'UTC', { dateForm: 'sideways', rows: [] }, testNow)
    expect(bad.ok).to.equal(false)
  })

  it('machines: known places are found, new ones made once, and each row says why it is not taken', async () => {
    const columns = [
      'customer',
      'site',
      'area',
      'address',
      'name',
      'maker',
      'model',
      'serial',
      'kind',
      'takenOn',
      'count',
    ]
    const rows = [
      ['A customer', 'a BAKERY', '', '', 'Third', 'Ostrel', '', 'N-1', 'two-group', '01.02.2026', '1200'],
      ['', 'Pier kiosk', '', '', '', 'Ostrel', 'S4', 'N-2', '', '', ''],
      ['', 'Pier kiosk', '', '', 'Twin', '', '', 'n-2', '', '', ''],
      ['', 'Pier kiosk', '', '', 'Known', '', '', 'C2-1', '', '', ''],
      ['', '', '', '', 'Nowhere', '', '', '', '', '', ''],
      ['', 'Pier kiosk', '', '', '', '', '', '', '', '', ''],
      ['', 'Pier kiosk', '', '', 'X', '', '', '', 'toaster', '', ''],
      ['', 'Pier kiosk', '', '', 'X', '', '', '', 'pod', '31.02.2026', ''],
      ['', 'Pier kiosk', '', '', 'X', '', '', '', 'pod', '', 'lots'],
    ].map((cells) => Object.fromEntries(columns.map((name, i) => [name, cells[i]])))
    const checked = await checkMachines(
      db,
      firm.firmId,
      'Europe/London',
      { dateForm: 'day-first', usualKind: 'sr', rows },
      testNow,
    )
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    expect(checked.rows.map(({ verdict }) => verdict)).to.deep.equal([
      'taken',
      'taken',
      'duplicate',
      'duplicate',
      ...Array.from({ length: 5 }, () => 'unreadable'),
    ])
    const [known, fresh] = checked.rows
    expect(known).to.include({ siteId: firm.siteId, customerId: firm.customerId })
    expect(known!.machine).to.include({ kind: 'c2', takenOn: '2026-02-01', count: 1200 })
    expect(fresh).not.to.have.property('siteId')
    expect(fresh!.machine).to.include({ kind: 'sr', name: 'Ostrel S4', customer: 'Pier kiosk' })
  })

  it('customers: who is there already stays, the rest is new once', async () => {
    const row = (name: string, more: Record<string, string> = {}) => ({
      name,
      contact: '',
      phone: '',
      email: '',
      note: '',
      ...more,
    })
    const rows = [
      row(' Elm & Co ', { contact: 'Ms Elm', phone: '0555 17', note: ' pays late ' }),
      row('elm & co'),
      row('A CUSTOMER'),
      row(''),
      row('x'.repeat(81)),
      row('Oak & Sons', { email: `${'y'.repeat(201)}` }),
    ]
    const checked = await checkCustomers(db, firm.firmId, { rows })
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    expect(checked.rows.map(({ verdict }) => verdict)).to.deep.equal([
      'taken',
      'duplicate',
      'duplicate',
      'unreadable',
      'unreadable',
      'unreadable',
    ])
    expect(checked.rows[0]!.customer).to.deep.equal({
      name: 'Elm & Co',
      contact: 'Ms Elm',
      phone: '0555 17',
      email: '',
      note: 'pays late',
    })
    expect(checked.rows[5]!.reason).to.contain('the email must be at most 200')
    for (const wrong of [null, {}, { rows: [{}] }, { rows: [row('x'), { ...row('y'), extra: '' }] }])
      expect((await checkCustomers(db, firm.firmId, wrong)).ok).to.equal(false)
  })
})
