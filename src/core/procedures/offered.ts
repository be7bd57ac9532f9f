import type { Kind } from '../kinds/kind.ts'
import { procedures } from '../trade/procedures/index.ts'
import { type Procedure, rootOf, type Way } from './procedure.ts'

/** A procedure this machine takes, or does not: why, and what instead. */
export interface Offered {
  procedure: Procedure
  refused: { why: string; instead: Procedure | null } | null
}

/**
 * What can be done on a machine as it is, with its options said. What is not written for its kind is left out; what
 * its kind has and this machine lacks is refused with the reason.
 *
 * @param kind - as this machine has it, see `withOptions`
 * @param behind - how its water is treated ahead of it
 * @param library - what the firm works by, see `libraryHere`
 * @example offeredTo(withOptions(dn, new Map())) // detergent backflush refused: group cleaning instead
 */
export function offeredTo(kind: Kind, behind: string = 'none', library: Procedure[] = procedures): Offered[] {
  const base = kind.basedOn ?? kind.id
  const here = new Set(kind.stations.map(({ id }) => id))
  return library
    .filter((procedure) => procedure.kinds.includes(base) && treated(procedure, behind))
    .map((procedure) => ({
      ...procedure,
      ways: procedure.ways.filter(({ kinds }) => !kinds || kinds.includes(base)),
    }))
    .filter(({ ways }) => ways.length > 0)
    .map((procedure): Offered => {
      const { needs } = procedure
      const lacks = needs && !needs.stations.some((id) => here.has(id))
      const instead = library.find((one) => rootOf(one) === needs?.instead) ?? null
      return { procedure, refused: lacks ? { why: needs.why, instead } : null }
    })
    .filter(({ procedure, refused }) => refused || !replaced(procedure, kind, library))
}

/** Whether its water is treated as the procedure asks. */
const treated = ({ behind: asked }: Procedure, behind: string): boolean =>
  asked === undefined || (asked === 'any' ? behind !== 'none' : asked === behind)

/** Whether it only stands in for another that this machine takes. */
function replaced(procedure: Procedure, kind: Kind, library: Procedure[]): boolean {
  const base = kind.basedOn ?? kind.id
  const here = new Set(kind.stations.map(({ id }) => id))
  return library.some(
    (other) =>
      other.kinds.includes(base) &&
      other.needs?.instead === rootOf(procedure) &&
      other.needs.stations.some((id) => here.has(id)),
  )
}

/**
 * The way a machine gets until somebody chooses: the one for as much as is made on it, else its kind's usual one,
 * else the first.
 *
 * @param drinksPerOpenDay - of this machine; null where nobody counted: then the kind alone tells
 * @example usualWay(detergentBackflush, c2, 400).id // 'full-scoop-long-soak'
 */
export function usualWay(procedure: Procedure, kind: Kind, drinksPerOpenDay: number | null): Way {
  const base = kind.basedOn ?? kind.id
  return (
    procedure.ways.find((way) => drinksPerOpenDay !== null && usualAtUse(way, base, drinksPerOpenDay)) ??
    procedure.ways.find(({ usualFor }) => usualFor.includes(base)) ??
    procedure.ways[0]!
  )
}

/** Whether a way is the usual one of a kind for how much is made, and not for the kind alone. */
export const usualAtUse = ({ usualAt }: Way, kind: string, drinksPerOpenDay: number): boolean =>
  usualAt?.kinds.includes(kind) === true &&
  drinksPerOpenDay >= (usualAt.fromDrinks ?? 0) &&
  drinksPerOpenDay < (usualAt.belowDrinks ?? Number.POSITIVE_INFINITY)
