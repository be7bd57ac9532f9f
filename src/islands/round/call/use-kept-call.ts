import { useEffect, useRef, useState } from 'react'
import { browserNow } from '../../../ui/clock.ts'
import { newId } from '../../send-entries.ts'
import { type KeptCall, keptCalls, newCall, theCall } from './kept-call.ts'

/** The call that is being taken: kept on this device with every word, so that nothing is asked twice. */
export function useKeptCall(begun: Partial<KeptCall>) {
  const [call, setCall] = useState<KeptCall | null>(null)
  const [aside, setAside] = useState<string | null>(null)
  const latest = useRef(call)
  const given = useRef(begun)
  useEffect(() => {
    void keptCalls.read(theCall).then(({ value, aside: why }) => {
      setAside(why)
      // Rung back, or begun from a machine: that is another call than the one left open here.
      const isAnother =
        given.current.answers ||
        (given.current.machine && value?.machine?.machineId !== given.current.machine.machineId)
      const now = value && !isAnother ? value : { ...newCall(browserNow().getTime()), ...given.current }
      latest.current = now
      setCall(now)
    })
  }, [])
  const change = (change: Partial<KeptCall>) => {
    if (!latest.current) return
    const next = { ...latest.current, ...change }
    latest.current = next
    setCall(next)
    void keptCalls.keep(theCall, next)
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
    drop: () => keptCalls.drop(theCall),
    anew: () => {
      const next = newCall(browserNow().getTime())
      latest.current = next
      setCall(next)
      return keptCalls.drop(theCall)
    },
  }
}
