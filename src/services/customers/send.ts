import { v7 } from 'uuid'
import { customerOrigin, unknownOrigin } from '../../core/customers/origins.ts'
import type { Sending } from '../../core/customers/sending.ts'
import { theirJobs } from '../../core/customers/their-jobs.ts'
import type { SubjectKind } from '../../core/ledger/subject.ts'
import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import type { Db } from '../../records/database.ts'
import { type Answer, refusal } from '../answer.ts'
import { isUuid } from '../cursor.ts'
import { writeEntries } from '../write-entries.ts'
import { maySend } from './pace.ts'
import type { There } from './there.ts'

/** Something to be written, before it has an id and a day. */
export interface ToWrite {
  about: SubjectKind
  aboutId: string
  kind: string
  body: object
}

export interface SentHow {
  /** Made where the form was drawn: sent twice it is written once. */
  id: string
  now: Date
  /** Of the network it comes from, for counting alone. */
  address: string
}

/**
 * Writes what was sent: of whoever knows the word of the place as from the customer, else as a remark that one of us
 * looks at: nothing is reckoned from it.
 */
export async function send(db: Db, there: There, sending: Sending, how: SentHow): Promise<Answer> {
  const told = tellable(there, sending)
  if (!told) return refusal(422, '', 'unknown', 'This is not done on this machine.')
  // A wish for another day is answered by somebody, whoever wishes.
  const counts = there.knows || sending.what === 'another-day'
  return writeSent(db, there, counts ? [told.entry] : [asRemark(there, told.words)], how)
}

/** Written whole or not at all, by its first entry’s id once; counted against what one place may send. */
export async function writeSent(db: Db, there: There, entries: ToWrite[], how: SentHow): Promise<Answer> {
  const { id, now, address } = how
  if (!isUuid(id)) return refusal(422, 'id', 'unknown', 'This page was not made here: open it again.')
  if (!(await maySend(db, there, address)))
    return refusal(429, '', 'slow', 'That is more than one machine sends in a day. Urgent? Ring.')
  const answer = await writeEntries(
    db,
    there.actor,
    entries.map(({ about, aboutId, kind, body }, i) => ({
      id: i === 0 ? id : v7({ msecs: now.getTime() }),
      subjectKind: about,
      subjectId: aboutId,
      kind,
      happenedAt: now.toISOString(),
      happenedOn: there.today,
      body: { v: 1, ...body },
    })),
    { now, asOne: true, origin: there.knows ? customerOrigin : unknownOrigin },
  )
  const first = answer.verdicts[0]
  // The same page sent a second time: it is there.
  if (first?.verdict === 'conflict' || first?.verdict === 'already') return { ok: true }
  const refused = answer.verdicts.find(({ verdict }) => verdict === 'refused')
  if (refused && 'issues' in refused) return { ok: false, status: 422, issues: refused.issues ?? [] }
  return { ok: true }
}

const asRemark = ({ machineId }: There, words: string): ToWrite => ({
  about: 'machine',
  aboutId: machineId,
  kind: 'remark',
  body: { text: `From the machine’s page, nobody knows by whom: ${words}`, internal: true },
})

/** What is written of it, and how it reads where it only is a remark; null where it is not done here. */
function tellable(there: There, sending: Sending): { entry: ToWrite; words: string } | null {
  const { machineId, softenerId, care, histories } = there
  const machine = (kind: string, body: object): ToWrite => ({ about: 'machine', aboutId: machineId, kind, body })
  const softener = (kind: string, body: object): ToWrite | null =>
    softenerId ? { about: 'softener', aboutId: softenerId, kind, body } : null
  const of = (entry: ToWrite | null, words: string) => entry && { entry, words }
  switch (sending.what) {
    case 'counter': {
      const { count } = sending
      if (reckonMachine(care.bundle.ledgers, { showWorking: false })?.uncounted) return null
      return of(machine('reading', { counter: 'shots', count, by: 'customer' }), `counter ${count}`)
    }
    case 'job': {
      const known = theirJobs(care.sheet, histories).find(({ job }) => job.name === sending.say)
      if (!known) return null
      const { name, everyDays } = known.job
      return of(machine('care-done', { what: name, everyDays }), `done: ${name}`)
    }
    case 'regenerated': {
      const { saltKg } = sending
      return of(
        softener('regenerated', saltKg ? { saltKg } : {}),
        `softener regenerated${saltKg ? ` with ${saltKg} kg salt` : ''}`,
      )
    }
    case 'salt':
      return of(softener('salt-added', { kg: sending.kg }), `${sending.kg} kg salt filled in`)
    case 'strip': {
      const { low, high, unit } = sending
      return of(
        softener('water-test', { point: 'softened', quantity: 'total', method: 'strip', unit, low, high }),
        `strip after the softener, ${low} to ${high} °dH`,
      )
    }
    case 'another-day': {
      const { words, caller } = sending
      const body = { text: `Asks for another day: ${words}`, ...(caller && { caller }), end: 'ring-back' }
      return of(machine('call', body), '')
    }
  }
}
