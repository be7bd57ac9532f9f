import { type ReactNode, useState } from 'react'

interface Paged {
  rows: unknown[]
  /** Where the next page begins; absent at the end. */
  next?: string
}

/**
 * A list that comes a page at a time, the latest first.
 * @param url - what answers with the next page
 * @returns what is there so far, and the key for earlier ones
 */
export function usePages<P extends Paged>(first: P, url: string): { rows: P['rows']; more: ReactNode } {
  const [page, setPage] = useState(first)
  const [lost, setLost] = useState(false)
  const fetchMore = async () => {
    const response = await fetch(`${url}?cursor=${page.next}`).catch(() => null)
    setLost(!response?.ok)
    if (!response?.ok) return
    const next = (await response.json()) as P
    setPage({ ...next, rows: [...page.rows, ...next.rows] })
  }
  const more = (
    <>
      {lost && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          No connection: try again.
        </p>
      )}
      {page.next && (
        <button type="button" className="plain mt-2" onClick={fetchMore}>
          Earlier ones
        </button>
      )}
    </>
  )
  return { rows: page.rows, more }
}
