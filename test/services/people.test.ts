import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { usualPreferences } from '../../src/core/firm/preferences.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { keepRecord } from '../../src/services/keep-record.ts'
import { endListedSession, followLink, makeLink, peoplePage, readLink } from '../../src/services/people.ts'
import { openSession, signIn, whoHolds } from '../../src/services/sign-in.ts'
import { canStart, startFirm } from '../../src/services/start-firm.ts'
import { appDatabase, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

const from = (address: string) => ({ address, device: 'a test' })

describe('people of a firm', () => {
  let db: Db
  let firm: SmallFirm
  const owner = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const technician = () => ({ firmId: firm.firmId, technicianId: firm.odile, role: 'technician' as const })

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
  })

  const link = async (technicianId: string) => {
    const made = await makeLink(db, owner(), technicianId, testNow)
    if (!made.ok) throw new Error(JSON.stringify(made))
    return made
  }

  it('join by a link that opens once', async () => {
    const { token, purpose } = await link(firm.odile)
    expect(purpose).to.equal('join')
    expect(await readLink(db, token)).to.deep.include({ purpose: 'join', name: 'Odile Test' })
    const email = `${randomUUID()}@test.example`
    const weak = await followLink(db, token, { email, password: 'short' }, testNow)
    expect(weak).to.have.nested.property('issues[0].path', 'password')
    const password = 'a long enough password'
    expect(await followLink(db, token, { email, password }, testNow)).to.deep.include({
      ok: true,
      technicianId: firm.odile,
    })
    expect(await followLink(db, token, { email: `x${email}`, password }, testNow)).to.include({
      ok: false,
      status: 404,
    })
    expect((await signIn(db, email, password, from('10.9.0.1'))).ok).to.equal(true)
  })

  it('choose a new password by a link, and are signed out everywhere', async () => {
    const old = await openSession(db, { firmId: firm.firmId, technicianId: firm.ines }, 'a tablet')
    const { token, purpose } = await link(firm.ines)
    expect(purpose).to.equal('reset')
    await followLink(db, token, { password: 'quite another password' }, testNow)
    expect(await whoHolds(db, old.token)).to.equal(null)
    expect((await signIn(db, firm.email, 'a good password', from('10.9.0.2'))).ok).to.equal(false)
    expect((await signIn(db, firm.email, 'quite another password', from('10.9.0.2'))).ok).to.equal(true)
  })

  it('follow one link only: a newer one closes the older', async () => {
    const first = await link(firm.odile)
    await link(firm.odile)
    expect(await readLink(db, first.token)).to.equal(null)
    expect((await makeLink(db, technician(), firm.ines, testNow)).ok).to.equal(false)
    expect(await readLink(db, 'nonsense')).to.equal(null)
  })

  it('are listed with their sessions; others’ sessions only to the owner', async () => {
    const mine = await openSession(db, { firmId: firm.firmId, technicianId: firm.ines }, 'a tablet')
    await openSession(db, { firmId: firm.firmId, technicianId: firm.odile }, 'a phone')
    const { sessionId } = (await whoHolds(db, mine.token))!
    const all = await peoplePage(db, owner(), sessionId)
    expect(all.people.map(({ name, email }) => [name, Boolean(email)])).to.deep.equal([
      ['Ines Test', true],
      ['Odile Test', false],
    ])
    expect(all.sessions.map(({ device, own }) => `${device} ${own}`)).to.have.members([
      'a tablet true',
      'a phone false',
    ])
    expect((await peoplePage(db, technician(), sessionId)).sessions.map(({ device }) => device)).to.deep.equal([
      'a phone',
    ])
    expect((await endListedSession(db, technician(), sessionId, testNow)).ok).to.equal(false)
    expect((await endListedSession(db, owner(), sessionId, testNow)).ok).to.equal(true)
    expect(await whoHolds(db, mine.token)).to.equal(null)
  })

  it('who have left open nothing any more', async () => {
    const session = await openSession(db, { firmId: firm.firmId, technicianId: firm.odile }, 'a phone')
    const record = { name: 'Odile Test', initials: 'OT', role: 'technician', leftOn: '2026-11-25' }
    await keepRecord(db, owner(), { kind: 'technician', id: firm.odile, version: 1, record }, testNow)
    // What they wrote until then is taken; nothing is shown to them.
    expect(await whoHolds(db, session.token)).to.include({ onlyHandsIn: true })
    expect((await makeLink(db, owner(), firm.odile, testNow)).ok).to.equal(false)
  })

  it('who come back sign in anew: what they held before stays dead, sessions and links', async () => {
    const session = await openSession(db, { firmId: firm.firmId, technicianId: firm.odile }, 'a phone')
    const { token } = await link(firm.odile)
    const keep = (version: number, more: object) => {
      const record = { name: 'Odile Test', initials: 'OT', role: 'technician', ...more }
      return keepRecord(db, owner(), { kind: 'technician', id: firm.odile, version, record }, testNow)
    }
    await keep(1, { leftOn: '2026-11-25' })
    expect(await readLink(db, token)).to.equal(null)
    expect(
      (await followLink(db, token, { email: 'x@test.example', password: 'long enough now' }, testNow)).ok,
    ).to.equal(false)
    expect((await keep(2, {})).ok).to.equal(true)
    expect(await whoHolds(db, session.token)).to.include({ onlyHandsIn: true })
    expect(await readLink(db, token)).to.equal(null)
  })

  it('cannot start a second firm where one stands', async () => {
    const request = {
      firm: { ...usualPreferences, name: 'Mine', timeZone: 'Europe/London' },
      policy: 'usual',
      owner: { name: 'Me', initials: 'M', email: 'me@test.example', password: 'a long enough password' },
    }
    expect(await canStart(db)).to.equal(false)
    expect(await startFirm(db, request, testNow)).to.include({ ok: false, why: 'closed' })
  })

  it('start the first firm, with its owner and way, in a database without one', async () => {
    // Every account of other tests is out of sight for the length of this transaction, which is undone.
    await db
      .transaction(async (trx) => {
        await trx('invitation').delete()
        await trx('session').delete()
        await trx('account').delete()
        const request = {
          firm: { ...usualPreferences, hardnessUnit: 'fH', name: 'Mine', timeZone: 'Pacific/Auckland' },
          policy: 'cautious',
          owner: { name: 'Me', initials: 'M', email: 'me@test.example', password: 'a long enough password' },
        }
        const weak = { ...request, owner: { ...request.owner, email: 'nowhere' } }
        expect(await startFirm(trx, weak, testNow)).to.have.nested.property('issues[0].path', 'owner.email')
        const started = await startFirm(trx, request, testNow)
        if (!started.ok) throw new Error(JSON.stringify(started))
        const [firmRow, entries] = await withFirm(trx, started.firmId, async (inner) => [
          await inner('firm').first(),
          await inner('entry').select('body', 'happened_on'),
        ])
        expect(firmRow).to.include({ name: 'Mine', hardness_unit: 'fH', time_zone: 'Pacific/Auckland' })
        expect(entries).to.deep.equal([
          { body: { v: 1, setting: 'policy', policy: 'cautious' }, happened_on: '2026-11-26' },
        ])
        expect(await canStart(trx)).to.equal(false)
        throw new Error('undone')
      })
      .catch((error: Error) => {
        if (error.message !== 'undone') throw error
      })
  })
})
