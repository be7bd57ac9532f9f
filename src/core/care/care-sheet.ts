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
  /** The way each procedure is done, by its name in the library; its kind's usual one where nobody chose. */
  ways?: Record<string, string>
  /** What the firm works by, see `libraryHere`; what ships where nothing is said. */
  library?: Procedure[]
}

/** Busy enough for a clean in the middle of the shift. From memory. */
const busyDrinks = 80
const daysPerMonth = 30.44
const scald = 'Hot water and steam: hands and face away.'
const alkali = 'Detergent burns skin and eyes: gloves; rinse until it runs clear.'
const milkCaution = 'Milk cleaner is not for skin or eyes; what touched milk is cleaned the same day.'

/** A procedure that whoever works with the machine does, and how it is told. */
interface CareWay {
  procedure: string
  say: string
  drawing: CareDrawing
  caution: string
  how: (way: Way) => (string | null)[]
}

/** What is left out where another does the same: the first that is offered stands. */
const instead: string[][] = [['wash-programme', 'tablet-programme', 'detergent-backflush', 'group-clean']]

const careWays: CareWay[] = [
  {
    procedure: 'water-backflush',
    say: 'Backflush with water',
    drawing: 'strokes',
    caution: scald,
    how: (way) => [
      'coffee basket out and rinsed',
      `blind basket in: ${strokes(way, 'strokes')}`,
      'wait for the hiss each time',
      'tray empty and in its place',
    ],
  },
  {
    procedure: 'detergent-backflush',
    say: 'Backflush with detergent',
    drawing: 'powder',
    caution: alkali,
    how: (way) => [
      `${detergentDose(way)} into the blind basket`,
      soakWords(way, 'soak', 'leave it locked in'),
      strokes(way, 'strokes'),
      firstPause(way),
      has(way, 'scrub') ? 'scrub seal and screen with the foam, then handle half in and let it run over' : null,
      has(way, 'gone') ? 'on until nothing brown comes' : null,
      `rinse the basket, then ${strokes(way, 'rinse')}, until it is clear`,
      'brush the edge; coffee basket back',
      'first coffee thrown away',
    ],
  },
  {
    procedure: 'wash-programme',
    say: 'Wash programme with detergent',
    drawing: 'programme',
    caution: alkali,
    how: (way) => [
      `${detergentDose(way)}, dissolved in warm water`,
      soakWords(way, 'soak', 'leave it locked in'),
      'start it and let it run to its end',
      `then clear water against the blind basket, ${strokes(way, 'blind-rinse')}`,
      'first coffee thrown away',
    ],
  },
  {
    procedure: 'tablet-programme',
    say: 'Cleaning programme with a tablet',
    drawing: 'programme',
    caution: alkali,
    how: (way) => [
      `${detergentDose(way)} in the disc`,
      'keys as in its leaflet',
      'tablet left: the same once more',
      'a double of clear water through the empty group',
    ],
  },
  {
    procedure: 'group-clean',
    say: 'Group cleaned',
    drawing: 'wipe',
    caution: 'Hot group: cloth or brush between; where it is done cold, plug out first.',
    how: (way) => [
      has(way, 'unplug')
        ? 'off, plug out, cool; damp towel round the groove'
        : 'wet cloth with detergent, flush, wipe with clear water until it is bare',
    ],
  },
  {
    procedure: 'parts-soak',
    say: 'Screens, baskets, portafilters in the bath',
    drawing: 'soak',
    caution: alkali,
    how: (way) => [
      has(way, 'off') ? 'screens off, screws into a cup' : 'screens stay on',
      detergentDose(way),
      soakWords(way, 'soak', 'leave them'),
      'handles out of the water',
      'brush, rinse until nothing is slippery',
    ],
  },
  {
    procedure: 'steam-tip',
    say: 'Steam tip off',
    drawing: 'wand',
    caution: 'Tip and wand are hot: cloth, or let them cool.',
    how: (way) => [
      'prick the holes',
      soakWords(way, 'soak', 'into the bath'),
      'see through every hole, back hand tight',
    ],
  },
  {
    procedure: 'wand-clean',
    say: 'Steam wand inside',
    drawing: 'wand',
    caution: 'Steam burns before it is seen: tip into tray or cloth.',
    how: (way) => [
      has(way, 'stand') ? soakWords(way, 'soak', 'stand it in hot water') : null,
      has(way, 'draw-1') ? 'hot water drawn up, a minute, blown out: three times' : null,
      has(way, 'brush') ? 'tip off, brush in as far as it goes, gently; purge' : null,
    ],
  },
]

