import { expect } from 'chai'
import { Secret, TOTP } from 'otpauth'
import { type Db, withFirm } from '../../src/records/database.ts'
import type { Actor } from '../../src/services/judge-entry.ts'
import { peoplePage } from '../../src/services/people.ts'
import { isPasswordOf, type SignInAnswer, signIn, whoHolds } from '../../src/services/sign-in.ts'
import { networkOf } from '../../src/services/signing-in/caller.ts'
import { takeCode } from '../../src/services/signing-in/code-app.ts'
import { eventPage } from '../../src/services/signing-in/events.ts'
import {
  beginOwnCodeApp,
  changePassword,
  confirmOwnCodeApp,
  dropProof,
  forgetProofsOf,
  remakeRecoveryCodes,
  setRule,
  showPasswordAgain,
} from '../../src/services/signing-in/own.ts'
import { siteOf, takesPasskeys } from '../../src/services/signing-in/passkeys.ts'
import { proofsOf } from '../../src/services/signing-in/proofs.ts'
import { secondAsked, showSecond } from '../../src/services/signing-in/second.ts'
import { tellEveryFirm } from '../../src/services/signing-in/tell.ts'
import { paced } from '../../src/services/signing-in/throttle.ts'
import { digest } from '../../src/services/signing-in/tokens.ts'
import type { EventPage } from '../../src/views/signing-in-page.ts'
import { appDatabase, type SmallFirm, smallFirm } from '../records/a-database.ts'

const password = 'a good password'

