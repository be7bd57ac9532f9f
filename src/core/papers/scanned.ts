/** What a label of ours leads to: the page behind it. Its tokens are of these letters alone. */
const labelled = /\/care\/([A-Za-z0-9_-]{8,100})\/?$/

/**
 * Where a scanned code leads here: to the page behind a label, whatever address the firm was reached by when it was
 * printed.
 *
 * @param text - as it was read off
 * @returns a path of this application; null where it is no label of ours
 * @example scannedPath('https://old.example/care/AbCdEf-12345') // '/care/AbCdEf-12345'
 */
export function scannedPath(text: string): string | null {
  if (!URL.canParse(text)) return null
  const { protocol, pathname } = new URL(text)
  if (protocol !== 'https:' && protocol !== 'http:') return null
  const token = labelled.exec(pathname)?.[1]
  return token ? `/care/${token}` : null
}
