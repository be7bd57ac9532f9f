import { object, string } from 'yup'
import { jot } from '../core/ledger/jot.ts'
import { localDay, uuid } from '../core/parse/fields.ts'
import { parseStrict } from '../core/parse/parse-strict.ts'
import { instantAt } from '../core/quantity/site-time.ts'
import { type Db, withFirm } from '../records/database.ts'
import { siteZones } from '../records/kept.ts'
import { machinesAwaiting } from '../records/standings.ts'
import type { Answer } from './answer.ts'
import { earlier, idOf } from './imports/import-context.ts'
import type { Actor } from './judge-entry.ts'
import { isWritten, writeGroup } from './write-entries.ts'

/** The moment that a UUIDv7 was made; some moment, and always the same, for any other. */
const momentIn = (id: string) => new Date(Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16))

const asked = object({
  id: uuid().required(),
  scope: string()
    .oneOf(['site', 'kind'] as const)
    .required(),
  /** The site, or the kind of machine. */
  of: string().max(60).required(),
  parts: string()
    .oneOf(['unknown', 'looks-right', 'good'] as const)
    .required(),
  on: localDay().required(),
}).noUnknown()

/**
 * Says what is known of the ages of every machine of a site, or of a kind, that waits for its first look. Sent again it
 * says it once.
 */
export async function tellAges(db: Db, actor: Actor, input: unknown, now: Date): Promise<Answer<{ machines: number }>> {
  const parsed = parseStrict(asked, input)
  if (!parsed.ok) return { ok: false, status: 422, issues: parsed.issues }
  const { id, scope, of, parts, on } = parsed.value
  return withFirm(db, actor.firmId, async (trx) => {
    const machines = await machinesAwaiting(trx, 'first-look', scope, of)
    const zones = await siteZones(trx, [...new Set(machines.map(({ siteId }) => siteId))])
    const entries = machines.map(({ id: subjectId, siteId }) => ({
      // It follows from the id alone, whenever it is sent again.
      id: idOf({ importId: id, askedAt: momentIn(id) }, subjectId),
      subjectKind: 'machine' as const,
      subjectId,
      ...jot('taken-over', { parts }),
      happenedAt: earlier(instantAt(zones.get(siteId) ?? 'UTC', on), now.toISOString()),
      happenedOn: on,
    }))
    const answer = await writeGroup(trx, actor, entries, { now })
    if (isWritten(answer)) return { ok: true, machines: machines.length }
    const issues = answer.verdicts.flatMap((verdict) => ('issues' in verdict ? verdict.issues : []))
    return { ok: false, status: 422, issues }
  })
}
