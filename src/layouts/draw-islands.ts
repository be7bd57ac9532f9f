import { createHash } from 'node:crypto'
import { LRUCache } from 'lru-cache'
import { type ComponentType, createElement } from 'react'
import { renderToString } from 'react-dom/server'
import { preferences } from '../ui/preferences.ts'
import { handedJson } from './handed-json.ts'

/** What drawings are kept of in a serving process, characters. */
const mostKept = 24_000_000

/**
 * Drawings by what they were drawn from. An island is drawn from what its page hands over and the firm's way of
 * writing figures, and from nothing else: the same again looks the same, and a change of either is another drawing.
 */
const drawn = new LRUCache<string, string>({ maxSize: mostKept, sizeCalculation: (html) => html.length + 200 })

interface Drawing {
  html: string
  attrs: { prefix: string }
}

/** How many islands a page has so far: ids that React makes up begin with it. */
const islandsOf = new WeakMap<object, number>()

function prefixIn(result: object): string {
  const before = islandsOf.get(result) ?? 0
  islandsOf.set(result, before + 1)
  return `r${before}`
}

/**
 * Draws React on the server in one go. Nothing in a page waits for something that comes later, so the streams that
 * Astro's own renderer draws through would cost as much as the drawing. Takes its name, by which browsers find the
 * other half.
 */
function draw(
  this: { result: object },
  View: ComponentType<Record<string, unknown>>,
  props: Record<string, unknown>,
  slots: object,
): Drawing {
  if (Object.keys(slots).length > 0) throw new Error('An island is handed data, not parts of a page.')
  const prefix = prefixIn(this.result)
  const html = () => renderToString(createElement(View, props), { identifierPrefix: prefix })
  if (typeof props.handed !== 'function') return { html: html(), attrs: { prefix } }
  const key = keyOf(View, prefix, handedJson((props.handed as () => object)()))
  let kept = drawn.get(key)
  if (kept === undefined) {
    kept = html()
    drawn.set(key, kept)
  }
  return { html: kept, attrs: { prefix } }
}

const numbers = new WeakMap<object, number>()
let views = 0

function keyOf(View: object, prefix: string, json: string): string {
  let number = numbers.get(View)
  if (number === undefined) {
    views += 1
    number = views
    numbers.set(View, number)
  }
  const from = createHash('sha256').update(JSON.stringify(preferences())).update(json).digest('base64')
  return `${number} ${prefix} ${from}`
}

// No other kind of component is drawn here.
export default {
  name: '@astrojs/react',
  check: () => true,
  renderToStaticMarkup: draw,
  supportsAstroStaticSlot: true,
}
