import type { Duty, Kind } from '../kinds/kind.ts'
import { doseSaid } from '../procedures/dose.ts'
import { offeredTo, usualSchool } from '../procedures/offered.ts'
import { type Procedure, rootOf, type School as Way } from '../procedures/procedure.ts'
import type { StepOf } from '../procedures/step.ts'
import type { Mark } from '../quantity/working.ts'
import type { School } from '../wear/limits.ts'

/** How often something comes round between visits. */
const rhythms = ['shot', 'hours', 'day', 'week', 'month'] as const
export type Rhythm = (typeof rhythms)[number]

/** What is drawn beside a line of the sheet. */
export type CareDrawing =
  | 'knock'
  | 'wipe'
  | 'flush'
  | 'wand'
  | 'blind'
  | 'powder'
  | 'strokes'
  | 'soak'
  | 'tray'
  | 'tank'
  | 'milk'
  | 'unit'
  | 'hopper'
  | 'capsules'
  | 'programme'
  | 'water'

export interface CareItem {
  say: string
  /** Figures and the one thing to look for. */
  how?: string
  drawing: CareDrawing
  /** What may hurt. */
  caution?: string
  mark: Mark
}

export interface CareSheet {
  rhythms: { rhythm: Rhythm; items: CareItem[] }[]
}

export interface CareTerms {
  drinksPerOpenDay: number
  school: School
  /** The way it is backflushed; its kind's usual one where nobody chose. */
  backflush?: string
  /** What the firm works by, see `libraryHere`; what ships where nothing is said. */
  library?: Procedure[]
}

/** Busy enough for a clean in the middle of the shift. From memory. */
const busyDrinks = 80
const daysPerMonth = 30.44
const scald = 'Hot water and steam: hands and face away.'
const alkali = 'Detergent burns skin and eyes: gloves; rinse until it runs clear.'

/**
 * What whoever works with a machine does between visits, in the order of how often: from its kind's routine, its own
 * traffic and the way of backflushing that was chosen.
 *
 * @param kind - as this machine has it, see `withOptions`
 * @example careSheet(c2, { drinksPerOpenDay: 200, school: 'usual' }).rhythms[0].rhythm // 'shot'
 */
export function careSheet(kind: Kind, terms: CareTerms): CareSheet {
  const found = new Map<Rhythm, CareItem[]>(rhythms.map((rhythm) => [rhythm, []]))
  const add = (rhythm: Rhythm, { how, ...item }: CareItem) =>
    found.get(rhythm)!.push({ ...item, ...(how && { how: how[0]!.toUpperCase() + how.slice(1) }) })
  const has = (...ids: string[]) => kind.stations.some(({ id }) => ids.includes(id))

  if (has('basket')) for (const item of eachShot) add('shot', item)
  if (has('wand')) for (const item of eachMilk) add('shot', item)

  const offers = offeredTo(kind, 'none', terms.library).filter(({ refused }) => refused === null)
  const water = offers.find(({ procedure }) => rootOf(procedure) === 'water-backflush')?.procedure
  if (water) {
    const way = usualSchool(water, kind, terms.drinksPerOpenDay)
    const busy = terms.drinksPerOpenDay >= busyDrinks
    add(busy ? 'hours' : 'day', {
      say: busy ? 'Backflush with water, every two hours' : 'Backflush with water after the last coffee',
      how: `Blind basket in: ${strokes(way, 'strokes')}. Wait for the hiss each time.`,
      drawing: 'strokes',
      caution: scald,
      mark: 'T',
    })
  }
  const detergent = offers.find(({ procedure }) => rootOf(procedure) === 'detergent-backflush')?.procedure
  if (detergent) {
    const way =
      detergent.schools.find(({ id }) => id === terms.backflush) ?? usualSchool(detergent, kind, terms.drinksPerOpenDay)
    const task = detergent.writes[0]!
    const duty = kind.duties.find(({ id }) => id === (task.taskOf?.[kind.basedOn ?? kind.id] ?? task.task))
    const days = duty ? everyDays(duty, terms) : 1
    add(rhythmOf(days), {
      say: `Backflush with detergent${days > 1.5 ? `, every ${daysWords(days)}` : ', at close'}`,
      how: `${detergentDose(way)}; ${strokes(way, 'strokes')}; rinse ${strokes(way, 'rinse')}, until it is clear. First coffee thrown away.`,
      drawing: 'powder',
      caution: alkali,
      mark: 'T',
    })
  }

  for (const { what, every, mark } of kind.routine) {
    if (/backflush/i.test(what) && (water || detergent)) continue
    if (/milk/i.test(what) && !has('milk-hose', 'frother')) continue
    if (/wand (wiped|purged)|screen rinsed/i.test(what)) continue
    add(rhythmSaid(every), {
      say: what,
      ...(repeats(every) && { how: every }),
      drawing: drawingOf(what),
      ...cautionOf(what),
      mark,
    })
  }
  for (const duty of kind.duties) {
    if (
      duty.by !== 'customer' ||
      (detergent && duty.doneBy === 'cleaned' && /backflush|programme with detergent/i.test(duty.name))
    )
      continue
    const days = everyDays(duty, terms)
    add(rhythmOf(days), {
      say: duty.name,
      how: `every ${daysWords(days)} at ${Math.round(terms.drinksPerOpenDay)} ${kind.counter.unit} a day`,
      drawing: drawingOf(duty.name),
      ...cautionOf(duty.name),
      mark: duty.mark,
    })
  }
  return {
    rhythms: rhythms.map((rhythm) => ({ rhythm, items: found.get(rhythm)! })).filter(({ items }) => items.length > 0),
  }
}

