import { useEffect, useState } from 'react'
import { useFetched } from '../use-fetched.ts'

interface KindName {
  id: string
  name: string
}

/** Every kind of machine by name, the firm’s own too: fetched when somebody looks, since the catalogue is large. */
export function useKindNames(): KindName[] {
  const [known, setKnown] = useState<KindName[]>([])
  const [own, setOwn] = useState<KindName[]>([])
  useEffect(() => {
    let current = true
    import('../../core/kinds/index.ts')
      .then(({ kinds }) => current && setKnown(kinds.map(({ id, name }) => ({ id, name }))))
      .catch(() => undefined)
    return () => {
      current = false
    }
  }, [])
  useFetched<{ kinds: KindName[] }>('/api/kinds', ({ kinds }) => setOwn(kinds), { afterMs: 0 })
  return [...known, ...own.map(({ id, name }) => ({ id, name }))]
}
