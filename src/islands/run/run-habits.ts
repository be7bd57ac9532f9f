import { useCallback, useEffect, useState } from 'react'
import { shelf } from '../../device/shelf.ts'

const mutes = shelf<{ muted: boolean }>({
  name: 'muted',
  version: 2,
  schema: async () => (await import('./habit-schemas.ts')).mutedSchema,
  // A word by itself at first.
  lift: { 1: (word: string) => ({ muted: word === 'yes' }) },
  former: () => 'evenshot-muted',
})

/** Whether runs are silent on this device. */
export function useMuted(): { muted: boolean; mute: (muted: boolean) => void } {
  const [muted, setMuted] = useState(false)
  useEffect(() => {
    void mutes.read('run').then(({ value }) => value && setMuted(value.muted))
  }, [])
  const mute = useCallback((next: boolean) => {
    setMuted(next)
    void mutes.keep('run', { muted: next })
  }, [])
  return { muted, mute }
}

/** How much water goes into a vessel, as somebody said it last. */
export interface Vessel<Unit extends string> {
  text: string
  unit: Unit
}

const vessels = shelf<Vessel<string>>({
  name: 'vessel',
  version: 1,
  schema: async () => (await import('./habit-schemas.ts')).vesselSchema,
  former: (of) => `evenshot-vessel-${of}`,
})

/** A vessel whose water is said once, for one substance. */
export function useVessel<Unit extends string>(of: string, usual: Vessel<Unit>) {
  const [vessel, setVessel] = useState(usual)
  useEffect(() => {
    void vessels.read(of).then(({ value }) => value && setVessel(value as Vessel<Unit>))
  }, [of])
  const set = (next: Vessel<Unit>) => {
    setVessel(next)
    void vessels.keep(of, next)
  }
  return [vessel, set] as const
}
