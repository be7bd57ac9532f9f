import type { SubjectKind } from '../core/ledger/subject.ts'

/** What is left of a name after a person was forgotten: entries that have it in words of their own. */
export interface Forgotten {
  named: { id: string; subjectKind: SubjectKind; subjectId: string; on: string }[]
}
