/** What a complaint takes from a place: all that the machine makes, some of it, or only how good it is. */
export type Takes = 'all' | 'some' | 'quality'

/** Nothing that can be sold comes of it any more. */
const takesAll = [
  'no-water',
  'dead',
  'no-heat',
  'not-ready',
  'silent',
  'none',
  'hums',
  'stuck',
  'no-grounds',
  'grinder-silent',
  'grinder-empty',
  'grounds-says',
  'tank-says',
  'unit-says',
  'clear',
  'trips',
  'burning',
  'hot',
  'over',
  'error',
  'button',
]

/** A drink falls short: one group, the steam, the hot water, a key; or it comes, and is not to be sold. */
const takesSome = [
  'cold',
  'cold-milk',
  'dose',
  'blinks',
  'flat-milk',
  'foam',
  'handle-leaks',
  'hisses',
  'hot-water',
  'keys',
  'less',
  'lever-stiff',
  'no-steam',
  'short-cup',
  'slow',
  'too-hot',
  'too-long',
  'weak-steam',
  'wet-below',
  'wet-steam',
]

/** It is not as it should be, and it is made and sold all the same. */
const takesQuality = [
  'beside',
  'drips-on',
  'fast',
  'handle-kicks',
  'jug-leaks',
  'lamp',
  'long',
  'loud',
  'noise',
  'steam-drips',
  'taste',
  'tray-full',
  'tray-runs',
  'uneven',
  'weak',
  'wet-puck',
  'will-not-set',
]

const takesOf = new Map<string, Takes>([
  ...takesAll.map((id) => [id, 'all'] as const),
  ...takesSome.map((id) => [id, 'some'] as const),
  ...takesQuality.map((id) => [id, 'quality'] as const),
])

const much: readonly Takes[] = ['quality', 'some', 'all']

/**
 * What complaints take from a place, the most of them. Common practice, no source.
 *
 * @param symptoms - ids of a book’s complaints
 * @returns null where none of them says it
 * @example takesFrom(['noise', 'no-water']) // 'all'
 */
export function takesFrom(symptoms: readonly string[]): Takes | null {
  const known = symptoms.flatMap((id) => takesOf.get(id) ?? [])
  return known.sort((a, b) => much.indexOf(b) - much.indexOf(a))[0] ?? null
}
