import { canonical } from '../ledger/same-body.ts'

type Fields = Record<string, unknown>

/**
 * A record that two people changed from the same beginning: what only one of them changed is as that one left it; where
 * both changed a field, each to something else, somebody is asked.
 *
 * @param base - as both found it
 * @param theirs - as it is now
 * @param mine - as it is to be
 * @returns the record with both changes in it, mine where both changed one field; and the names of such fields
 * @example bothSides({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }) // { merged: { a: 2, b: 3 }, differs: [] }
 */
export function bothSides(base: object, theirs: object, mine: object): { merged: Fields; differs: string[] } {
  const [was, other, own] = [base, theirs, mine] as [Fields, Fields, Fields]
  const merged: Fields = {}
  const differs: string[] = []
  for (const field of new Set([...Object.keys(was), ...Object.keys(other), ...Object.keys(own)])) {
    const isChanged = (side: Fields) => canonical(side[field]) !== canonical(was[field])
    const isBoth = isChanged(own) && isChanged(other)
    if (isBoth && canonical(own[field]) !== canonical(other[field])) differs.push(field)
    const value = isChanged(own) ? own[field] : other[field]
    if (value !== undefined) merged[field] = value
  }
  return { merged, differs }
}
