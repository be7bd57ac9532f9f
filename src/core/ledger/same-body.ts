import type { ReceivedEntry } from './entry.ts'

/** One spelling for one value: keys in order, so that a retry is known again whatever its key order. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`
  if (typeof value === 'object' && value !== null) {
    const fields = Object.entries(value).filter(([, inner]) => inner !== undefined)
    fields.sort(([a], [b]) => (a < b ? -1 : 1))
    return `{${fields.map(([key, inner]) => `${JSON.stringify(key)}:${canonical(inner)}`).join(',')}}`
  }
  return JSON.stringify(value)
}

/** Whether two entries with one id say the same, as they came: then the second is a retry, else a conflict. */
export function sameEntry(a: ReceivedEntry, b: ReceivedEntry): boolean {
  const said = ({ subjectKind, subjectId, visitId, kind, happenedAt, happenedOn, body, supersedes }: ReceivedEntry) =>
    canonical({
      subjectKind,
      subjectId,
      visitId,
      kind,
      happenedAt: Date.parse(happenedAt),
      happenedOn,
      body,
      supersedes,
    })
  return said(a) === said(b)
}
