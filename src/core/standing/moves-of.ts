import type { LocalDay } from '../quantity/local-day.ts'
import type { Standing } from './standing.ts'
import { standingTitle } from './standing-title.ts'

/** A date that another reckoning gives otherwise; null where a thing is not dated, or not there. */
export interface Move {
  /** Of the standing. */
  key: string
  /** With what is done to it, where that is not that it is replaced. */
  name: string
  before: LocalDay | null
  after: LocalDay | null
}

/** What two reckonings of a machine say otherwise: dates that move, things that come or fall away. */
export function movesOf(before: Standing[], after: Standing[]): Move[] {
  const was = new Map(before.map((standing) => [standing.key, standing]))
  const is = new Map(after.map((standing) => [standing.key, standing]))
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((key) => {
    const [one, other] = [was.get(key), is.get(key)]
    const [from, to] = [one?.due?.p50 ?? null, other?.due?.p50 ?? null]
    return from === to && Boolean(one) === Boolean(other)
      ? []
      : [{ key, name: standingTitle((other ?? one)!), before: from, after: to }]
  })
}
