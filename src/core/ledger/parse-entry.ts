import { object, string } from 'yup'
import { checkKind } from '../kinds/check-kind.ts'
import { kindById } from '../kinds/index.ts'
import { instant, localDay, uuid } from '../parse/fields.ts'
import { type Issue, type Parsed, parseStrict } from '../parse/parse-strict.ts'
import { checkOwnProcedure } from '../procedures/check-procedure.ts'
import type { Entry } from './entry.ts'
import { bodySchemas, type EntryKind, entryKinds, subjectsOf } from './entry-kinds.ts'
import { type SettingName, settingSchemas } from './setting-kinds.ts'
import { subjectKinds } from './subject.ts'

const envelope = object({
  id: uuid().required(),
  subjectKind: string().oneOf(subjectKinds).required(),
  subjectId: uuid().required(),
  visitId: uuid(),
  kind: string().oneOf(entryKinds).required(),
  happenedAt: instant().required(),
  happenedOn: localDay().required(),
  body: object().required(),
  supersedes: uuid(),
}).noUnknown()

/** Parses an entry as a device sent it: envelope, then the body its kind asks for. */
export function parseEntry(input: unknown): Parsed<Entry> {
  const outer = parseStrict(envelope, input)
  if (!outer.ok) return outer
  const entry = { ...(input as Record<string, unknown>) } as unknown as Entry
  const issues: Issue[] = []
  if (!subjectsOf[entry.kind].includes(entry.subjectKind)) {
    issues.push({
      path: 'subjectKind',
      code: 'wrong_subject',
      message: `cannot have an entry of kind ${entry.kind}`,
      value: entry.subjectKind,
    })
  }
  if (entry.kind === 'withdrawn' && !entry.supersedes) {
    issues.push({ path: 'supersedes', code: 'required', message: 'is missing: name the entry to withdraw' })
  }
  if (entry.supersedes === entry.id) {
    issues.push({ path: 'supersedes', code: 'self', message: 'must name another entry', value: entry.id })
  }
  const body = parseBody(entry.kind, entry.body)
  if (!body.ok)
    issues.push(...body.issues.map((issue) => ({ ...issue, path: issue.path ? `body.${issue.path}` : 'body' })))
  return issues.length > 0 ? { ok: false, issues } : { ok: true, value: entry }
}

/** Parses a body by the schema of its kind; a setting by the schema of that setting. */
function parseBody(kind: EntryKind, body: unknown): Parsed<Record<string, unknown>> {
  if (kind === 'own-kind') return parseOwnKind(body)
  if (kind === 'own-procedure') return parseOwnProcedure(body)
  if (kind !== 'setting') return parseStrict(bodySchemas[kind], body)
  const plain = parseStrict(bodySchemas.setting, body)
  if (!plain.ok) return plain
  const name = plain.value.setting
  const schema = Object.hasOwn(settingSchemas, name) ? settingSchemas[name as SettingName] : undefined
  if (!schema) {
    const message = `must be one of ${Object.keys(settingSchemas).join(', ')}`
    return { ok: false, issues: [{ path: 'setting', code: 'oneOf', message, value: name }] }
  }
  return parseStrict(schema, body)
}

/** A kind of machine is checked as a whole: that what it names is there. */
function parseOwnKind(body: unknown): Parsed<Record<string, unknown>> {
  const plain = parseStrict(bodySchemas['own-kind'], body)
  if (!plain.ok) return plain
  const checked = checkKind((body as { kind: unknown }).kind)
  const issues = checked.ok ? [] : checked.issues.map((issue) => ({ ...issue, path: `kind.${issue.path}` }))
  if (checked.ok && !checked.value.basedOn)
    issues.push({ path: 'kind.basedOn', code: 'required', message: 'is missing: name the kind it was copied from' })
  else if (checked.ok && !kindById(checked.value.basedOn!))
    issues.push({
      path: 'kind.basedOn',
      code: 'unknown',
      message: 'is no kind that ships: its machines are reckoned by one of those',
      value: checked.value.basedOn,
    })
  if (checked.ok && kindById(checked.value.id))
    issues.push({
      path: 'kind.id',
      code: 'taken',
      message: 'is a kind that ships: give yours a name of its own',
      value: checked.value.id,
    })
  return issues.length > 0 ? { ok: false, issues } : plain
}

/** A procedure likewise: one that puts something into a machine takes it out again. */
function parseOwnProcedure(body: unknown): Parsed<Record<string, unknown>> {
  const plain = parseStrict(bodySchemas['own-procedure'], body)
  if (!plain.ok) return plain
  const checked = checkOwnProcedure((body as { procedure: unknown }).procedure)
  if (checked.ok) return plain
  return {
    ok: false,
    issues: checked.issues.map((issue) => ({ ...issue, path: ['procedure', issue.path].filter(Boolean).join('.') })),
  }
}
