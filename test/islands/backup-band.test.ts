import { expect } from 'chai'
import { saysSomething } from '../../src/islands/round/BackupBand.tsx'

describe('the band about backups', () => {
  const today = '2026-11-28'
  const came = (at: string, ok = true) => ({ at: `${at}T03:30:00.000Z`, ok, why: ok ? '' : 'No space left.' })

  it('says that the last one failed, at once', () => {
    expect(saysSomething(came('2026-11-28', false), today)).to.equal(true)
  })

  it('says that none was made for more than three days', () => {
    expect(saysSomething(came('2026-11-28'), today)).to.equal(false)
    expect(saysSomething(came('2026-11-25'), today)).to.equal(false)
    expect(saysSomething(came('2026-11-24'), today)).to.equal(true)
  })
})
