import { bounds, horizonDays } from '../usage/first-passage.ts'
import type { DueWindow, LifePassage } from './due-window.ts'
import type { LifeMultiplier } from './seen-condition.ts'

/** Chances of use, each standing for a ninth of what may come. */
const parts = 9
const chances = Array.from({ length: parts }, (_, i) => (i + 0.5) / parts)
/** How many of them have come by when something is so likely. */
const cameBy = (chance: number): number => Math.min(parts, Math.floor(chance * parts + 0.5))

/** Lives less likely than this say nothing. */
const leastWeight = 1e-4
/** Cells few enough to be looked at one by one. */
const fewCells = 6

/** A life as likely as its weight, and what runs out then. */
interface Life<Name extends string> {
  weight: number
  passages: LifePassage<Name>[]
  /** The first of the days that are certain; null: none is. */
  fixedOn: number | null
  /** Those that use drives. */
  driven: LifePassage<Name>[]
}

/** A day, how much of the grid has run out by its end, and how many ninths of each life. */
interface Run {
  day: number
  share: number
  came: number[]
}

/**
 * The window of the earliest first passage where not only the use is uncertain but the life itself: both spreads
 * together, over a grid of lives and of chances of use.
 *
 * Days are weighed rather than listed: what share of the grid has run out by a day is one chance for each life, and
 * the longer the life the smaller it is, so only the lives in between need to be asked.
 *
 * @param passagesOf - the passages of all clocks for a part that lasts so many times as long
 * @returns null when it is more likely than not that nothing runs out within the horizon
 */
export function seenWindow<Name extends string>(
  passagesOf: (multiplier: number) => LifePassage<Name>[],
  life: LifeMultiplier,
): DueWindow<Name> | null {
  const lives: Life<Name>[] = []
  for (const { multiplier, weight } of life.points) {
    if (weight < leastWeight) continue
    const passages = passagesOf(multiplier)
    const fixed = passages.filter((passage) => passage.fixed)
    lives.push({
      weight,
      passages,
      fixedOn: firstIn(fixed, 0.5)?.day ?? null,
      driven: passages.filter((passage) => !passage.fixed),
    })
  }
  const ever = runBy(lives, Number.POSITIVE_INFINITY).share
  if (ever < bounds.p50) return null
  const p50 = dayOfShare(lives, bounds.p50)
  return {
    due: {
      p10: dayOfShare(lives, bounds.p10),
      p50,
      p90: ever < bounds.p90 ? p50 + horizonDays : dayOfShare(lives, bounds.p90),
    },
    governing: leaderOf(lives),
  }
}

/** What has run out by the end of a day. */
function runBy<Name extends string>(lives: Life<Name>[], day: number): Run {
  const partsOf = ({ driven }: Life<Name>) => {
    let most = 0
    for (const { chanceBy } of driven) most = Math.max(most, cameBy(chanceBy(day)))
    return most
  }
  // The longer a life the less has come: those before `from` are over whatever the use.
  let [from, to] = [0, lives.length]
  while (from < to) {
    const middle = (from + to) >> 1
    if (partsOf(lives[middle]!) === parts) from = middle + 1
    else to = middle
  }
  let share = 0
  let ended = false
  const came = lives.map((life, i) => {
    if (i < from || (life.fixedOn !== null && life.fixedOn <= day)) return parts
    if (ended) return 0
    const some = partsOf(life)
    ended = some === 0
    return some
  })
  for (const [i, some] of came.entries()) share += (lives[i]!.weight * some) / parts
  return { day, share, came }
}

/** The first day by which a share has run out: sought about where its life would have it, then between. */
function dayOfShare<Name extends string>(lives: Life<Name>[], wanted: number): number {
  const guess = firstIn(lifeAt(lives, wanted).passages, 0.5)?.day ?? 0
  let at = runBy(lives, guess)
  let before = at
  for (let step = 32; at.share < wanted; step *= 2) {
    before = at
    at = runBy(lives, at.day + step)
  }
  for (let step = 32; before.share >= wanted; step *= 2) {
    at = before
    before = runBy(lives, before.day - step)
  }
  for (let i = 0; at.day - before.day > 1; i += 1) {
    const cells = cellsBetween(lives, before, at)
    if (cells) {
      let { share } = before
      for (const { day, weight } of cells) {
        share += weight
        if (share >= wanted) return day
      }
      return at.day
    }
    // By how far the share is on the way, every other time; halving keeps the worst case short.
    const part = i % 2 === 0 ? (wanted - before.share) / (at.share - before.share) : 0.5
    const day = Math.round(before.day + (at.day - before.day) * part)
    const middle = runBy(lives, Math.min(at.day - 1, Math.max(before.day + 1, day)))
    if (middle.share < wanted) before = middle
    else at = middle
  }
  return at.day
}

/** The life that a share of them is shorter than. */
function lifeAt<Name extends string>(lives: Life<Name>[], share: number): Life<Name> {
  let below = 0
  return lives.find(({ weight }) => {
    below += weight
    return below >= share
  })!
}

/** What runs out between two days, in order; null where that is much. */
function cellsBetween<Name extends string>(lives: Life<Name>[], before: Run, at: Run) {
  const many = before.came.reduce((sum, came, i) => sum + at.came[i]! - came, 0)
  if (many > fewCells) return null
  const cells: { day: number; weight: number }[] = []
  lives.forEach((life, i) => {
    for (let part = before.came[i]!; part < at.came[i]!; part += 1)
      cells.push({ day: firstIn(life.passages, chances[part]!)?.day ?? at.day, weight: life.weight / parts })
  })
  return cells.sort((a, b) => a.day - b.day)
}

function firstIn<Name extends string>(
  passages: LifePassage<Name>[],
  chance: number,
): { day: number; name: Name } | null {
  let best: { day: number; name: Name } | null = null
  for (const { name, dayAt } of passages) {
    const day = dayAt(chance)
    if (day !== null && (best === null || day < best.day)) best = { day, name }
  }
  return best
}

/** The limit that is most often first: the likeliest lives are asked until none can overtake. */
function leaderOf<Name extends string>(lives: Life<Name>[]): Name {
  const [first] = lives[0]!.passages
  if (lives[0]!.passages.length === 1) return first!.name
  const led = new Map<Name, number>()
  const add = (name: Name | undefined, weight: number) => {
    if (name !== undefined) led.set(name, (led.get(name) ?? 0) + weight)
  }
  let left = lives.reduce((sum, { weight }) => sum + weight, 0)
  for (const life of [...lives].sort((a, b) => b.weight - a.weight)) {
    const [soon, late] = [firstIn(life.passages, chances[0]!)?.name, firstIn(life.passages, chances.at(-1)!)?.name]
    // Who leads at both ends leads between.
    if (soon === late) add(soon, life.weight)
    else for (const chance of chances) add(firstIn(life.passages, chance)?.name, life.weight / parts)
    left -= life.weight
    const [best = 0, next = 0] = [...led.values()].sort((a, b) => b - a)
    if (best - next > left) break
  }
  return [...led].sort((a, b) => b[1] - a[1])[0]?.[0] ?? first!.name
}
