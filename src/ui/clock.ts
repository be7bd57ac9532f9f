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

/** The zone of the site a page is about, else of the firm: what happened is placed by it, not by the device's. */
export function pageZone(): string {
  if (typeof document === 'undefined') return 'UTC'
  return document.querySelector<HTMLMetaElement>('meta[name="evenshot-zone"]')?.content || 'UTC'
}
