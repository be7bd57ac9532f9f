import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'

/**
 * Compressed bytes of script a page needs before it answers: its islands, what draws them, and everything
 * those import at once. What is loaded only when asked for is not in it.
 *
 * @param clientDir - `dist/client`
 * @param html - the page as it was served
 */
export function scriptBytes(clientDir: string, html: string): number {
  const first = [...html.matchAll(/(?:component-url|renderer-url|src)="(\/_astro\/[^"]+\.js)"/g)].map(
    (match) => match[1]!,
  )
  const files = new Set<string>()
  const follow = (path: string) => {
    if (files.has(path)) return
    files.add(path)
    const code = readFileSync(join(clientDir, path), 'utf8')
    for (const match of code.matchAll(/(?:import|export)[^"'()]*?["'](\.\/[^"']+\.js)["']/g))
      follow(join('/_astro', match[1]!))
  }
  first.forEach(follow)
  return [...files].reduce((sum, path) => sum + gzipSync(readFileSync(join(clientDir, path))).length, 0)
}
