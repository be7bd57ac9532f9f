import fc from 'fast-check'
import type { Asked } from './endpoints.ts'

const odd: unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  '',
  'text',
  '\u0000',
  [],
  {},
  [[]],
  '2026-02-30',
  'ü'.repeat(300),
  { toString: 1 },
]

export interface OddRequest {
  method: string
  path: string
  body: string
}

/** Bodies of every shape for each endpoint that takes one: a good one with one value changed for another, or left out. */
export function oddRequests(asked: Asked[], each: number, seed: number): OddRequest[] {
  return asked
    .filter(({ data }) => data !== undefined)
    .flatMap(({ method, path, data }, n) =>
      fc
        .sample(fc.tuple(fc.nat(), fc.oneof(fc.constantFrom(...odd), fc.jsonValue()), fc.nat(5)), {
          seed: seed + n,
          numRuns: each,
        })
        .map(([at, value, how]) => ({ method, path, body: JSON.stringify(changed(data, at, value, how === 0)) })),
    )
}

function changed(good: unknown, at: number, value: unknown, leftOut: boolean): unknown {
  const copy = structuredClone(good)
  const places: { holder: Record<string, unknown>; key: string }[] = []
  const walk = (holder: unknown) => {
    if (typeof holder !== 'object' || holder === null) return
    for (const key of Object.keys(holder)) {
      places.push({ holder: holder as Record<string, unknown>, key })
      walk((holder as Record<string, unknown>)[key])
    }
  }
  walk(copy)
  const place = places[at % (places.length + 1)]
  if (!place) return value
  if (leftOut) delete place.holder[place.key]
  else place.holder[place.key] = value
  return copy
}
