import type { Affects } from '../src/core/ledger/entry-definition.ts'
import { entryKindNames, entryKindOf } from '../src/core/ledger/entry-kinds.ts'
import { settingKindOf, settingNames } from '../src/core/ledger/setting-kinds.ts'

/** Whose dates each kind of entry and setting may move, as a table without the schemas: pages ask it at every entry. */
export function affectsTable(): string {
  const lines = (rows: [string, Affects][]) =>
    rows.map(([name, affects]) => `  ${name.includes('-') ? `'${name}'` : name}: '${affects}',`).join('\n')
  return `// Written by \`npm run schemas\` from the registries of entries and settings.
import type { Affects } from './entry-definition.ts'
import type { EntryKind } from './entry-kinds.ts'
import type { SettingName } from './setting-kinds.ts'

export const affectsByKind: Record<EntryKind, Affects> = {
${lines(entryKindNames.map((kind) => [kind, entryKindOf(kind).affects]))}
}

export const affectsBySetting: Record<SettingName, Affects> = {
${lines(settingNames.map((name) => [name, settingKindOf(name).affects ?? 'along']))}
}
`
}
