import { object, string } from 'yup'
import { instant, localDay, uuid } from '../parse/fields.ts'
import { type Issue, type Parsed, parseStrict } from '../parse/parse-strict.ts'
import { issuesOfOwn } from './check-own.ts'
import type { ReceivedEntry } from './entry.ts'
import { type EntryKind, entryKindNames, entryKindOf } from './entry-kinds.ts'
import { subjectKinds } from './subject.ts'
import { inTodaysWords } from './upcast.ts'

const envelope = object({
  id: uuid().required(),
  subjectKind: string().oneOf(subjectKinds).required(),
  subjectId: uuid().required(),
  visitId: uuid(),
  kind: string<EntryKind>().oneOf(entryKindNames).required(),
  happenedAt: instant().required(),
  happenedOn: localDay().required(),
  body: object().required(),
  supersedes: uuid(),
}).noUnknown()

/** Parses an entry as a device sent it: envelope, then the body its kind asks for. It stays as it came. */
export function parseEntry(input: unknown): Parsed<ReceivedEntry> {
  const outer = parseStrict(envelope, input)
  if (!outer.ok) return outer
  const { id, kind, subjectKind, supersedes } = outer.value
  const definition = entryKindOf(kind)
  const issues: Issue[] = []
  if (!definition.about.includes(subjectKind)) {
    issues.push({
      path: 'subjectKind',
      code: 'wrong_subject',
      message: `cannot have an entry of kind ${kind}`,
      value: subjectKind,
    })
  }
  if (kind === 'withdrawn' && !supersedes) {
    issues.push({ path: 'supersedes', code: 'required', message: 'is missing: name the entry to withdraw' })
  }
  if (supersedes === id) {
    issues.push({ path: 'supersedes', code: 'self', message: 'must name another entry', value: id })
  }
  const body = definition.body.parse((input as ReceivedEntry).body)
  const value = { ...(input as ReceivedEntry) }
  const told = body.ok ? issuesOfOwn(inTodaysWords(value)) : body.issues
  issues.push(...told.map((issue) => ({ ...issue, path: issue.path ? `body.${issue.path}` : 'body' })))
  return issues.length > 0 ? { ok: false, issues } : { ok: true, value }
}
