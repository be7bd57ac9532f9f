import { useEffect } from 'react'

/**
 * Keeps what was typed or chosen in the address of the page: who goes on from here and comes back finds it as it was.
 *
 * @param held - by name; what is empty is left out
 * @example useAddress({ text, kind })
 */
export function useAddress(held: Record<string, string>): void {
  const asked = JSON.stringify(held)
  useEffect(() => {
    const url = new URL(location.href)
    const changed = Object.entries(JSON.parse(asked) as typeof held).filter(
      ([name, value]) => (url.searchParams.get(name) ?? '') !== value,
    )
    for (const [name, value] of changed)
      if (value) url.searchParams.set(name, value)
      else url.searchParams.delete(name)
    if (changed.length > 0) history.replaceState(history.state, '', url)
  }, [asked])
}
