import { affectsByKind, affectsBySetting } from './affects-table.ts'
import type { Affects } from './entry-definition.ts'
import type { Jotting } from './entry-kinds.ts'

/** Whose dates an entry may move. @example affectsOf(jot('note', { text: 'dry' })) // 'nobody' */
export const affectsOf = ({ kind, body }: Jotting): Affects =>
  kind === 'setting' ? affectsBySetting[body.setting] : affectsByKind[kind]
