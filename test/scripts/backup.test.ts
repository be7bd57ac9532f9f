import { createHash, randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { type Manifest, makeBackup, readBackup, readManifest, tableDigests } from '../../scripts/dump.ts'
import { type Db, openDatabase, withFirm } from '../../src/records/database.ts'
import { migrate, migrations, stepNames } from '../../src/records/migrate.ts'
import { keepPhoto } from '../../src/records/photos.ts'
import { reckonWaiting } from '../../src/services/rebuild.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { entryAbout, firstEntries, smallFirm, testNow } from '../records/a-database.ts'
import { databases } from '../records/own-databases.ts'

const using = async <T>(url: string, work: (db: Db) => Promise<T>): Promise<T> => {
  const db = openDatabase(url, 2)
  try {
    return await work(db)
  } finally {
    await db.destroy()
  }
}

describe('backup and restore', () => {
  const place = databases()
  let folder: string
  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'evenshot-backup-'))
  })
  after(async () => {
    await place.drop()
    rmSync(folder, { recursive: true, force: true })
  })

  async function aFirmsDatabase() {
    const urls = await place.make()
    await using(urls.ownerUrl, (db) => migrate(db, 'evenshot_app'))
    const firm = await using(urls.appUrl, async (db) => {
      const made = await smallFirm(db)
      const actor = { firmId: made.firmId, technicianId: made.ines, role: 'owner' as const }
      await writeEntries(db, actor, firstEntries(made.c2, 'c2'), { now: testNow })
      return made
    })
    const files = join(folder, `files-${firm.firmId}`)
    mkdirSync(join(files, 'ab'), { recursive: true })
    writeFileSync(join(files, 'ab', 'photo.jpg'), randomBytes(2000))
    return { urls, firm, files }
  }

  it('bring back every table and file, and whoever serves sees one firm again', async () => {
    const { urls, firm, files } = await aFirmsDatabase()
    const backup = join(folder, 'one')
    const manifest = await makeBackup(urls.ownerUrl, files, backup, testNow)
    expect(manifest.tables.entry!.rows).to.equal(3)
    expect(manifest.migrations).to.deep.equal(stepNames)
    const empty = await place.make()
    const back = join(folder, 'files-back')
    await readBackup(backup, empty.ownerUrl, back)
    expect(await using(empty.ownerUrl, tableDigests)).to.deep.equal(await using(urls.ownerUrl, tableDigests))
    expect(readFileSync(join(back, 'ab', 'photo.jpg'))).to.deep.equal(readFileSync(join(files, 'ab', 'photo.jpg')))
    await using(empty.appUrl, async (db) => {
      expect(await withFirm(db, firm.firmId, (trx) => trx('entry').pluck('kind'))).to.have.length(3)
      expect(await db('entry'), 'nothing without a firm').to.deep.equal([])
      expect(
        await db('entry')
          .delete()
          .catch((error) => error.code),
        'the ledger stays append-only',
      ).to.equal('42501')
    })
  })

  it('are of one moment, whoever writes and photographs meanwhile', async () => {
    const { urls, firm, files } = await aFirmsDatabase()
    const write = openDatabase(urls.appUrl, 3)
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    let stop = false
    let written = 0
    const writer = async (n: number) => {
      for (; !stop; written += 1) {
        const entry = entryAbout('machine', firm.sr, 'note', { text: `written ${written} by ${n}` })
        await writeEntries(write, actor, [entry], { now: testNow })
        // A photo as the server keeps it: half first, then under its name, then its row.
        const name = createHash('sha256').update(entry.id).digest('hex')
        const path = join(files, 'photos', name.slice(0, 2), `${name}.jpg`)
        mkdirSync(join(path, '..'), { recursive: true })
        writeFileSync(`${path}.${entry.id}`, entry.id)
        renameSync(`${path}.${entry.id}`, path)
        await withFirm(write, firm.firmId, (trx) =>
          keepPhoto(
            trx,
            firm.firmId,
            { name, width: 1, height: 1, bytes: 36 },
            { technicianId: firm.ines, at: testNow },
          ),
        )
      }
    }
    const writers = Promise.all([writer(1), writer(2), writer(3)])
    const before = written
    const made: Manifest[] = []
    for (const name of ['a', 'b', 'c'])
      made.push(await makeBackup(urls.ownerUrl, files, join(folder, `busy-${name}`), testNow))
    stop = true
    await writers
    await write.destroy()
    expect(written - before, 'somebody did write meanwhile').to.be.above(10)
    for (const [i, name] of ['a', 'b', 'c'].entries()) {
      const empty = await place.make()
      await readBackup(join(folder, `busy-${name}`), empty.ownerUrl, join(folder, `busy-back-${name}`))
      const photos = await using(empty.ownerUrl, (db) => db('photo').pluck('name'))
      for (const photo of photos)
        expect(existsSync(join(folder, `busy-back-${name}`, 'photos', photo.slice(0, 2), `${photo}.jpg`))).to.equal(
          true,
        )
      expect(
        Object.keys(made[i]!.files).every((path) => path.endsWith('.jpg')),
        'no half files',
      ).to.equal(true)
    }
  })

  it('refuse a backup of a later version before anything is touched, and name what it knows more', async () => {
    const { urls, files } = await aFirmsDatabase()
    const backup = join(folder, 'later')
    const manifest = await makeBackup(urls.ownerUrl, files, backup, testNow)
    manifest.migrations.push('0999-from-the-future')
    writeFileSync(join(backup, 'manifest.json'), JSON.stringify(manifest))
    const empty = await place.make()
    const said = await readBackup(backup, empty.ownerUrl, join(folder, 'x')).catch((error: Error) => error.message)
    expect(said).to.contain('made by a later version').and.to.contain('0999-from-the-future')
    expect(await using(empty.ownerUrl, tableDigests), 'nothing was put there').to.deep.equal({})
  })

  it('are not made where a photo has lost its file', async () => {
    const { urls, firm, files } = await aFirmsDatabase()
    const photo = { name: 'f'.repeat(64), width: 1, height: 1, bytes: 1 }
    await using(urls.appUrl, (db) =>
      withFirm(db, firm.firmId, (trx) => keepPhoto(trx, firm.firmId, photo, { technicianId: firm.ines, at: testNow })),
    )
    const said = await makeBackup(urls.ownerUrl, files, join(folder, 'lost'), testNow).catch(
      (error: Error) => error.message,
    )
    expect(said).to.contain('Photos without a file: ffff')
    expect(() => readManifest(join(folder, 'lost'))).to.throw('holds no backup')
  })

  it('say so when a file or a table did not come back as it was', async () => {
    const { urls, files } = await aFirmsDatabase()
    const backup = join(folder, 'two')
    const manifest = await makeBackup(urls.ownerUrl, files, backup, testNow)
    const failure = (work: Promise<unknown>) => work.then(() => 'restored').catch((error: Error) => error.message)
    manifest.tables.entry!.digest = '1'
    writeFileSync(join(backup, 'manifest.json'), JSON.stringify(manifest))
    const empty = await place.make()
    expect(await failure(readBackup(backup, empty.ownerUrl, join(folder, 'x')))).to.contain(
      'not what was backed up: entry',
    )
    expect(await failure(readBackup(backup, urls.ownerUrl, join(folder, 'x')))).to.contain('not empty')
    writeFileSync(join(backup, 'files', 'ab', 'photo.jpg'), 'bitten')
    expect(await failure(readBackup(backup, empty.ownerUrl, join(folder, 'x')))).to.contain('damaged: ab/photo.jpg')
    expect(existsSync(join(folder, 'x'))).to.equal(false)
    expect(await failure(makeBackup(urls.ownerUrl, files, backup, testNow))).to.contain('exists already')
    expect(() => readManifest(folder)).to.throw('holds no backup')
  })

  describe('an upgrade', () => {
    it('is made once, however many start at once on an empty database', async () => {
      const { ownerUrl } = await place.make()
      const starts = await Promise.all(
        [1, 2, 3, 4, 5].map(() => using(ownerUrl, (db) => migrate(db, 'evenshot_app').catch((error) => String(error)))),
      )
      expect(starts.map((taken) => taken.length).sort(), JSON.stringify(starts)).to.deep.equal([
        0,
        0,
        0,
        0,
        stepNames.length,
      ])
    })

    it('is told by its owner alone: whoever serves cannot say that a step was taken', async () => {
      const { ownerUrl, appUrl } = await place.make()
      await using(ownerUrl, (db) => migrate(db, 'evenshot_app'))
      for (const statement of [
        'select * from knex_migrations',
        'delete from knex_migrations',
        'update knex_migrations_lock set is_locked = 1',
      ]) {
        const code = await using(appUrl, (db) =>
          db.raw(statement).then(
            () => 'done',
            (error) => error.code,
          ),
        )
        expect(code, statement).to.equal('42501')
      }
    })

    it('goes on where it was killed: a lock that was left behind holds nobody up', async () => {
      const { ownerUrl } = await place.make()
      await using(ownerUrl, async (db) => {
        await migrate(db, 'evenshot_app', 2)
        await db('knex_migrations_lock').update({ is_locked: 1 })
        expect(await migrate(db, 'evenshot_app')).to.deep.equal(stepNames.slice(2))
      })
    })

    it('carries the first shape of the database over with all that is in it', async () => {
      const { ownerUrl, appUrl } = await place.make()
      await using(ownerUrl, (db) => migrate(db, 'evenshot_app', 1))
      const ids = await using(ownerUrl, oldFirm)
      await using(ownerUrl, async (db) => {
        expect(await migrations(db)).to.deep.equal({
          done: ['0001-first'],
          pending: stepNames.slice(1),
        })
        expect(await migrate(db, 'evenshot_app')).to.deep.equal(stepNames.slice(1))
        expect(await migrate(db, 'evenshot_app'), 'a second time there is nothing to do').to.deep.equal([])
      })
      await using(appUrl, async (db) => {
        expect(await reckonWaiting(db, ids.firm), 'what an older version reckoned is reckoned anew').to.equal(2)
        await withFirm(db, ids.firm, async (trx) => {
          expect(await trx('firm').first()).to.include({ name: 'Old & Son', hardness_unit: 'dH', time_zone: 'UTC' })
          expect(await trx('site').first()).to.include({ name: 'Old place', address: '', words: 'old place  ' })
          expect(await trx('machine').orderBy('serial').pluck('words')).to.deep.equal(['bar m x a-1', 'gone m x a-2'])
          const stages = await trx('subject').where({ kind: 'machine' }).orderBy('id').pluck('stage')
          expect(stages, 'the old way of retiring is read').to.deep.equal(['working', 'retired'])
          expect((await trx('standing').where({ subject_id: ids.bar })).length).to.be.above(30)
          expect(await trx('standing').where({ subject_id: ids.gone })).to.deep.equal([])
        })
      })
    })
  })
})

