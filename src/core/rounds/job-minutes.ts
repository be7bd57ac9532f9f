import { type Handwork, minutesThere } from '../visits/minutes-there.ts'

/** A task that was done, with the minutes the catalogue gives it. */
export interface DoneTask extends Handwork {
  kind: string
  task: string
}

/** A visit whose times somebody looked at, and all that was done on it. */
export interface TimedWork {
  /** From arriving to leaving. */
  minutes: number
  tasks: readonly DoneTask[]
}

/** How long work takes this firm, against the catalogue. */
export interface JobMinutes {
  /** Minutes of a task as this firm takes them. @param usual - the catalogue’s */
  of(kind: string, task: string, usual: number): number
  /** Visits it was learned from. */
  visits: number
}

/**
 * Until so many minutes of work of a kind were seen, the whole firm’s pace outweighs that kind’s; the same for one task
 * against its kind. From memory.
 */
const trusted = { firm: 600, kind: 600, task: 180 }
/** Beyond these the times are no work’s: a lunch between, a page left open. From memory. */
const plausible = { least: 0.25, most: 4 }

interface Sums {
  worked: number
  usual: number
}

/**
 * Minutes per task as they were taken on visits: each visit’s time less the stop itself, shared out over its tasks as
 * the catalogue would with its soaks used, and shrunk from task to kind to firm to the catalogue, the less of it there
 * was.
 *
 * @param stopMin - what each visit takes beside its tasks
 * @example learnedMinutes([], 15).of('c2', 'gasket', 10) // 10
 */
export function learnedMinutes(visits: readonly TimedWork[], stopMin: number): JobMinutes {
  const firm: Sums = { worked: 0, usual: 0 }
  const kinds = new Map<string, Sums>()
  const tasks = new Map<string, Sums>()
  let counted = 0
  for (const { minutes, tasks: done } of visits) {
    const usual = minutesThere(done)
    const worked = minutes - stopMin
    if (!(usual > 0) || worked < plausible.least * usual || worked > plausible.most * usual) continue
    counted += 1
    for (const task of done) {
      const share = (worked * task.minutes) / usual
      add(firm, share, task.minutes)
      add(sumsOf(kinds, task.kind), share, task.minutes)
      add(sumsOf(tasks, `${task.kind} ${task.task}`), share, task.minutes)
    }
  }
  const paceOfFirm = shrunk(firm, trusted.firm, 1)
  const paceOf = (kind: string, task: string) =>
    shrunk(tasks.get(`${kind} ${task}`), trusted.task, shrunk(kinds.get(kind), trusted.kind, paceOfFirm))
  return { visits: counted, of: (kind, task, usual) => usual * paceOf(kind, task) }
}

const shrunk = (sums: Sums | undefined, trust: number, towards: number): number =>
  sums ? (sums.worked + trust * towards) / (sums.usual + trust) : towards

function add(sums: Sums, worked: number, usual: number): void {
  sums.worked += worked
  sums.usual += usual
}

function sumsOf(map: Map<string, Sums>, key: string): Sums {
  const there = map.get(key)
  if (there) return there
  const fresh = { worked: 0, usual: 0 }
  map.set(key, fresh)
  return fresh
}
