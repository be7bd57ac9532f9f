import { useEffect, useState } from 'react'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import type { Urgency } from '../../../core/visits/call-urgency.ts'
import type { CallDay } from '../../../views/call-page.ts'

/** So many days ahead are looked at, by how urgent it is. */
const daysAhead: Record<Urgency, number> = { 'stands-still': 5, 'drink-short': 7, 'can-wait': 15 }

interface Looked {
  of: string
  days: CallDay[]
  /** The day that is being looked at; null when all were. */
  at: string | null
  failed: boolean
}

interface AskedDays {
  today: string
  minutes: number
  urgency: Urgency
  /** Grows where all is to be looked at anew. */
  round: number
  /** Of the machine; null while nobody knows. */
  kind: string | null
}

/**
 * The days on which somebody could go there, one after the other from today: what was found shows at once.
 *
 * @param siteId - null while nobody knows where
 */
export function useCallDays(
  siteId: string | null,
  { today, minutes, urgency, round, kind }: AskedDays,
): Pick<Looked, 'days' | 'at' | 'failed'> & { stop: () => void } {
  const of = `${siteId} ${minutes} ${urgency} ${round} ${kind}`
  const [looked, setLooked] = useState<Looked>({ of: '', days: [], at: null, failed: false })
  const [enough, setEnough] = useState('')
  useEffect(() => {
    if (!siteId) return
    const stop = new AbortController()
    const asked = Array.from({ length: daysAhead[urgency] }, (_, d) => fromDay(toDay(today) + d))
    const look = async () => {
      const days: CallDay[] = []
      for (const on of asked) {
        setLooked({ of, days: [...days], at: on, failed: false })
        try {
          const query = new URLSearchParams({ siteId, on, minutes: String(minutes), ...(kind && { kind }) })
          const response = await fetch(`/api/calls/day?${query}`, { signal: stop.signal })
          if (!response.ok) throw new Error(String(response.status))
          days.push(await response.json())
        } catch {
          if (!stop.signal.aborted) setLooked({ of, days, at: null, failed: true })
          return
        }
      }
      setLooked({ of, days, at: null, failed: false })
    }
    // A few figures more may still be typed.
    const timer = setTimeout(() => void look(), 250)
    if (enough === of) {
      clearTimeout(timer)
      setLooked((now) => ({ ...now, at: null }))
    }
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [siteId, today, minutes, urgency, of, enough])
  const isIts = looked.of === of
  return {
    days: isIts ? looked.days : [],
    at: isIts ? looked.at : siteId ? today : null,
    failed: isIts && looked.failed,
    stop: () => setEnough(of),
  }
}
