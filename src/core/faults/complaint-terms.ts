import MiniSearch from 'minisearch'
import { stemmer } from 'stemmer'
import { headings } from './complaint-lexicon.ts'

/** Words of a text, as they are looked for. */
export const wordsIn = (text: string): string[] =>
  text
    .toLowerCase()
    .replaceAll(/n['’]t\b/g, 'nt')
    .replaceAll(/drip tray/g, 'tray')
    .replaceAll(/(?:[4-9]\d|1\d\d) ?(?:s|secs?|seconds)\b/g, 'long')
    .replaceAll(/\b(?:[3-9]|1[0-6]) ?(?:s|secs?|seconds)\b/g, 'fast')
    .match(/[a-z]{2,}/g) ?? []

/** Words of the lexicon, to be found through slips of the finger. */
const lexicon = new MiniSearch<{ id: string }>({
  fields: ['id'],
  searchOptions: { fuzzy: (term) => (term.length > 4 ? 0.2 : false), prefix: false },
})
lexicon.addAll([...headings.keys()].map((id) => ({ id })))
const byStem = new Map([...headings].map(([word, heading]) => [stemmer(word), heading]))
/** Words as everybody uses them, that are no slip of another. */
const usual = new Set(
  'every other there where which while about again always start starts since today little right great three house times these those their other would could after still'.split(
    ' ',
  ),
)
/** What was looked up before. */
const found = new Map<string, string | null>()

/** What a word stands under, also through a slip of the finger; null where it says nothing of a machine. @example headingOf('trickles') // 'drip' */
export function headingOf(word: string): string | null {
  const known = found.get(word)
  if (known !== undefined) return known
  const plain = headings.get(word) ?? byStem.get(stemmer(word))
  // The first letter is seldom the slip.
  const near =
    plain ??
    (usual.has(word)
      ? undefined
      : headings.get(String(lexicon.search(word).find(({ id }) => String(id)[0] === word[0])?.id)))
  found.set(word, near ?? null)
  return near ?? null
}

/** What everything is said of, and what is not so: alone they tell nothing. */
const alone = new Set(['drink', 'water', 'come', 'none'])
const ofAll = new Set(['drink drink', 'drink water', 'come drink', 'come water', 'come come', 'water water'])
/** Words further apart than this do not belong together. */
const together = 4

/** What is looked for of a text: what its words stand under, and each two that stand near each other. */
export function termsIn(text: string): string[] {
  const at = wordsIn(text).flatMap((word) => headingOf(word) ?? [])
  const pairs = at.flatMap((one, i) => at.slice(i + 1, i + 1 + together).map((other) => [one, other].sort().join(' ')))
  return [...new Set([...at.filter((one) => !alone.has(one)), ...pairs.filter((pair) => !ofAll.has(pair))])]
}
