import { checkKind } from '../kinds/check-kind.ts'
import { kindById } from '../kinds/index.ts'
import type { Kind } from '../kinds/kind.ts'
import type { Issue } from '../parse/parse-strict.ts'
import { checkOwnProcedure } from '../procedures/check-procedure.ts'
import type { Jotting } from './entry-kinds.ts'

/**
 * What no schema can say of a firm's own kinds and procedures. Apart from their entries, because it needs the whole
 * library, and whoever only puts an entry into words does not.
 */
export function issuesOfOwn({ kind, body }: Jotting): Issue[] {
  if (kind === 'own-kind') return issuesOfKind(body.kind)
  if (kind !== 'own-procedure') return []
  const checked = checkOwnProcedure(body.procedure)
  if (checked.ok) return []
  return checked.issues.map((issue) => ({ ...issue, path: ['procedure', issue.path].filter(Boolean).join('.') }))
}

/** A kind of machine is checked as a whole: that what it names is there. */
function issuesOfKind(kind: unknown): Issue[] {
  const checked = checkKind(kind)
  if (!checked.ok) return checked.issues.map((issue) => ({ ...issue, path: `kind.${issue.path}` }))
  return [...basedOn(checked.value), ...named(checked.value)]
}

function basedOn({ basedOn: origin }: Kind): Issue[] {
  // One from nothing is reckoned by itself.
  if (!origin || kindById(origin)) return []
  const message = 'is no kind that ships: its machines are reckoned by one of those'
  return [{ path: 'kind.basedOn', code: 'unknown', message, value: origin }]
}

function named({ id }: Kind): Issue[] {
  if (!kindById(id)) return []
  return [{ path: 'kind.id', code: 'taken', message: 'is a kind that ships: give yours a name of its own', value: id }]
}
