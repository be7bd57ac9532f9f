import { array, boolean, mixed, number, type ObjectSchema, object, string } from 'yup'
import { amount, divisor, finite } from '../parse/fields.ts'
import { heldReasonIds } from './held-reasons.ts'
import { keyStarts, keyWays, programmeIds } from './key-patterns.ts'
import { type Procedure, writtenEntries } from './procedure.ts'
import { acts, familyIds, hazards, substances } from './procedure-words.ts'
import { thingIds, things, toolIds } from './states.ts'

const slug = () => string().matches(/^[a-z0-9-]{1,60}$/, 'must be a short name in small letters')
const text = (most: number) => string().max(most, `must be at most ${most} characters`)
const said = (most: number) =>
  text(most).test('said', 'must not be empty', (value) => value === undefined || value.trim() !== '')
const mark = () => string().oneOf(['M', 'T', 'P'])
const seconds = () => amount().max(172_800)
const times = () => number().integer().min(1).max(200)
const stations = () => array(slug().required()).max(20)
const items = () => array(object({ name: said(120).required(), why: text(200) }).noUnknown()).max(40)

const cautionOf = () =>
  object({ hazard: string().oneOf(hazards).required(), say: said(200).required(), how: text(300) }).noUnknown()
const caution = cautionOf().optional().default(undefined)

const state = object(
  Object.fromEntries(thingIds.map((thing) => [thing, string().oneOf(Object.keys(things[thing].states))])),
)
  .noUnknown()
  .optional()
  .default(undefined)
const hasTools = () => array(string().oneOf(toolIds).required()).max(6)
const parts = () => array(slug().required()).max(10)

/** How keys are worked on a model, as a firm sets it and as an example ships. */
export const keyPatternSchema = object({
  from: string()
    .oneOf(Object.keys(keyStarts) as (keyof typeof keyStarts)[])
    .required(),
  keys: array(said(60).required()).required().min(1, 'name the keys').max(5),
  way: string()
    .oneOf(Object.keys(keyWays) as (keyof typeof keyWays)[])
    .required(),
  seconds: divisor().max(120),
  times: number().integer().min(1).max(20),
  withinS: divisor().max(120),
  answers: said(200).required(),
  next: text(200),
}).noUnknown()

const span = object({ usual: divisor().max(10_000).required(), from: divisor(), to: divisor() })
  .noUnknown()
  .optional()
  .default(undefined)

const answer = object({
  id: slug().required(),
  words: said(120).required(),
  leads: string().oneOf(['pass', 'repeat', 'stop']).required(),
  from: slug(),
  because: text(300),
  usually: number().integer().min(1).max(20),
  keeps: boolean().oneOf([true]),
  fits: parts(),
}).noUnknown()

/**
 * A step of any act, its fields side by side; which of them an act has is told by `actFields`. Strict: a field of
 * another act is refused by `checkProcedure`.
 */
