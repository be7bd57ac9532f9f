import { array, boolean, mixed, number, type ObjectSchema, object, string } from 'yup'
import { amount, divisor, finite } from '../parse/fields.ts'
import { alongClocks, clocks } from '../wear/limits.ts'
import { careDrawings, careHazardIds, rhythms } from './care-words.ts'
import { doneByEntries, type Kind } from './kind.ts'
import { actions, cautions, lamps, media, symbolNames } from './kind-words.ts'
import { waterUses } from './vessel.ts'

const slug = () => string().matches(/^[a-z0-9-]{1,60}$/, 'must be a short name in small letters')
const words = (most: number) => string().max(most, `must be at most ${most} characters`)
const mark = () => string().oneOf(['M', 'T', 'P'])
const fitted = { with: slug(), without: slug() }
const each = () => string().oneOf(['group', 'side'])
const limit = () => divisor().max(1e8).required()
const byPolicy = () =>
  object({ cautious: limit(), usual: limit(), longLife: limit() })
    .noUnknown()
    .test('rising', 'must not fall from cautious to long life', (given) => !given || (given.cautious <= given.usual && given.usual <= given.longLife))
const count = () => object({ perDrink: amount(), perOpenDay: amount() }).noUnknown().optional().default(undefined)

const station = object({ id: slug().required(), name: words(40).required(), symbol: string().oneOf(symbolNames).required(), ...fitted }).noUnknown()

const end = (ports: string[]) =>
  object({ station: slug().required(), port: string().oneOf(ports).required() })
    .noUnknown()
    .optional()
    .default(undefined)

const line = object({
  id: slug().required(),
  medium: string().oneOf(media).required(),
  stations: array(slug().required()).required().min(1).max(30),
  lane: number().integer().min(-2).max(6).required(),
  from: end(['top', 'bottom']),
  to: end(['top', 'bottom', 'left']),
  label: words(60),
  ...fitted,
}).noUnknown()

const part = object({
  id: slug().required(),
  name: words(80).required(),
  station: slug().required(),
  each: each(),
  variants: array(slug().required()).max(10),
  sizes: array(words(40).required()).max(20),
  ...fitted,
}).noUnknown()

const careHazardList = () => array(string().oneOf(careHazardIds).required()).max(5)

const task = object({
  id: slug().required(),
  name: words(80).required(),
  action: string().oneOf(actions).required(),
  station: slug().required(),
  part: slug(),
  variant: slug(),
  each: each(),
  limits: object(Object.fromEntries(clocks.map((clock) => [clock, byPolicy().optional().default(undefined)])))
    .noUnknown()
    .required()
    .test('some', 'needs at least one clock', (given) => Object.values(given ?? {}).some((one) => one !== undefined)),
  doneBy: string().oneOf(doneByEntries).required(),
  minutes: amount().max(2000).required(),
  beta: divisor().max(20),
  mark: mark().required(),
  markNote: words(200),
  otherClock: words(200),
  litresOf: string().oneOf(['machine', 'group']),
  caution: string().oneOf(cautions),
  by: string().oneOf(['customer']),
  care: object({ drawing: string().oneOf(careDrawings).required(), hazards: careHazardList() })
    .noUnknown()
    .optional()
    .default(undefined),
  rubber: boolean(),
  safety: boolean(),
  ...fitted,
}).noUnknown()

const range = () =>
  object({ from: finite().required(), to: finite().required() })
    .noUnknown()
    .test('order', 'must go from low to high', (given) => !given || given.from < given.to)

const measure = object({
  id: slug().required(),
  name: words(80).required(),
  unit: words(20).defined(),
  good: range().required(),
  each: each(),
  mark: mark().required(),
  ...fitted,
}).noUnknown()

const drink = object({
  name: words(60).required(),
  share: amount().max(1).required(),
  cupMl: amount().required(),
  puckMl: amount().required(),
  dischargeMl: amount().required(),
  flushMl: amount().required(),
}).noUnknown()

const goes = string().oneOf(waterUses).required()

const vessel = object({
  id: slug().required(),
  station: slug().required(),
  name: words(60).required(),
  heats: string().oneOf(['flow', 'closed', 'exchanger', 'steam']).required(),
  takes: array(goes).required().min(1),
  each: string().oneOf(['group']),
  waterL: divisor().required(),
  headspaceL: divisor(),
  outletC: finite().min(20).max(200),
  setBar: divisor().max(10),
  inside: slug(),
  heaterW: divisor(),
  heaterCm2: divisor(),
  wettedCm2: divisor().required(),
  limitMm: byPolicy().required(),
  aluminium: boolean(),
  mark: mark().required(),
  ...fitted,
}).noUnknown()

