import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { CallerMachine } from '../core/visits/caller-machine.ts'
import type { Trx } from './database.ts'
import { toEntry } from './ledger.ts'
import { likeWord, words } from './round.ts'

/** Fewer figures than these are no telephone number. */
const leastDigits = 5
/** So many of its last figures tell a number: before them stand country and area, written in many ways. */
const tellingDigits = 7

/**
 * Machines in service that somebody may be ringing about: every word is found in the machine, its place or its customer,
 * or the figures are the customer’s telephone number.
 */
export async function callerRows(
  trx: Trx,
  { text = '', machineId }: { text?: string; machineId?: string },
  limit: number,
): Promise<CallerMachine[]> {
  const digits = text.replace(/\D/g, '')
  const isNumber = digits.length >= leastDigits && /^[\d\s+()/.-]+$/.test(text.trim())
  const query = trx('machine as m')
    .join('site as s', (on) => on.on('s.firm_id', 'm.firm_id').andOn('s.id', 'm.site_id'))
    .join('customer as c', (on) => on.on('c.firm_id', 's.firm_id').andOn('c.id', 's.customer_id'))
    .join('subject as su', (on) => on.on('su.firm_id', 'm.firm_id').andOn('su.id', 'm.id'))
    .whereNot('su.stage', 'retired')
    .whereNull('s.retired_on')
    .orderBy(['s.name', 'm.name', 'm.id'])
    .limit(limit)
    .select('m.id as machine_id', 'm.name as machine_name', 'm.maker', 'm.model', 'm.serial', 'm.kind')
    .select('s.id as site_id', 's.name as site_name', 's.area', 'c.name as customer', 'c.contact', 'c.phone')
  if (machineId) query.where('m.id', machineId)
  else if (isNumber)
    query.whereRaw(`regexp_replace(c.phone, '[^0-9]', '', 'g') like ?`, [`%${digits.slice(-tellingDigits)}`])
  else
    for (const word of words(text))
      query.whereRaw(`m.words || ' ' || s.words || ' ' || lower(c.name || ' ' || c.contact) like ?`, [likeWord(word)])
  return (await query).map((row) => ({
    machineId: row.machine_id,
    machineName: row.machine_name,
    model: [row.maker, row.model].filter(Boolean).join(' '),
    serial: row.serial,
    kind: row.kind,
    siteId: row.site_id,
    siteName: row.site_name,
    area: row.area,
    customer: row.customer,
    contact: row.contact,
    phone: row.phone,
  }))
}

/** Calls since a day, by anybody, and what corrects or withdraws them. */
export async function callsSince(trx: Trx, day: LocalDay): Promise<RecordedEntry[]> {
  const calls = await trx('entry').where('kind', 'call').where('happened_on', '>=', day)
  const ids = calls.map(({ id }) => id)
  const about = await trx('entry').whereRaw('supersedes = any(?)', [ids]).whereRaw('not (id = any(?))', [ids])
  return [...calls, ...about].map(toEntry)
}
