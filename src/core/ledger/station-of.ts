import type { Kind } from '../kinds/kind.ts'
import type { Entry } from './entry.ts'

/** The station of the water path that an entry touched, by the kind's parts and tasks; null when it touched none. */
export function stationOf({ subjectKind, kind: entryKind, body }: Entry, kind: Kind | null): string | null {
  if (!kind) return null
  if (subjectKind === 'softener') return 'softener'
  if ('station' in body && kind.stations.some(({ id }) => id === body.station)) return body.station ?? null
  if ('part' in body && body.part) return kind.parts.find(({ id }) => id === body.part)?.station ?? null
  const task = 'task' in body ? body.task : undefined
  if (entryKind === 'descaled' || task === 'descale') return kind.vessels[0]?.station ?? null
  return kind.tasks.find(({ id }) => id === task)?.station ?? null
}