const eachShot: CareItem[] = [
  { say: 'Knock the puck out', drawing: 'knock', mark: 'T' },
  {
    say: 'Wipe the basket dry',
    how: 'A wet wall lets water run down the side: uneven coffee.',
    drawing: 'wipe',
    mark: 'T',
  },
  {
    say: 'Run the group 2 to 3 seconds',
    how: 'It washes the grounds off the screen.',
    drawing: 'flush',
    caution: scald,
    mark: 'T',
  },
  { say: 'Wipe rim and lugs before locking in', drawing: 'wipe', mark: 'T' },
]
const eachMilk: CareItem[] = [
  {
    say: 'Purge the wand at once, then wipe it',
    how: 'Two seconds of steam, then the cloth, the back too: milk is sucked in when the tap shuts.',
    drawing: 'wand',
    caution: 'Steam burns before it is seen: tip into the cloth.',
    mark: 'T',
  },
]

/** How much powder a way takes, as it says it. */
function detergentDose(way: Way): string {
  const step = way.parts
    .flatMap(({ steps }) => steps)
    .find((one): one is StepOf<'dose'> => one.act === 'dose' && one.dose.of === 'detergent')
  return step ? doseSaid(step.dose) : 'detergent'
}

/** The strokes of one step, as they are read out. */
function strokes(way: Way, id: string): string {
  const step = way.parts.flatMap(({ steps }) => steps).find((one) => one.id === id) as StepOf<'cadence'> | undefined
  return step ? `${step.times} × ${step.onS} s on, ${step.offS} s off` : ''
}

/** Days after which the first of a task's clocks runs out, at this machine's traffic. */
export function everyDays({ limits }: Pick<Duty, 'limits'>, { drinksPerOpenDay, school }: CareTerms): number {
  const byCount = limits.shots ? limits.shots[school] / Math.max(drinksPerOpenDay, 0.01) : Number.POSITIVE_INFINITY
  const byTime = limits.months ? limits.months[school] * daysPerMonth : Number.POSITIVE_INFINITY
  return Math.max(1, Math.min(byCount, byTime))
}

const rhythmOf = (days: number): Rhythm => (days <= 1.5 ? 'day' : days <= 10 ? 'week' : 'month')

function daysWords(days: number): string {
  if (days <= 1.5) return 'day'
  if (days < 12) return `${Math.round(days)} days`
  if (days < 50) return `${Math.round(days / 7)} weeks`
  return `${Math.round(days / daysPerMonth)} months`
}

/** Where a routine's own words put it. */
function rhythmSaid(every: string): Rhythm {
  if (/use|drink|coffee/.test(every)) return 'shot'
  if (/hour/.test(every)) return 'hours'
  if (/daily/.test(every)) return 'day'
  return /^weekly|days/.test(every) ? 'week' : 'month'
}

/** Whether the words say more than the heading they come under. */
const repeats = (every: string): boolean => !['each use', 'daily', 'weekly', 'monthly'].includes(every)

const drawings: [words: RegExp, drawing: CareDrawing][] = [
  [/milk|jug|frother/i, 'milk'],
  [/brew unit|guides/i, 'unit'],
  [/hopper|chute|grinder/i, 'hopper'],
  [/capsule/i, 'capsules'],
  [/programme/i, 'programme'],
  [/tip|wand/i, 'wand'],
  [/soak/i, 'soak'],
  [/tray|grounds/i, 'tray'],
  [/tank/i, 'tank'],
  [/screen|channel|head|group/i, 'wipe'],
]
const drawingOf = (what: string): CareDrawing => drawings.find(([words]) => words.test(what))?.[1] ?? 'water'

function cautionOf(what: string): { caution?: string } {
  if (/milk/i.test(what))
    return { caution: 'Milk cleaner is not for skin or eyes; what touched milk is cleaned the same day.' }
  if (/programme|soak/i.test(what)) return { caution: alkali }
  if (/hot water|tip|boiler/i.test(what)) return { caution: scald }
  return {}
}
