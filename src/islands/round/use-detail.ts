import { useState } from 'react'
import type { Standing } from '../../core/standing/standing.ts'
import type { RoundRow } from '../../views/round-page.ts'
import { useFetched } from '../use-fetched.ts'

/** The working of the chosen row, fetched when somebody looks at it. */
export function useDetail(row: RoundRow | null): Standing | null | 'failed' {
  const [detail, setDetail] = useState<{ url: string; standing: Standing } | null>(null)
  const url = row ? `/api/standings/${row.subjectId}?key=${encodeURIComponent(row.standing.key)}` : null
  const failed = useFetched<Standing>(url, (standing) => setDetail({ url: url!, standing }), { afterMs: 60 })
  if (detail && detail.url === url) return detail.standing
  return failed ? 'failed' : null
}
