import { type ComponentType, createElement, useEffect, useState, useSyncExternalStore } from 'react'

/**
 * A part of a page that is not needed when it opens: a menu, a sheet, a form. Its code is fetched when the
 * page has come to rest, so that it is there when the signal is gone, and at the latest when it is shown.
 *
 * @param Meanwhile - shown until it is there; nothing otherwise
 * @example const FindBox = later(() => import('./FindBox.tsx').then((module) => module.FindBox))
 */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  Meanwhile?: ComponentType<P>,
): ComponentType<P> {
  let loaded: ComponentType<P> | null = null
  const shown = new Set<() => void>()
  const fetched = fetchedAtRest(async () => {
    loaded = await load()
    for (const tell of shown) tell()
  })
  const watch = (tell: () => void) => {
    shown.add(tell)
    return () => void shown.delete(tell)
  }

  return function Later(props: P) {
    // The server had none: what is there sooner than the page is taken over must not differ from what it drew.
    const part = useSyncExternalStore(
      watch,
      () => loaded,
      () => null,
    )
    const [failed, setFailed] = useState(false)
    useEffect(() => {
      if (!part) fetched().catch(() => setFailed(true))
    }, [part])
    if (part) return createElement(part, props)
    if (failed) return <span role="alert">This part needs the network once. Reload when there is signal.</span>
    return Meanwhile ? createElement(Meanwhile, props) : null
  }
}

/**
 * Code or data that is asked for later: fetched when the page has come to rest, once; a fetch that failed is
 * tried again when it is asked for.
 */
export function fetchedAtRest<T>(load: () => Promise<T>): () => Promise<T> {
  let under: Promise<T> | null = null
  const fetched = () => {
    under ??= load().catch((error) => {
      under = null
      throw error
    })
    return under
  }
  if (typeof window !== 'undefined') whenAtRest(() => void fetched().catch(() => undefined))
  return fetched
}

/** Calls when the page is loaded and the browser has nothing else to do. */
export function whenAtRest(call: () => void): void {
  const idle = () => {
    // Not every browser tells when it is idle.
    if ('requestIdleCallback' in window) requestIdleCallback(call, { timeout: 2000 })
    else setTimeout(call, 300)
  }
  if (document.readyState === 'complete') idle()
  else window.addEventListener('load', idle, { once: true })
}
