import { expect } from 'chai'
import { usualPreferences } from '../../src/core/firm/preferences.ts'
import { openDatabase } from '../../src/records/database.ts'
import { migrate } from '../../src/records/migrate.ts'
import { startFirm } from '../../src/services/start-firm.ts'
import { testNow } from '../records/a-database.ts'
import { databases } from '../records/own-databases.ts'

describe('the first firm of a place', () => {
  const place = databases()
  after(() => place.drop())

  it('is one, however many start it at once', async () => {
    const { ownerUrl, appUrl } = await place.make()
    const owner = openDatabase(ownerUrl, 1)
    await migrate(owner, 'evenshot_app')
    await owner.destroy()
    const db = openDatabase(appUrl, 12)
    try {
      const request = (n: number) => ({
        firm: { name: `Firm ${n}`, timeZone: 'Europe/London', ...usualPreferences },
        policy: 'usual',
        owner: {
          name: 'Ines Test',
          initials: 'IT',
          email: `owner-${n}@test.example`,
          password: 'a good long password',
        },
      })
      const started = await Promise.all([1, 2, 3, 4, 5].map((n) => startFirm(db, request(n), testNow)))
      const told = started.map((one) => (one.ok ? 'started' : one.why))
      expect(told.sort(), JSON.stringify(started)).to.deep.equal(['closed', 'closed', 'closed', 'closed', 'started'])
      expect(await db('account').pluck('email')).to.have.length(1)
      const late = await startFirm(db, request(6), testNow)
      expect(late.ok ? 'started' : late.why).to.equal('closed')
    } finally {
      await db.destroy()
    }
  })
})
