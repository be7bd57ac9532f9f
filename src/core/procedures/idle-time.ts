import type { Kind } from '../kinds/kind.ts'
import { procedureForTask } from './for-task.ts'
import { lanesTogether } from './lanes.ts'
import { planRun, type Segment } from './plan.ts'
import type { Step } from './step.ts'

/** The time of a task in which no hands are needed. */
export interface IdleTime {
  /** Minutes beside those of the hands, as its procedure has them; 0 where none is written for it. */
  idleMin: number
  /** Whether nothing else can be done at the machine meanwhile. */
  holds: boolean
  /** Minutes a hot machine would have to cool: so long that it is asked for cold. */
  coolMin: number
}

/** A shorter time to cool is spent there; a longer one nobody waits for: they are asked to switch it off before. */
const waitedForMin = 45
/** It is asked for cold only where that is what the work begins with. */
const beginsS = 300
/** A procedure with so many times the task’s own minutes of work does more than the task. */
const moreThanTask = 2

const none: IdleTime = { idleMin: 0, holds: false, coolMin: 0 }
const known = new WeakMap<Kind, Map<string, Found | null>>()

interface Found {
  totalMin: number
  handsMin: number
  coolMin: number
  holds: boolean
}

/**
 * How long a task goes on by itself, by the way it is usually done on a kind.
 *
 * @param minutes - of the hands, as the catalogue has it: where it counts the soak already, none is added
 * @example idleTime('screen-soak', c2, 10) // { idleMin: 20, holds: false, coolMin: 0 }
 */
export function idleTime(task: string, kind: Kind, minutes: number): IdleTime {
  const tasks = known.get(kind) ?? new Map<string, Found | null>()
  known.set(kind, tasks)
  if (!tasks.has(task)) tasks.set(task, played(task, kind))
  const found = tasks.get(task)
  if (!found || found.handsMin > moreThanTask * Math.max(minutes, 5)) return none
  const { totalMin, handsMin, coolMin, holds } = found
  const isAsked = coolMin > waitedForMin
  const idle = totalMin - (isAsked ? coolMin : 0) - Math.max(minutes, handsMin)
  return {
    idleMin: Math.max(0, Math.round(idle)),
    // What has to cool first holds the machine too.
    holds: holds || (!isAsked && coolMin > 0),
    coolMin: isAsked ? Math.round(coolMin) : 0,
  }
}

const isCooling = (step: Step): boolean => step.act === 'wait' && step.state?.heat === 'cold'

/** The task’s procedure played ahead. */
function played(task: string, kind: Kind): Found | null {
  const found = procedureForTask(task, kind)
  if (!found) return null
  const lanes = lanesTogether([found], kind)
  const plan = planRun(lanes)
  if (plan.never) return null
  const steps = new Map(lanes.flatMap(({ id, steps: own }) => own.map((step) => [`${id} ${step.id}`, step] as const)))
  const stepOf = ({ lane, step }: Segment) => steps.get(`${lane} ${step}`)!
  const long = ({ fromS, toS }: Segment) => toS - fromS
  const idle = plan.segments.filter(({ hands }) => !hands)
  const first = idle.find((segment) => segment.fromS <= beginsS && isCooling(stepOf(segment)))
  // At the next group it is cold already.
  const cools = idle.filter(({ step }) => step === first?.step)
  const others = idle.filter((segment) => !cools.includes(segment)).sort((a, b) => long(b) - long(a))
  const again = cools.reduce((sum, segment) => sum + long(segment), 0) - (first ? long(first) : 0)
  return {
    totalMin: (plan.totalS - again) / 60,
    handsMin: plan.handsS / 60,
    coolMin: first ? long(first) / 60 : 0,
    holds: others[0] !== undefined && stepOf(others[0]).act === 'wait',
  }
}