/**
 * What whoever works with a machine does between visits, in the order of how often: each procedure in the way that
 * was chosen for it, then its kind's routine and tasks, nothing twice and nothing that is a technician's.
 *
 * @param kind - as this machine has it, see `withOptions`
 * @example careSheet(c2, { drinksPerOpenDay: 200, school: 'usual' }).rhythms[0].rhythm // 'shot'
 */
export function careSheet(kind: Kind, terms: CareTerms): CareSheet {
  const found = new Map<Rhythm, CareItem[]>(rhythms.map((rhythm) => [rhythm, []]))
  const add = (rhythm: Rhythm, { how, ...item }: CareItem) =>
    found.get(rhythm)!.push({ ...item, ...(how && { how: upper(how) }) })
  const stations = new Set(kind.stations.map(({ id }) => id))

  if (stations.has('basket')) for (const item of eachShot) add('shot', item)
  if (stations.has('wand')) for (const item of eachMilk) add('shot', item)

  const told = waysHere(kind, terms)
  for (const { care, way, duty } of told) {
    const often = oftenOf(way, duty, terms)
    add(often.rhythm, {
      say: `${care.say}${often.words}`,
      how: `${care.how(way).filter(Boolean).join('; ')}.`,
      drawing: care.drawing,
      caution: care.caution,
      mark: 'T',
    })
  }
  const tasks = new Set(told.flatMap(({ tasks: all }) => all))
  const procedures = new Set(told.map(({ care }) => care.procedure))
  for (const { what, every, mark } of kind.routine) {
    if (saidAlready(what, procedures)) continue
    if (/milk/i.test(what) && !stations.has('milk-hose') && !stations.has('frother')) continue
    add(rhythmSaid(every), {
      say: what,
      ...routineHow(what, every),
      drawing: drawingOf(what),
      ...cautionOf(what),
      mark,
    })
  }
  for (const duty of kind.duties) {
    if (duty.by !== 'customer' || tasks.has(duty.id)) continue
    if (told.some(({ care }) => care.procedure === 'detergent-backflush') && duty.id === 'cleaning-programme') continue
    const days = everyDays(duty, terms)
    const said = [...found.values()].flat().some(({ say }) => say.toLowerCase() === duty.name.toLowerCase())
    if (said) continue
    add(rhythmOf(days), {
      say: duty.name,
      how: `every ${daysWords(days)} at ${Math.round(terms.drinksPerOpenDay)} ${kind.counter.unit} a day`,
      drawing: drawingOf(duty.name),
      ...(cautionOf(duty.name).caution ? cautionOf(duty.name) : byHazard(duty)),
      mark: duty.mark,
    })
  }
  return {
    rhythms: rhythms.map((rhythm) => ({ rhythm, items: found.get(rhythm)! })).filter(({ items }) => items.length > 0),
  }
}

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
      procedure.schools.find(({ id }) => id === terms.ways?.[care.procedure]) ??
      usualSchool(procedure, kind, terms.drinksPerOpenDay)
    const tasks = procedure.writes.map(({ task, taskOf }) => taskOf?.[kind.basedOn ?? kind.id] ?? task)
    return [{ care, way, tasks, duty: kind.duties.find(({ id }) => tasks.includes(id)) }]
  })
}

/** Whether one of its schools is the usual one of a kind. */
const usualHere = ({ schools }: Procedure, kind: Kind): boolean =>
  schools.some(({ usualFor }) => usualFor.includes(kind.basedOn ?? kind.id))

