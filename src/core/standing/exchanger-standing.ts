import { hardnessSymbol, mgLPer } from '../quantity/hardness.ts'
import { exactly, type Interval } from '../quantity/interval.ts'
import { fromDay, toDay } from '../quantity/local-day.ts'
import { type Add, startWorking } from '../quantity/working.ts'
import { exchangerLitres, handCapacityGPerL, hygieneDays, usualReserve } from '../softener/exchanger.ts'
import { schoolName } from '../wear/limits.ts'
import type { RunningClock } from './duty-clocks.ts'
import { finish } from './duty-standing.ts'
import { type Histories, nearestSetting, ofKind } from './histories.ts'
import { schoolOf } from './machine-facts.ts'
import { type Draw, litresClock } from './softener-draw.ts'
import type { Standing, WaterFigure } from './standing.ts'
import { waterKnown } from './water-known.ts'

/** A hand-regenerated softener leaves about this much until it is tested. mg/L CaCO3, from memory: 1 °dH. */
const usualLeakageMgL: Interval = { low: 0.5 * mgLPer.dH, value: mgLPer.dH, high: 1.5 * mgLPer.dH }

/**
 * When a salt-regenerated softener must be regenerated: by the litres its resin gives at this water, or
 * by hygiene, whichever comes first. The bounds of capacity and drop counts run through to the day.
 *
 * @returns null where nobody said how much resin it holds
 */
export function exchangerStanding(
  histories: Histories,
  draw: Draw,
  asOf: string,
  showWorking: boolean,
): Standing | null {
  const set = nearestSetting(histories, 'exchanger')
  if (!set) return null
  const done = ofKind(histories, 'softener', 'regenerated').at(-1)
  const since = (done ?? ofKind(histories, 'softener', 'commissioned')[0])!.happenedOn
  const start = toDay(since)
  const asOfDay = toDay(asOf)
  const school = schoolOf(nearestSetting(histories, 'school')).value
  const { raw, softened } = waterKnown(histories)
  const working = startWorking(showWorking)
  const { add } = working
  const running: RunningClock[] = []

  const { resinL, capacityGPerL, reserve = usualReserve } = set.body
  const own125 = { low: handCapacityGPerL.cautious, value: handCapacityGPerL.usual, high: handCapacityGPerL.longLife }
  const capacity: Interval = capacityGPerL ? exactly(capacityGPerL) : own125
  const resinLine = add(() => ({
    what: 'Resin',
    value: resinL,
    unit: 'L',
    origin: 'setting',
    source: `set for this ${set.level}`,
  }))
  const capacityLine = add(() => ({
    what: 'Working capacity',
    value: capacity.value,
    ...(capacity.high > capacity.low && { spread: (capacity.high - capacity.low) / 2 }),
    unit: 'g CaCO₃/L',
    origin: capacityGPerL ? 'setting' : 'default',
    ...(!capacityGPerL && { source: 'hand-regenerated, from memory', mark: 'M' as const }),
  }))
  const reserveLine = add(() => ({
    what: 'Reserve',
    value: reserve,
    origin: set.body.reserve === undefined ? 'default' : 'setting',
    ...(set.body.reserve === undefined && { source: 'from memory', mark: 'M' as const }),
  }))
  if (raw) {
    const inLine = add(() => ({ what: 'Hardness in', ...figureLine(raw) }))
    const out: Interval = softened ?? usualLeakageMgL
    const outLine = add(() => ({
      what: 'Hardness out',
      ...(softened
        ? figureLine(softened)
        : {
            value: out.value,
            unit: hardnessSymbol.mgL,
            origin: 'default',
            source: 'not tested yet: 1 °dH, from memory',
            mark: 'M',
          }),
    }))
    if (out.value < raw.value) {
      const gives = litresGiven(resinL, capacity, reserve, raw, out)
      const givesLine = add(() => ({
        what: 'Gives',
        value: gives.value,
        spread: (gives.high - gives.low) / 2,
        unit: 'L',
        formula: `{${resinLine}} × {${capacityLine}} × 1,000 × (1 − {${reserveLine}}) ÷ ({${inLine}} − {${outLine}})`,
        origin: 'reckoned',
      }))
      const how = done ? 'regenerated' : 'taken on'
      running.push(litresClock({ draw, start, since, how, asOf, asOfDay, gives, givesLine }, add))
    }
  } else {
    const source = 'a drop count of the raw water gives the litres'
    add(() => ({ what: 'Hardness in', value: 'not tested', origin: 'measured', source }))
  }
  running.push(hygieneClock(since, asOfDay, hygieneDays[school], `${schoolName[school]} school, from memory`, add))
  const head = {
    key: 'regenerate',
    duty: 'regenerate',
    name: 'Regenerate softener',
    action: 'regenerate' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(done),
    minutes: 25,
  }
  return finish(head, running, working, asOf)
}

/** A test that reads low lets the resin last longer: the bounds cross over. */
function litresGiven(resinL: number, capacity: Interval, reserve: number, raw: Interval, out: Interval): Interval {
  const softest = raw.low || raw.value
  return {
    low: exchangerLitres(resinL, capacity.low, reserve, raw.high, Math.min(out.low, raw.high * 0.99)),
    value: exchangerLitres(resinL, capacity.value, reserve, raw.value, out.value),
    high: exchangerLitres(resinL, capacity.high, reserve, softest, Math.min(out.high, softest * 0.9)),
  }
}

const figureLine = (figure: WaterFigure) => ({
  value: figure.value,
  unit: hardnessSymbol.mgL,
  origin: 'measured' as const,
  source: `${figure.said}, ${figure.on}`,
})

function hygieneClock(since: string, asOfDay: number, days: number, source: string, add: Add): RunningClock {
  const start = toDay(since)
  const cap = add(() => ({
    what: 'Hygiene, at the latest after',
    value: days,
    unit: 'days',
    origin: 'default',
    source,
    mark: 'M',
  }))
  return {
    use: { clock: 'hygiene', used: asOfDay - start, limit: days, unit: 'days', perDay: 1 },
    passage: { name: 'hygiene', fixed: true, dayAt: () => start + days },
    leftLine: add(() => ({
      what: 'Over by hygiene',
      value: fromDay(start + days),
      formula: `${since} + {${cap}}`,
      origin: 'reckoned',
    })),
  }
}