const step = object({
  id: slug().required(),
  say: said(120).required(),
  how: text(500),
  normal: text(300),
  wrong: text(300),
  at: stations(),
  without: stations(),
  where: stations(),
  only: array(slug().required()).max(30),
  state,
  takes: hasTools(),
  gives: hasTools(),
  bath: string().oneOf(['made', 'in', 'out', 'poured']),
  qualified: boolean().oneOf([true]),
  as: mixed().test('as', 'must give words by kind', (given) => given === undefined || isWords(given)),
  caution,
  besides: array(cautionOf().required()).max(4),
  handsS: seconds().required(),
  gate: boolean().oneOf([true]),
  puts: string().oneOf(heldReasonIds),
  clears: mixed().oneOf([true, ...heldReasonIds]),
  fits: parts(),
  mark: mark(),
  act: string().oneOf(acts).required(),
  dose: object({
    of: string().oneOf(substances).required(),
    grams: span,
    scoops: divisor().max(50),
    tablets: divisor().max(20),
    gramsPerL: divisor().max(1000),
    oneTo: divisor().max(1000),
    orTablets: divisor().max(20),
    litres: divisor().max(100),
    words: text(120),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  into: said(120),
  on: said(40),
  onHow: text(300),
  off: said(40),
  offHow: text(300),
  onS: divisor().max(600),
  offS: amount().max(600),
  times: times(),
  firstOffS: amount().max(3600),
  standsUntil: said(80),
  what: said(120),
  seconds: seconds(),
  mostS: seconds(),
  until: said(200),
  aboutS: seconds(),
  watched: boolean().oneOf([true]),
  measure: slug(),
  ask: said(200),
  unit: text(20),
  // A number of a reading, or the step a window goes back to.
  from: mixed().test(
    'from',
    'must be a number or the name of a step',
    (given) => given === undefined || typeof given === 'string' || Number.isFinite(given),
  ),
  to: finite(),
  answers: array(answer.required()).min(1).max(6),
  keys: array(said(60).required()).min(1).max(5),
  key: said(60),
  programme: string().oneOf(programmeIds),
  example: keyPatternSchema.optional().default(undefined),
  withinS: divisor().max(3600),
  of: said(200),
  drinks: number().integer().min(1).max(20),
}).noUnknown()

const part = object({
  id: slug().required(),
  name: said(80).required(),
  each: string().oneOf(['group', 'side']),
  steps: array(step.required()).required().min(1, 'must have a step').max(80),
}).noUnknown()

const written = array(
  object({
    entry: string().oneOf(writtenEntries).required(),
    task: slug().required(),
    taskOf: mixed().test('tasks', 'must name a task for kinds', (given) => given === undefined || isTasks(given)),
    each: string().oneOf(['group']),
    of: string().oneOf(['softener']),
    by: array(slug().required()).max(10),
    figure: object({ field: text(40).required(), step: slug().required() })
      .noUnknown()
      .optional()
      .default(undefined),
  })
    .noUnknown()
    .required(),
).max(10)

const way = object({
  id: slug().required(),
  name: said(80).required(),
  reason: said(600).required(),
  kinds: array(slug().required()).max(30),
  usualFor: array(slug().required()).required().max(30),
  every: object({
    words: said(120).required(),
    days: divisor().max(3650),
    drinks: divisor().max(1e6),
    litres: divisor().max(1e6),
    hours: divisor().max(24),
    mark: mark().required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  writes: written,
  usualAt: object({
    kinds: array(slug().required()).required().min(1).max(30),
    fromDrinks: divisor(),
    belowDrinks: divisor(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  figures: array(
    object({ name: said(60).required(), words: said(120).required(), mark: mark().required(), step: slug() })
      .noUnknown()
      .required(),
  )
    .required()
    .max(12),
  tools: items().required(),
  materials: items().required(),
  parts: array(part.required()).required().min(1, 'must have a part').max(12),
}).noUnknown()

const schema = object({
  id: slug().required(),
  basedOn: slug(),
  version: number().integer().min(1).required(),
  family: string().oneOf(familyIds).required(),
  name: said(80).required(),
  about: said(300).required(),
  kinds: array(slug().required()).required().min(1, 'must be for a kind of machine').max(30),
  behind: string().oneOf(['exchanger', 'cartridge', 'membrane', 'any']),
  needs: object({ stations: stations().required(), why: said(300).required(), instead: slug() })
    .noUnknown()
    .optional()
    .default(undefined),
  once: boolean().oneOf([true]),
  writes: written.required(),
  mustFinish: object({ why: said(300).required(), first: array(said(200).required()).required().max(20) })
    .noUnknown()
    .optional()
    .default(undefined),
  ways: array(way.required()).required().min(1, 'must have a way of doing it').max(20),
}).noUnknown()

/** A procedure as a file: its shape. What must hold between its places is told by `checkProcedure`. */
export const procedureSchema = schema as unknown as ObjectSchema<Procedure>

const isTasks = (given: unknown): boolean =>
  typeof given === 'object' &&
  given !== null &&
  Object.values(given).every((task) => typeof task === 'string' && /^[a-z0-9-]{1,60}$/.test(task))

const wordsByKind = object({
  say: said(120),
  how: text(500),
  normal: text(300),
  wrong: text(300),
  on: said(40),
  onHow: text(300),
  off: said(40),
  offHow: text(300),
  ask: said(200),
  example: keyPatternSchema.optional().default(undefined),
}).noUnknown()

const isWords = (given: unknown): boolean =>
  typeof given === 'object' &&
  given !== null &&
  Object.entries(given).every(
    ([kind, words]) => /^[a-z0-9-]{1,60}$/.test(kind) && wordsByKind.isValidSync(words, { strict: true }),
  )
