import { kindById } from '../kinds/index.ts'
import { type Issue, type Parsed, parseStrict } from '../parse/parse-strict.ts'
import { procedureById } from '../trade/procedures/index.ts'
import { conditionFaults } from './conditions.ts'
import { heldReasonIds, notToDrink } from './held-reasons.ts'
import type { Procedure, ProcedurePart, Way } from './procedure.ts'
import { procedureRespelt } from './procedure-respelt.ts'
import { procedureSchema } from './procedure-schema.ts'
import { actFields, acts } from './procedure-words.ts'
import type { Step } from './step.ts'

/**
 * A procedure from a file: its shape, that what it names is there, and that what it puts into a machine it takes out
 * again before anybody drinks.
 *
 * @example checkProcedure(JSON.parse(text)).ok
 */
export function checkProcedure(input: unknown): Parsed<Procedure> {
  const respelt = procedureRespelt(input)
  const parsed = parseStrict(procedureSchema, respelt)
  if (!parsed.ok) return parsed
  const procedure = respelt as Procedure
  const issues = issuesOfNames(procedure)
  return issues.length > 0 ? { ok: false, issues } : { ok: true, value: procedure }
}

/** The same of a firm's own version: it names the one it was copied from, and has a name of its own. */
export function checkOwnProcedure(input: unknown): Parsed<Procedure> {
  const checked = checkProcedure(input)
  if (!checked.ok) return checked
  const { id, basedOn } = checked.value
  const issues: Issue[] = []
  if (!basedOn)
    issues.push({ path: 'basedOn', code: 'required', message: 'is missing: name the procedure it was copied from' })
  else if (!procedureById(basedOn))
    issues.push({ path: 'basedOn', code: 'unknown', message: 'is no procedure that ships', value: basedOn })
  if (procedureById(id))
    issues.push({
      path: 'id',
      code: 'taken',
      message: 'is a procedure that ships: give yours a name of its own',
      value: id,
    })
  return issues.length > 0 ? { ok: false, issues } : checked
}

type Wrong = (path: string, code: string, message: string, value?: unknown) => void

function issuesOfNames(procedure: Procedure): Issue[] {
  const issues: Issue[] = []
  const wrong: Wrong = (path, code, message, value) =>
    issues.push({ path, code, message, ...(value !== undefined && { value }) })
  procedure.kinds.forEach((id, i) => {
    if (!kindById(id)) wrong(`kinds[${i}]`, 'unknown', 'is no kind of machine that ships', id)
  })
  const { needs } = procedure
  if (needs?.instead && !procedureById(needs.instead))
    wrong('needs.instead', 'unknown', 'is no procedure that ships', needs.instead)
  twice(procedure.ways, 'ways', wrong)
  procedure.ways.forEach((way, s) => {
    inWay(way, `ways[${s}]`, procedure, wrong)
  })
  return issues
}

function inWay(way: Way, path: string, procedure: Procedure, wrong: Wrong): void {
  way.usualFor.forEach((id, i) => {
    if (!procedure.kinds.includes(id)) wrong(`${path}.usualFor[${i}]`, 'unknown', 'is no kind it is for', id)
  })
  const at = way.usualAt
  at?.kinds.forEach((id, i) => {
    if (!procedure.kinds.includes(id)) wrong(`${path}.usualAt.kinds[${i}]`, 'unknown', 'is no kind it is for', id)
  })
  if (at?.fromDrinks !== undefined && at.belowDrinks !== undefined && at.fromDrinks >= at.belowDrinks)
    wrong(`${path}.usualAt.belowDrinks`, 'min', 'must be more than what it is usual from', at.belowDrinks)
  const steps = new Set(way.parts.flatMap((part) => part.steps.map(({ id }) => id)))
  way.figures.forEach((figure, i) => {
    if (figure.step !== undefined && !steps.has(figure.step))
      wrong(`${path}.figures[${i}].step`, 'unknown', 'is no step of this way', figure.step)
  })
  way.kinds?.forEach((id, i) => {
    if (!procedure.kinds.includes(id)) wrong(`${path}.kinds[${i}]`, 'unknown', 'is no kind it is for', id)
  })
  twice(way.parts, `${path}.parts`, wrong)
  way.parts.forEach((part, p) => {
    twice(part.steps, `${path}.parts[${p}].steps`, wrong)
    part.steps.forEach((step, i) => {
      inStep(step, i, part, `${path}.parts[${p}].steps[${i}]`, wrong)
    })
  })
  for (const { steps, at } of inOneGo(way.parts)) cleared(steps, (i) => `${path}.${at[i]}`, wrong)
  const all = way.parts.flatMap(({ steps }, p) => steps.map((step, i) => ({ step, at: `parts[${p}].steps[${i}]` })))
  for (const { at, code, message } of conditionFaults(all.map(({ step }) => step)))
    wrong(`${path}.${all[at]!.at}`, code, message)
}

