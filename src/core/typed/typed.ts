/**
 * What somebody typed, in a field or in a cell of a spreadsheet, and what it can mean. Nothing is guessed: what can
 * mean two things says both, what means nothing says why.
 */
export type Typed<T> = Unread | { is: 'value'; value: T } | { is: 'either'; values: [T, T] }

/** What has no value. */
export type Unread =
  /** Nothing stands there. */
  | { is: 'empty' }
  /** It says that nobody knows: "?", "n/a", "unbekannt". */
  | { is: 'unknown' }
  | { is: 'wrong'; why: string }

export const value = <T>(read: T): Typed<T> => ({ is: 'value', value: read })
export const wrong = (why: string): Unread => ({ is: 'wrong', why })
export const empty: Unread = { is: 'empty' }

/** The one value it means; null where it is anything else. @example meant(readCount('84.210')) // 84210 */
export const meant = <T>(typed: Typed<T>): T | null => (typed.is === 'value' ? typed.value : null)

/** One kind of blank, one of apostrophe, one of minus, as keyboards and spreadsheets of every country write them. */
export const plainText = (text: string): string =>
  text
    .replace(/[\u00a0\u2000-\u200a\u202f\u205f\u3000\t]/g, ' ')
    .replace(/[\u2018\u2019\u02bc\u00b4`]/g, "'")
    .replace(/[\u2212\u2012\u2013\ufe63\uff0d]/g, '-')
    .replace(/[\u200b-\u200f\u2060\ufeff]/g, '')
    .replace(/ {2,}/g, ' ')
    .trim()

/**
 * Words for what nobody knows, in the languages of lists that came in: English, German, French, Italian, Spanish,
 * Dutch. Common practice, no source.
 */
const unknownWords = new Set(
  [
    ['?', '??', '???', '-', '--', '---', '.', '..', '…', '/', '//', 'x', 'n/a', 'na', '#n/a', '#nv', 'nan', 'none'],
    ['null', 'nil', 'tbd', 'tbc', 'tba', 'unknown', 'unk', 'unk.', 'not known', 'not read', 'no idea', 'dont know'],
    ["don't know", 'missing', 'n.k.', 'nk', 'to check', 'ask'],
    ['unbekannt', 'unbek.', 'unbek', 'k.a.', 'k. a.', 'ka', 'keine angabe', 'fehlt', 'nicht bekannt', 'offen', 'folgt'],
    ['inconnu', 'inconnue', 'n.c.', 'nc', 'non connu', 'sans', 'pas connu', 'à voir'],
    ['sconosciuto', 'n.d.', 'nd', 'non noto', 'desconocido', 's/d', 'sin dato', 'onbekend', 'n.b.', 'nb', 'geen'],
  ].flat(),
)

/** @example saysUnknown('k.A.') // true */
export const saysUnknown = (text: string): boolean => unknownWords.has(plainText(text).toLowerCase())
