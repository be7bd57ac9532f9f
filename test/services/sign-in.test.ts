import { expect } from 'chai'
import type { Db } from '../../src/records/database.ts'
import { safeNext } from '../../src/server/safe-next.ts'
import { isDemo, signIn, signOut, whoHolds } from '../../src/services/sign-in.ts'
import { placeOf } from '../../src/services/signing-in/place-of.ts'
import { slowedMs } from '../../src/services/signing-in/throttle.ts'
import { appDatabase, type SmallFirm, smallFirm } from '../records/a-database.ts'

const from = (address: string) => ({ address, device: 'a test' })

describe('signing in', () => {
  let db: Db
  let firm: SmallFirm

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
  })

  it('opens a session for the right password, under whatever case of address', async () => {
    const answer = await signIn(db, ` ${firm.email.toUpperCase()} `, 'a good password', from('10.0.0.1'))
    if (!answer.ok) throw new Error(answer.reason)
    const who = await whoHolds(db, answer.token)
    expect(who).to.deep.include({ technician: { id: firm.ines, name: 'Ines Test', initials: 'IT', role: 'owner' } })
    expect(who!.firm.id).to.equal(firm.firmId)
    await signOut(db, answer.token)
    expect(await whoHolds(db, answer.token)).to.equal(null)
  })

  it('stores digests only: neither the token nor the password can be read back', async () => {
    const answer = await signIn(db, firm.email, 'a good password', from('10.0.0.2'))
    if (!answer.ok) throw new Error(answer.reason)
    const sessions = await db('session').where({ firm_id: firm.firmId })
    expect(JSON.stringify(sessions)).not.to.contain(answer.token)
    const account = await db('account').where({ email: firm.email }).first()
    expect(account.password_hash).to.match(/^\$argon2id\$/)
  })

  it('tells a wrong password from nothing: the unknown address gets the same answer', async () => {
    expect(await signIn(db, firm.email, 'a bad password', from('10.0.0.3'))).to.deep.equal({
      ok: false,
      reason: 'wrong',
    })
    expect(await signIn(db, 'nobody@test.example', 'a bad password', from('10.0.0.3'))).to.deep.equal({
      ok: false,
      reason: 'wrong',
    })
    expect(await whoHolds(db, 'made up')).to.equal(null)
  })

  it('stops whoever tries ten times from one place, and nobody else', async () => {
    for (let i = 0; i < 10; i += 1) await signIn(db, firm.email, 'wrong', from('10.1.0.1'))
    const answer = await signIn(db, firm.email, 'a good password', from('10.1.0.1'))
    expect(answer).to.include({ ok: false, reason: 'too-many' })
    expect(answer).to.have.property('retryInS').that.is.within(1, 900)
    expect((await signIn(db, firm.email, 'a good password', from('10.1.0.2'))).ok, 'the owner, elsewhere').to.equal(
      true,
    )
  })

  it('counts what was wrong: signing in well spends nothing', async () => {
    for (let i = 0; i < 60; i += 1)
      expect((await signIn(db, firm.email, 'a good password', from('10.3.0.1'))).ok, `time ${i}`).to.equal(true)
  })

  it('makes guesses from many places wait, longer each time, and never locks', () => {
    expect([1, 30, 31, 32, 35, 60, 5000].map(slowedMs)).to.deep.equal([0, 0, 250, 500, 4000, 8000, 8000])
  })

  it('takes a network of IPv6 for one place', () => {
    expect(placeOf('2001:db8:1:2:3:4:5:6')).to.equal(placeOf('2001:db8:1:2:ffff::1'))
    expect(placeOf('2001:db8::5'), 'noughts within the network').to.equal(placeOf('2001:db8::6'))
    expect(placeOf('2001:db8::5')).to.equal('2001:db8:0:0')
    expect(placeOf('::1')).to.equal('0:0:0:0')
    expect(placeOf('2001:db8:1:3::1')).not.to.equal(placeOf('2001:db8:1:2::1'))
    expect(placeOf('10.0.0.1')).not.to.equal(placeOf('10.0.0.2'))
    expect(placeOf('::ffff:10.0.0.1')).not.to.equal(placeOf('::ffff:10.0.0.2'))
  })

  it('stops one address that tries many accounts', async () => {
    const answers = []
    for (let i = 0; i < 52; i += 1) answers.push(await signIn(db, `guess-${i}@test.example`, 'wrong', from('10.2.0.1')))
    expect(answers.at(-1)).to.include({ reason: 'too-many' })
  })

  it('knows whose address is the demo’s', async () => {
    expect(await isDemo(db, firm.email)).to.equal(false)
    expect(await isDemo(db, 'nobody@test.example')).to.equal(false)
  })

  it('goes nowhere but to a path of ours afterwards', () => {
    expect(safeNext('/machines/1?task=descale')).to.equal('/machines/1?task=descale')
    for (const bad of [null, '', 'round', '//evil.example', '/\\evil.example', 'https://evil.example', '/a b']) {
      expect(safeNext(bad), String(bad)).to.equal('/round')
    }
  })
})
