import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { type Db, lookIn, openDatabase, refusePrivileged, withFirm } from '../../src/records/database.ts'
import { appendEntries } from '../../src/records/ledger.ts'
import { migrate } from '../../src/records/migrate.ts'
import { appDatabase, entryAbout, ownerDatabase, type SmallFirm, smallFirm } from './a-database.ts'

const firmTables = ['technician', 'customer', 'supply', 'site', 'subject', 'softener', 'machine', 'entry', 'standing']

describe('firms apart, in the database itself', () => {
  let db: Db
  let one: SmallFirm
  let other: SmallFirm

  before(async () => {
    db = appDatabase()
    one = await smallFirm(db, 'One')
    other = await smallFirm(db, 'Other')
  })
  after(() => db.destroy())

  it('shows a firm its own rows and no others', async () => {
    await withFirm(db, one.firmId, async (trx) => {
      for (const table of firmTables) {
        const firms = await trx(table).distinct('firm_id').pluck('firm_id')
        expect(
          firms.filter((id) => id !== one.firmId),
          table,
        ).to.deep.equal([])
      }
      expect(await trx('firm').pluck('id')).to.deep.equal([one.firmId])
      expect(await trx('machine').where({ id: other.c2 })).to.deep.equal([])
    })
  })

  it('shows nobody anything outside a firm', async () => {
    for (const table of [...firmTables, 'firm']) expect(await db(table).limit(1), table).to.deep.equal([])
  })

  it('forgets the firm when its transaction ends', async () => {
    await withFirm(db, one.firmId, async (trx) => expect(await trx('machine')).to.have.length(3))
    expect(await db('machine')).to.deep.equal([])
  })

  it('writes nothing under another firm, with or without its id', async () => {
    const forged = { firm_id: other.firmId, id: randomUUID(), name: 'forged' }
    let refused = ''
    await withFirm(db, one.firmId, (trx) => trx('customer').insert(forged)).catch((error) => {
      refused = error.code
    })
    expect(refused).to.equal('42501')
    const changed = await withFirm(db, one.firmId, (trx) =>
      trx('machine').where({ id: other.c2 }).update({ name: 'mine now' }),
    )
    expect(changed).to.equal(0)
  })

  it('ties every row to its own firm by key: a machine cannot stand on another firm’s site', async () => {
    let refused = ''
    await withFirm(db, one.firmId, async (trx) => {
      const id = randomUUID()
      await trx('subject').insert({ firm_id: one.firmId, id, kind: 'machine' })
      await trx('machine').insert({
        firm_id: one.firmId,
        id,
        site_id: other.siteId,
        name: 'x',
        maker: 'x',
        model: 'x',
        serial: randomUUID(),
        kind: 'c2',
      })
    }).catch((error) => {
      refused = error.code
    })
    expect(refused).to.equal('23503')
  })

  it('lets whoever serves append to the ledger, never change it', async () => {
    const entry = {
      ...entryAbout('machine', one.pk, 'note', { text: 'first' }),
      recordedAt: '2026-11-26T08:00:00Z',
      recordedBy: one.ines,
    }
    await withFirm(db, one.firmId, (trx) => appendEntries(trx, one.firmId, [entry]))
    for (const attempt of [
      (trx: Parameters<Parameters<typeof withFirm>[2]>[0]) =>
        trx('entry').where({ id: entry.id }).update({ kind: 'reading' }),
      (trx: Parameters<Parameters<typeof withFirm>[2]>[0]) => trx('entry').where({ id: entry.id }).delete(),
    ]) {
      let refused = ''
      await withFirm(db, one.firmId, async (trx) => {
        await attempt(trx)
      }).catch((error) => {
        refused = error.code
      })
      expect(refused).to.equal('42501')
    }
  })

  it('numbers entries one after the other, without a gap', async () => {
    const write = (n: number) =>
      withFirm(db, one.firmId, (trx) =>
        appendEntries(
          trx,
          one.firmId,
          Array.from({ length: n }, () => ({
            ...entryAbout('machine', one.pk, 'note', { text: 'x' }),
            recordedAt: '2026-11-26T08:00:00Z',
            recordedBy: one.ines,
          })),
        ),
      )
    await Promise.all([write(3), write(1), write(4), write(2)])
    const seqs = await withFirm(db, one.firmId, (trx) => trx('entry').orderBy('seq').pluck('seq'))
    expect(seqs).to.deep.equal(seqs.map((_, i) => i + 1))
    const firm = await withFirm(db, one.firmId, (trx) => trx('firm').first('seq'))
    expect(firm.seq).to.equal(seqs.length)
  })

  it('refuses to serve with a role that row-level security does not bind', async () => {
    await refusePrivileged(db)
    for (const [url, why] of [
      [process.env.EVENSHOT_OWNER_URL!, 'owns the tables'],
      [process.env.EVENSHOT_ADMIN_URL!, 'is a superuser'],
    ] as const) {
      const privileged = openDatabase(url, 1)
      let said = ''
      await refusePrivileged(privileged).catch((error) => {
        said = error.message
      })
      await privileged.destroy()
      expect(said).to.contain(why)
    }
  })

  it('keeps firms apart however many look at once through how few connections, and whatever fails between', async () => {
    const few = openDatabase(process.env.EVENSHOT_DATABASE_URL!, 2)
    const [theirs, ours] = [new Set([other.c2, other.sr, other.pk]), new Set([one.c2, one.sr, one.pk])]
    const look = async (i: number) => {
      const [firm, own] = i % 2 === 0 ? [one, ours] : [other, theirs]
      if (i % 7 === 3) {
        // One that breaks takes nothing of the next along.
        const broken = lookIn(few, firm.firmId, (trx) => Promise.all([trx('machine'), trx.raw('select 1 / 0')]))
        return expect(await broken.catch((error) => error.code)).to.equal('22012')
      }
      if (i % 7 === 5) expect(await few('machine'), 'outside a firm').to.deep.equal([])
      const [machines, [firmRow], again] = await lookIn(few, firm.firmId, (trx) =>
        Promise.all([trx('machine').pluck('id'), trx('firm'), trx('machine').pluck('id')]),
      )
      expect(new Set(machines)).to.deep.equal(own)
      expect(again).to.deep.equal(machines)
      return expect(firmRow.id).to.equal(firm.firmId)
    }
    await Promise.all(Array.from({ length: 210 }, (_, i) => look(i)))
    await few.destroy()
  })

  it('looks without writing: who only looks is refused by the database itself', async () => {
    const write = lookIn(db, one.firmId, (trx) => trx('machine').where({ id: one.c2 }).update({ name: 'Another' }))
    expect(await write.catch((error) => error.code)).to.equal('25006')
    const nowhere = openDatabase('postgres://evenshot_app:x@127.0.0.1:9/none', 1)
    const asked = lookIn(nowhere, one.firmId, (trx) => trx('machine'))
    expect(await asked.catch((error) => error.code), 'a database that is not there').to.equal('ECONNREFUSED')
    await nowhere.destroy()
  })

  it('migrates once, however often and however many ask', async () => {
    const [a, b] = [ownerDatabase(), ownerDatabase()]
    expect(await Promise.all([migrate(a, 'evenshot_app'), migrate(b, 'evenshot_app')])).to.deep.equal([[], []])
    await Promise.all([a.destroy(), b.destroy()])
  })

  it('keeps days and big numbers as they are', async () => {
    const { rows } = await db.raw(
      `select date '2026-03-29' as day, 9007199254740991::bigint as big, 1.5::numeric as half`,
    )
    expect(rows[0]).to.deep.equal({ day: '2026-03-29', big: 9007199254740991, half: 1.5 })
  })
})
