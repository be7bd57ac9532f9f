import { object } from 'yup'
import { checkKind } from '../../kinds/check-kind.ts'
import { kindById } from '../../kinds/index.ts'
import type { Kind } from '../../kinds/kind.ts'
import { kindSchema } from '../../kinds/kind-schema.ts'
import type { Issue } from '../../parse/parse-strict.ts'
import { v } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** A firm's own version of a kind of machine; the last of an id counts. */
export const ownKind = entryKind({
  body: Versions.first(object({ v, kind: kindSchema.required() }).noUnknown(), ({ kind }) => issuesOf(kind)),
  about: ['firm'],
  affects: 'along',
  madeBy: 'people',
  words: ({ kind }) => `Our own kind: ${kind.name}`,
})

/** A kind of machine is checked as a whole: that what it names is there. */
function issuesOf(kind: unknown): Issue[] {
  const checked = checkKind(kind)
  if (!checked.ok) return checked.issues.map((issue) => ({ ...issue, path: `kind.${issue.path}` }))
  return [...basedOn(checked.value), ...named(checked.value)]
}

function basedOn({ basedOn: origin }: Kind): Issue[] {
  const path = 'kind.basedOn'
  if (!origin) return [{ path, code: 'required', message: 'is missing: name the kind it was copied from' }]
  if (kindById(origin)) return []
  const message = 'is no kind that ships: its machines are reckoned by one of those'
  return [{ path, code: 'unknown', message, value: origin }]
}

function named({ id }: Kind): Issue[] {
  if (!kindById(id)) return []
  return [{ path: 'kind.id', code: 'taken', message: 'is a kind that ships: give yours a name of its own', value: id }]
}
