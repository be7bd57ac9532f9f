import type { Entry } from '../core/ledger/entry.ts'
import type { AboutDevice } from './database.ts'
import type { Unsent } from './unsent.ts'

const format = 'evenshot-unsent'

/**
 * What waits on a device as a file that the firm’s page reads in: the last way out of one that cannot send any more.
 * See `docs/formats.md`.
 */
export function unsentFile(unsent: Unsent[], about: AboutDevice | null, now: Date): { name: string; text: string } {
  const written = {
    format,
    version: 1,
    writtenAt: now.toISOString(),
    firm: about && { id: about.firm.id, name: about.firm.name },
    technician: about && { id: about.technician.id, name: about.technician.name },
    saves: unsent.map(({ by, madeAt, state, issues, knownSeq, entries }) => ({
      by,
      madeAt: new Date(madeAt).toISOString(),
      state,
      ...(issues.length > 0 && { issues }),
      ...(knownSeq !== null && { knownSeq }),
      entries,
    })),
  }
  return {
    name: `unsent-${now.toISOString().slice(0, 16).replace(':', '')}.json`,
    text: JSON.stringify(written, null, 1),
  }
}

/** What a device wrote out that it could not send. */
export interface UnsentFile {
  writtenAt: string
  technician: { id: string; name: string } | null
  /** In the order they were written. */
  saves: { by: string; entries: Entry[]; knownSeq?: number }[]
}

/** Reads such a file; its entries are the server’s to judge. @returns null where it is none */
export function readUnsentFile(text: string): UnsentFile | null {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    return null
  }
  const {
    format: told,
    version,
    saves,
    writtenAt,
    technician,
  } = (read ?? {}) as Partial<UnsentFile> & {
    format?: unknown
    version?: unknown
  }
  if (told !== format || version !== 1 || !Array.isArray(saves)) return null
  if (!saves.every((save) => Array.isArray(save?.entries) && save.entries.length > 0)) return null
  return { writtenAt: String(writtenAt ?? ''), technician: technician ?? null, saves }
}
