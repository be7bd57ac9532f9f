/** A line spoilt in one place. */
export interface Mutation {
  path: string
  /** From 1. */
  line: number
  was: string
  is: string
}

/** What a slip of the hand makes of an operator or a figure. */
const slips: [find: RegExp, to: (found: string) => string][] = [
  [/ \* /, () => ' / '],
  [/ \/ /, () => ' * '],
  [/ \+ /, () => ' - '],
  [/ - /, () => ' + '],
  [/ <= /, () => ' < '],
  [/ >= /, () => ' > '],
  [/ < /, () => ' <= '],
  [/ > /, () => ' >= '],
  [/ === /, () => ' !== '],
  [/ !== /, () => ' === '],
  [/ && /, () => ' || '],
  [/ \|\| /, () => ' && '],
  [/Math\.max\(/, () => 'Math.min('],
  [/Math\.min\(/, () => 'Math.max('],
  [/(?<![\w.$'`-])\d+(\.\d+)?(?![\w.'`-])/, (found) => String(Number(found) === 0 ? 1 : Number(found) * 2)],
]

/** Lines that hold no reckoning: comments, imports, types, sentences, schemas' limits of length. */
const isIdle = (line: string): boolean =>
  /^\s*(\/\/|\/?\*|import |export (type|interface) |type |interface |\}|\)|\]|$)/.test(line) ||
  /['"`].*['"`]/.test(line) ||
  /: (number|string|boolean|LocalDay)\b.*(,|\{|\))?$/.test(line) ||
  /=> void|\bfor \(|\bwords\(\d|(?<!Math)\.(max|min)\(\d/.test(line)

/**
 * Every mutation of a file's text, one a place where an operator or a figure stands.
 * @example mutationsOf('a.ts', '  return a * b') // [{ line: 1, was: '  return a * b', is: '  return a / b', … }]
 */
export function mutationsOf(path: string, text: string): Mutation[] {
  return text.split('\n').flatMap((was, i) => {
    if (isIdle(was)) return []
    return slips.flatMap(([find, to]) => {
      const found = find.exec(was)
      if (!found) return []
      const is = was.slice(0, found.index) + to(found[0]) + was.slice(found.index + found[0].length)
      return is === was ? [] : [{ path, line: i + 1, was, is }]
    })
  })
}

/** So many of a list, always the same for a seed, no two of one file. */
export function picked(all: Mutation[], count: number, seed: number): Mutation[] {
  const rank = (one: Mutation) => hash(`${seed} ${one.path} ${one.was.trim()} ${one.is.trim()}`)
  const taken = new Set<string>()
  return [...all]
    .sort((a, b) => rank(a) - rank(b) || a.line - b.line)
    .filter(({ path }) => !taken.has(path) && taken.add(path))
    .slice(0, count)
}

/** FNV-1a, 32 bits: a line keeps its place among the others whatever stands around it. */
function hash(text: string): number {
  let h = 0x811c9dc5
  for (const char of text) h = Math.imul(h ^ char.codePointAt(0)!, 0x01000193) >>> 0
  return h
}
