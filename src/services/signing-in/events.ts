import { dayAt, timeAt } from '../../core/quantity/site-time.ts'
import { type Db, withFirm } from '../../records/database.ts'
import { technicians, theFirm } from '../../records/firms.ts'
import { type EventCursor, securityEventsBefore } from '../../records/security-events.ts'
import type { EventPage } from '../../views/signing-in-page.ts'
import { readCursor, writeCursor } from '../cursor.ts'

const pageSize = 50

/** A page of who came in from where and what was done with keys, the latest first. */
export async function eventPage(db: Db, firmId: string, cursor?: string | null): Promise<EventPage> {
  return withFirm(db, firmId, async (trx) => {
    const from = readCursor<EventCursor>(cursor ?? undefined, ['instant', 'uuid'])
    const zone = (await theFirm(trx))?.timeZone ?? 'UTC'
    const found = await securityEventsBefore(trx, from, pageSize + 1)
    const people = new Map((await technicians(trx)).map((person) => [person.id, person.name]))
    const name = (id: string | undefined) => (id === undefined ? undefined : (people.get(id) ?? 'someone'))
    const page = found.slice(0, pageSize)
    const last = page.at(-1)
    return {
      rows: page.map(({ id, at, what, technicianId, aboutId, place, device }) => {
        const [by, about] = [name(technicianId), aboutId === technicianId ? undefined : name(aboutId)]
        const instant = Date.parse(at)
        const [on, time] = [dayAt(zone, instant), timeAt(zone, instant)]
        return { id, on, time, what, ...(by && { by }), ...(about && { about }), place, device }
      }),
      ...(found.length > pageSize && last && { next: writeCursor([last.at, last.id]) }),
    }
  })
}
