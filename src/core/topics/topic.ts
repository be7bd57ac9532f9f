import type { AnyObject, InferType, ObjectSchema } from 'yup'
import { type Issue, parseStrict } from '../parse/parse-strict.ts'
import type { Line } from '../quantity/working.ts'

/** What a topic answers: figures in the units their names carry, and the lines they follow from. */
export interface TopicAnswer {
  result: Record<string, unknown>
  working: Line[]
  /** Odd but possible input, said and then reckoned with. */
  warnings?: string[]
}

/** One question the core answers on its own: a public contract, so its field names do not change. */
export interface Topic {
  name: string
  about: string
  schema: ObjectSchema<AnyObject>
  /** What the JSON Schema says besides: which fields go together. */
  together?: Record<string, unknown>
  example: Record<string, unknown>
  ask(input: unknown): { ok: true; answer: TopicAnswer } | { ok: false; issues: Issue[] }
}

/** A fault only the arithmetic can find; `path` names the field to blame. */
export class InputFault extends Error {
  readonly issue: Issue
  constructor(path: string, value: unknown, message: string) {
    super(`${path}: ${message}`)
    this.name = 'InputFault'
    this.issue = { path, code: 'impossible', message, value }
  }
}

/** Binds a schema to the reckoning that reads it. */
export function topic<S extends ObjectSchema<AnyObject>>(definition: {
  name: string
  about: string
  schema: S
  together?: Record<string, unknown>
  example: Record<string, unknown>
  reckon(input: InferType<S>): TopicAnswer
}): Topic {
  const { name, about, schema, together, example, reckon } = definition
  return {
    name,
    about,
    schema,
    ...(together && { together }),
    example,
    ask(input) {
      const parsed = parseStrict(schema, input)
      if (!parsed.ok) return parsed
      try {
        return { ok: true, answer: reckon(parsed.value) }
      } catch (error) {
        if (error instanceof InputFault) return { ok: false, issues: [error.issue] }
        throw error
      }
    },
  }
}
