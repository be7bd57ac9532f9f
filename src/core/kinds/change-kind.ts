import { slugOf } from '../parse/slug-of.ts'
import { byPolicy, type Clock } from '../wear/limits.ts'
import { part, task } from './build.ts'
import { type Action, type Kind, type Prompt, type Station, takesOneStation } from './kind.ts'

/**
 * Why a station cannot be left out; null where it can. What hangs on it, a branch or the chalk of a vessel, must go
 * first.
 */
export function stationHeld(kind: Kind, id: string): string | null {
  if (isCup(kind, id)) return 'coffee ends there'
  const named = (line: Kind['lines'][number]) => line.label ?? line.medium
  const branch = kind.lines.find((line) => line.from?.station === id || line.to?.station === id)
  if (branch) return `the line “${named(branch)}” meets it`
  const vessel = kind.vessels.find((one) => one.station === id)
  if (vessel) return `${vessel.name} is reckoned there`
  const line = kind.lines.find(({ stations }) => stations.includes(id))
  return line?.lane === 0 && line.stations.length === 1 ? 'a path needs a station' : null
}

/**
 * The kind without a station, its parts and its tasks; a prompt that asked for one of those still shows, and asks for
 * nothing. A branch left without stations goes with it.
 *
 * @throws where it is held, see `stationHeld`
 */
export function withoutStation(kind: Kind, id: string): Kind {
  const held = stationHeld(kind, id)
  if (held) throw new Error(held)
  const lines = kind.lines.flatMap((line) => {
    const stations = line.stations.filter((one) => one !== id)
    return stations.length > 0 ? [{ ...line, stations }] : []
  })
  const parts = kind.parts.filter(({ station }) => station !== id)
  const gone = new Set(kind.parts.filter(({ station }) => station === id).map((one) => one.id))
  return asked({
    ...kind,
    lines,
    parts,
    stations: kind.stations.filter((station) => station.id !== id),
    tasks: kind.tasks.filter((task) => task.station !== id && !gone.has(task.part ?? '')),
  })
}

/** The kind without one of its tasks, by its place. */
export const withoutTask = (kind: Kind, at: number): Kind => asked({ ...kind, tasks: kind.tasks.filter((_, i) => i !== at) })

/** Prompts ask only for what is there. */
function asked(kind: Kind): Kind {
  const tasks = new Set(['descale', ...kind.tasks.map(({ id }) => id)])
  return {
    ...kind,
    prompts: kind.prompts.map((prompt) => {
      const { asksFor, ...rest } = prompt
      return asksFor === undefined || tasks.has(asksFor) ? prompt : rest
    }),
  }
}

/** Where coffee ends: nothing comes after it. */
const isCup = (kind: Kind, id: string | undefined) => kind.stations.find((one) => one.id === id)?.symbol === 'cup'

/** Whether a station can go a place earlier (−1) or later (1) along its line. */
export function canMove(kind: Kind, id: string, by: -1 | 1): boolean {
  const stations = kind.lines.find((line) => line.stations.includes(id))?.stations ?? []
  const next = stations[stations.indexOf(id) + by]
  return next !== undefined && !isCup(kind, id) && !isCup(kind, next)
}

/** A station a place earlier (−1) or later (1) along its line; the same kind where it cannot. */
export function movedStation(kind: Kind, id: string, by: -1 | 1): Kind {
  if (!canMove(kind, id, by)) return kind
  const lines = kind.lines.map((line) => {
    const at = line.stations.indexOf(id)
    if (at < 0) return line
    const stations = line.stations.toSpliced(at, 1).toSpliced(at + by, 0, id)
    return { ...line, stations }
  })
  return { ...kind, lines }
}

/**
 * A station more, at the end of a line; before the cup, where it ends in one.
 *
 * @throws where the line takes no more, see `takesOneStation`
 */
export function withStation(kind: Kind, lineId: string, { name, symbol }: Pick<Station, 'name' | 'symbol'>): Kind {
  if (kind.lines.some((line) => line.id === lineId && takesOneStation(line))) throw new Error('one outlet, one station')
  const id = slugOf(
    name,
    kind.stations.map((station) => station.id),
  )
  return {
    ...kind,
    stations: [...kind.stations, { id, name, symbol }],
    lines: kind.lines.map((line) => {
      if (line.id !== lineId) return line
      const end = isCup(kind, line.stations.at(-1)) ? -1 : line.stations.length
      return { ...line, stations: line.stations.toSpliced(end, 0, id) }
    }),
  }
}

export interface NewTask {
  name: string
  station: string
  /** A part that is replaced, or a task. */
  action: Exclude<Action, 'descale'>
  clock: Clock
  limits: [cautious: number, usual: number, longLife: number]
  minutes: number
}

/** A part or a task more. Its figures are the firm's own. */
export function withTask(kind: Kind, { name, station, action, clock, limits, minutes }: NewTask): Kind {
  const taken = [...kind.parts, ...kind.tasks].map(({ id }) => id)
  const id = slugOf(name, taken)
  const common = { min: minutes }
  const own = { [clock]: byPolicy(...limits) }
  if (action !== 'replace') {
    return { ...kind, tasks: [...kind.tasks, { ...task(id, name, action, station, {}, common), limits: own }] }
  }
  const made = part(id, name, station, {}, { ...common, beta: 2 })
  return {
    ...kind,
    parts: [...kind.parts, made.part],
    tasks: [...kind.tasks, ...made.tasks.map((one) => ({ ...one, limits: own }))],
  }
}

/** A prompt more. */
export function withPrompt(kind: Kind, prompt: Omit<Prompt, 'id' | 'mark'>): Kind {
  const id = slugOf(
    prompt.looks ?? prompt.means,
    kind.prompts.map((one) => one.id),
  )
  return { ...kind, prompts: [...kind.prompts, { ...prompt, id, mark: 'M' }] }
}
