import { type AnyObject, type InferType, type ObjectSchema, ValidationError } from 'yup'

/** One thing wrong with input, at its field. */
export interface Issue {
  /** As a technician's program would write it: `readings[2].count`; empty for the whole. */
  path: string
  code: string
  /** Clear words, without the path: "must be at least 0". */
  message: string
  value?: unknown
}

export type Parsed<T> = { ok: true; value: T } | { ok: false; issues: Issue[] }

/**
 * Parses at the door, once: nothing is coerced, unknown fields are refused, defaults are filled in only
 * after all has been checked. Failures come back as data, one a field.
 *
 * @example parseStrict(object({ drops: amount().required() }), { drops: '3' })
 * // → { ok: false, issues: [{ path: 'drops', code: 'typeError', message: 'must be a number', value: '3' }] }
 */
export function parseStrict<S extends ObjectSchema<AnyObject>>(schema: S, input: unknown): Parsed<InferType<S>> {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) {
    return {
      ok: false,
      issues: [{ path: '', code: 'typeError', message: 'must be an object', value: input }],
    }
  }
  const foreign = unkeepable(input, '')
  if (foreign.length > 0) return { ok: false, issues: foreign }
  try {
    schema.validateSync(input, { strict: true, abortEarly: false })
    return { ok: true, value: schema.cast(input, { assert: false }) as InferType<S> }
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const found = error.inner.length > 0 ? error.inner : [error]
    return { ok: false, issues: oneAField(found.flatMap(toIssues)) }
  }
}

/** Half of a character. */
const halves = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/

/** No database keeps text with a NUL or half a character in it. */
const isBroken = (text: string) => text.includes('\0') || halves.test(text)

/**
 * What no schema may let through, at any depth: text that cannot be kept, and fields named like something
 * every object inherits, where a lookup would find the inherited thing instead of nothing.
 */
function unkeepable(value: unknown, path: string): Issue[] {
  if (typeof value === 'string' && isBroken(value)) {
    return [{ path, code: 'broken_text', message: 'holds a character that cannot be kept', value }]
  }
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([field, inner]) => {
    const at = Array.isArray(value) ? `${path}[${field}]` : path ? `${path}.${field}` : field
    if (!Array.isArray(value) && (field in Object.prototype || isBroken(field))) {
      return [{ path: at, code: 'unknown_field', message: 'is not a field here', value: inner }]
    }
    return unkeepable(inner, at)
  })
}

function toIssues(error: ValidationError): Issue[] {
  const path = (error.path ?? '').replace(/\["([^"]+)"\]/g, '.$1').replace(/^\./, '')
  const params = error.params as Record<string, unknown> | undefined
  if (error.type === 'noUnknown') {
    const holder = error.value as Record<string, unknown>
    return String(params?.unknown ?? '')
      .split(', ')
      .map((field) => ({
        path: path ? `${path}.${field}` : field,
        code: 'unknown_field',
        message: 'is not a field here',
        value: holder?.[field],
      }))
  }
  return [{ path, code: error.type ?? 'invalid', message: complaint(error, params), value: params?.value }]
}

function complaint(error: ValidationError, params: Record<string, unknown> | undefined): string {
  switch (error.type) {
    case 'optionality':
    case 'required':
      return 'is missing'
    case 'nullable':
      return 'must not be null'
    case 'typeError':
      return `must be ${typeNames[String(params?.type)] ?? 'of another type'}`
    case 'min':
      return `must be at least ${params?.min ?? params?.more}`
    case 'max':
      return `must be at most ${params?.max ?? params?.less}`
    case 'oneOf':
      return `must be one of ${(params?.resolved as unknown[])?.join(', ')}`
    case 'integer':
      return 'must be a whole number'
    default:
      return error.message
  }
}

const typeNames: Record<string, string> = {
  number: 'a number',
  string: 'text',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
}

/** The first complaint at a field is the one to mend; the rest follow from it. */
function oneAField(issues: Issue[]): Issue[] {
  const seen = new Set<string>()
  return issues.filter((issue) => !seen.has(issue.path) && seen.add(issue.path))
}
