import { useCallback, useState } from 'react'

/** The width an element has, as it changes: drawings beside each other share one scale. */
export function useWidth(
  before: number,
): [ref: (element: HTMLElement | null) => (() => void) | undefined, width: number] {
  const [width, setWidth] = useState(before)
  const ref = useCallback((element: HTMLElement | null) => {
    if (!element) return
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.round(entry.contentRect.width)))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  return [ref, width]
}
