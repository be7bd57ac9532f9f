import { type Interval, intervalAt } from '../../quantity/interval.ts'
import { fromDay, type LocalDay, toDay } from '../../quantity/local-day.ts'
import { type Add, startWorking } from '../../quantity/working.ts'
import { membraneMonths } from '../../softener/membrane.ts'
import { policyName } from '../../wear/limits.ts'
import { type Histories, ofKind, ownPolicy } from '../histories.ts'
import { policyOf } from '../machine-facts.ts'
import { ageClock } from '../softener-age.ts'
import type { Standing } from '../standing.ts'
import type { RunningClock } from '../task-clocks.ts'
import { finish } from '../task-standing.ts'
import { type PassageTest, passageTests } from '../water/passage-tests.ts'
import { policyFigure, takeFigure } from '../water/set-figure.ts'
import { daysOf, type SoftenerTask } from './raised-task.ts'

/** The day the membrane in use was fitted. */
const membraneSince = (histories: Histories): LocalDay =>
  (ofKind(histories, 'softener', 'membrane-changed').at(-1) ?? ofKind(histories, 'softener', 'commissioned')[0]!)
    .happenedOn

/** The line a membrane's change is told by: from where it starts to the last measurement; null before the first. */
export function passageTrend(histories: Histories) {
  const since = membraneSince(histories)
  const tests = passageTests(histories).filter((test) => test.on >= since)
  const last = tests.at(-1)
  return last ? { from: trendStart(histories, tests, since), to: { on: last.on, passage: last.passage.value } } : null
}

/** Two measurements closer than this say nothing of a trend. */
const leastTrendDays = 60

/**
 * When a membrane must be changed: when it lets through more than its limit of the feed's conductivity, by the
 * straight line through what was measured, or by age.
 */
function membraneStanding(histories: Histories, asOf: string, showWorking: boolean): Standing {
  const done = ofKind(histories, 'softener', 'membrane-changed').at(-1)
  const since = membraneSince(histories)
  const policy = policyOf(ownPolicy(histories, 'change-membrane')).value
  const working = startWorking(showWorking)
  const { add } = working
  const tests = passageTests(histories).filter((test) => test.on >= since)
  const passing = passageClock(histories, tests, since, add)
  const cap = policyFigure(histories, 'membrane-months', membraneMonths[policy], `${policyName[policy]}, from memory`)
  const head = {
    key: 'change-membrane',
    task: 'change-membrane',
    name: 'Change membrane',
    action: 'change' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(done),
    minutes: 40,
  }
  const running = [...(passing ? [passing] : []), ageClock(since, toDay(asOf), cap, 'At the latest after', add)]
  return finish(head, running, working, asOf)
}

function passageClock(histories: Histories, tests: PassageTest[], since: string, add: Add): RunningClock | null {
  const last = tests.at(-1)
  if (!last) return null
  const limit = takeFigure(histories, 'membrane-passage')
  const from = trendStart(histories, tests, since)
  const [start, day] = [toDay(from.on), toDay(last.on)]
  const percent = (share: number) => Math.round(share * 1000) / 10
  const feedLine = add(() => ({
    what: 'Conductivity before it',
    value: last.feedUsCm,
    unit: 'µS/cm',
    origin: last.feedMeasured ? 'measured' : 'reckoned',
    source: last.feedMeasured ? 'by pen' : 'not measured: as goes with hardness',
  }))
  const behindLine = add(() => ({
    what: 'Conductivity behind it',
    value: last.behindUsCm,
    unit: 'µS/cm',
    origin: last.fromBlend ? 'reckoned' : 'measured',
    source: last.fromBlend ? `told from the blend, ${last.on}` : last.on,
  }))
  const passageLine = add(() => ({
    what: 'Passage',
    value: percent(last.passage.value),
    spread: percent((last.passage.high - last.passage.low) / 2),
    unit: '% of the feed',
    formula: `{${behindLine}} ÷ {${feedLine}}`,
    origin: 'reckoned',
  }))
  const startLine = add(() => ({
    what: from.measured ? 'Passage before' : 'Passage when new',
    value: percent(from.passage),
    unit: '% of the feed',
    origin: from.measured ? 'measured' : 'default',
    source: from.measured ? from.on : 'a good membrane, from memory',
    ...(!from.measured && { mark: 'M' as const }),
  }))
  const limitLine = add(() => limit.line())
  const dayAt = (chance: number) => passedOn(last.passage, from.passage, start, day, limit.value, chance)
  const likely = dayAt(0.5)
  const perDay = day > start ? (last.passage.value - from.passage) / (day - start) : 0
  return {
    use: {
      clock: 'conductivity',
      used: percent(last.passage.value),
      limit: percent(limit.value),
      unit: '% of the feed',
      perDay: Math.max(0, perDay * 100),
    },
    passage: { name: 'conductivity', dayAt },
    leftLine: add(() => ({
      what: 'Reaches it',
      value: likely === null ? 'does not rise' : fromDay(Math.round(likely)),
      formula: `the straight line from {${startLine}} on ${from.on} through {${passageLine}} to {${limitLine}}`,
      origin: 'reckoned',
    })),
  }
}

/** Where the line starts: the first measurement that is old enough, or new on the day it was fitted. */
function trendStart(histories: Histories, tests: PassageTest[], since: string) {
  const [first, last] = [tests[0]!, tests.at(-1)!]
  if (toDay(last.on) - toDay(first.on) >= leastTrendDays)
    return { on: first.on, passage: first.passage.value, measured: true }
  return { on: since, passage: takeFigure(histories, 'permeate-share').value, measured: false }
}

/** The day the line reaches the limit; the day of the measurement that found it there; null where it does not rise. */
function passedOn(found: Interval, before: number, start: number, day: number, limit: number, chance: number) {
  // More let through is earlier: the bounds cross over.
  const passage = intervalAt(found, 1 - chance)
  if (passage >= limit) return day
  const slope = day > start ? (passage - before) / (day - start) : 0
  return slope > 0 ? Math.round(day + (limit - passage) / slope) : null
}

export const changeMembrane: SoftenerTask = {
  id: 'change-membrane',
  searchNames: ['change membrane'],
  about: 'softener',
  written: () => ({ kind: 'membrane-changed', body: {} }),
  rail: { name: 'Change membrane', doneOn: (histories) => daysOf(ofKind(histories, 'softener', 'membrane-changed')) },
  renewal: { name: 'Membrane changed', of: ({ kind }) => kind === 'membrane' },
  standing: ({ kind, histories, asOf }, showWorking) =>
    kind === 'membrane' ? membraneStanding(histories, asOf, showWorking) : null,
}
