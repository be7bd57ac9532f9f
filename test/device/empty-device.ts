import 'fake-indexeddb/auto'
import { usualPreferences } from '../../src/core/firm/preferences.ts'
import { type AboutDevice, deviceDatabase } from '../../src/device/database.ts'

export const ines = { id: 'ines', name: 'Ines', initials: 'IQ' }
export const odile = { id: 'odile', name: 'Odile', initials: 'OF' }
export const firm = { id: 'firm', name: 'A firm', timeZone: 'Europe/London', preferences: usualPreferences }
export const about: AboutDevice = { technician: ines, firm, aheadMs: 0, packedAt: null, seq: 0 }

const { info } = console

/** A device with nothing on it before each test, and quiet. */
export function onEmptyDevice(): void {
  beforeEach(async () => {
    console.info = () => undefined
    const db = await deviceDatabase()
    await Promise.all(
      (['kept', 'aside', 'packed', 'unsent', 'photo', 'about', 'key'] as const).map((name) => db.clear(name)),
    )
  })
  after(() => {
    console.info = info
  })
}
