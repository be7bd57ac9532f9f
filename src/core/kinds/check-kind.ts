import { type Issue, type Parsed, parseStrict } from '../parse/parse-strict.ts'
import { type Kind, takesOneStation } from './kind.ts'
import { kindRespelt } from './kind-respelt.ts'
import { kindSchema } from './kind-schema.ts'

/**
 * A kind of machine from a file: its shape, and that what it names is there. A name nobody knows is told at its
 * place, as `tasks[3].station`.
 *
 * @example checkKind(JSON.parse(text)).ok
 */
export function checkKind(input: unknown): Parsed<Kind> {
  const parsed = parseStrict(kindSchema, kindRespelt(input))
  if (!parsed.ok) return parsed
  const kind = parsed.value
  const issues = issuesOfNames(kind)
  return issues.length > 0 ? { ok: false, issues } : { ok: true, value: kind }
}

function issuesOfNames(kind: Kind): Issue[] {
  const issues: Issue[] = []
  const wrong = (path: string, code: string, message: string, value?: unknown) => issues.push({ path, code, message, ...(value !== undefined && { value }) })
  const stations = new Set(kind.stations.map(({ id }) => id))
  const parts = new Set(kind.parts.map(({ id }) => id))
  const options = new Set(kind.options.map(({ id }) => id))
  const known = (path: string, id: string | undefined, among: Set<string>, what: string) => {
    if (id !== undefined && !among.has(id)) wrong(path, 'unknown', `is no ${what} of this kind`, id)
  }
  const drawn = new Set<string>()
  kind.lines.forEach((line, i) => {
    line.stations.forEach((id, n) => {
      known(`lines[${i}].stations[${n}]`, id, stations, 'station')
      if (drawn.has(id)) wrong(`lines[${i}].stations[${n}]`, 'twice', 'stands on a line already', id)
      drawn.add(id)
    })
    if (takesOneStation(line) && line.stations.length > 1) wrong(`lines[${i}].stations`, 'one', 'is one outlet: one station and no more')
    known(`lines[${i}].from.station`, line.from?.station, stations, 'station')
    known(`lines[${i}].to.station`, line.to?.station, stations, 'station')
  })
  kind.stations.forEach(({ id }, i) => {
    if (!drawn.has(id)) wrong(`stations[${i}].id`, 'undrawn', 'stands on no line', id)
  })
  if (kind.lines.filter(({ lane }) => lane === 0).length !== 1) wrong('lines', 'main', 'must have one main line, in lane 0')
  kind.parts.forEach(({ station }, i) => {
    known(`parts[${i}].station`, station, stations, 'station')
  })
  const named = new Set<string>()
  kind.tasks.forEach((task, i) => {
    known(`tasks[${i}].station`, task.station, stations, 'station')
    known(`tasks[${i}].part`, task.part, parts, 'part')
    const name = `${task.id} ${task.variant ?? ''}`
    if (named.has(name)) wrong(`tasks[${i}].id`, 'twice', 'is there already', task.id)
    named.add(name)
  })
  kind.vessels.forEach((vessel, i) => {
    known(`vessels[${i}].station`, vessel.station, stations, 'station')
    known(`vessels[${i}].inside`, vessel.inside, new Set(kind.vessels.map(({ id }) => id)), 'vessel')
  })
  const tasks = new Set(['descale', ...kind.tasks.map(({ id }) => id)])
  kind.prompts.forEach(({ asksFor }, i) => {
    known(`prompts[${i}].asksFor`, asksFor, tasks, 'task')
  })
  for (const list of ['stations', 'lines', 'parts', 'tasks', 'measures', 'vessels', 'prompts', 'cleaning'] as const)
    kind[list].forEach((row, i) => {
      known(`${list}[${i}].with`, row.with, options, 'option')
      known(`${list}[${i}].without`, row.without, options, 'option')
    })
  const shares = kind.groupShares.reduce((sum, share) => sum + share, 0)
  if (kind.groupShares.length !== kind.groups || Math.abs(shares - 1) > 1e-6) wrong('groupShares', 'sum', 'must be one share a group, 1 in all')
  const drinks = kind.budget.drinks.reduce((sum, { share }) => sum + share, 0)
  if (Math.abs(drinks - 1) > 1e-6) wrong('budget.drinks', 'sum', 'must have shares that make 1 in all')
  return issues
}