/** How often a way has it done at this traffic: by the way itself, else by the task's own clocks. */
function oftenOf({ every }: Way, duty: Duty | undefined, terms: CareTerms): { rhythm: Rhythm; words: string } {
  const busy = terms.drinksPerOpenDay >= busyDrinks
  if (every?.hours && busy) return { rhythm: 'hours', words: `, ${every.words}` }
  const byDrinks = every?.drinks ? every.drinks / Math.max(terms.drinksPerOpenDay, 0.01) : Number.POSITIVE_INFINITY
  const own = Math.min(every?.days ?? Number.POSITIVE_INFINITY, byDrinks)
  const days = Number.isFinite(own) ? Math.max(1, own) : duty ? everyDays(duty, terms) : 1
  const words = days > 1.5 ? `, every ${daysWords(days)}` : every?.hours ? ' after the last coffee' : ', at close'
  return { rhythm: rhythmOf(days), words }
}

/** What a line of the routine says that a way has said already. */
function saidAlready(what: string, procedures: Set<string>): boolean {
  const said: [words: RegExp, by: string[]][] = [
    [
      /backflush|programme with tablet|wash programme/i,
      ['detergent-backflush', 'wash-programme', 'tablet-programme', 'water-backflush'],
    ],
    [/wand (wiped|purged)|screen rinsed/i, ['wand-clean', 'steam-tip']],
    [/screens? (off|and channel)/i, ['parts-soak', 'group-clean']],
    [/steam tips?/i, ['steam-tip']],
  ]
  return said.some(([words, by]) => words.test(what) && by.some((id) => procedures.has(id)))
}

/** How a line of the routine is done, where its own words do not say, and how often where the heading does not. */
function routineHow(what: string, every: string): { how?: string } {
  const told = [
    /sanitised/i.test(what) ? 'a sanitiser for drinking-water tanks by its label; never on a day with descaler' : null,
    repeats(every) ? every : null,
  ].filter(Boolean)
  return told.length > 0 ? { how: told.join('; ') } : {}
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

const stepOf = (way: Way, id: string) => way.parts.flatMap(({ steps }) => steps).find((one) => one.id === id)
const has = (way: Way, id: string): boolean => stepOf(way, id) !== undefined

/** How much powder a way takes, as it says it. */
function detergentDose(way: Way): string {
  const step = way.parts
    .flatMap(({ steps }) => steps)
    .find((one): one is StepOf<'dose'> => one.act === 'dose' && one.dose.of === 'detergent')
  return step ? doseSaid(step.dose) : 'no detergent'
}

/** The strokes of one step, as they are read out. */
function strokes(way: Way, id: string): string {
  const step = stepOf(way, id) as StepOf<'cadence'> | undefined
  return step ? `${step.times} × ${step.onS} s on, ${step.offS} s off` : ''
}

/** The longer pause after the first stroke, where there is one. */
function firstPause(way: Way): string | null {
  const step = stepOf(way, 'strokes') as StepOf<'cadence'> | undefined
  return step?.firstOffS ? `${step.firstOffS} s after the first stroke` : null
}

/** A soak by its minutes. */
function soakWords(way: Way, id: string, say: string): string | null {
  const step = stepOf(way, id)
  if (step?.act !== 'soak') return null
  const minutes = Math.round(step.seconds / 6) / 10
  return `${say} ${minutes} min`
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

/** A caution by what is handled, in a customer's words. */
const cautions: [words: RegExp, caution: string][] = [
  [/milk|jug|frother/i, milkCaution],
  [/sanitised/i, 'Never together with descaler or vinegar: poisonous gas. Rinse until nothing smells.'],
  [/brew unit/i, 'Switch it off first: the unit moves by itself, and it drips hot.'],
  [/hopper|grinder|chute/i, 'Plug out first; no finger and no tool among the burrs.'],
  [/capsule|head/i, 'The needle in the head cuts: no finger inside.'],
  [/programme|soak|tablet/i, alkali],
  [/hot water|tip|boiler|group|screen|wand/i, scald],
  [/tray|grounds/i, 'The tray may be full of hot water: level, both hands.'],
]
const cautionOf = (what: string): { caution?: string } => {
  const caution = cautions.find(([words]) => words.test(what))?.[1]
  return caution ? { caution } : {}
}

/** A task's own hazard, where its name tells none. */
function byHazard({ caution }: Duty): { caution?: string } {
  const said: Partial<Record<NonNullable<Duty['caution']>, string>> = {
    scald,
    detergent: alkali,
    milk: milkCaution,
    mains: 'Switch it off and pull the plug first.',
  }
  const words = caution && said[caution]
  return words ? { caution: words } : {}
}
