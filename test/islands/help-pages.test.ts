import { readdirSync } from 'node:fs'
import { expect } from 'chai'
import { findPlaces } from '../../src/islands/shell/find-places.ts'
import { helpPages, helpWords } from '../../src/islands/shell/help-pages.ts'

/** Addresses of the pages somebody signed in can stand on; ids as ids. */
const pages = readdirSync(new URL('../../src/pages', import.meta.url), { recursive: true, encoding: 'utf8' })
  .filter((path) => path.endsWith('.astro'))
  .map((path) => `src/pages/${path}`)
  .filter((path) => !/pages\/(api|join|care|sign-in|404|500|503|first-run|index)/.test(path))
  .map((path) =>
    path
      .replace(/^src\/pages/, '')
      .replace(/(\/index)?\.astro$/, '')
      .replace(/\[\w+\]/g, 'x1'),
  )

describe('help in place', () => {
  for (const path of pages)
    it(`stands on ${path}`, () => {
      expect(helpPages.find((page) => page.path.test(path))?.answers).to.match(/^[A-Z].*\.$/)
    })

  it('is in whole sentences, each word once, in order', () => {
    for (const { name, how } of helpPages) for (const sentence of how) expect(sentence, name).to.match(/^[A-Z“].*[.”]$/)
    const words = helpWords.map(([word]) => word)
    expect(words).to.deep.equal([...new Set(words)].sort((a, b) => a.localeCompare(b, 'en')))
  })

  it('and every page that the find box goes to is there', () => {
    const real = pages.map((path) => new RegExp(`^${path.replaceAll('x1', '[^/]+')}$`))
    for (const { href, name } of findPlaces.filter((place) => place.href))
      expect(
        real.some((page) => page.test(href!.split('?')[0]!)),
        `${name}: ${href}`,
      ).to.equal(true)
  })
})
