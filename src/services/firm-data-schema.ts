import type { AnyObject, ObjectSchema } from 'yup'
import { placeFields, recordSchemas } from '../core/firm/records.ts'
import { kindSchema } from '../core/kinds/kind-schema.ts'
import { entryKindNames, entryKindOf } from '../core/ledger/entry-kinds.ts'
import { subjectKinds } from '../core/ledger/subject.ts'
import { toJsonSchema } from '../core/parse/to-json-schema.ts'
import { changeActions } from '../records/changes.ts'
import { exportedKinds, firmDataVersion, listNames } from './export-firm.ts'
import { addressFields, listFields } from './import-firm.ts'
import { issuedFields } from './invoices/read-back.ts'
import { passportVersion } from './passport.ts'

type JsonSchema = Record<string, unknown>

const draft = 'https://json-schema.org/draft/2020-12/schema'
const id = { type: 'string', format: 'uuid' }
const instant = { type: 'string', format: 'date-time' }
const day = { type: 'string', format: 'date' }

/** JSON Schema of a firm's data as one file. What it cannot say, one record pointing at another, the reader checks. */
export const firmDataSchema = (): JsonSchema => ({
  $schema: draft,
  title: 'A firm’s data',
  ...closed(
    {
      format: { const: 'evenshot-firm' },
      version: { const: firmDataVersion },
      firm: kept('firm', { version }),
      ...Object.fromEntries(exportedKinds.map((kind) => [listNames[kind], list(kept(kind, { id, version }))])),
      removed: list(closed({ id, kind: { enum: subjectKinds } })),
      entries: list(entry({ recordedBy: id, seq: { type: 'integer', minimum: 1 } })),
      changes: list(change),
      imports: list(fieldsOf(listFields)),
      words: { type: 'object' },
      addresses: list(fieldsOf(addressFields)),
      invoices: list(fieldsOf(issuedFields)),
    },
    ['removed', 'imports', 'words', 'addresses', 'invoices'],
  ),
})

/** JSON Schema of one machine's history, as it goes to another firm. */
export const passportSchema = (): JsonSchema => {
  const { properties, required = [] } = fieldsOf(recordSchemas.machine)
  for (const field of placeFields) delete properties[field]
  const optional = Object.keys(properties).filter((name) => !required.includes(name))
  return {
    $schema: draft,
    title: 'A machine’s passport',
    ...closed(
      {
        format: { const: 'evenshot-machine' },
        version: { const: passportVersion },
        firm: { type: 'string', maxLength: 80 },
        machine: closed({ id, ...properties }, optional),
        ownKind: fieldsOf(kindSchema),
        entries: { ...list(entry({ by: { type: 'string' } })), minItems: 1 },
      },
      ['ownKind'],
    ),
  }
}

const version = { type: 'integer', minimum: 1 }

/** An object that takes these fields alone; those named must be there, the rest may. */
const closed = (properties: JsonSchema, optional: string[] = []): JsonSchema => ({
  type: 'object',
  properties,
  required: Object.keys(properties).filter((name) => !optional.includes(name)),
  additionalProperties: false,
})

const list = (items: JsonSchema): JsonSchema => ({ type: 'array', items })

function fieldsOf(schema: ObjectSchema<AnyObject>) {
  const { $schema: _, title: __, ...fields } = toJsonSchema(schema, '')
  return fields as JsonSchema & { properties: JsonSchema; required?: string[] }
}

function kept(kind: keyof typeof recordSchemas, more: JsonSchema): JsonSchema {
  const { properties, required = [] } = fieldsOf(recordSchemas[kind])
  const optional = Object.keys(properties).filter((name) => !required.includes(name))
  return closed({ ...more, ...properties }, optional)
}

/** Any entry: each kind with its body, and what it may be about. */
const entry = (more: JsonSchema): JsonSchema => ({
  oneOf: entryKindNames.map((kind) =>
    closed(
      {
        id,
        subjectKind: { enum: entryKindOf(kind).about },
        subjectId: id,
        visitId: id,
        kind: { const: kind },
        happenedAt: instant,
        happenedOn: day,
        body: bodyOf(entryKindOf(kind).body.schemas),
        supersedes: id,
        recordedAt: instant,
        origin: { type: 'string', maxLength: 200 },
        knownSeq: { type: 'integer', minimum: 0 },
        ...more,
      },
      // What is about the firm itself names no id.
      ['subjectId', 'visitId', 'supersedes', 'origin', 'knownSeq'],
    ),
  ),
})

/** A body by the schema of its version, or of its setting. */
const bodyOf = (schemas: ObjectSchema<AnyObject>[]): JsonSchema =>
  schemas.length === 1 ? fieldsOf(schemas[0]!) : { anyOf: schemas.map(fieldsOf) }

const change = closed(
  {
    id,
    at: instant,
    technicianId: id,
    action: { enum: [...changeActions] },
    aboutKind: { type: 'string' },
    aboutId: id,
    before: { type: 'object' },
    after: { type: 'object' },
  },
  ['aboutId', 'before', 'after'],
)
