import type { Kind } from '../kinds/kind.ts'

/** What a list's word for a machine can mean: the likeliest first. */
export interface KindGuess {
  /** Kinds it may be; several where the word fits several, none where nobody calls a machine so. */
  kinds: string[]
  /** One kind is called exactly so; or its words stand in a longer one; or the word fits several kinds. */
  sure: 'sure' | 'likely' | 'which' | 'none'
  /** "2-group", "zweigruppig": how many groups it says. */
  groups?: number
}

type Called = Pick<Kind, 'id' | 'name' | 'calledToo' | 'tasks'>

/**
 * What a word of a spreadsheet means among the kinds of machine that are there. Nothing is decided by it: whoever
 * brings the list in sees each word once, with its best guess, and says.
 *
 * @param all - the kinds that ship and the firm's own
 * @example guessKind('Mühle', kinds) // { kinds: ['gr'], sure: 'sure' }
 * @example guessKind('Vollautomat', kinds) // { kinds: ['sr', 'st', 'sp'], sure: 'which' }
 */
export function guessKind(word: string, all: Called[]): KindGuess {
  const plain = plainWords(word)
  if (plain === '') return { kinds: [], sure: 'none' }
  const groups = groupsSaid(plain)
  const said = groups === undefined ? {} : { groups }
  const exact = all.filter((kind) => names(kind).includes(plain))
  if (exact.length === 1) return { kinds: [exact[0]!.id], sure: 'sure', ...said }
  if (exact.length > 1) return { kinds: exact.map(({ id }) => id), sure: 'which', ...said }
  const grouped = all.filter((kind) => kind.tasks.some(({ each }) => each === 'group'))
  // So many groups are named at bar machines only.
  if (groups !== undefined && grouped.length > 0)
    return { kinds: grouped.map(({ id }) => id), sure: grouped.length === 1 ? 'likely' : 'which', groups }
  const near = all
    .map((kind) => ({ id: kind.id, length: longestIn(plain, names(kind)) }))
    .filter(({ length }) => length > 0)
    .sort((a, b) => b.length - a.length)
  const best = near.filter(({ length }) => length === near[0]?.length)
  if (best.length === 0) return { kinds: [], sure: 'none' }
  return { kinds: best.map(({ id }) => id), sure: best.length === 1 ? 'likely' : 'which' }
}

/** Small letters, one blank between words, no marks. @example plainWords(' Bean-to-Cup, (office) ') // 'bean to cup office' */
export const plainWords = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

const names = (kind: Called) => [kind.id, kind.name, ...(kind.calledToo ?? [])].map(plainWords)

/** How long the longest name is that stands, whole words, in the text; or that the text stands in. */
function longestIn(text: string, all: string[]): number {
  const holds = (long: string, short: string) => ` ${long} `.includes(` ${short} `)
  const found = all.filter((name) => name.length > 2 && (holds(text, name) || (text.length > 3 && holds(name, text))))
  return Math.max(0, ...found.map((name) => Math.min(name.length, text.length)))
}

const numbers: Record<string, number> = {
  ...{ '1': 1, one: 1, single: 1, ein: 1, eine: 1, un: 1, une: 1, uno: 1, een: 1 },
  ...{ '2': 2, two: 2, double: 2, zwei: 2, deux: 2, due: 2, dos: 2, twee: 2 },
  ...{ '3': 3, three: 3, triple: 3, drei: 3, trois: 3, tre: 3, tres: 3, drie: 3 },
  ...{ '4': 4, four: 4, vier: 4, quatre: 4, quattro: 4, cuatro: 4 },
}
const groupWords = 'groups?|grp|grps|gr|gruppig\\p{L}*|gruppen?|groupes?|gruppi|gruppo|grupos?|groepen|groeps?'

/** @example groupsSaid('espresso 2 gruppig') // 2 */
function groupsSaid(plain: string): number | undefined {
  const found = new RegExp(`(?:^| )(${Object.keys(numbers).join('|')}) ?(?:${groupWords})(?: |$)`, 'u').exec(plain)
  return found ? numbers[found[1]!] : undefined
}
