import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import type { Db } from '../../src/records/database.ts'
import { now } from '../../src/services/clock.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import type { SmallFirm } from '../records/a-database.ts'

/**
 * Writes for Ines, one after another: of two entries that say the same thing the later counts.
 *
 * @param known - asked when something is written: both stand only once a test has begun
 */
export function writerOf(known: () => { db: Db; firm: SmallFirm }): (...made: Entry[]) => Promise<Entry[]> {
  let second = 0
  return async (...made) => {
    const { db, firm } = known()
    const entries = made.map((entry) => ({
      ...entry,
      happenedAt: `${entry.happenedOn}T09:00:${String(second++).padStart(2, '0')}.000Z`,
    }))
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    const told = await writeEntries(db, actor, entries, { now: now() })
    expect(told.verdicts.map(({ verdict }) => verdict)).to.deep.equal(entries.map(() => 'saved'))
    return entries
  }
}