describe('what somebody signs in with', () => {
  let db: Db
  let firm: SmallFirm
  let places = 0
  /** Somewhere else each time: what counts tries by place has none to count. */
  const caller = () => {
    places += 1
    return { address: `198.51.100.${places % 250}`, device: 'a test' }
  }

  before(() => {
    db = appDatabase()
  })
  after(() => db.destroy())
  beforeEach(async () => {
    firm = await smallFirm(db)
  })

  const ines = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const odile = () => ({ firmId: firm.firmId, technicianId: firm.odile, role: 'technician' as const })
  const app = (secret: string) => new TOTP({ secret: Secret.fromBase32(secret) })
  const opened = (answer: SignInAnswer) => {
    if (!answer.ok) throw new Error(answer.reason)
    return answer
  }
  const brought = <T extends object>(answer: ({ ok: true } & T) | { ok: false; issues: unknown }) => {
    if (!answer.ok) throw new Error(JSON.stringify(answer.issues))
    return answer
  }
  const halfIn = async () => {
    const answer = await signIn(db, firm.email, password, caller())
    if (answer.ok || answer.reason !== 'second') throw new Error(JSON.stringify(answer))
    return answer.halfWay
  }
  /** A code app as hers is, and what it shows at a moment. */
  const withCodeApp = async () => {
    const { secret } = brought(await beginOwnCodeApp(db, ines()))
    // The half minute before: the one now is still to be shown.
    const first = app(secret).generate({ timestamp: Date.now() - 30_000 })
    const { recoveryCodes } = brought(await confirmOwnCodeApp(db, ines(), first, caller()))
    return { secret, recoveryCodes, shows: (ms = 0) => app(secret).generate({ timestamp: Date.now() + ms }) }
  }
  const events = async () => (await eventPage(db, firm.firmId)).rows.map(({ what }) => what)

  it('goes by RFC 6238: the codes of its appendix B, last six figures, each in its own half minute', async () => {
    const secret = Secret.fromLatin1('12345678901234567890').base32
    await withFirm(db, firm.firmId, async (trx) => {
      const holder = ines()
      await trx('code_app').insert({
        firm_id: holder.firmId,
        technician_id: holder.technicianId,
        secret,
        confirmed_at: new Date(),
      })
      const at = (s: number) => new Date(s * 1000)
      expect(await takeCode(trx, holder, '287083', at(59)), 'one wrong figure').to.equal(false)
      for (const [s, code] of [
        [59, '287082'],
        [1111111109, '081804'],
        [1234567890, '005924'],
        [2000000000, '279037'],
      ] as const)
        expect(await takeCode(trx, holder, code, at(s)), code).to.equal(true)
      expect(await takeCode(trx, holder, '353130', at(20000000000 + 90)), 'a minute and a half late').to.equal(false)
      expect(await takeCode(trx, holder, '353130', at(20000000000 + 29)), 'half a minute late').to.equal(true)
    })
  })

  it('asks for the code after the password, takes each once, and opens nothing without', async () => {
    const { shows } = await withCodeApp()
    const token = await halfIn()
    expect(await whoHolds(db, token), 'half-way in is not in').to.equal(null)
    expect((await secondAsked(db, token))?.hasCodeApp).to.equal(true)
    expect(await showSecond(db, token, '000000', caller())).to.include({ ok: false, reason: 'wrong' })
    const code = shows()
    expect(await showSecond(db, token, code, caller())).to.deep.include({
      ok: true,
      holder: { firmId: firm.firmId, technicianId: firm.ines },
    })
    expect(await showSecond(db, token, shows(30_000), caller()), 'the half-way is gone').to.include({ reason: 'over' })
    expect(await showSecond(db, await halfIn(), code, caller()), 'seen over the shoulder').to.include({
      reason: 'wrong',
    })
    expect(await events()).to.include.members(['code-app-added', 'wrong-second-proof', 'signed-in'])
  })

  it('counts nothing before the first code was right', async () => {
    brought(await beginOwnCodeApp(db, ines()))
    expect((await signIn(db, firm.email, password, caller())).ok, 'it was never confirmed').to.equal(true)
    const again = brought(await beginOwnCodeApp(db, ines()))
    expect(await confirmOwnCodeApp(db, ines(), '12345', caller())).to.include({ ok: false })
    brought(await confirmOwnCodeApp(db, ines(), app(again.secret).generate(), caller()))
    expect((await beginOwnCodeApp(db, ines())).ok, 'a second one beside it').to.equal(false)
  })

  it('lets five guesses be made at a code, then asks for the password anew', async () => {
    const { shows } = await withCodeApp()
    const token = await halfIn()
    for (let i = 0; i < 5; i += 1) await showSecond(db, token, '000000', caller())
    expect(await showSecond(db, token, shows(), caller())).to.include({ ok: false, reason: 'over' })
  })

  it('stops guessing that begins anew with the password each time', async () => {
    await withCodeApp()
    let last: Awaited<ReturnType<typeof showSecond>> | null = null
    for (let i = 0; i < 5; i += 1) {
      const token = await halfIn()
      for (let n = 0; n < 5; n += 1) last = await showSecond(db, token, '000000', caller())
    }
    expect(last).to.include({ reason: 'too-many' })
  })

  it('opens once by each code from paper, however it is written', async () => {
    const { recoveryCodes } = await withCodeApp()
    expect(recoveryCodes).to.have.length(10)
    expect(new Set(recoveryCodes).size).to.equal(10)
    const code = recoveryCodes[3]!
    expect(code).to.match(/^[a-hjkmnp-z2-9]{4}-[a-hjkmnp-z2-9]{4}-[a-hjkmnp-z2-9]{4}$/)
    expect(
      (await showSecond(db, await halfIn(), ` ${code.toUpperCase().replaceAll('-', ' ')} `, caller())).ok,
    ).to.equal(true)
    expect((await showSecond(db, await halfIn(), code, caller())).ok, 'a second time').to.equal(false)
    const fresh = brought(await remakeRecoveryCodes(db, ines(), caller())).recoveryCodes
    expect((await showSecond(db, await halfIn(), recoveryCodes[4]!, caller())).ok, 'one from before').to.equal(false)
    expect((await showSecond(db, await halfIn(), fresh[0]!, caller())).ok).to.equal(true)
    expect((await proofsOf(db, ines())).recoveryCodes).to.equal(9)
  })

  it('keeps no code and no token that could be read back', async () => {
    const { recoveryCodes } = await withCodeApp()
    const token = await halfIn()
    const rows = JSON.stringify([
      await withFirm(db, firm.firmId, (trx) => trx('recovery_code')),
      await db('half_way'),
      await db('known_device'),
    ])
    for (const secret of [token, ...recoveryCodes, ...recoveryCodes.map((code) => code.replaceAll('-', ''))])
      expect(rows).not.to.contain(secret)
  })

  it('changes a password for whoever knows the one there is, and puts every other device out', async () => {
    const here = opened(await signIn(db, firm.email, password, caller()))
    const there = opened(await signIn(db, firm.email, password, caller()))
    const { sessionId } = (await whoHolds(db, here.token))!
    const tried = (input: object) => changePassword(db, ines(), sessionId, input, caller())
    const fresh = 'seven kettles in a lorry'
    expect(await tried({ current: 'not that one', password: fresh })).to.have.nested.property(
      'issues[0].path',
      'current',
    )
    for (const bad of [
      'short',
      '1234567890',
      'Password123!',
      'abcdefghijkl',
      'aaaaaaaaaaaa',
      'qwertyuiop1',
      firm.email,
    ])
      expect(await tried({ current: password, password: bad }), bad).to.have.nested.property(
        'issues[0].path',
        'password',
      )
    expect(brought(await tried({ current: password, password: fresh })).ended).to.equal(1)
    expect(await whoHolds(db, there.token)).to.equal(null)
    expect(await whoHolds(db, here.token)).not.to.equal(null)
    expect((await signIn(db, firm.email, password, caller())).ok).to.equal(false)
    expect((await signIn(db, firm.email, fresh, caller())).ok).to.equal(true)
    expect(await events()).to.include('password-changed')
  })

  it('is fresh for a while after it was shown, and fresh again when it is shown again', async () => {
    const { token } = opened(await signIn(db, firm.email, password, caller()))
    const who = (await whoHolds(db, token))!
    expect(who.isFresh).to.equal(true)
    const ago = (ms: number) =>
      db('session')
        .where({ id: who.sessionId })
        .update({ shown_at: new Date(Date.now() - ms) })
    await ago(21 * 60_000)
    expect((await whoHolds(db, token))!.isFresh).to.equal(false)
    expect((await showPasswordAgain(db, ines(), who.sessionId, 'wrong', caller())).ok).to.equal(false)
    expect((await whoHolds(db, token))!.isFresh).to.equal(false)
    brought(await showPasswordAgain(db, ines(), who.sessionId, password, caller()))
    expect((await whoHolds(db, token))!.isFresh).to.equal(true)
  })

  it('is over when it lay unused for a fortnight: it hands in, and shows nothing', async () => {
    const { token } = opened(await signIn(db, firm.email, password, caller()))
    const unused = (days: number) =>
      db('session')
        .where({ token_hash: digest(token) })
        .update({ seen_at: new Date(Date.now() - days * 86_400_000) })
    await unused(13)
    expect((await whoHolds(db, token))!.onlyHandsIn).to.equal(false)
    await unused(15)
    expect((await whoHolds(db, token))!.onlyHandsIn).to.equal(true)
    expect((await whoHolds(db, token))!.onlyHandsIn, 'asking does not wake it up').to.equal(true)
    await unused(45)
    expect(await whoHolds(db, token)).to.equal(null)
  })

  it('asks a second proof of everybody where the firm says so, who says it first', async () => {
    expect((await setRule(db, odile(), true, caller())).ok, 'a technician').to.equal(false)
    expect((await setRule(db, ines(), true, caller())).ok, 'an owner without one').to.equal(false)
    const { token } = opened(await signIn(db, firm.email, password, caller()))
    await withCodeApp()
    brought(await setRule(db, ines(), true, caller()))
    expect((await whoHolds(db, token))!.owesSecond).to.equal(false)
    expect((await dropProof(db, ines(), 'code-app', true, caller())).ok, 'the last one').to.equal(false)
    // One who lost all is let in by an owner, and owes one then.
    expect((await forgetProofsOf(db, odile(), firm.ines, caller())).ok).to.equal(false)
    brought(await forgetProofsOf(db, ines(), firm.ines, caller()))
    expect((await whoHolds(db, token))!.owesSecond).to.equal(true)
    expect((await signIn(db, firm.email, password, caller())).ok).to.equal(true)
  })

  it('takes a proof away, and the codes on paper with the last', async () => {
    const { recoveryCodes } = await withCodeApp()
    expect(recoveryCodes).not.to.deep.equal([])
    brought(await dropProof(db, ines(), 'code-app', false, caller()))
    expect(await proofsOf(db, ines())).to.deep.equal({ hasCodeApp: false, passkeys: [], recoveryCodes: 0 })
    expect((await dropProof(db, ines(), 'code-app', false, caller())).ok, 'twice').to.equal(false)
    expect((await signIn(db, firm.email, password, caller())).ok).to.equal(true)
  })

  it('does not slow down a device its owner signed in with, whoever guesses beside it', async () => {
    const place = { address: '203.0.113.77', device: 'the shop' }
    const { knownToken } = opened(await signIn(db, firm.email, password, place))
    for (let i = 0; i < 12; i += 1) await signIn(db, firm.email, 'wrong', place)
    expect(await signIn(db, firm.email, password, place), 'somebody at the same place').to.include({
      reason: 'too-many',
    })
    expect(
      (await signIn(db, firm.email, password, { ...place, knownToken: knownToken! })).ok,
      'the owner there',
    ).to.equal(true)
    const other = await smallFirm(db, 'Others & Sons')
    expect(
      await signIn(db, other.email, password, { ...place, knownToken: knownToken! }),
      'known for her alone',
    ).to.include({ ok: true })
    for (let i = 0; i < 22; i += 1) await signIn(db, firm.email, 'wrong', { ...place, knownToken: knownToken! })
    expect(
      await isPasswordOf(db, firm.email, password, { ...place, knownToken: knownToken! }),
      'a stolen one',
    ).to.equal('too-many')
  })

  it('writes down who came in from which network, append-only, and no more of an address than that', async () => {
    await signIn(db, firm.email, 'wrong', { address: '203.0.113.9', device: 'Firefox on Linux' })
    await signIn(db, firm.email, password, { address: '2001:db8:aa:bb:cc::1', device: 'Safari on iPhone' })
    const { rows } = await eventPage(db, firm.firmId)
    expect(rows.map(({ what, by, place, device }) => ({ what, by, place, device }))).to.deep.equal([
      { what: 'signed-in', by: 'Ines Test', place: '2001:db8:aa::/48', device: 'Safari on iPhone' },
      { what: 'wrong-password', by: 'Ines Test', place: '203.0.113.0/24', device: 'Firefox on Linux' },
    ])
    expect(networkOf('::ffff:203.0.113.9')).to.equal('203.0.113.0/24')
    for (const change of [
      "update security_event set what = 'left'",
      'delete from security_event',
      'truncate security_event',
    ]) {
      const refused = await withFirm(db, firm.firmId, (trx) => trx.raw(change)).catch((error: Error) => error.message)
      expect(String(refused), change).to.contain('permission denied')
    }
  })

  it('says once that somebody was slowed down, however often they go on', async () => {
    const there = { address: '203.0.113.200', device: 'a guesser' }
    for (let i = 0; i < 16; i += 1) await signIn(db, firm.email, 'wrong', there)
    const said = await events()
    expect(said.filter((what) => what === 'slowed-down')).to.have.length(1)
    expect(said.filter((what) => what === 'wrong-password')).to.have.length(10)
  })

  it('lets only some tries wait at a time: the others are turned away, and keep nobody from being answered', async () => {
    // Tries for one account from as many places as there are tries.
    for (let i = 0; i < 31; i += 1) await paced(db, firm.email, null, caller())
    const all = await Promise.all(Array.from({ length: 14 }, () => paced(db, firm.email, null, caller())))
    expect(all.filter(({ ok }) => !ok)).to.have.length(2)
  })

  it('takes no less time to say no to an address nobody has', async () => {
    for (const email of [firm.email, 'nobody-at-all@test.example']) {
      const began = performance.now()
      await signIn(db, email, 'wrong', caller())
      expect(performance.now() - began, email).to.be.at.least(115)
    }
  })

  it('tells every firm what was done to all that stands here', async () => {
    await tellEveryFirm(db, 'restored')
    const [{ what, by, device }] = (await eventPage(db, firm.firmId)).rows as [EventPage['rows'][number]]
    expect({ what, by, device }).to.deep.equal({ what: 'restored', by: undefined, device: 'the server itself' })
  })

  it('tells the owner alone who shows more than a password', async () => {
    await withCodeApp()
    const shown = async (actor: Actor) => (await peoplePage(db, actor, '')).people.filter((one) => one.hasSecond)
    expect((await shown(ines())).map(({ id }) => id)).to.deep.equal([firm.ines])
    expect(await shown(odile())).to.deep.equal([])
  })

  it('takes passkeys where browsers make them: at a name over https, or on this machine', () => {
    const at = (origin: string) => takesPasskeys(siteOf(origin))
    expect(['https://service.example', 'http://localhost:4870'].map(at)).to.deep.equal([true, true])
    expect(
      ['http://service.example', 'https://192.0.2.7', 'https://[2001:db8::1]', 'http://127.0.0.1:4870'].map(at),
    ).to.deep.equal([false, false, false, false])
  })
})
