import type { Kept, RecordKind } from '../core/firm/records.ts'
import type { Entry } from '../core/ledger/entry.ts'
import { type Method, sendOnce, type Told } from './send-once.ts'

export type { Told } from './send-once.ts'

/** Sends JSON; where the firm's keys or all its data are at stake, whoever sits here is asked for their password first. */
export async function send<T>(method: Method, url: string, body?: unknown): Promise<Told<T>> {
  const told = await sendOnce<T>(method, url, body)
  if (told.ok || told.issues[0]?.code !== 'ask_again') return told
  const { askAgain } = await import('./again.tsx')
  if (await askAgain()) return sendOnce<T>(method, url, body)
  return { ok: false, issues: [{ path: '', code: 'whole', message: 'Nothing was changed.' }] }
}

/**
 * Adds a record (version 0) or changes one, with entries that belong to it. Safe to send again. Where somebody else changed
 * the same fields since it was read, they are shown at those fields; sent once more, this one is kept.
 */
export async function keep<K extends RecordKind>(
  kind: K,
  id: string,
  version: number,
  record: Partial<Kept<K>>,
  entries: Entry[] = [],
): Promise<Told<{ version: number }>> {
  const read = `${kind} ${id} ${version}`
  const seen = shown.get(read)
  const told = await send<{ version: number }>('PUT', `/api/records/${kind}/${id}`, {
    ...{ version, record, entries },
    ...(seen !== undefined && { seen }),
  })
  const since = told.ok ? undefined : told.issues.find(({ code }) => code === 'changed_since')
  if (since) shown.set(read, Number(since.value))
  return told
}

/** Which version was shown beside what was typed, by what was read. */
const shown = new Map<string, number>()
