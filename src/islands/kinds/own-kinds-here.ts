import { useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { useFetched } from '../use-fetched.ts'

/** What of kinds only the server knows: those the firm made from nothing. */
export interface OwnKindsHere {
  firmId: string
  kinds: Kind[]
}

/** The firm's very own kinds as they come, and one that is made here and now. */
export function useOwnKinds(): { own: OwnKindsHere | null; add(kind: Kind): void } {
  const [own, setOwn] = useState<OwnKindsHere | null>(null)
  useFetched<OwnKindsHere>('/api/kinds', setOwn, { afterMs: 0 })
  return { own, add: (kind) => setOwn((now) => now && { ...now, kinds: [...now.kinds, kind] }) }
}
