import type { Issue } from '../core/parse/parse-strict.ts'

export type Method = 'POST' | 'PUT' | 'DELETE'
export type Told<T> = ({ ok: true } & T) | { ok: false; issues: Issue[] }

/** Sends JSON and reads the answer; trouble on the way comes back as an issue of the whole form. */
export async function sendOnce<T>(method: Method, url: string, body?: unknown): Promise<Told<T>> {
  let response: Response
  try {
    response = await fetch(url, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    })
  } catch {
    return { ok: false, issues: [whole('No connection: nothing was changed. Try again when the network is back.')] }
  }
  if (response.status === 401) return { ok: false, issues: [whole('You were signed out: sign in again, then save.')] }
  const answer = await response.json().catch(() => ({}))
  if (response.ok) return { ok: true, ...answer }
  return { ok: false, issues: answer.issues ?? [whole('Nothing was changed: the server could not take it.')] }
}

const whole = (message: string): Issue => ({ path: '', code: 'whole', message })
