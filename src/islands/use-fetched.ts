import { useEffect, useRef, useState } from 'react'

/**
 * Fetches JSON a moment after what is asked for changes; an answer that comes too late is dropped. The
 * first question is left out where the page came with its answer.
 *
 * @returns whether the last question failed
 */
export function useFetched<T>(
  url: string | null,
  take: (answer: T) => void,
  { answered = false, afterMs = 150 }: { answered?: boolean; afterMs?: number } = {},
): boolean {
  const [failed, setFailed] = useState(false)
  const skip = useRef(answered)
  const taker = useRef(take)
  taker.current = take
  useEffect(() => {
    if (skip.current || url === null) {
      skip.current = false
      return
    }
    const stop = new AbortController()
    const timer = setTimeout(async () => {
      try {
        const response = await fetch(url, { signal: stop.signal })
        if (!response.ok) throw new Error(String(response.status))
        taker.current(await response.json())
        setFailed(false)
      } catch {
        if (!stop.signal.aborted) setFailed(true)
      }
    }, afterMs)
    return () => {
      stop.abort()
      clearTimeout(timer)
    }
  }, [url, afterMs])
  return failed
}
