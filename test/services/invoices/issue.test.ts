import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import Papa from 'papaparse'
import { type Db, withFirm } from '../../../src/records/database.ts'
import { invoiceById, invoicesOfVisit } from '../../../src/records/invoices.ts'
import { cancelInvoice, issueInvoice } from '../../../src/services/invoices/issue.ts'
import { invoiceList, invoicesCsv } from '../../../src/services/invoices/list.ts'
import { visitInvoices } from '../../../src/services/invoices/visit-invoices.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm, testNow } from '../../records/a-database.ts'
import { actorOf, billsGo, closes, said, visits, written } from './a-closed-visit.ts'

describe('an invoice', () => {
  let db: Db
  let firm: SmallFirm
  let visitId: string
  const issue = (id: string = randomUUID(), of = visitId, now = testNow) =>
    issueInvoice(db, actorOf(firm), { id, visitId: of }, now)
  const cancel = (invoiceId: string, id: string = randomUUID(), now = testNow) =>
    cancelInvoice(db, actorOf(firm), { id, invoiceId, why: 'a slip' }, now)
  const numbered = async (answer: ReturnType<typeof issue>): Promise<string> => {
    const told = await answer
    if (!told.ok) throw new Error(JSON.stringify(told.issues))
    return told.number
  }
  const another = async () => {
    const id = randomUUID()
    await written(db, firm, [visits(firm, id), closes(firm, id)])
    return id
  }
  const codes = (answer: { ok: boolean; issues?: { code: string }[] }) => answer.issues?.map(({ code }) => code)

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
    visitId = randomUUID()
    await billsGo(db, firm)
    await written(db, firm, [...said(firm), visits(firm, visitId), closes(firm, visitId)])
  })

  it('gets the next number of its series; asked again by its id, it is the same one', async () => {
    const id = randomUUID()
    expect(await issue(id)).to.include({ ok: true, number: '2026-0001' })
    expect(await issue(id)).to.include({ ok: true, number: '2026-0001' })
    expect(await numbered(issue(randomUUID(), await another()))).to.equal('2026-0002')
    const page = (await visitInvoices(db, firm.firmId, { visitId, today: '2026-11-26' }))!
    expect(page.issued.map(({ number, payableMinor }) => [number, payableMinor])).to.deep.equal([['2026-0001', 16_374]])
    expect(page.nextNumber).to.equal('2026-0003')
  })

  it('begins anew with the year, and where the firm gives the series another beginning', async () => {
    await issue()
    expect(await numbered(issue(randomUUID(), await another(), new Date('2027-01-04T08:00:00Z')))).to.equal('2027-0001')
    await written(db, firm, said(firm, { invoiceSeries: 'R/' }, '2026-11-25'))
    expect(await numbered(issue(randomUUID(), await another()))).to.equal('R/0001')
  })

  it('is issued once for a visit, and a number that was refused leaves no gap', async () => {
    await issue()
    const again = await issue()
    expect(again).to.include({ ok: false, status: 409 })
    expect(codes(again)).to.deep.equal(['stands'])
    expect(await numbered(issue(randomUUID(), await another()))).to.equal('2026-0002')
  })

  it('is numbered without gap or double however many are issued at once', async () => {
    const all = await Promise.all(Array.from({ length: 8 }, another))
    // Each visit is asked twice: by somebody else at the same moment.
    const answers = await Promise.all([...all, ...all].map((of) => issue(randomUUID(), of)))
    const numbers = answers.flatMap((answer) => (answer.ok ? [answer.number] : [])).sort()
    expect(numbers).to.deep.equal([1, 2, 3, 4, 5, 6, 7, 8].map((n) => `2026-000${n}`))
  })

  it('lacks something: nothing is issued, and it is said what', async () => {
    const bare = await smallFirm(db)
    const of = randomUUID()
    await written(db, bare, [visits(bare, of), closes(bare, of)])
    const answer = await issueInvoice(db, actorOf(bare), { id: randomUUID(), visitId: of }, testNow)
    expect(codes(answer)).to.deep.equal(['BR-9', 'BR-CO-26', 'BR-S-2', 'BR-11'])
    expect((await invoiceList(db, bare.firmId)).rows).to.deep.equal([])
  })

  it('is taken back by a credit note, and then the visit may be invoiced anew', async () => {
    const id = randomUUID()
    await issue(id)
    const note = randomUUID()
    expect(await cancel(id, note)).to.include({ ok: true, number: 'C2026-0001' })
    expect(await cancel(id, note), 'asked twice').to.include({ ok: true, number: 'C2026-0001' })
    expect(codes(await cancel(id))).to.deep.equal(['stands'])
    expect(codes(await cancel(note)), 'a credit note is not taken back').to.deep.equal(['unknown'])
    expect(await numbered(issue())).to.equal('2026-0002')
    const { rows } = await invoiceList(db, firm.firmId)
    expect(rows.map(({ number }) => number)).to.have.members(['2026-0001', 'C2026-0001', '2026-0002'])
    expect(rows.find(({ number }) => number === '2026-0001')).to.include({ cancelledBy: 'C2026-0001' })
    expect(rows.find(({ number }) => number === 'C2026-0001')).to.include({ cancels: '2026-0001' })
  })

  it('stays as it was issued, whatever is said afterwards, and knows that its visit was closed anew', async () => {
    const id = randomUUID()
    await issue(id)
    const [first] = (await visitInvoices(db, firm.firmId, { visitId, today: '2026-11-26' }))!.issued
    await billsGo(db, firm, { billName: 'Others' })
    await written(db, firm, said(firm, { name: 'Another name', iban: 'GB29NWBK60161331926819' }, '2026-11-25'))
    await written(db, firm, [closes(firm, visitId, { taxBp: 700 }, { supersedes: await closingOf() })])
    const page = (await visitInvoices(db, firm.firmId, { visitId, today: '2026-11-26' }))!
    expect(page.issued[0]!.document).to.deep.equal(first!.document)
    expect(page.issued[0]!.isOfFormerClosing).to.equal(true)
    expect(page.draft.totals.taxes[0]!.taxBp).to.equal(700)
    expect(page.draft.seller.name).to.equal('Another name')
    expect(page.draft.buyer.name).to.equal('Others')
  })

  const closingOf = async () => {
    const [issued] = await withFirm(db, firm.firmId, (trx) => invoicesOfVisit(trx, visitId))
    return issued!.closedId
  }

  it('is changed or taken away by nobody who serves, not even by a slip of the code', async () => {
    const id = randomUUID()
    await issue(id)
    for (const statement of [
      `update invoice set number = 'X' where id = '${id}'`,
      `delete from invoice where id = '${id}'`,
    ]) {
      const refused = await withFirm(db, firm.firmId, (trx) => trx.raw(statement)).catch((error: Error) => error)
      expect(String(refused), statement).to.match(/permission denied/)
    }
    expect(await withFirm(db, firm.firmId, (trx) => invoiceById(trx, id))).to.have.nested.property(
      'document.number',
      '2026-0001',
    )
  })

  it('is an owner’s to issue and to take back, and nobody’s of another firm', async () => {
    const id = randomUUID()
    const by = await issueInvoice(db, actorOf(firm, 'technician'), { id, visitId }, testNow)
    expect(codes(by)).to.deep.equal(['owner_only'])
    await issue(id)
    expect(
      codes(
        await cancelInvoice(db, actorOf(firm, 'technician'), { id: randomUUID(), invoiceId: id, why: 'x' }, testNow),
      ),
    ).to.deep.equal(['owner_only'])
    const other = await smallFirm(db)
    expect((await invoiceList(db, other.firmId)).rows).to.deep.equal([])
    expect(codes(await issueInvoice(db, actorOf(other), { id: randomUUID(), visitId }, testNow))).to.deep.equal([
      'unknown',
    ])
    expect(
      codes(await cancelInvoice(db, actorOf(other), { id: randomUUID(), invoiceId: id, why: 'x' }, testNow)),
    ).to.deep.equal(['unknown'])
  })

  it('goes to whoever pays for all machines that were worked on', async () => {
    const payer = randomUUID()
    await withFirm(db, firm.firmId, async (trx) => {
      await trx('subject').insert({ firm_id: firm.firmId, id: payer, kind: 'customer' })
      await trx('customer').insert({ firm_id: firm.firmId, id: payer, name: 'Whoever leases it' })
      await trx('machine').where({ id: firm.c2 }).update({ payer_id: payer })
    })
    const page = (await visitInvoices(db, firm.firmId, { visitId, today: '2026-11-26' }))!
    expect(page.draft.buyer.name).to.equal('Whoever leases it')
    expect(page.mayPay.map(({ name }) => name)).to.have.members(['A customer', 'Whoever leases it'])
    const chosen = await visitInvoices(db, firm.firmId, { visitId, payerId: firm.customerId, today: '2026-11-26' })
    expect(chosen!.draft.buyer.name).to.equal('A customer')
  })

  it('is no invoice before the visit is closed, nor once the closing is withdrawn', async () => {
    const open = randomUUID()
    await written(db, firm, [visits(firm, open)])
    expect(await visitInvoices(db, firm.firmId, { visitId: open, today: '2026-11-26' })).to.equal(null)
    const closed = closes(firm, open)
    await written(db, firm, [closed])
    expect(await visitInvoices(db, firm.firmId, { visitId: open, today: '2026-11-26' })).not.to.equal(null)
    await written(db, firm, [
      entryAbout('site', firm.siteId, 'withdrawn', { reason: 'too early' }, { supersedes: closed.id }),
    ])
    expect(await visitInvoices(db, firm.firmId, { visitId: open, today: '2026-11-26' })).to.equal(null)
  })

  it('is a line for whoever keeps the books: what is owed is the sum of the column', async () => {
    const id = randomUUID()
    await issue(id)
    await cancel(id)
    await issue()
    const csv = await invoicesCsv(db, firm.firmId, {})
    const { data } = Papa.parse<Record<string, string>>(csv.trim(), { header: true })
    expect(data.map((row) => [row.number, row.kind, row['to pay']])).to.have.deep.members([
      ['2026-0001', 'invoice', '163.74'],
      ['C2026-0001', 'credit note', '-163.74'],
      ['2026-0002', 'invoice', '163.74'],
    ])
    expect(data.find((row) => row.number === '2026-0001')).to.include({
      currency: 'EUR',
      'before tax': '137.60',
      'tax %': '19',
      tax: '26.14',
    })
    // What somebody is called is run by no spreadsheet; a sum below nought stays a figure.
    await billsGo(db, firm, { billName: '-2+3' })
    await issue(randomUUID(), await another())
    expect(await invoicesCsv(db, firm.firmId, {}))
      .to.include(",'-2+3,")
      .and.to.include(',-163.74,')
    expect(await invoicesCsv(db, firm.firmId, { to: '2026-11-25' })).to.match(/^number,[^\n]*\n$/)
  })
})
