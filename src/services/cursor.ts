import { isInstant } from '../core/parse/fields.ts'
import { dayNumber } from '../core/quantity/local-day.ts'

/** Keyset cursors travel as opaque text; what comes back is checked part by part before it meets a query. */
const checks = {
  date: (text: string) => dayNumber(text) !== null,
  uuid: (text: string) => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(text),
  text: () => true,
  instant: (text: string) => /^\d{4}-\d\d-\d\dT[\d:.]+Z$/.test(text) && isInstant(text),
}

export const writeCursor = (parts: string[]): string => Buffer.from(JSON.stringify(parts)).toString('base64url')

/** @returns null for no cursor and for one that is none: the list then starts over */
export function readCursor<T extends string[]>(text: string | undefined, shape: (keyof typeof checks)[]): T | null {
  if (!text) return null
  try {
    const parts: unknown = JSON.parse(Buffer.from(text, 'base64url').toString())
    const fits =
      Array.isArray(parts) &&
      parts.length === shape.length &&
      parts.every((part, i) => typeof part === 'string' && !part.includes('\0') && checks[shape[i]!](part))
    return fits ? (parts as T) : null
  } catch {
    return null
  }
}

export const isUuid = checks.uuid
