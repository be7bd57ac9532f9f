/** One thing somebody did to a record, ready to be read. */
export interface ChangeRow {
  id: string
  at: string
  by: string
  action: string
  aboutKind: string
  name: string
  /** Fields that changed, with how they were and are. */
  fields: { field: string; before?: unknown; after?: unknown }[]
}

export interface ChangePage {
  rows: ChangeRow[]
  next?: string
}
