import { type Preferences, usualPreferences } from '../core/firm/preferences.ts'
import type { Role } from '../core/firm/rights.ts'
import type { Trx } from './database.ts'

export interface Technician {
  id: string
  name: string
  initials: string
  role: Role
  /** The day they left; they sign in no more, and what they wrote stays theirs. */
  leftOn?: string
}

export interface Firm {
  id: string
  name: string
  demo: boolean
  seq: number
  timeZone: string
  preferences: Preferences
  /** Whether everybody shows a second proof besides the password. */
  asksSecond: boolean
}

/** Sets whether everybody of this transaction's firm shows a second proof. */
export async function setAsksSecond(trx: Trx, asksSecond: boolean): Promise<void> {
  await trx('firm').update({ asks_second: asksSecond })
}

export async function addFirm(
  trx: Trx,
  firm: { id: string; name: string; demo: boolean; timeZone?: string; preferences?: Preferences },
): Promise<void> {
  const { preferences: chosen = usualPreferences } = firm
  await trx('firm').insert({
    id: firm.id,
    name: firm.name,
    demo: firm.demo,
    time_zone: firm.timeZone ?? 'UTC',
    hardness_unit: chosen.hardnessUnit,
    volume_unit: chosen.volumeUnit,
    temperature_unit: chosen.temperatureUnit,
    pressure_unit: chosen.pressureUnit,
    currency: chosen.currency,
    date_form: chosen.dateForm,
    week_start: chosen.weekStart,
  })
  await trx('subject').insert({ firm_id: firm.id, id: firm.id, kind: 'firm' })
}

/** Sets a firm as it stood elsewhere: how often its record was kept, and its entries' cursor. */
export async function setFirmAsKept(trx: Trx, kept: { version: number; seq: number }): Promise<void> {
  await trx('firm').update(kept)
}

/** The firm this transaction belongs to; null when it is gone. */
export async function theFirm(trx: Trx): Promise<Firm | null> {
  const row = await trx('firm').first()
  if (!row) return null
  return {
    id: row.id,
    name: row.name,
    demo: row.demo,
    seq: row.seq,
    timeZone: row.time_zone,
    asksSecond: row.asks_second,
    preferences: {
      hardnessUnit: row.hardness_unit,
      volumeUnit: row.volume_unit,
      temperatureUnit: row.temperature_unit,
      pressureUnit: row.pressure_unit,
      currency: row.currency,
      dateForm: row.date_form,
      weekStart: row.week_start,
    },
  }
}

export async function technicians(trx: Trx): Promise<Technician[]> {
  return (await trx('technician').orderBy('name')).map(toTechnician)
}

export async function technicianById(trx: Trx, id: string): Promise<Technician | null> {
  const row = await trx('technician').where({ id }).first()
  return row ? toTechnician(row) : null
}

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver hands it over; this function gives it its shape
const toTechnician = ({ id, name, initials, role, left_on: leftOn }: any): Technician => ({
  id,
  name,
  initials,
  role,
  ...(leftOn && { leftOn }),
})

/** Nobody else starts a firm until this transaction is over: whoever waited looks anew whether one stands. */
export async function lockFirstRun(trx: Trx): Promise<void> {
  await trx.raw(`select pg_advisory_xact_lock(hashtext('evenshot: first run'))`)
}
