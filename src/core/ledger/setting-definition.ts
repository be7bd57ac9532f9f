import type { Affects, Pen } from './entry-definition.ts'
import type { Shapes } from './versions.ts'

/** One thing that can be set: its shapes, oldest first, and how the ledger says it. */
export interface SettingDefinition<Body> {
  body: Shapes<Body>
  /** Whose dates it may move, where they are not those of all beneath it. */
  affects?: Affects
  words(body: Body, pen: Pen): string
}

export const settingKind = <Body>(definition: SettingDefinition<Body>): SettingDefinition<Body> => definition
