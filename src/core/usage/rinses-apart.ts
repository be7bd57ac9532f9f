import type { JudgedReadings } from './judge-readings.ts'

/**
 * Takes the cleaning rinses out of a counter that counts them among its drinks. Where both ends of a stretch say how
 * many there were, so many; elsewhere the share they had where it is known.
 *
 * @param rinses - rinses shown beside each kept reading, in the same order; undefined where nobody noted them
 * @returns drinks alone, and the share of rinses; the same readings and 0 where no rinses were ever noted
 */
export function rinsesApart(
  { kept, rises }: Pick<JudgedReadings, 'kept' | 'rises'>,
  rinses: (number | undefined)[],
): Pick<JudgedReadings, 'kept' | 'rises'> & { share: number } {
  const known = kept.flatMap((reading, i) => (rinses[i] === undefined ? [] : [{ ...reading, rinses: rinses[i] }]))
  if (known.length === 0) return { kept, rises, share: 0 }
  const share = shareOf(known)
  let total = kept[0]!.total
  const drinks = kept.map((reading, i) => {
    if (i === 0) return reading
    const rise = reading.total - kept[i - 1]!.total
    const [from, to] = [rinses[i - 1], rinses[i]]
    const noted = from !== undefined && to !== undefined && to >= from && to - from <= rise ? to - from : rise * share
    total += rise - noted
    return { ...reading, total }
  })
  const at = new Map(kept.map(({ day, total: all }, i) => [`${day} ${all}`, drinks[i]!.total]))
  const lastOf = new Map(kept.map(({ day, total: all }) => [day, all]))
  const drinksOn = (day: number) => at.get(`${day} ${lastOf.get(day)}`)
  return {
    kept: drinks,
    share,
    rises: rises.map((rise) => {
      const [from, to] = [lastOf.get(rise.fromDay), lastOf.get(rise.toDay)]
      const whole = from !== undefined && to !== undefined && to - from === rise.count
      const count = whole ? drinksOn(rise.toDay)! - drinksOn(rise.fromDay)! : rise.count * (1 - share)
      return { ...rise, count }
    }),
  }
}

/** More than this is a slip of the pen: a machine is there to make drinks. */
const mostShare = 0.9

/** Rinses among all between readings that say so; of a single one, among all it shows. */
function shareOf(known: { count: number; total: number; rinses: number }[]): number {
  let [rinsed, all] = [0, 0]
  for (let i = 1; i < known.length; i += 1) {
    const [a, b] = [known[i - 1]!, known[i]!]
    const [more, rise] = [b.rinses - a.rinses, b.total - a.total]
    if (more < 0 || rise <= 0 || more > rise) continue
    rinsed += more
    all += rise
  }
  if (all > 0) return Math.min(mostShare, rinsed / all)
  const last = known.at(-1)!
  return last.count > 0 ? Math.min(mostShare, last.rinses / last.count) : 0
}
