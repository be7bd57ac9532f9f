import type { FaultBook } from '../faults/fault.ts'
import { likelyParts } from '../faults/likely-parts.ts'
import type { Kind } from '../kinds/kind.ts'
import { procedureForTask } from '../procedures/for-task.ts'
import type { Procedure } from '../procedures/procedure.ts'
import type { Standing } from '../standing/standing.ts'
import { isOutOfTheOrdinary } from '../trade/van-tools.ts'

/** Work of a day as the van sees it. */
export interface CarryWork {
  /** Number of the stop, from 0. */
  stop: number
  /** Null for what stands ahead of a machine. */
  kind: Kind | null
  /** What the machine is called by whoever orders its parts. */
  model: string
  tasks: readonly Pick<Standing, 'task' | 'name' | 'action' | 'part'>[]
  /** A fault somebody reported of it: the complaint, and the book it is in. */
  fault?: { symptom: string; book: FaultBook; seen: { test: string; outcome: string }[] }
}

/** One thing to put into the van. */
export interface CarryLine {
  id: string
  group: 'parts' | 'materials' | 'tools'
  name: string
  /** The stops it is for, from 0, each once. */
  stops: number[]
  /** How many pieces; absent where it is no piece. */
  pieces?: number
  why: string
  /** That it is needed at all, of a fault nobody has looked at; absent where it is certain. */
  chance?: number
}

/**
 * What to have in the van for a day: parts that are changed, what goes into the machines, tools out of the ordinary, and
 * parts that reported faults most likely need.
 *
 * @param library - the procedures the firm works by
 * @param least - from which chance on a part for a fault is taken along
 */
export function carryFor(
  works: readonly CarryWork[],
  { library, least }: { library: readonly Procedure[]; least?: number },
): CarryLine[] {
  const lines = new Map<string, CarryLine>()
  const take = (stop: number, line: Omit<CarryLine, 'stops'>) => {
    const there = lines.get(line.id)
    if (!there) {
      lines.set(line.id, { ...line, stops: [stop] })
      return
    }
    if (!there.stops.includes(stop)) there.stops.push(stop)
    if (there.pieces !== undefined) there.pieces += line.pieces ?? 0
    if (line.chance === undefined) delete there.chance
    else if (there.chance !== undefined) there.chance = Math.max(there.chance, line.chance)
  }
  for (const { stop, kind, model, tasks, fault } of works) {
    for (const { task, name, action, part } of tasks) {
      if (action === 'replace') {
        const whose = model || kind?.name || ''
        take(stop, { id: `part ${part ?? task} ${whose}`, group: 'parts', name, pieces: 1, why: whose })
        continue
      }
      const led = procedureForTask(task, kind, library)
      for (const { name: what, why } of led?.way.materials ?? [])
        take(stop, { id: `material ${what}`, group: 'materials', name: what, why: why ?? led!.procedure.name })
      for (const { name: tool, why } of led?.way.tools ?? [])
        if (isOutOfTheOrdinary(tool))
          take(stop, { id: `tool ${tool}`, group: 'tools', name: tool, why: why ?? led!.procedure.name })
    }
    for (const { part, chance, because } of fault
      ? likelyParts(fault.book, fault.symptom, { ...fault, ...(least !== undefined && { least }) })
      : []) {
      const name = kind?.parts.find(({ id }) => id === part)?.name ?? part
      const whose = model || kind?.name || ''
      take(stop, { id: `part ${part} ${whose}`, group: 'parts', name, pieces: 1, chance, why: `${whose}: ${because}` })
    }
  }
  const groups = ['parts', 'materials', 'tools']
  return [...lines.values()].sort(
    (a, b) =>
      groups.indexOf(a.group) - groups.indexOf(b.group) ||
      Number(a.chance !== undefined) - Number(b.chance !== undefined) ||
      (b.chance ?? 0) - (a.chance ?? 0) ||
      a.name.localeCompare(b.name),
  )
}
