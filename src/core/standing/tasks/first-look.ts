import { instances } from '../../kinds/index.ts'
import type { Task } from '../../kinds/kind.ts'
import { type LocalDay, toDay } from '../../quantity/local-day.ts'
import { startWorking } from '../../quantity/working.ts'
import { lastCondition, lastDone } from '../last-done.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { putAwayOn } from '../stages.ts'
import type { Standing } from '../standing.ts'
import { guards, isHygiene } from '../taken-over.ts'
import { finish } from '../task-standing.ts'
import type { MachineTask } from './raised-task.ts'

const firstLookTask = 'first-look'

/** Days from taking over: with something among it that guards or that milk has passed, and without. From memory. */
const near = { p10: 7, p50: 21, p90: 42 }
const wide = { p10: 30, p50: 90, p90: 180 }
/** To open the machine, and to look at one part. From memory. */
const openMinutes = 10
const lookMinutes = 1

/** A task of unknown age that nobody has seen since the machine was taken over. */
interface Unseen {
  task: Task
  /** Since when it waits. */
  since: LocalDay
  /** What is looked at: a part has several tasks, and materials. */
  thing: string
}

/** Everything that waits for the first look, what guards and hygiene first. */
function unseenTasks(facts: MachineFacts): Unseen[] {
  const { kind, histories } = facts
  const unseen = kind.tasks
    .filter(({ by }) => by !== 'customer')
    .flatMap((task) => {
      const many = task.each ? instances(kind, task.each) : 1
      return Array.from({ length: many }, (_, i): Unseen[] => {
        const index = many > 1 ? i + 1 : undefined
        const done = lastDone(histories, task, index)
        const isSeen = task.action === 'replace' && task.part && lastCondition(histories, task.part, index)
        // Of several materials of a part the first stands for all.
        if (!done?.unseen || done.looksRight || isSeen) return []
        return [{ task, since: done.on, thing: `${task.part ?? task.id}@${index ?? 1}` }]
      }).flat()
    })
  const things = new Set<string>()
  const weight = ({ task }: Unseen) => (guards(task) ? 0 : isHygiene(task) ? 1 : 2)
  return unseen.sort((a, b) => weight(a) - weight(b)).filter(({ thing }) => !things.has(thing) && things.add(thing))
}

/**
 * One look at all that nobody knows the age of: one line a machine, not one for each part. It narrows as parts are
 * seen, and is nearer where something among them guards.
 *
 * @returns null where everything is known or was seen
 */
function firstLookStanding(facts: MachineFacts): Standing | null {
  const unseen = unseenTasks(facts)
  if (unseen.length === 0) return null
  const working = startWorking(facts.showWorking)
  const { add } = working
  const since = unseen
    .map((one) => one.since)
    .sort()
    .at(-1)!
  const start = toDay(since)
  const pressing = unseen.filter(({ task }) => guards(task) || isHygiene(task))
  const days = pressing.length > 0 ? near : wide
  const all = new Set(facts.kind.tasks.filter(({ by }) => by !== 'customer').map(({ id, part }) => part ?? id)).size
  // Seen in part, it is known better when the rest is to be seen.
  const open = Math.min(1, unseen.length / Math.max(1, all))
  const minutes = Math.max(10, Math.round((openMinutes + lookMinutes * unseen.length) / 5) * 5)
  add(() => ({
    what: 'Of unknown age, not seen yet',
    value: unseen.length,
    unit: unseen.length === 1 ? 'part or task' : 'parts and tasks',
    origin: 'measured',
    source: `taken over ${since}, ages not known`,
  }))
  if (pressing.length > 0)
    add(() => ({
      what: 'First of all, what guards and what milk has passed',
      value: pressing.length,
      origin: 'measured',
      source: [...new Set(pressing.map(({ task }) => task.name.toLowerCase()))].slice(0, 6).join('; '),
    }))
  const leftLine = add(() => ({
    what: 'Looked at within',
    value: days.p50,
    unit: 'days',
    origin: 'default',
    source:
      pressing.length > 0
        ? 'near: something among it guards; from memory'
        : 'wide: nothing among it guards; from memory',
    mark: 'M',
  }))
  const at = (chance: 'p10' | 'p50' | 'p90') => start + Math.round(days.p50 + (days[chance] - days.p50) * open)
  const standing = finish(
    {
      key: firstLookTask,
      task: firstLookTask,
      name: `First look, ${minutes} min: ${unseen.length} ${unseen.length === 1 ? 'part' : 'parts'} of unknown age`,
      action: 'check',
      station: (pressing[0] ?? unseen[0]!).task.station,
      since,
      sinceKnown: false,
      minutes,
      ...(pressing[0]?.task.caution && { caution: pressing[0].task.caution }),
    },
    [
      {
        use: {
          clock: 'first-look',
          used: Math.max(0, facts.asOfDay - start),
          limit: days.p50,
          unit: 'days',
          perDay: 1,
        },
        passage: {
          name: 'first-look',
          fixed: false,
          dayAt: (chance) => at(chance <= 0.1 ? 'p10' : chance >= 0.9 ? 'p90' : 'p50'),
        },
        leftLine,
      },
    ],
    working,
    facts.asOf,
    putAwayOn(facts.stage),
  )
  standing.working.why = 'Nobody knows how old they are: nothing else of them is dated before somebody has looked.'
  return standing
}

export const firstLook: MachineTask = {
  id: firstLookTask,
  searchNames: ['first look unknown age taken over'],
  about: 'machine',
  written: () => ({ kind: 'taken-over', body: { parts: 'looks-right' } }),
  standing: firstLookStanding,
}
