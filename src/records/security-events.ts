import type { Trx } from './database.ts'

const kinds = [
  'signed-in',
  'signed-in-by-passkey',
  'wrong-password',
  'slowed-down',
  'wrong-second-proof',
  'recovery-code-used',
  'signed-out',
  'session-ended',
  'shown-again',
  'password-changed',
  'password-set-by-link',
  'joined',
  'link-made',
  'role-changed',
  'left',
  'code-app-added',
  'code-app-removed',
  'passkey-added',
  'passkey-removed',
  'recovery-codes-made',
  'second-proof-forgotten',
  'rule-changed',
  'taken-out',
  'brought-in',
  'restored',
  'forgotten',
] as const
export type SecurityEventKind = (typeof kinds)[number]

export interface SecurityEvent {
  id: string
  at: string
  what: SecurityEventKind
  technicianId?: string
  aboutId?: string
  place: string
  device: string
}

export async function addSecurityEvent(trx: Trx, firmId: string, event: SecurityEvent): Promise<void> {
  await trx('security_event').insert({
    firm_id: firmId,
    id: event.id,
    at: event.at,
    what: event.what,
    technician_id: event.technicianId ?? null,
    about_id: event.aboutId ?? null,
    place: event.place,
    device: event.device,
  })
}

export type EventCursor = [at: string, id: string]

/** Latest first. */
export async function securityEventsBefore(
  trx: Trx,
  before: EventCursor | null,
  limit: number,
): Promise<SecurityEvent[]> {
  const query = trx('security_event')
    .orderBy([
      { column: 'at', order: 'desc' },
      { column: 'id', order: 'desc' },
    ])
    .limit(limit)
  if (before) query.whereRaw('(at, id) < (?::timestamptz, ?::uuid)', before)
  return (await query).map((row) => ({
    id: row.id,
    at: row.at.toISOString(),
    what: row.what,
    ...(row.technician_id && { technicianId: row.technician_id }),
    ...(row.about_id && { aboutId: row.about_id }),
    place: row.place,
    device: row.device,
  }))
}
