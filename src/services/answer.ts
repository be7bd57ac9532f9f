import type { Issue } from '../core/parse/parse-strict.ts'

type Status = 403 | 404 | 409 | 422 | 429

/** What came of what was asked: what it brings, or why not, at its field. */
export type Answer<T = object> = ({ ok: true } & T) | Refusal
export interface Refusal {
  ok: false
  status: Status
  issues: Issue[]
}

export const refusal = (status: Status, path: string, code: string, message: string): Refusal => ({
  ok: false,
  status,
  issues: [{ path, code, message }],
})

export const ownerOnly = refusal(403, '', 'owner_only', 'Only the owner may do that.')