function inStep(step: Step, at: number, part: ProcedurePart, path: string, wrong: Wrong): void {
  const held = step as unknown as Record<string, unknown>
  const own = new Set(actFields[step.act].map((field) => field.replace('?', '')))
  for (const field of actFields[step.act])
    if (!field.endsWith('?') && held[field] === undefined) wrong(`${path}.${field}`, 'required', 'is missing')
  for (const field of ofSomeAct)
    if (held[field] !== undefined && !own.has(field))
      wrong(`${path}.${field}`, 'unknown_field', `is no field of a step that is “${step.act}”`, held[field])
  if (step.act === 'measure' && step.from !== undefined && typeof step.from !== 'number')
    wrong(`${path}.from`, 'typeError', 'must be a number', step.from)
  // What not every machine is asked, nothing can go back to, unless it is asked of the same ones.
  const earlier = new Set(
    part.steps.slice(0, at + 1).flatMap((one) => (someOnly(one) && !sameOnly(one, step) ? [] : [one.id])),
  )
  if (step.act === 'window' && !earlier.has(step.from as string))
    wrong(`${path}.from`, 'unknown', 'is no earlier step of this part', step.from)
  if (step.act === 'check') {
    twice(step.answers ?? [], `${path}.answers`, wrong)
    if (!step.answers?.some(({ leads }) => leads === 'pass'))
      wrong(`${path}.answers`, 'pass', 'must have one that goes on')
    step.answers?.forEach((answer, i) => {
      if (answer.leads === 'repeat' && !earlier.has(answer.from ?? ''))
        wrong(`${path}.answers[${i}].from`, 'unknown', 'is no earlier step of this part', answer.from ?? null)
    })
  }
  if (step.clears && someOnly(step))
    wrong(`${path}.clears`, 'without', 'cannot stand: what clears something is asked everywhere')
  if ((step.puts || step.clears) && !step.gate)
    wrong(`${path}.gate`, 'gate', 'must be true: what puts something in, or clears it, cannot be skipped')
}

/** Asked of some machines alone. */
const someOnly = ({ without, where, only }: Step): boolean => Boolean(without ?? where ?? only)
const sameOnly = (a: Step, b: Step): boolean =>
  JSON.stringify([a.without, a.where, a.only]) === JSON.stringify([b.without, b.where, b.only])

const ofSomeAct = [...new Set(acts.flatMap((act) => actFields[act].map((field) => field.replace('?', ''))))]

/** What is done at one group, and what is done once, each in its order and with its place. */
function inOneGo(parts: ProcedurePart[]): { steps: Step[]; at: string[] }[] {
  const all = parts.flatMap((part, p) =>
    part.steps.map((step, i) => ({ step, at: `parts[${p}].steps[${i}]`, each: part.each })),
  )
  return ([undefined, 'group', 'side'] as const).map((each) => {
    const own = all.filter((one) => one.each === each)
    return { steps: own.map(({ step }) => step), at: own.map(({ at }) => at) }
  })
}

/** What was put in is cleared before the hands are done there. */
function cleared(steps: Step[], pathOf: (i: number) => string, wrong: Wrong): void {
  for (const reason of heldReasonIds) {
    const put = steps.findLastIndex(({ puts }) => puts === reason)
    const clears = ({ clears: what }: Step) => what === reason || (what === true && notToDrink(reason))
    if (put >= 0 && !steps.slice(put + 1).some(clears))
      wrong(
        `${pathOf(put)}.puts`,
        'uncleared',
        'must be followed by a step that clears it before the machine is released',
        reason,
      )
  }
}

function twice(list: { id: string }[], path: string, wrong: Wrong): void {
  const seen = new Set<string>()
  list.forEach(({ id }, i) => {
    if (seen.has(id)) wrong(`${path}[${i}].id`, 'twice', 'is there already', id)
    seen.add(id)
  })
}
