import type { SchemaDescription, SchemaObjectDescription } from 'yup'

type JsonSchema = Record<string, unknown>

/**
 * JSON Schema (2020-12) of a strict Yup object, so that one description serves the check and the reader.
 * Rules across fields have no place in it and are said in the messages.
 */
export const toJsonSchema = (schema: { describe(): SchemaDescription }, title: string): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title,
  ...describeField(schema.describe() as Described),
})

type Described = SchemaDescription &
  Partial<SchemaObjectDescription> & { innerType?: Described; default?: unknown; optional?: boolean }

function describeField(d: Described): JsonSchema {
  // What may be anything is told by its own rule, not by a type.
  const schema: JsonSchema = d.type === 'mixed' ? {} : { type: d.nullable ? [d.type, 'null'] : d.type }
  if (d.default !== undefined && d.type !== 'object') schema.default = d.default
  if (d.oneOf.length > 0) schema.enum = d.oneOf
  const format = (d.meta as { format?: string } | undefined)?.format
  if (format) schema.format = format
  for (const test of d.tests) {
    const params = (test.params ?? {}) as Record<string, unknown>
    const [low, high] =
      d.type === 'array'
        ? ['minItems', 'maxItems']
        : d.type === 'string'
          ? ['minLength', 'maxLength']
          : ['minimum', 'maximum']
    if (test.name === 'min') schema[low] = params.min
    if (test.name === 'max') schema[high] = params.max
    if (test.name === 'integer') schema.type = 'integer'
    if (test.name === 'positive') schema.exclusiveMinimum = 0
    if (test.name === 'below_one') schema.exclusiveMaximum = 1
    if (test.name === 'some_day') schema.minItems = 1
  }
  if (d.type === 'array' && d.innerType) schema.items = describeField(d.innerType)
  if (d.type === 'object' && d.fields) {
    const fields = Object.entries(d.fields as Record<string, Described>)
    schema.properties = Object.fromEntries(fields.map(([name, field]) => [name, describeField(field)]))
    const required = fields.filter(([, field]) => !field.optional).map(([name]) => name)
    if (required.length > 0) schema.required = required
    schema.additionalProperties = false
  }
  return schema
}
