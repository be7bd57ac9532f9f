import { setTimeout as wait } from 'node:timers/promises'
import { expect } from 'chai'
import { type Db, withFirm } from '../../src/records/database.ts'
import { ask, type Handlers, type Jobs, workOn } from '../../src/records/job-queue.ts'
import { countStale } from '../../src/records/subjects.ts'
import { failedWork, handlers, settleFailed } from '../../src/services/background.ts'
import { reckonLater } from '../../src/services/rebuild.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, firstEntries, ownerDatabase, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

/** Nothing is handed over here. */
const office = { url: () => 'smtp://127.0.0.1:1' }
const nothing: Handlers = {
  reckon: async () => undefined,
  tidy: async () => undefined,
  'bring-in': async () => undefined,
  'send-letters': async () => undefined,
  plan: async () => undefined,
  'look-round': async () => undefined,
  nightly: async () => undefined,
  backup: async () => undefined,
}

describe('work in the background', () => {
  let db: Db
  let owner: Db
  let firm: SmallFirm
  const url = process.env.EVENSHOT_DATABASE_URL!
  const errors: string[] = []
  const work = (some: Partial<Handlers>) =>
    workOn(url, { ...nothing, ...some }, {}, (error) => errors.push(error.message))
  const askFor = (name: 'reckon' | 'tidy', of = firm) =>
    withFirm(db, of.firmId, (trx) => ask(trx, name, { firmId: of.firmId }))
  const waiting = async (name: keyof Jobs, of = firm) => {
    const rows = await owner
      .withSchema('job_queue')
      .from('job')
      .where({ name, state: 'created' })
      .whereRaw(`data ->> 'firmId' = ?`, [of.firmId])
    return rows.length
  }
  const until = async (is: () => boolean | Promise<boolean>) => {
    for (let i = 0; i < 1000 && !(await is()); i += 1) await wait(50)
    expect(await is(), 'in a minute').to.equal(true)
  }
  const actor = (of: SmallFirm, role: 'owner' | 'technician' = 'owner') => ({
    firmId: of.firmId,
    technicianId: of.ines,
    role,
  })

  before(async () => {
    db = appDatabase()
    owner = ownerDatabase()
    firm = await smallFirm(db, 'Goes On')
  })
  beforeEach(() => owner.withSchema('job_queue').from('job').delete())
  after(async () => {
    await owner.withSchema('job_queue').from('job').delete()
    await Promise.all([db.destroy(), owner.destroy()])
  })

  it('is asked for once however often, and not at all where what asks is undone', async () => {
    const undone = withFirm(db, firm.firmId, async (trx) => {
      await ask(trx, 'reckon', { firmId: firm.firmId })
      throw new Error('undone')
    })
    expect(await undone.catch((error) => error.message)).to.equal('undone')
    expect(await waiting('reckon')).to.equal(0)
    for (let i = 0; i < 3; i += 1) await askFor('reckon')
    expect(await waiting('reckon')).to.equal(1)
    const other = await smallFirm(db, 'Another That Waits')
    await askFor('reckon', other)
    expect(await waiting('reckon', other), 'each firm has its own').to.equal(1)
  })

  it('is done once by however many that work on one database', async () => {
    const firms = await Promise.all(Array.from({ length: 8 }, (_, i) => smallFirm(db, `Firm ${i}`)))
    const done: string[] = []
    const reckon = async ({ firmId }: { firmId: string }) => {
      await wait(30)
      done.push(firmId)
    }
    const stops = await Promise.all([work({ reckon }), work({ reckon }), work({ reckon })])
    for (const one of firms) await askFor('reckon', one)
    await until(() => done.length >= firms.length)
    await wait(1200)
    await Promise.all(stops.map((stop) => stop()))
    expect(done.toSorted()).to.deep.equal(firms.map(({ firmId }) => firmId).toSorted())
  })

  it('is tried again, later, and laid before the owner of the firm at last, who asks once more', async () => {
    let tries = 0
    const stop = await work({
      tidy: async () => {
        tries += 1
        throw new Error('the disk is full')
      },
    })
    await askFor('tidy')
    await until(() => tries === 1)
    // The pauses are for a trouble that passes: here they are cut short.
    const hurry = setInterval(
      () =>
        void owner
          .raw(`update job_queue.job set start_after = now() where state = 'retry'`)
          .catch((error) => errors.push(String(error))),
      100,
    )
    await until(async () => (await failedWork(db, actor(firm))).length === 1)
    clearInterval(hurry)
    await stop()
    expect(tries).to.equal(6)
    const [failed] = await failedWork(db, actor(firm))
    expect(failed).to.include({ what: 'tidy', why: 'the disk is full' })
    expect(await failedWork(db, actor(firm, 'technician'))).to.deep.equal([])
    const other = await smallFirm(db, 'Sees Nothing')
    expect(await failedWork(db, actor(other))).to.deep.equal([])
    expect(await settleFailed(db, actor(other), failed!.id, 'again')).to.include({ ok: false, status: 404 })
    expect(await settleFailed(db, actor(firm, 'technician'), failed!.id, 'again')).to.include({ status: 403 })
    expect(await settleFailed(db, actor(firm), failed!.id, 'again')).to.deep.equal({ ok: true })
    expect(await waiting('tidy')).to.equal(1)
    expect(await failedWork(db, actor(firm))).to.deep.equal([])
    expect(await settleFailed(db, actor(firm), failed!.id, 'drop')).to.include({ status: 404 })
  })

  it('reckons what was left to it, and goes on with what was stopped in the middle', async () => {
    await writeEntries(db, actor(firm), firstEntries(firm.c2, 'c2'), { now: testNow })
    await withFirm(db, firm.firmId, (trx) => reckonLater(trx, firm.firmId, [firm.c2, firm.softenerId]))
    const stale = () => withFirm(db, firm.firmId, countStale)
    expect(await stale()).to.be.above(0)
    const stopped = new AbortController()
    stopped.abort()
    const told: object[] = []
    const on = (signal: AbortSignal) =>
      handlers(db, { signal, tell: (one) => told.push(one), backUp: async () => undefined, office })
    const inTheMiddle = await on(stopped.signal)
      .reckon({ firmId: firm.firmId })
      .catch((error) => error.message)
    expect(inTheMiddle).to.equal('stopped in the middle')
    const { signal } = new AbortController()
    // Nobody asked: it is found by whoever looks round.
    await owner.withSchema('job_queue').from('job').delete()
    await on(signal)['look-round']({})
    expect(await waiting('reckon')).to.equal(1)
    const stop = await work({ reckon: on(signal).reckon })
    await until(async () => (await stale()) === 0)
    await stop()
    expect(told.some((one) => 'firmId' in one && one.firmId === firm.firmId)).to.equal(true)
    await on(signal)['look-round']({})
    expect(await waiting('reckon'), 'nothing waits any more').to.equal(0)
  })

  it('is asked by the clock as whoever starts it says, and no more where nothing is said', async () => {
    const clocks = async () =>
      owner.withSchema('job_queue').from('schedule').orderBy('name').select('name', 'cron', 'timezone')
    const by = {
      backup: { cron: '30 3 * * *', timeZone: 'Europe/London' },
      nightly: { cron: '40 2 * * *', timeZone: 'UTC' },
    }
    const stop = await workOn(url, nothing, by, (error) => errors.push(error.message))
    expect(await clocks()).to.deep.equal([
      { name: 'backup', cron: '30 3 * * *', timezone: 'Europe/London' },
      { name: 'nightly', cron: '40 2 * * *', timezone: 'UTC' },
    ])
    await stop()
    const stopWithout = await work({})
    expect(await clocks()).to.deep.equal([])
    await stopWithout()
  })

  it('asks every firm to tidy, once a night', async () => {
    const { signal } = new AbortController()
    const all = handlers(db, { signal, tell: () => undefined, backUp: async () => undefined, office })
    await all.nightly({})
    expect(await waiting('tidy')).to.equal(1)
    expect(errors).to.deep.equal([])
  })
})
