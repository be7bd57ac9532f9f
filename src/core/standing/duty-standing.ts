import { instanceName } from '../kinds/index.ts'
import type { Duty } from '../kinds/kind.ts'
import { fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'
import { startWorking } from '../quantity/working.ts'
import { horizonDays } from '../usage/first-passage.ts'
import { dueWindow } from '../wear/due-window.ts'
import { type RunningClock, runningClocks } from './duty-clocks.ts'
import { fittedVariant, lastCondition, lastDone } from './last-done.ts'
import type { MachineFacts } from './machine-facts.ts'
import { putAwayOn } from './stages.ts'
import { clockName, type Standing } from './standing.ts'

/**
 * Standing of one duty of a machine: the earliest of its clocks.
 * @returns null when the duty belongs to another material than the one fitted, or nothing can be dated
 */
export function dutyStanding(facts: MachineFacts, duty: Duty, index: number | undefined): Standing | null {
  const { histories } = facts
  if (duty.variant) {
    const first = facts.kind.parts.find((part) => part.id === duty.part)?.variants?.[0]
    if ((fittedVariant(histories, duty.part!, index) ?? first) !== duty.variant) return null
  }
  const since = lastDone(histories, duty, index)
  if (!since) return null
  const key = index === undefined ? duty.id : `${duty.id}@${index}`
  const { lines, add } = startWorking(facts.showWorking)
  const running = runningClocks({ facts, duty, index, since, add })
  const condition = duty.part ? lastCondition(histories, duty.part, index) : null
  const head: Head = {
    key,
    duty: duty.id,
    name: duty.variant ? `${duty.name}, ${duty.variant}` : duty.name,
    action: duty.action,
    station: duty.station,
    since: since.on,
    sinceKnown: since.known,
    minutes: duty.minutes,
  }
  if (duty.part) head.part = duty.part
  if (index !== undefined) {
    head.index = index
    head.instance = instanceName(duty.each!, index)
  }
  if (condition) head.condition = condition
  if (duty.caution) head.caution = duty.caution
  return finish(head, running, { lines, add }, facts.asOf, putAwayOn(facts.stage))
}

/** What a standing says before its clocks are read. */
type Head = Omit<Standing, 'asOf' | 'uses' | 'working' | 'due' | 'governing'>

/**
 * Closes a standing: the window, what governs, and the last lines of the working.
 * @param putAway - the day it was drained and put away: nothing is asked for until it runs again
 */
export function finish(
  head: Head,
  running: RunningClock[],
  { lines, add }: ReturnType<typeof startWorking>,
  asOf: LocalDay,
  putAway: string | false = false,
): Standing {
  const window = dueWindow(running.map((clock) => clock.passage))
  const standing = head as Standing
  standing.asOf = asOf
  standing.uses = running.map((clock) => clock.use)
  standing.working = { lines }
  if (putAway) {
    standing.working.why = `Put away since ${putAway}: asked for again when it runs. Age goes on meanwhile.`
    return standing
  }
  if (!window || window.due.p50 - toDay(asOf) > horizonDays) {
    standing.working.why = 'No clock runs out within ten years.'
    return standing
  }
  const { p10, p50, p90 } = window.due
  const on = fromDay(p50)
  // Most dates are fixed by age: one day, written once.
  standing.due = { p10: p10 === p50 ? on : fromDay(p10), p50: on, p90: p90 === p50 ? on : fromDay(p90) }
  standing.governing = window.governing
  const governs = running.find((clock) => clock.use.clock === window.governing)!
  add(() => ({
    what: 'Due',
    value: on,
    formula: `the first of ${running.map((clock) => `{${clock.leftLine}}`).join(', ')}`,
    origin: 'reckoned',
  }))
  if (p10 !== p90) {
    add(() => ({
      what: 'Eight times in ten',
      value: `${fromDay(p10)} to ${fromDay(p90)}`,
      formula: '10 % and 90 % bounds of the first passage',
      origin: 'reckoned',
    }))
  }
  standing.working.why =
    running.length > 1
      ? `Line ${governs.leftLine} comes first, so ${clockName[window.governing]} ${window.governing === 'litres' ? 'govern' : 'governs'}.`
      : `Only ${clockName[window.governing]} is counted here.`
  return standing
}
