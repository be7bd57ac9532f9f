import { toDay } from '../../quantity/local-day.ts'
import { startWorking } from '../../quantity/working.ts'
import { ownHygieneDays } from '../../softener/exchanger.ts'
import { exchangerFacts } from '../exchanger-facts.ts'
import { type Histories, nearestSetting, ofKind } from '../histories.ts'
import type { Draw } from '../softener-draw.ts'
import type { Standing } from '../standing.ts'
import { finish } from '../task-standing.ts'
import { daysOf, type SoftenerTask } from './raised-task.ts'

/** What a softener that regenerates itself uses of its salt. */
interface SaltUse {
  /** Salt in a full tank, kg. */
  tankKg: number
  /** Salt of one regeneration, kg. */
  perRegenerationKg: number
  /** Litres between two regenerations. */
  litres: number
}

/** Days between regenerations of a softener that does it itself: by its litres, or by hygiene. */
const ownCycleDays = (litres: number, draw: Pick<Draw, 'perOpenDay' | 'shareOpen'>): number =>
  Math.min(draw.perOpenDay > 0 ? litres / (draw.perOpenDay * draw.shareOpen) : ownHygieneDays, ownHygieneDays)

/** When the brine tank of a softener that regenerates itself is empty. */
function saltStanding(
  histories: Histories,
  draw: Draw,
  { tankKg, perRegenerationKg, litres }: SaltUse,
  asOf: string,
  showWorking: boolean,
): Standing {
  const filled = ofKind(histories, 'softener', 'salt-added').at(-1)
  const since = (filled ?? ofKind(histories, 'softener', 'commissioned')[0])!.happenedOn
  const { lines, add } = startWorking(showWorking)
  const tank = add(() => ({ what: 'Brine tank holds', value: tankKg, unit: 'kg', origin: 'setting' }))
  const dose = add(() => ({
    what: 'Salt of one regeneration',
    value: perRegenerationKg,
    unit: 'kg',
    origin: 'reckoned',
    source: 'dose × resin',
  }))
  const cycle = ownCycleDays(litres, draw)
  const cycleLine = add(() => ({
    what: 'Regenerates every',
    value: cycle,
    unit: 'days',
    formula: `${Math.round(litres)} L at the draw, ${ownHygieneDays} days at the most`,
    origin: 'reckoned',
  }))
  const days = Math.floor((tankKg / perRegenerationKg) * cycle)
  const start = toDay(since)
  const used = toDay(asOf) - start
  const leftLine = add(() => ({
    what: 'Salt lasts',
    value: days,
    unit: 'days',
    formula: `{${tank}} ÷ {${dose}} × {${cycleLine}}`,
    origin: 'reckoned',
  }))
  return finish(
    {
      key: 'salt',
      task: 'salt',
      name: 'Fill up salt',
      action: 'service',
      station: 'softener',
      since,
      sinceKnown: Boolean(filled),
      minutes: 10,
    },
    [
      {
        use: { clock: 'salt', used, limit: days, unit: 'days', perDay: 1 },
        passage: { name: 'salt', fixed: true, dayAt: () => start + days },
        leftLine,
      },
    ],
    { lines, add },
    asOf,
  )
}

/** Salt of a full tank where nobody said: what filling it up means. From memory. */
const usualTankKg = 25

export const salt: SoftenerTask = {
  id: 'salt',
  searchNames: ['fill up salt'],
  about: 'softener',
  written: (histories) => ({
    kind: 'salt-added',
    body: { kg: nearestSetting(histories, 'exchanger')?.body.saltTankKg ?? usualTankKg },
  }),
  rail: { name: 'Fill up salt', doneOn: (histories) => daysOf(ofKind(histories, 'softener', 'salt-added')) },
  renewal: {
    name: 'Salt filled up',
    amount: { label: 'Salt filled in', unit: 'kg', field: 'kg', usual: 'saltTankKg', needed: true },
    of: ({ kind, regeneratesItself }) => kind === 'exchanger' && regeneratesItself,
  },
  standing({ kind, histories, draw, asOf }, showWorking) {
    const facts = kind === 'exchanger' ? exchangerFacts(histories, draw) : null
    if (!facts?.itself || !facts.gives) return null
    const { resinL, saltTankKg } = facts.set.body
    if (!saltTankKg) return null
    const perRegenerationKg = (facts.saltGPerL * resinL) / 1000
    const use = { tankKg: saltTankKg, perRegenerationKg, litres: facts.gives.value }
    return saltStanding(histories, draw, use, asOf, showWorking)
  },
}
