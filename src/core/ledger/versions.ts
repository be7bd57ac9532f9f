import type { AnyObject, InferType, ObjectSchema } from 'yup'
import { type Parsed, parseStrict } from '../parse/parse-strict.ts'

/** A body as it was received: the number of its schema, and whatever that schema let through. */
export interface ReceivedBody {
  v: number
  [field: string]: unknown
}

/** A body under the names of today; the same body where none has another name now. */
export type Respelling = (body: ReceivedBody) => ReceivedBody

/** Fields that are called otherwise now. @example fieldsRenamed({ duty: 'task' })({ v: 1, duty: 'basket' }) // { v: 1, task: 'basket' } */
export const fieldsRenamed =
  (names: Record<string, string>) =>
  <B extends object>(body: B): B =>
    Object.keys(names).some((name) => Object.hasOwn(body, name))
      ? (Object.fromEntries(Object.entries(body).map(([name, value]) => [names[name] ?? name, value])) as B)
      : body

interface Step {
  schema: ObjectSchema<AnyObject>
  /** Into the version after it; null of the last. */
  lift: ((was: never) => unknown) | null
}

/** A body before it carries the number of its version. */
export type Unversioned<Body> = Body extends unknown ? Omit<Body, 'v'> : never

/** How bodies of one kind are checked and read. */
export interface Shapes<Now> {
  /** Of each version, oldest first. */
  schemas: ObjectSchema<AnyObject>[]
  /** Checks a body by the schema of its own version; it stays as it came. */
  parse(input: unknown): Parsed<ReceivedBody>
  /** A body that passed `parse` once, in today's shape. */
  lifted(body: ReceivedBody): Now
}

/**
 * Every shape that a body has ever had, oldest first. What is stored is never rewritten: it is read through the
 * schema of its own version, then lifted step by step into today's shape. No step is ever removed.
 */
export class Versions<Now> implements Shapes<Now> {
  private readonly steps: Step[]
  private readonly respelt: Respelling

  private constructor(steps: Step[], respelt: Respelling = (body) => body) {
    this.steps = steps
    this.respelt = respelt
  }

  /** @param schema - of version 1 */
  static first<S extends ObjectSchema<AnyObject>>(schema: S): Versions<InferType<S>> {
    return new Versions<InferType<S>>([{ schema, lift: null }])
  }

  /** The version after it, and how a body of the one before is read as one of it. */
  next<S extends ObjectSchema<AnyObject>>(schema: S, lift: (was: Now) => InferType<S>): Versions<InferType<S>> {
    const steps = this.steps.map((step, i) => (i === this.steps.length - 1 ? { ...step, lift } : step))
    return new Versions<InferType<S>>([...steps, { schema, lift: null }], this.respelt)
  }

  /**
   * The same shapes under the names of today: what was written under earlier ones, of whatever version, is read as if
   * it had been written so.
   */
  respelling(respelt: Respelling): Versions<Now> {
    return new Versions<Now>(this.steps, respelt)
  }

  get schemas(): ObjectSchema<AnyObject>[] {
    return this.steps.map((step) => step.schema)
  }

  parse(input: unknown): Parsed<ReceivedBody> {
    const v = (input as { v?: unknown } | null | undefined)?.v
    const step = this.steps[typeof v === 'number' ? v - 1 : this.steps.length - 1] ?? this.steps.at(-1)!
    const named = typeof input === 'object' && input !== null ? this.respelt(input as ReceivedBody) : input
    const parsed = parseStrict(step.schema, named)
    if (!parsed.ok) return parsed
    return { ok: true, value: input as ReceivedBody }
  }

  lifted(body: ReceivedBody): Now {
    let now: unknown = this.respelt(body)
    // What its schema let through is taken at its word: `next` holds each step to its neighbours.
    for (let v = body.v; v < this.steps.length; v += 1) now = this.steps[v - 1]!.lift!(now as never)
    return now as Now
  }
}
