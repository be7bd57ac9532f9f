import { type RefObject, useEffect, useRef } from 'react'

/** How far below the window is near. */
const ahead = '0px 0px 600px 0px'

/** Calls once what it is given when the element it is set on comes near the window. */
export function useNear<T extends Element>(reached: () => void, on: boolean): RefObject<T | null> {
  const element = useRef<T>(null)
  useEffect(() => {
    if (!on || !element.current) return
    const watch = new IntersectionObserver(([seen]) => seen?.isIntersecting && reached(), { rootMargin: ahead })
    watch.observe(element.current)
    return () => watch.disconnect()
  }, [reached, on])
  return element
}
