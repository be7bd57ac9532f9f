import type { ByPolicy } from '../wear/limits.ts'

/** Work on a softener itself, besides its salt: done by what is noted as serviced on it. */
export interface ExchangerPart {
  id: 'resin-top-up' | 'resin' | 'lid-seals' | 'valve-seals'
  name: string
  /** Its figure in months, under the same id with "-months". */
  months: ByPolicy
  /** Regenerations its seals stand, of one that does it itself. */
  regenerations?: ByPolicy
  of: 'hand' | 'itself' | 'both'
  minutes: number
}

const years = (cautious: number, usual: number, longLife: number): ByPolicy => ({
  cautious: 12 * cautious,
  usual: 12 * usual,
  longLife: 12 * longLife,
})

/**
 * What ages in a salt softener. From memory. Resin breaks and washes out by a twentieth a year: it is topped up, and
 * changed whole in the end.
 */
export const exchangerParts: ExchangerPart[] = [
  { id: 'resin-top-up', name: 'Top up resin, 5 %', months: years(1, 1, 2), of: 'both', minutes: 20 },
  { id: 'resin', name: 'Change resin', months: years(4, 7, 10), of: 'both', minutes: 60 },
  { id: 'lid-seals', name: 'Change lid seals, taps', months: years(2, 4, 6), of: 'hand', minutes: 20 },
  {
    id: 'valve-seals',
    name: 'Change valve seals',
    months: years(3, 5, 8),
    regenerations: { cautious: 250, usual: 500, longLife: 1000 },
    of: 'itself',
    minutes: 60,
  },
]
