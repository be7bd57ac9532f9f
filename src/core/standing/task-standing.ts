import { instanceName } from '../kinds/index.ts'
import type { Task } from '../kinds/kind.ts'
import { fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'
import { type Add, startWorking } from '../quantity/working.ts'
import { horizonDays } from '../usage/first-passage.ts'
import { type DueWindow, dueWindow, type LifePassage } from '../wear/due-window.ts'
import { gradeWordsOf } from '../wear/grade-words.ts'
import {
  type Grade,
  type LifeMultiplier,
  lifeSd,
  lookShare,
  multiplierAfter,
  remainingAfter,
} from '../wear/seen-condition.ts'
import { seenWindow } from '../wear/seen-window.ts'
import { materialFitted } from './fitted-material.ts'
import { ownPolicy } from './histories.ts'
import { type LastDone, lastCondition, lastDone } from './last-done.ts'
import { type MachineFacts, policyOf } from './machine-facts.ts'
import { putAwayOn } from './stages.ts'
import { clockName, type Governing, type Standing } from './standing.ts'
import { type RunningClock, runningClocks, type WearClock } from './task-clocks.ts'

/**
 * Standing of one task of a machine: the earliest of its clocks.
 * @returns null when the task belongs to another material than the one fitted, or nothing can be dated
 */
export function taskStanding(facts: MachineFacts, task: Task, index: number | undefined): Standing | null {
  const { histories } = facts
  const made = task.variant ? materialFitted(facts.kind, histories, task.part!, index) : null
  if (made && made.material !== task.variant) return null
  const done = lastDone(histories, task, index)
  if (!done) return null
  const condition = task.part ? lastCondition(histories, task.part, index) : null
  // Of unknown age, and seen since: as old as it looked that day.
  const look = done.unseen && task.action === 'replace' ? lookAt(condition, done) : null
  const since = look ? { on: look.on, day: toDay(look.on), how: 'seen', known: false } : done
  const key = index === undefined ? task.id : `${task.id}@${index}`
  const { lines, add } = startWorking(facts.showWorking)
  const policy = facts.hasOwnPolicies ? policyOf(ownPolicy(histories, task.id)) : facts.policy
  if (made?.unknown)
    add(() => ({
      what: 'Material noted when it was fitted',
      value: made.unknown!,
      origin: 'measured',
      source: `this kind knows none of that name: reckoned as ${task.variant}, the usual one`,
    }))
  const running = runningClocks({ facts, task, index, since, policy, add })
  const head: Head = {
    key,
    task: task.id,
    name: task.variant ? `${task.name}, ${task.variant.replaceAll('-', ' ')}` : task.name,
    action: task.action,
    station: task.station,
    since: since.on,
    sinceKnown: since.known,
    minutes: task.minutes,
  }
  if (task.part) head.part = task.part
  if (index !== undefined) {
    head.index = index
    head.instance = instanceName(task.each!, index)
  }
  if (condition) head.condition = condition
  if (task.caution) head.caution = task.caution
  if (done.unseen && !look) return unseenStanding(head, { lines, add }, facts.asOf)
  const seen = look
    ? remainingOf(task, look, running, add)
    : condition && task.action === 'replace'
      ? lookOf(task, condition, running, add)
      : null
  return finish(head, running, { lines, add }, facts.asOf, putAwayOn(facts.stage), seen)
}

/** How a part of unknown age was last seen: by itself, or with all the rest, where nothing was wrong. */
function lookAt(condition: Standing['condition'] | null, { on, looksRight }: LastDone): Look | null {
  if (condition && (!looksRight || condition.on >= on)) return { grade: condition.grade as Grade, on: condition.on }
  return looksRight ? { grade: looksRightGrade, on } : null
}

interface Look {
  grade: Grade
  on: LocalDay
}

/** Nothing wrong to be seen: set, as most parts are for the first half of their lives. From memory. */
const looksRightGrade = 1

/** Nothing is dated until somebody has seen it: the first look is. */
function unseenStanding(head: Head, { lines }: ReturnType<typeof startWorking>, asOf: LocalDay): Standing {
  const standing = head as Standing
  standing.asOf = asOf
  standing.unseen = true
  standing.uses = []
  standing.working = { lines, why: 'Nobody knows how old it is: the first look comes before any date.' }
  return standing
}

/** Of unknown age: what its look stands for is used, the rest is left. */
function remainingOf(task: Task, { grade, on }: Look, running: WearClock[], add: Add): Seen {
  const life = remainingAfter(grade, lifeSd(task.beta))
  const line = add(() => ({
    what: `Age not known, seen ${on}`,
    value: `${grade}, ${gradeWordsOf(task.part ?? task.id)[grade]}`,
    origin: 'measured',
    source:
      grade === 4
        ? 'its life is over'
        : `so ${Math.round((1 - lookShare(grade)) * 100)} % of a life is left, from memory`,
  }))
  if (grade === 4) return { life, failed: { on: toDay(on), by: running[0]!.use.clock }, scaled: () => [], line }
  const most = task.safety ? 1 - lookShare(grade) : Number.POSITIVE_INFINITY
  for (const clock of running) clock.use = { ...clock.use, limit: clock.use.limit * Math.min(most, life.p50) }
  return { life, scaled: (multiplier) => running.map((clock) => clock.scaled(Math.min(most, multiplier))), line }
}

/** What the last look at a part made of its clocks: their limits move, and the window with them. */
interface Seen {
  life: LifeMultiplier
  /** Seen failed on this day: then it is due, not when its clocks would have had it; and what wore it out. */
  failed?: { on: number; by: Governing }
  /** Never longer than it may be, for what guards. */
  scaled(multiplier: number): LifePassage<Governing>[]
  line: number
}

function lookOf(
  task: Task,
  condition: NonNullable<Standing['condition']>,
  running: WearClock[],
  add: Add,
): Seen | null {
  const day = toDay(condition.on)
  const shares = running.map(({ usedOn, usualLimit }) => usedOn(day) / usualLimit)
  const usedShare = Math.max(...shares)
  // Seen on the day it was fitted: there is nothing to learn from.
  if (!(usedShare > 0.01)) return null
  const grade = condition.grade as Grade
  const life = multiplierAfter(grade, usedShare, lifeSd(task.beta))
  const seenLine = add(() => ({
    what: `Seen ${condition.on}`,
    value: `${grade}, ${gradeWordsOf(task.part ?? task.id)[grade]}`,
    origin: 'measured',
    source:
      grade === 4
        ? 'its life is over, whatever its clocks say'
        : `such a look stands for ${Math.round(lookShare(grade) * 100)} % of a part’s own life, from memory`,
  }))
  const usedLine = add(() => ({
    what: 'Of the usual life used by then',
    value: Math.round(usedShare * 100),
    unit: '%',
    formula: 'the clock that was furthest',
    origin: 'reckoned',
  }))
  if (grade === 4) {
    // The clock that was furthest names what wore it out.
    const by = running[shares.indexOf(usedShare)]!.use.clock
    return { life, failed: { on: day, by }, scaled: () => [], line: seenLine }
  }
  const most = task.safety ? 1 : Number.POSITIVE_INFINITY
  const line = add(() => ({
    what: 'This one lasts',
    value: Math.round(Math.min(most, life.p50) * 100) / 100,
    spread: Math.round(((life.p90 - life.p10) / 2) * 100) / 100,
    unit: '× usual',
    formula: `{${seenLine}} at {${usedLine}}, against a log spread of ${Math.round(lifeSd(task.beta) * 100) / 100} of such lives`,
    origin: 'reckoned',
    source: task.safety ? 'never longer than its limit: it guards' : 'grid over the multiplier',
  }))
  const scaled = (multiplier: number) => running.map((clock) => clock.scaled(Math.min(most, multiplier)))
  for (const clock of running) clock.use = { ...clock.use, limit: clock.use.limit * Math.min(most, life.p50) }
  return { life, scaled, line }
}

function windowOf(running: RunningClock[], seen: Seen | null): DueWindow<Governing> | null {
  if (!seen) return dueWindow(running.map((clock) => clock.passage))
  const { failed, life, scaled } = seen
  if (!failed) return seenWindow(scaled, life)
  return { due: { p10: failed.on, p50: failed.on, p90: failed.on }, governing: failed.by }
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
  seen: Seen | null = null,
): Standing {
  const window = windowOf(running, seen)
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
    formula: seen?.failed
      ? `the day of {${seen.line}}`
      : `the first of ${running.map((clock) => `{${clock.leftLine}}`).join(', ')}${seen ? `, each life × {${seen.line}}` : ''}`,
    origin: 'reckoned',
  }))
  if (p10 !== p90) {
    add(() => ({
      what: 'Eight times in ten',
      value: `${fromDay(p10)} to ${fromDay(p90)}`,
      formula: `10 % and 90 % bounds of the first passage${seen ? ', over use and life' : ''}`,
      origin: 'reckoned',
    }))
  }
  standing.working.why =
    running.length > 1
      ? `Line ${governs.leftLine} comes first, so ${clockName[window.governing]} ${window.governing === 'litres' ? 'govern' : 'governs'}.`
      : `Only ${clockName[window.governing]} is counted here.`
  return standing
}
