import { symptom } from './build.ts'
import type { FaultBook, Symptom } from './fault.ts'

const trips = symptom(
  'trips',
  'It trips the breaker or blows the fuse',
  'trips, breaker, fuse, power goes, RCD',
  'board',
)
const burning = symptom('burning', 'It smells of burning', 'burning, smell, smoke, hot plug, scorched', 'board')
const tooHot = symptom('too-hot', 'Far too hot, it spits and steams', 'too hot, boiling, spits, steams, burnt', null)
const noise = symptom('noise', 'It is louder than it was', 'loud, noise, rattles, hums', null)
const error = symptom('error', 'It shows an error', 'error, code, message, warning, service', 'board')

const dripsOn = symptom(
  'drips-on',
  'The group drips though nobody brews',
  'drips on, group drips, drips all the time, after-drip',
  'group',
)
const hotWater = symptom(
  'hot-water',
  'Hot-water tap spits, dribbles or gives none',
  'hot water, tea water, tap spits',
  'hot-water',
)

/** What none of the others says: it is described, and everything may be behind it. */
export const anotherComplaint = 'another'
const another = symptom(anotherComplaint, 'Something else', 'none of these, strange, other', null)

/** Kinds that say so on a display or by a lamp. */
const saysErrors = new Set(['pt', 'dg', 'bt', 'sr', 'st', 'sp', 'pk', 'pl'])

/** Kinds with a tap of their own for tea. */
const drawsHotWater = new Set(['c2', 'lv', 'pt', 'sp'])

/** A book with what any machine on a plug can be complained of, where it has no word of its own for it. */
export function withSymptomsOfAll(book: FaultBook): FaultBook {
  const known = new Set(book.symptoms.map(({ id }) => id))
  const heats = book.symptoms.some(({ id }) => id === 'cold')
  const more: Symptom[] = [
    trips,
    // A grinder's own word for it is "smells hot".
    ...(known.has('hot') ? [] : [burning]),
    ...(heats ? [tooHot, noise] : []),
    ...(known.has('handle-leaks') ? [dripsOn] : []),
    ...(drawsHotWater.has(book.kind) ? [hotWater] : []),
    ...(saysErrors.has(book.kind) ? [error] : []),
    another,
  ]
  return { ...book, symptoms: [...book.symptoms, ...more.filter(({ id }) => !known.has(id))] }
}
