import { type FaultBook, somethingElse } from './fault.ts'
import type { Network } from './network.ts'

/** A suspect and its share of all of them. */
export interface Share {
  fault: string
  p: number
}

/** Shares by suspect, in the order of the network's; what is in no book is one, however it may behave. */
export function sharesOf({ faults }: Network, belief: Float64Array): Share[] {
  const shares = new Map<string, number>()
  faults.forEach((id, i) => {
    shares.set(id, (shares.get(id) ?? 0) + belief[i]!)
  })
  return [...shares].map(([fault, p]) => ({ fault, p }))
}

/** The likeliest of all. */
export const leaderOf = (network: Network, belief: Float64Array): Share =>
  sharesOf(network, belief).reduce((best, one) => (one.p > best.p ? one : best))

/** The likeliest that has a name: its place in the network. */
export function namedLeader({ faults }: Network, belief: Float64Array): number {
  let best = 0
  for (let i = 0; i < belief.length; i += 1) if (faults[i] !== somethingElse && belief[i]! > belief[best]!) best = i
  return best
}

/** How likely it is something that no book has. */
export const elseShare = (network: Network, belief: Float64Array): number =>
  sharesOf(network, belief).find(({ fault }) => fault === somethingElse)?.p ?? 0

/** A suspect as it is called. */
export const suspectName = (book: FaultBook, id: string): string =>
  id === somethingElse ? 'Something else, not in this book' : book.faults.find((fault) => fault.id === id)!.name
