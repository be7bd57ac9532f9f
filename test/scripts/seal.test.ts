import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { generateX25519Identity, identityToRecipient } from 'age-encryption'
import { expect } from 'chai'
import { seal, sealedFor, unseal } from '../../scripts/seal.ts'
import { thinBackups } from '../../scripts/thin-backups.ts'

describe('a sealed backup', () => {
  let work: string
  let identity: string
  let key: string
  before(async () => {
    work = mkdtempSync(join(tmpdir(), 'evenshot-seal-'))
    identity = await generateX25519Identity()
    key = await identityToRecipient(identity)
  })
  after(() => rmSync(work, { recursive: true }))

  let n = 0
  const secret = 'Spare key under the third pot'
  const make = (name?: string) => {
    n += 1
    const folder = join(work, name ?? `backup-${n}`)
    mkdirSync(join(folder, 'files'), { recursive: true })
    writeFileSync(join(folder, 'manifest.json'), JSON.stringify({ secret }))
    writeFileSync(join(folder, 'files', 'large'), Buffer.alloc(3_000_000, secret))
    return folder
  }
  const failure = (work: Promise<unknown>) =>
    work.then(
      () => '',
      (error: Error) => error.message,
    )

  it('is one file in the age format, for its owner alone, and the open folder is gone', async () => {
    const folder = make()
    const file = await seal(folder, [key])
    expect(file).to.equal(`${folder}.tar.age`)
    expect(existsSync(folder)).to.equal(false)
    expect(statSync(file).mode & 0o077).to.equal(0)
    const bytes = readFileSync(file)
    expect(bytes.subarray(0, 22).toString()).to.equal('age-encryption.org/v1\n')
    expect(bytes.includes(secret)).to.equal(false)
  })

  it('opens whole with the secret key, as a key file has it', async () => {
    const file = await seal(make('whole'), [key])
    const opened = await unseal(file, `# made one day\n${identity}\n`, join(work, 'opened'))
    expect(opened).to.equal(join(work, 'opened', 'whole'))
    expect(readFileSync(join(opened, 'manifest.json'), 'utf8')).to.contain(secret)
    expect(readFileSync(join(opened, 'files', 'large')).equals(Buffer.alloc(3_000_000, secret))).to.equal(true)
  })

  it('opens for each it was sealed for, and for nobody else', async () => {
    const other = await generateX25519Identity()
    const file = await seal(make(), [key, await identityToRecipient(other)])
    await unseal(file, other, join(work, 'by-other'))
    const stranger = await failure(unseal(file, await generateX25519Identity(), join(work, 'by-stranger')))
    expect(stranger).to.contain('could not be opened')
    expect(existsSync(join(work, 'by-stranger'))).to.equal(false)
    expect(await failure(unseal(file, 'a poem', join(work, 'by-poem')))).to.contain('AGE-SECRET-KEY-')
  })

  it('is refused where one byte of it was changed, or its end is missing, and leaves nothing half open', async () => {
    const file = await seal(make(), [key])
    const whole = readFileSync(file)
    const changed = Buffer.from(whole)
    changed[1_500_000]! ^= 1
    for (const bytes of [changed, whole.subarray(0, 2_000_000)]) {
      writeFileSync(file, bytes)
      expect(await failure(unseal(file, identity, join(work, 'damaged')))).to.contain('could not be opened')
      expect(existsSync(join(work, 'damaged'))).to.equal(false)
    }
  })

  it('is sealed for whom is said, and no nonsense', () => {
    expect(sealedFor('')).to.deep.equal([])
    expect(sealedFor(`${key}, ${key}`)).to.deep.equal([key, key])
    expect(() => sealedFor(identity)).to.throw('public keys')
  })

  it('is thinned like the others', () => {
    const folder = join(work, 'thinned')
    mkdirSync(folder)
    for (const hour of ['03', '12']) writeFileSync(join(folder, `2026-11-20T${hour}-30-00-000Z.tar.age`), 'x')
    expect(thinBackups(folder)).to.deep.equal(['2026-11-20T03-30-00-000Z.tar.age'])
  })
})
