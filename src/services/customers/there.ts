import type { LocalDay } from '../../core/quantity/local-day.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import { effective, type Histories, nearestSetting } from '../../core/standing/histories.ts'
import { stageNow } from '../../core/standing/stages.ts'
import { mergedInto } from '../../records/changes.ts'
import { addressByToken, type CustomerAddress, phoneByKey } from '../../records/customer-addresses.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { machineRows } from '../../records/find.ts'
import { theFirm } from '../../records/firms.ts'
import { keptById } from '../../records/kept.ts'
import { entriesOf } from '../../records/ledger.ts'
import type { CustomerPlace } from '../../views/customer-page.ts'
import { type Care, careOf } from '../care.ts'
import type { Actor } from '../judge-entry.ts'
import { digest } from '../signing-in/tokens.ts'

/** Whoever stands at a machine with a phone, as far as the address and the phone tell. */
export interface There {
  /** In whose name it is written: who gave the address out. What it says of itself is its origin. */
  actor: Actor
  token: string
  machineId: string
  softenerId: string | null
  siteId: string
  /** The address is of the whole place: the machine is named beside it. */
  isOfPlace: boolean
  today: LocalDay
  /** The entry that set the word of the place, and the word; null where there is none. */
  word: { id: string; is: string } | null
  /** The phone was shown to know it. */
  knows: boolean
  care: Care
  histories: Histories
  firm: { name: string; phone: string }
}

export type Opened = { opens: 'machine'; there: There } | { opens: 'place'; place: CustomerPlace } | null

/** No place of ours has more in service. */
const mostMachines = 500

interface Asked {
  token: string
  /** Of a place with more machines than one. */
  machineId?: string | undefined
  /** What the phone holds. */
  key?: string | undefined
  now: Date
}

/**
 * What an address opens.
 * @returns null where it opens nothing: never made, ended, or the machine stands at another customer's now
 */
export async function openAddress(db: Db, asked: Asked): Promise<Opened> {
  const address = await addressByToken(db, asked.token)
  if (!address) return null
  const found = await lookIn(db, address.firmId, async (trx) => {
    const firm = await theFirm(trx)
    const machine = address.subjectKind === 'machine' ? await keptById(trx, 'machine', address.subjectId) : null
    const siteId = address.subjectKind === 'site' ? address.subjectId : machine?.siteId
    const site = siteId && (await keptById(trx, 'site', siteId))
    if (!firm || !site || site.retiredOn) return null
    // Two records of one customer that were made one: it is the same customer's.
    const whose =
      site.customerId === address.customerId || (await mergedInto(trx, site.customerId)).includes(address.customerId)
    if (!whose) return null
    const here = machine ? [] : await machineRows(trx, { siteId: site.id }, null, mostMachines)
    const written = machine ? [] : await entriesOf(trx, [firm.id])
    return { firm, site, here, phone: phoneOf(effective({ firm: written })) }
  })
  if (!found) return null
  const { firm, site, here, phone: placePhone } = found
  const machineId = chosen(address, here, asked.machineId)
  if (!machineId) {
    const machines = here.map(({ id, name, maker, model }) => ({
      id,
      name,
      model: [maker, model].filter(Boolean).join(' '),
    }))
    return { opens: 'place', place: { firm: { name: firm.name, phone: placePhone }, site: site.name, machines } }
  }
  const care = await careOf(db, address.firmId, machineId, { isPublic: true })
  if (!care) return null
  const histories = effective(care.bundle.ledgers)
  // What is scrapped needs no care; its label may still stick to it.
  if (stageNow(histories, 'machine').stage === 'retired') return null
  const word = histories.site?.settings.get('site-word')?.at(-1)
  const is = word?.body.setting === 'site-word' ? word.body.word : undefined
  const phone = asked.key ? await phoneByKey(db, digest(asked.key)) : null
  return {
    opens: 'machine',
    there: {
      actor: { firmId: address.firmId, technicianId: address.madeBy, role: 'technician' },
      token: address.token,
      machineId,
      softenerId: care.bundle.softener?.id ?? null,
      siteId: site.id,
      isOfPlace: address.subjectKind === 'site' && here.length > 1,
      today: dayAt(site.timeZone, asked.now),
      word: word && is ? { id: word.id, is } : null,
      knows: Boolean(word && is && phone && phone.wordId === word.id && phone.siteId === site.id),
      care,
      histories,
      firm: { name: firm.name, phone: phoneOf(histories) },
    },
  }
}

const phoneOf = (histories: Histories): string => nearestSetting(histories, 'letterhead')?.body.phone ?? ''

/** Which machine is meant: the address's own, the only one of a place, or the one that was named. */
function chosen(address: CustomerAddress, here: { id: string }[], named: string | undefined): string | null {
  if (address.subjectKind === 'machine') return address.subjectId
  if (here.length === 1) return here[0]!.id
  return here.find(({ id }) => id === named)?.id ?? null
}
