import { toDay } from '../quantity/local-day.ts'
import { startWorking } from '../quantity/working.ts'
import { ownHygieneDays } from '../softener/exchanger.ts'
import { finish } from './duty-standing.ts'
import { type Histories, ofKind } from './histories.ts'
import type { Draw } from './softener-draw.ts'
import type { Standing } from './standing.ts'

/** What a softener that regenerates itself uses of its salt. */
export interface SaltUse {
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
export function saltStanding(
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
      duty: 'salt',
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
