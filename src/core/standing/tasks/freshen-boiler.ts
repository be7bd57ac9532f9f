import { toDay } from '../../quantity/local-day.ts'
import { startWorking } from '../../quantity/working.ts'
import { nthOpenDay } from '../../usage/first-passage.ts'
import { touching } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { flushTask } from '../raised-tasks.ts'
import { putAwayOn } from '../stages.ts'
import type { Standing } from '../standing.ts'
import { finish } from '../task-standing.ts'
import type { BoilerConcentrate } from '../water/boiler-concentrate.ts'
import { daysOf, type MachineTask } from './raised-task.ts'

/**
 * When a steam boiler must be freshened: before what is dissolved in it passes its limit.
 * @returns null where it settles below every limit: enough is drawn hot
 */
function flushStanding(facts: MachineFacts, kept: BoilerConcentrate): Standing | null {
  const { everyDays, first, boiler, steady } = kept
  if (everyDays === null) return null
  const working = startWorking(facts.showWorking)
  const { add } = working
  const volume = add(() => kept.volume.line())
  const steam = add(() => ({
    what: 'Steam',
    value: boiler.steamLPerDay,
    unit: 'L/open day',
    origin: 'reckoned',
    source: 'from counts',
  }))
  const hot = add(() => ({
    what: 'Drawn hot',
    value: boiler.hotWaterLPerDay,
    unit: 'L/open day',
    origin: 'reckoned',
    source: 'from counts',
  }))
  const feed = add(() => ({
    what: `Feed, ${first.name}`,
    value: first.feed,
    unit: first.unit,
    origin: 'reckoned',
    source: 'what stays dissolved',
  }))
  const limit = add(() => first.limit.line())
  const factor = add(() => ({
    what: 'May concentrate',
    value: first.factor,
    unit: 'times',
    formula: `{${limit}} ÷ {${feed}}`,
    origin: 'reckoned',
  }))
  add(() => ({
    what: 'Settles at',
    value: steady ?? 'grows without limit',
    ...(steady !== null && { unit: 'times' }),
    formula: `({${steam}} + {${hot}}) ÷ {${hot}}`,
    origin: 'reckoned',
  }))
  const share = add(() => kept.flushShare.line())
  const every = add(() => ({
    what: 'Flush every',
    value: everyDays,
    unit: 'open days',
    formula: `{${volume}} from just after a flush of {${share}} to {${factor}}`,
    origin: 'reckoned',
    source: `or draw ${kept.hotWaterInstead.toFixed(1)} L hot a day`,
  }))
  const start = toDay(kept.since)
  const at = nthOpenDay(facts.use.open, start, everyDays)
  return finish(
    {
      key: flushTask,
      task: flushTask,
      name: 'Freshen the boiler through the hot-water tap',
      action: 'clean',
      station: kept.vessel.station,
      since: kept.since,
      sinceKnown: kept.flushed,
      minutes: 10,
      caution: 'scald',
    },
    [
      {
        use: {
          clock: 'concentrate',
          used: kept.factorNow,
          limit: first.factor,
          unit: 'times',
          perDay: (first.factor / everyDays) * facts.opening.shareOpen * kept.flushShare.value,
        },
        passage: { name: 'concentrate', fixed: true, dayAt: () => at },
        leftLine: every,
      },
    ],
    working,
    facts.asOf,
    putAwayOn(facts.stage),
  )
}

export const freshenBoiler: MachineTask = {
  id: flushTask,
  searchNames: ['freshen boiler'],
  about: 'machine',
  written: () => ({ kind: 'cleaned', body: { task: flushTask } }),
  rail: { name: 'Freshen boiler', doneOn: (histories) => daysOf(touching(histories, 'machine', flushTask)) },
  standing: (facts, { concentrate }) => concentrate && flushStanding(facts, concentrate),
}
