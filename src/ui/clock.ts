/**
 * The instant the application goes by, in the browser: the server's, ticking on. A device whose clock is
 * wrong still dates its entries right; one that slept meanwhile wakes to the right time.
 */
export function browserNow(): Date {
  const told =
    typeof document === 'undefined' ? null : document.querySelector<HTMLMetaElement>('meta[name="evenshot-now"]')
  if (!told) return new Date()
  return new Date(Date.parse(told.content) + Date.now() - performance.timeOrigin)
}