/** A firm as the first version wrote it. */
async function oldFirm(db: Db) {
  const id = (n: number) => `00000000-0000-7000-8000-00000000000${n}`
  const ids = { firm: id(1), ines: id(2), customer: id(3), supply: id(4), site: id(5), bar: id(6), gone: id(7) }
  const own = { firm_id: ids.firm }
  await db('firm').insert({ id: ids.firm, name: 'Old & Son', seq: 3 })
  await db('technician').insert({ ...own, id: ids.ines, name: 'Ines', initials: 'I', role: 'owner' })
  await db('customer').insert({ ...own, id: ids.customer, name: 'Old customer' })
  await db('supply').insert({ ...own, id: ids.supply, name: 'Old well' })
  const place = {
    customer_id: ids.customer,
    supply_id: ids.supply,
    technician_id: ids.ines,
    time_zone: 'Europe/London',
  }
  await db('site').insert({ ...own, ...place, id: ids.site, name: 'Old place', area: '' })
  for (const [i, machine] of [ids.bar, ids.gone].entries()) {
    await db('subject').insert({ ...own, id: machine, kind: 'machine', reckoning_version: 1 })
    const names = { name: i ? 'Gone' : 'Bar', maker: 'M', model: 'X', serial: `A-${i + 1}`, kind: 'c2' }
    await db('machine').insert({ ...own, ...names, id: machine, site_id: ids.site })
  }
  const entry = (n: number, subject: string, kind: string, body: object) => ({
    ...own,
    id: `00000000-0000-7000-8000-0000000001${n}0`,
    seq: n,
    subject_kind: 'machine',
    subject_id: subject,
    kind,
    happened_at: '2026-01-05T09:00:00Z',
    happened_on: '2026-01-05',
    recorded_at: '2026-01-05T09:00:00Z',
    recorded_by: ids.ines,
    body: JSON.stringify({ v: 1, ...body }),
  })
  const taken = { kind: 'c2', kindVersion: 1, partsNew: true }
  await db('entry').insert([
    entry(1, ids.bar, 'commissioned', taken),
    entry(2, ids.gone, 'commissioned', taken),
    entry(3, ids.gone, 'setting', { setting: 'retired', on: '2026-01-05' }),
  ])
  return ids
}
