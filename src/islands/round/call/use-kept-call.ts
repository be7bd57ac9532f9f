import { useEffect, useRef, useState } from 'react'
import { browserNow } from '../../../ui/clock.ts'
import { newId } from '../../new-id.ts'
import { type KeptCall, keptCalls, newCall } from './kept-call.ts'

/**
 * The call that is being taken: kept on this device with every word, so that nothing is asked twice.
 *
 * @param of - what it was begun for
 */
export function useKeptCall(of: string, begun: Partial<KeptCall>) {
  const [call, setCall] = useState<KeptCall | null>(null)
  const [aside, setAside] = useState<string | null>(null)
  const latest = useRef(call)
  const given = useRef(begun)
  useEffect(() => {
    void keptCalls.read(of).then(({ value, aside: why }) => {
      setAside(why)
      const now = value ?? { ...newCall(browserNow().getTime()), ...given.current }
      latest.current = now
      setCall(now)
    })
  }, [of])
  const change = (change: Partial<KeptCall>) => {
    if (!latest.current) return
    const next = { ...latest.current, ...change }
    latest.current = next
    setCall(next)
    void keptCalls.keep(of, next)
  }
  return {
    call,
    aside,
    change,
    /** Pressed again after a lost answer it is the same entry. */
    idOf: (name: string): string => {
      const known = latest.current?.ids[name]
      if (known) return known
      const id = newId()
      change({ ids: { ...latest.current?.ids, [name]: id } })
      return id
    },
    drop: () => keptCalls.drop(of),
    anew: () => {
      const next = newCall(browserNow().getTime())
      latest.current = next
      setCall(next)
      return keptCalls.drop(of)
    },
  }
}