/** A kind of machine as a file: what `docs/kind.schema.json` describes. */
const schema = object({
  id: slug().required(),
  version: number().integer().min(1).max(1_000_000).required(),
  basedOn: slug(),
  name: words(120).required(),
  about: words(400).defined(),
  calledToo: array(words(60).required()).max(60),
  counter: object({ id: string().oneOf(['shots']).required(), name: words(40).required(), unit: words(20).required() })
    .noUnknown()
    .required(),
  uncounted: boolean().oneOf([true]),
  groups: number().integer().min(1).max(4).required(),
  groupShares: array(amount().max(1).required()).required().min(1).max(4),
  sides: number().integer().min(1).max(2).required(),
  stations: array(station.required()).required().min(2).max(80),
  lines: array(line.required()).required().min(1).max(30),
  parts: array(part.required()).required().max(120),
  tasks: array(task.required()).required().max(200),
  measures: array(measure.required()).required().max(60),
  budget: object({
    drinks: array(drink.required()).required().min(1).max(20),
    besides: array(
      object({ name: words(80).required(), mlPerDrink: amount().required(), goes })
        .noUnknown()
        .required(),
    )
      .required()
      .max(20),
    daily: array(
      object({ name: words(80).required(), ml: amount().required(), goes })
        .noUnknown()
        .required(),
    )
      .required()
      .max(20),
    mark: mark().required(),
  })
    .noUnknown()
    .required(),
  doseG: object({ single: divisor().required(), double: divisor().required() }).noUnknown().nullable().defined(),
  counts: object(Object.fromEntries(alongClocks.map((clock) => [clock, count()])))
    .noUnknown()
    .required(),
  options: array(
    object({
      id: slug().required(),
      name: words(120).required(),
      standard: boolean().required(),
      howToTell: array(
        object({ look: words(300).required(), means: string().oneOf(['fitted', 'not fitted']).required() })
          .noUnknown()
          .required(),
      )
        .required()
        .max(20),
      mark: mark().required(),
    })
      .noUnknown()
      .required(),
  )
    .required()
    .max(20),
  prompts: array(
    object({
      id: slug().required(),
      where: words(80).required(),
      shows: string().oneOf(lamps).required(),
      looks: words(120),
      means: words(400).required(),
      asksFor: slug(),
      everyDrinks: divisor(),
      distrust: words(400),
      mark: mark().required(),
      ...fitted,
    })
      .noUnknown()
      .required(),
  )
    .required()
    .max(60),
  cleaning: array(
    object({ what: words(120).required(), takes: boolean().required(), why: words(400).required(), ...fitted })
      .noUnknown()
      .required(),
  )
    .required()
    .max(40),
  drinksPerOpenDay: object({ p10: divisor().required(), p50: divisor().required(), p90: divisor().required() }).noUnknown().required(),
  detergent: mixed()
    .nullable()
    .defined()
    .test('rate', 'must be null, {perOpenDay} or {everyDrinks} by policy', (given) => given === null || isRate(given)),
  vessels: array(vessel.required()).required().max(8),
  descale: object({
    litres: array(
      object({
        upToDh: number()
          .nullable()
          .defined()
          .test('positive', 'must be more than 0, or null for the hardest', (value) => value === null || (Number.isFinite(value) && value! > 0)),
        byPolicy: byPolicy().required(),
      })
        .noUnknown()
        .required(),
    )
      .required()
      .min(1),
    months: byPolicy().required(),
    minutes: amount().required(),
  })
    .noUnknown()
    .nullable()
    .defined(),
  descaleNote: words(400),
  routine: array(
    object({
      what: words(120).required(),
      every: words(120).required(),
      rhythm: string().oneOf(rhythms),
      days: divisor().max(3660),
      drawing: string().oneOf(careDrawings),
      hazards: careHazardList(),
      mark: mark().required(),
      how: words(300),
      saidBy: array(slug().required()).max(10),
      milk: boolean().oneOf([true]),
      procedure: slug(),
      task: slug(),
    })
      .noUnknown()
      .required(),
  )
    .required()
    .max(40),
}).noUnknown()

/** Somebody's own rate of cleaning with detergent. */
function isRate(given: unknown): boolean {
  const rate = given as { perOpenDay?: unknown; everyDrinks?: Record<string, unknown> }
  if (typeof given !== 'object' || Object.keys(rate).length !== 1) return false
  const positive = (value: unknown) => typeof value === 'number' && Number.isFinite(value) && value > 0
  return 'everyDrinks' in rate ? ['cautious', 'usual', 'longLife'].every((policy) => positive(rate.everyDrinks?.[policy])) : positive(rate.perOpenDay)
}

/** What it lets through is a kind by its shape; that names point at something is told by `checkKind`. */
export const kindSchema = schema as unknown as ObjectSchema<Kind>
