import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { filledIn } from '../../src/core/firm/records.ts'
import { kinds } from '../../src/core/kinds/index.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { updateKept } from '../../src/records/kept.ts'
import { checkImport } from '../../src/services/imports/judge-import.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { machinePage } from '../../src/services/machines.ts'
import { entriesAfter } from '../../src/services/pull-entries.ts'
import { roundChoices, roundPage, standingDetail } from '../../src/services/round.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

const today = '2026-11-26'

describe('what the pages ask for', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    other = await smallFirm(db, 'Other')
    for (const [owner, name] of [
      [firm, 'c2'],
      [firm, 'sr'],
      [firm, 'pk'],
      [other, 'c2'],
    ] as const) {
      const actor = { firmId: owner.firmId, technicianId: owner.ines, role: 'owner' as const }
      await writeEntries(db, actor, firstEntries(owner[name], name), { now: testNow })
    }
  })
  after(() => db.destroy())

  describe('Round', () => {
    it('lists by when, then by how surely', async () => {
      const { rows } = await roundPage(db, firm.firmId, { horizon: 'all' }, today)
      const keys = rows.map(({ standing }) => `${standing.due!.p50} ${standing.due!.p90}`)
      expect(keys).to.deep.equal([...keys].sort())
      expect(new Set(rows.map(({ kind }) => kind))).to.deep.equal(new Set(['c2', 'sr', 'pk']))
    })

    it('narrows by time, kind, site, technician and words', async () => {
      const count = async (query: Partial<Parameters<typeof roundPage>[2]>) =>
        (await roundPage(db, firm.firmId, { horizon: 'all', ...query }, today)).counts!.matching
      const all = await count({})
      expect(await count({ horizon: 'quarter' })).to.be.within(1, all - 1)
      expect(await count({ kind: 'pk' })).to.be.within(1, all - 1)
      expect(await count({ siteId: firm.siteId })).to.equal(all)
      expect(await count({ siteId: randomUUID() })).to.equal(0)
      expect(await count({ technicianId: firm.odile })).to.equal(0)
      expect(await count({ text: 'gasket group 1' })).to.be.within(1, 4)
      expect(await count({ text: 'bakery GASKET' })).to.be.above(1)
      expect(await count({ text: '100% _' })).to.equal(0)
    })

    it('finds the same rows page by page as at once, in the same order, whatever is looked for', async () => {
      for (const query of [{}, { text: 'gasket' }, { text: 'C2-1' }, { text: 'left group 2' }, { kind: 'sr' }]) {
        const whole = await roundPage(db, firm.firmId, { horizon: 'all', limit: 1000, ...query }, today)
        const rows: typeof whole.rows = []
        let cursor: string | undefined
        do {
          const page = await roundPage(
            db,
            firm.firmId,
            { horizon: 'all', limit: 7, ...query, ...(cursor && { cursor }) },
            today,
          )
          expect(page.counts === undefined).to.equal(cursor !== undefined)
          rows.push(...page.rows)
          cursor = page.next
        } while (cursor)
        expect(rows, JSON.stringify(query)).to.deep.equal(whole.rows)
        expect(whole.counts!.matching).to.equal(rows.length)
        expect(rows.length).to.be.above(0)
      }
    })

    it('counts what is overdue by the day it is read on', async () => {
      const early = await roundPage(db, firm.firmId, { horizon: 'all' }, today)
      const later = await roundPage(db, firm.firmId, { horizon: 'all' }, '2027-06-01')
      expect(later.counts!.overdue).to.be.above(early.counts!.overdue)
      expect(early.counts!.staleReadings).to.equal(0)
      expect(later.counts!.staleReadings).to.equal(3)
    })

    it('pages by key without losing or doubling a row', async () => {
      const seen: string[] = []
      let cursor: string | undefined
      do {
        const page = await roundPage(db, firm.firmId, { horizon: 'all', ...(cursor && { cursor }) }, today)
        seen.push(...page.rows.map((row) => `${row.subjectId} ${row.standing.key}`))
        cursor = page.next
      } while (cursor)
      const stored = await withFirm(db, firm.firmId, (trx) =>
        trx('standing').whereNotNull('due_p50').count({ n: '*' }).first(),
      )
      expect(seen).to.have.length(Number(stored!.n))
      expect(new Set(seen).size).to.equal(seen.length)
    })

    it('starts over at a cursor that is none', async () => {
      const first = await roundPage(db, firm.firmId, { horizon: 'all' }, today)
      for (const cursor of [
        'rubbish',
        Buffer.from('[1,2]').toString('base64url'),
        Buffer.from('["a","b","c","d"]').toString('base64url'),
      ]) {
        const page = await roundPage(db, firm.firmId, { horizon: 'all', cursor }, today)
        expect(page.rows[0]!.standing.key).to.equal(first.rows[0]!.standing.key)
      }
    })

    it('keeps the working back until somebody looks at a row', async () => {
      const { rows } = await roundPage(db, firm.firmId, { horizon: 'all' }, today)
      expect(rows[0]!.standing.working.lines).to.deep.equal([])
      const detail = await standingDetail(db, firm.firmId, rows[0]!.subjectId, rows[0]!.standing.key)
      expect(detail!.working.lines.length).to.be.above(2)
      expect(await standingDetail(db, other.firmId, rows[0]!.subjectId, rows[0]!.standing.key)).to.equal(null)
    })

    it('offers the firm’s own sites and people to choose from', async () => {
      const choices = await roundChoices(db, firm.firmId)
      expect(choices.sites.map(({ id }) => id)).to.deep.equal([firm.siteId])
      expect(choices.technicians.map(({ id }) => id)).to.have.members([firm.ines, firm.odile])
      expect(choices.kinds.map(({ id }) => id)).to.deep.equal(kinds.map(({ id }) => id))
    })
  })

  describe('machine', () => {
    it('comes with all its reckoning reads', async () => {
      const bundle = (await machineBundle(db, firm.firmId, firm.c2))!
      expect(bundle.machine).to.include({ id: firm.c2, kind: 'c2', version: 1 })
      expect(bundle.ledgers.machine).to.have.length(3)
      expect(bundle.softener).to.deep.equal({ id: firm.softenerId, name: 'Back room' })
      expect(bundle.seq).to.equal(9)
    })

    it('is nobody else’s', async () => {
      expect(await machineBundle(db, firm.firmId, other.c2)).to.equal(null)
      expect(await machineBundle(db, firm.firmId, randomUUID())).to.equal(null)
    })

    it('is found by any word of place, name, maker, model or serial', async () => {
      const names = async (text: string) => (await machinePage(db, firm.firmId, { text })).rows.map(({ name }) => name)
      expect(await names('chalkside')).to.have.length(3)
      expect(await names('c2-1')).to.deep.equal(['Left bar'])
      expect(await names('bakery office')).to.deep.equal(['Office'])
      expect(await names('nowhere')).to.deep.equal([])
      const page = await machinePage(db, firm.firmId, {}, 2)
      const rest = await machinePage(db, firm.firmId, { cursor: page.next! }, 2)
      expect([...page.rows, ...rest.rows].map(({ name }) => name)).to.deep.equal(['Left bar', 'Office', 'Pods'])
    })
  })

  describe('entries since a cursor', () => {
    it('come oldest first, a page at a time', async () => {
      const first = await entriesAfter(db, firm.firmId, 0, 4)
      expect(first.entries.map(({ seq }) => seq)).to.deep.equal([1, 2, 3, 4])
      const rest = await entriesAfter(db, firm.firmId, first.next!, 100)
      expect(rest.entries.map(({ seq }) => seq)).to.deep.equal([5, 6, 7, 8, 9])
      expect(rest.next).to.equal(undefined)
    })
  })

  describe('readings from a spreadsheet', () => {
    const request = (lines: unknown[][], dateForm = 'day-first') => ({
      id: randomUUID(),
      what: 'readings',
      columns: { serial: 0, date: 1, count: 2 },
      dateForm,
      mark: null,
      words: [],
      cells: JSON.stringify([['Serial', 'Day', 'Counter'], ...lines]),
    })
    const owner = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
    const judged = (input: unknown) => checkImport(db, owner(), { timeZone: 'Europe/London' }, input, testNow)
    const check = async (rows: [string, string, string][], dateForm = 'day-first') => {
      const checked = await judged(request(rows, dateForm))
      if (!checked.ok) return checked.issues.map(({ path, message }) => `${path} ${message}`)
      return checked.rows.map(({ verdict }) => verdict)
    }

    it('says of each row what becomes of it', async () => {
      expect(
        await check([
          ['c2-1', '20.11.2026', '8.150'],
          ['C2-1', '2.11.2026', '7000'],
          ['C2-1', '20.11.2026', '8150'],
          ['C2-1', '21.11.2026', '81500'],
          ['C2-1', '22.11.2026', '8280'],
          ['C2-1', '27.11.2026', '9000'],
          ['C2-1', '31.11.2026', '9000'],
          ['C2-1', '22.11.2026', 'many'],
          ['X-9', '22.11.2026', '1'],
          ['', '22.11.2026', '1'],
        ]),
      ).to.deep.equal([
        'taken',
        'duplicate',
        'duplicate',
        'impossible',
        'taken',
        'impossible',
        'unreadable',
        'unreadable',
        'unknown-machine',
        'unknown-machine',
      ])
    })

    it('does not know another firm’s machines', async () => {
      const theirs = { siteId: other.siteId, name: 'x', serial: 'ONLY-THEIRS', kind: 'sr' }
      await withFirm(db, other.firmId, (trx) => updateKept(trx, 'machine', other.sr, 1, filledIn('machine', theirs)))
      expect(await check([['ONLY-THEIRS', '20.11.2026', '5']])).to.deep.equal(['unknown-machine'])
    })

    it('writes nothing', async () => {
      const count = () => withFirm(db, firm.firmId, (trx) => trx('entry').count({ n: '*' }).first())
      const before = await count()
      await check([['C2-1', '20.11.2026', '8150']])
      expect(await count()).to.deep.equal(before)
    })

    it('refuses what is no table', async () => {
      expect(await check([['a', 'b', 'c']], 'sideways')).to.have.length(1)
      expect((await judged({ ...request([['a', 'b', 'c']]), cells: 'x' })).ok).to.equal(false)
      const many = Array.from({ length: 5001 }, () => ['a', 'b', 'c'])
      expect(await judged(request(many)))
        .to.have.nested.property('issues[0].message')
        .that.contains('5000')
    })
  })
})
