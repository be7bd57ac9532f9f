import { useCallback, useEffect, useState } from 'react'
import { flushSync } from 'react-dom'
import type { RoundPage } from '../../views/round-page.ts'
import { useFetched } from '../use-fetched.ts'
import type { RoundFilter } from './FilterSentence.tsx'

/** More rows than this are no list for a van. */
export const mostPrinted = 500
/** How often the board looks while machines are being reckoned. */
const everyMs = 3000

/**
 * The rows of the board for a filter: asked anew when it changes, followed while machines are being reckoned,
 * read on page by page, or as far as somebody will carry on paper.
 *
 * @param onTaken - called when another filter's rows have come
 */
export function useRoundPage(first: RoundPage, filter: RoundFilter, onTaken: () => void) {
  const [page, setPage] = useState(first)
  const [counts, setCounts] = useState(first.counts!)
  const [readOn, setReadOn] = useState(false)
  const [lost, setLost] = useState(false)
  const asked = query(filter)
  const take = (answer: RoundPage) => {
    // Another list has no row that was looked at before.
    history.replaceState(null, '', `?${asked}`)
    setPage(answer)
    setReadOn(false)
    if (answer.counts) setCounts(answer.counts)
    onTaken()
  }
  const refused = useFetched<RoundPage>(`/api/round?${asked}`, take, { answered: true })

  // While machines are being reckoned the board follows: what it shows may move. Whoever has read on keeps
  // the rows they are at; the counts go on.
  useEffect(() => {
    if (counts.waiting === 0) return
    let current = true
    const timer = setTimeout(async () => {
      const answer = await fetchPage(asked)
      if (!current) return
      if (answer && !readOn) setPage(answer)
      // A new object in any case: no answer now, so asked again in a while.
      setCounts((now) => answer?.counts ?? { ...now })
    }, everyMs)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [counts, asked, readOn])

  const more = useCallback(async () => {
    const next = await fetchPage(`${asked}&cursor=${page.next}`)
    setLost(!next)
    if (!next) return
    setReadOn(true)
    // An answer that was asked for twice is added once.
    setPage((now) => (now.next === page.next ? { ...next, rows: [...now.rows, ...next.rows] } : now))
  }, [asked, page.next])

  /** Paper has no more to come: all of it is fetched first. @returns whether it is there */
  const fetchAll = async (): Promise<boolean> => {
    let all = page
    while (all.next && all.rows.length < mostPrinted) {
      const next = await fetchPage(`${asked}&cursor=${all.next}`)
      setLost(!next)
      if (!next) return false
      all = { ...next, rows: [...all.rows, ...next.rows] }
    }
    flushSync(() => {
      setReadOn(true)
      setPage(all)
    })
    return true
  }
  /** What was written here changes what the rows say: all that were read are read anew, and stay where they are. */
  const refresh = async () => {
    let all = await fetchPage(asked)
    while (all?.next && all.rows.length < page.rows.length) {
      const next = await fetchPage(`${asked}&cursor=${all.next}`)
      all = next && { ...next, counts: all.counts, rows: [...all.rows, ...next.rows] }
    }
    setLost(!all)
    if (!all) return
    setPage(all)
    if (all.counts) setCounts(all.counts)
  }
  return { page, counts, failed: refused || lost, lost, more, fetchAll, refresh }
}

/** A page of rows; null where the network or the server has none. */
async function fetchPage(asked: string): Promise<RoundPage | null> {
  const response = await fetch(`/api/round?${asked}`).catch(() => null)
  return response?.ok ? ((await response.json()) as RoundPage) : null
}

function query(filter: RoundFilter): string {
  const entries = Object.entries(filter).filter((entry): entry is [string, string] => Boolean(entry[1]))
  return new URLSearchParams(entries).toString()
}
