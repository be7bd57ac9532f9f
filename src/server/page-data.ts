import type { PageData } from '../views/page-data.ts'

/** Whether somebody asks for a page's data instead of the page. */
export const asksForData = (request: Request): boolean => request.headers.get('accept') === 'application/json'

/**
 * Takes the data out of a page that was drawn.
 *
 * @param html - as it was drawn, see `Page.astro` and `HandedOver.astro`
 * @returns null where the page hands nothing over
 */
export function pageData(html: string): PageData | null {
  const handed = /<script type="application\/json" id="handed">(.*?)<\/script>/s.exec(html)?.[1]
  if (handed === undefined) return null
  const unescaped = (text: string) =>
    text
      .replace(/&#(\d+);/g, (_, code) => String.fromCodePoint(Number(code)))
      .replaceAll('&quot;', '"')
      .replaceAll('&lt;', '<')
      .replaceAll('&gt;', '>')
      .replaceAll('&amp;', '&')
  const title = /<title>(.*?) · Even Shot<\/title>/s.exec(html)?.[1] ?? ''
  const timeZone = /<meta name="evenshot-zone" content="([^"]*)"/.exec(html)?.[1] ?? 'UTC'
  return { title: unescaped(title), timeZone, handed: JSON.parse(handed) }
}
