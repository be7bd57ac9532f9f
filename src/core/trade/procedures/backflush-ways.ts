import type { DoseAmount } from '../../procedures/dose.ts'
import type { Every } from '../../procedures/procedure.ts'
import { type Span, span } from '../../procedures/span.ts'

/** Strokes of water against the blind basket. */
export interface Strokes {
  onS: Span
  offS: Span
  times: Span
  firstOffS?: Span
}

/** How one way backflushes by hand. What it leaves unsaid is from memory, and says so. */
export interface BackflushWay {
  id: string
  name: string
  reason: string
  /** Machines it fits. */
  kinds: string[]
  usualFor: string[]
  every: Every
  /** How much is made where it is the usual one. From memory, from its own reason. */
  usualAt?: { kinds: string[]; fromDrinks?: number; belowDrinks?: number }
  /** A stroke of plain water ahead of any powder. */
  before?: Strokes
  dose: DoseAmount
  /** Between powder and strokes, locked in. */
  soakS?: Span
  detergent: Strokes
  /** The basket comes out between strokes and is swirled. */
  swirl?: true
  /** Each stroke ends where the pump strains, whatever the seconds say. */
  untilItStrains?: true
  /** On until nothing brown comes any more; the strokes said are the least. */
  untilGone?: true
  /** Seal and screen are scrubbed with the foam, then the handle half in, so that it runs over. */
  scrub?: true
  /** The group runs open until it is clear. */
  openS?: Span
  rinse: Strokes
  /** Figures from memory: what the way does not say. */
  unsaid: ('off' | 'rinse off')[]
  after: 'season' | 'season next day' | 'lever' | 'none'
}

export const backflushWays: BackflushWay[] = [
  {
    id: 'full-scoop-long-soak',
    name: 'full scoop, long soak',
    reason:
      'Half a scoop is held too little for a day of a busy bar; the foam is given minutes to climb into the group, and the seal is scrubbed with it.',
    kinds: ['c2'],
    usualFor: [],
    every: { words: 'every day at close', days: 1, mark: 'T' },
    usualAt: { kinds: ['c2'], fromDrinks: 300 },
    before: { onS: span(5), offS: span(5), times: span(1) },
    dose: { of: 'detergent', scoops: 1 },
    soakS: span(180, 120, 300),
    detergent: { onS: span(6, 5, 7), offS: span(5), times: span(10) },
    scrub: true,
    rinse: { onS: span(7, 5, 10), offS: span(5), times: span(7, 5, 10) },
    unsaid: ['off', 'rinse off'],
    after: 'season next day',
  },
  {
    id: 'half-scoop-short-pauses',
    name: 'half scoop, short pauses',
    reason:
      'Screens and baskets soak beside it, so the group needs less powder; with pauses of two seconds it is the quickest at closing time.',
    kinds: ['c2'],
    usualFor: [],
    every: { words: 'every day at close; water every two hours', days: 1, mark: 'T' },
    dose: { of: 'detergent', scoops: 0.5 },
    detergent: { onS: span(10), offS: span(2), times: span(5) },
    rinse: { onS: span(5), offS: span(2), times: span(5) },
    unsaid: [],
    after: 'season',
  },
  {
    id: 'one-scoop-even-strokes',
    name: 'one scoop, even strokes',
    reason:
      'As long off as on lets the valve vent wholly each time; five and five are done in minutes, so it is done every night.',
    kinds: ['c2', 'lv'],
    usualFor: ['c2'],
    every: { words: 'every day at close; water every few hours', days: 1, mark: 'T' },
    usualAt: { kinds: ['lv'], fromDrinks: 40 },
    dose: { of: 'detergent', scoops: 1 },
    detergent: { onS: span(7, 5, 10), offS: span(7, 5, 10), times: span(5) },
    openS: span(5),
    rinse: { onS: span(7, 5, 10), offS: span(7, 5, 10), times: span(5) },
    unsaid: [],
    after: 'season next day',
  },
  {
    id: 'light-dose-long-strokes',
    name: 'light dose, long strokes',
    reason:
      'Three grams are plenty where two or three coffees are made a day; long lifts carry the powder through instead of more of it. More dries the lever.',
    kinds: ['lv', 'c2'],
    usualFor: ['lv'],
    every: { words: 'weekly at two or three drinks a day', days: 7, mark: 'T' },
    usualAt: { kinds: ['c2'], belowDrinks: 10 },
    dose: { of: 'detergent', grams: span(3, 3, 3.5) },
    untilGone: true,
    detergent: { onS: span(15), offS: span(5), times: span(5) },
    rinse: { onS: span(15), offS: span(5), times: span(5) },
    unsaid: ['rinse off'],
    after: 'lever',
  },
  {
    id: 'even-tens-swirled',
    name: 'even tens, swirled',
    reason:
      'Ten on and ten off are easy to count; the basket is swirled between strokes so that no powder is left lying.',
    kinds: ['lv', 'dv', 'dn'],
    usualFor: [],
    every: { words: 'every 30 lifts, about weekly; 50 where more is made', drinks: 30, mark: 'T' },
    dose: { of: 'detergent', grams: span(4) },
    detergent: { onS: span(10), offS: span(10), times: span(5) },
    swirl: true,
    rinse: { onS: span(10), offS: span(10), times: span(5) },
    unsaid: [],
    after: 'lever',
  },
  {
    id: 'fingernail-and-a-pause',
    name: 'one gram and a pause',
    reason:
      'Hardly any powder, and half a minute for it to work after the first stroke: little to rinse, gentle on seals. For homes, weekly.',
    kinds: ['lv', 'dv', 'dn', 'dg'],
    usualFor: [],
    every: { words: 'weekly at home', days: 7, mark: 'T' },
    usualAt: { kinds: ['dv', 'dg'], fromDrinks: 5 },
    dose: { of: 'detergent', grams: span(1, 0.5, 1.5), words: 'the tip of a teaspoon' },
    detergent: { onS: span(5, 4, 5), offS: span(5), times: span(5), firstOffS: span(30) },
    openS: span(8, 5, 10),
    rinse: { onS: span(5, 4, 5), offS: span(5), times: span(1) },
    unsaid: ['off', 'rinse off'],
    after: 'none',
  },
  {
    id: 'short-strokes-spared-pump',
    name: 'short strokes, spared pump',
    reason:
      'A small pump strains against a blind basket: each stroke stops as soon as it sounds strained. Seldom, every two or three months, since powder wears seals.',
    kinds: ['dv', 'dn', 'dg'],
    usualFor: ['dv', 'dg'],
    every: { words: 'every two or three months at two to four shots a day', days: 75, mark: 'T' },
    dose: { of: 'detergent', grams: span(4, 3, 5) },
    untilItStrains: true,
    detergent: { onS: span(4, 3, 5), offS: span(8, 5, 10), times: span(5), firstOffS: span(35, 30, 40) },
    rinse: { onS: span(4, 3, 5), offS: span(8, 5, 10), times: span(5) },
    unsaid: [],
    after: 'none',
  },
]
