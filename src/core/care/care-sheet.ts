import { cautionWords, type Rhythm, rhythms } from '../kinds/care-words.ts'
import type { Kind, Task } from '../kinds/kind.ts'
import { instead } from '../procedures/instead.ts'
import { offeredTo, usualWay } from '../procedures/offered.ts'
import { type Procedure, rootOf, type Way } from '../procedures/procedure.ts'
import { daysWords, everyDays, repeats, rhythmOf } from './care-rhythm.ts'
import { eachMilk, eachShot } from './care-routine.ts'
import type { CareItem, CareSheet, CareTerms } from './care-terms.ts'
import { routineThere, taskTold } from './care-told.ts'
import { careWays } from './care-ways.ts'

/** Busy enough for a clean in the middle of the shift. From memory. */
const busyDrinks = 80

/**
 * What whoever works with a machine does between visits, in the order of how often: each procedure in the way that
 * was chosen for it, then its kind's routine and tasks, nothing twice and nothing that is a technician's.
 *
 * @param kind - as this machine has it, see `withOptions`
 * @example careSheet(c2, { drinksPerOpenDay: 200, policy: 'usual' }).rhythms[0].rhythm // 'shot'
 */
export function careSheet(kind: Kind, terms: CareTerms): CareSheet {
  const found = new Map<Rhythm, CareItem[]>(rhythms.map((rhythm) => [rhythm, []]))
  const add = (rhythm: Rhythm, { how, ...item }: CareItem) =>
    found.get(rhythm)!.push({ ...item, ...(how && { how: upper(how) }) })
  const stations = new Set(kind.stations.map(({ id }) => id))

  if (stations.has('basket')) for (const item of eachShot) add('shot', item)
  if (stations.has('wand')) for (const item of eachMilk) add('shot', item)

  const told = waysHere(kind, terms)
  for (const { care, way, task } of told) {
    const often = oftenOf(way, task, terms)
    add(often.rhythm, {
      say: `${care.say}${often.words}`,
      how: `${care.how(way).filter(Boolean).join('; ')}.`,
      drawing: care.drawing,
      caution: care.caution,
      ...jobOf(care.say, often.days),
      mark: 'T',
    })
  }
  const tasks = new Set(told.flatMap(({ tasks: all }) => all))
  const procedures = new Set(told.map(({ care }) => care.procedure))
  for (const { what, every, rhythm, how, drawing, hazards, saidBy, days: ownDays, mark } of routineThere(kind)) {
    if (saidBy?.some((id) => procedures.has(id))) continue
    const more = [how, rhythm === 'said' || repeats(every) ? every : null].filter(Boolean).join('; ')
    const days = ownDays ?? usualDays[rhythm]
    add(rhythm, {
      say: what,
      ...(more && { how: more }),
      drawing,
      ...cautionWords(hazards),
      ...jobOf(what, days),
      mark,
    })
  }
  const asRoutine = new Set(routineThere(kind).map(({ task }) => task))
  for (const task of kind.tasks) {
    if (task.by !== 'customer' || tasks.has(task.id) || asRoutine.has(task.id)) continue
    if (told.some(({ care }) => care.procedure === 'detergent-backflush') && task.id === 'cleaning-programme') continue
    const days = everyDays(task, terms)
    const said = [...found.values()].flat().some(({ say }) => say.toLowerCase() === task.name.toLowerCase())
    if (said) continue
    add(rhythmOf(days), {
      say: task.name,
      how: `every ${daysWords(days)}${terms.isPublic ? '' : ` at ${Math.round(terms.drinksPerOpenDay)} ${kind.counter.unit} a day`}`,
      drawing: taskTold(kind, task).drawing,
      ...cautionWords(taskTold(kind, task).hazards),
      ...jobOf(task.name, days),
      mark: task.mark,
    })
  }
  return {
    rhythms: rhythms.map((rhythm) => ({ rhythm, items: found.get(rhythm)! })).filter(({ items }) => items.length > 0),
  }
}

/** Days after which a line of the routine comes round again, where it says nothing more exact than its heading. */
const usualDays: Partial<Record<Rhythm, number>> = { week: 7, month: 30 }

/** What is done daily is not ticked off: nobody’s work is watched by the day. */
const jobOf = (name: string, days: number | undefined): Pick<CareItem, 'job'> =>
  days !== undefined && days > 1.5 ? { job: { name, everyDays: Math.round(days) } } : {}

const upper = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}`

/** The customer's procedures this machine takes, each in its way, one where several do the same. */
function waysHere(kind: Kind, terms: CareTerms) {
  const offers = offeredTo(kind, 'none', terms.library).filter(({ refused }) => refused === null)
  const offered = (id: string) => offers.find(({ procedure }) => rootOf(procedure) === id)?.procedure
  const spare = new Set(
    instead.flatMap((alike) => {
      const here = alike.filter((id) => offered(id) && usualHere(offered(id)!, kind))
      const stands = here[0] ?? alike.find((id) => offered(id))
      return alike.filter((id) => id !== stands)
    }),
  )
  return careWays.flatMap((care) => {
    const procedure = spare.has(care.procedure) ? undefined : offered(care.procedure)
    if (!procedure) return []
    const way =
      procedure.ways.find(({ id }) => id === terms.ways?.[care.procedure]) ??
      usualWay(procedure, kind, terms.drinksPerOpenDay)
    const tasks = procedure.writes.map(({ task, taskOf }) => taskOf?.[kind.basedOn ?? kind.id] ?? task)
    return [{ care, way, tasks, task: kind.tasks.find(({ id }) => tasks.includes(id)) }]
  })
}

/** Whether one of its ways is the usual one of a kind. */
const usualHere = ({ ways }: Procedure, kind: Kind): boolean =>
  ways.some(({ usualFor }) => usualFor.includes(kind.basedOn ?? kind.id))

/** How often a way has it done at this traffic: by the way itself, else by the task's own clocks. */
function oftenOf(
  { every }: Way,
  task: Task | undefined,
  terms: CareTerms,
): { rhythm: Rhythm; words: string; days: number } {
  const busy = terms.drinksPerOpenDay >= busyDrinks
  if (every?.hours && busy) return { rhythm: 'hours', words: `, ${every.words}`, days: 1 }
  const byDrinks = every?.drinks ? every.drinks / Math.max(terms.drinksPerOpenDay, 0.01) : Number.POSITIVE_INFINITY
  const own = Math.min(every?.days ?? Number.POSITIVE_INFINITY, byDrinks)
  const days = Number.isFinite(own) ? Math.max(1, own) : task ? everyDays(task, terms) : 1
  const words = days > 1.5 ? `, every ${daysWords(days)}` : every?.hours ? ' after the last coffee' : ', at close'
  return { rhythm: rhythmOf(days), words, days }
}
