import type { MachineRow } from './machine-page.ts'

/** Something besides a machine that the words of the find box may mean. */
export interface FoundThing {
  sort: 'site' | 'customer' | 'task' | 'procedure' | 'kind'
  name: string
  about: string
  href: string
}

export type FoundMachine = Pick<
  MachineRow,
  'id' | 'name' | 'maker' | 'model' | 'serial' | 'siteName' | 'area' | 'stage'
>

/** What the find box found. */
export interface Found {
  rows: FoundMachine[]
  things: FoundThing[]
}
