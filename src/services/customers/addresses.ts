import { randomBytes } from 'node:crypto'
import { codeOf } from '../../core/papers/code.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { addAddress, addressesOf, endAddress } from '../../records/customer-addresses.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { machineRows } from '../../records/find.ts'
import { keptById } from '../../records/kept.ts'
import { entriesOf } from '../../records/ledger.ts'
import type { PageAddress, PlacePages } from '../../views/customer-page.ts'
import { type Answer, refusal } from '../answer.ts'
import type { Actor } from '../judge-entry.ts'

type Of = 'machine' | 'site'
/** No place of ours has more in service. */
const mostMachines = 500

/** Short enough for a code that a small label holds, and still nobody’s to guess: 96 bits. */
const newAddress = (): string => randomBytes(12).toString('base64url')

/** The customer's page of a machine or a site as whoever keeps it sees it; null where this firm has none such. */
export async function pageAddress(db: Db, firmId: string, of: Of, id: string): Promise<PageAddress | null> {
  const there = await whoseIs(db, firmId, of, id)
  if (!there) return null
  const [addresses, ledgers] = await Promise.all([
    addressesOf(db, firmId, [id]),
    lookIn(db, firmId, async (trx) => {
      const entries = await entriesOf(trx, [firmId, there.siteId])
      const about = (subjectId: string) => entries.filter((entry) => entry.subjectId === subjectId)
      return effective({ site: about(there.siteId), firm: about(firmId) })
    }),
  ])
  const address = addresses.get(id)
  return {
    siteId: there.siteId,
    path: address ? `/care/${address.token}` : null,
    since: address?.madeAt ?? null,
    code: codeOf(id),
    word: nearestSetting(ledgers, 'site-word')?.body.word ?? null,
    letterhead: nearestSetting(ledgers, 'letterhead')?.body ?? null,
  }
}

/** The machines of a place with their codes, and whether each has a page; null where this firm has no such place. */
export async function pagesOfPlace(db: Db, firmId: string, siteId: string): Promise<PlacePages | null> {
  const found = await lookIn(db, firmId, async (trx) => {
    const site = await keptById(trx, 'site', siteId)
    return site && { site, here: await machineRows(trx, { siteId }, null, mostMachines) }
  })
  if (!found) return null
  const { site, here } = found
  const ids = here.map(({ id }) => id)
  const addresses = await addressesOf(db, firmId, ids)
  return {
    site: { id: site.id, name: site.name, area: site.area, timeZone: site.timeZone },
    machines: here.map(({ id, name, maker, model }) => ({
      id,
      name,
      model: [maker, model].filter(Boolean).join(' '),
      code: codeOf(id),
      hasPage: addresses.has(id),
    })),
  }
}

/** Gives it an address; the one before opens nothing any more. */
export async function makePageAddress(db: Db, actor: Actor, of: Of, id: string, now: Date): Promise<Answer> {
  const there = await whoseIs(db, actor.firmId, of, id)
  if (!there) return refusal(404, '', 'unknown', 'is not here')
  await addAddress(db, {
    token: newAddress(),
    firmId: actor.firmId,
    subjectKind: of,
    subjectId: id,
    customerId: there.customerId,
    madeAt: now.toISOString(),
    madeBy: actor.technicianId,
  })
  return { ok: true }
}

/** Its address opens nothing any more. */
export async function endPageAddress(db: Db, { firmId }: Actor, id: string, now: Date): Promise<Answer> {
  await endAddress(db, firmId, id, now)
  return { ok: true }
}

/** Where it stands, and whose it is. */
const whoseIs = (db: Db, firmId: string, of: Of, id: string): Promise<{ siteId: string; customerId: string } | null> =>
  lookIn(db, firmId, async (trx) => {
    const machine = of === 'machine' ? await keptById(trx, 'machine', id) : null
    const siteId = of === 'site' ? id : machine?.siteId
    const site = siteId ? await keptById(trx, 'site', siteId) : null
    return site ? { siteId: site.id, customerId: site.customerId } : null
  })
