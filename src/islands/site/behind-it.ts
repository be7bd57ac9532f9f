import type { Entry } from '../../core/ledger/entry.ts'
import { makeEntry } from '../make-entry.ts'
import type { FieldSpec } from '../records/form-values.ts'

/** A machine of the site, and what it stands behind. */
export interface StandsHere {
  id: string
  name: string
  softenerId: string | null
}

/** Which machines of a site stand behind a treatment; none where no machine stands there. */
export const behindItField = (machines: StandsHere[]): FieldSpec[] =>
  machines.length === 0
    ? []
    : [
        {
          id: 'behind',
          label: 'Machines behind it',
          kind: 'several',
          options: machines.map(({ id, name }): [string, string] => [id, name]),
        },
      ]

interface Put {
  siteId: string
  softenerId: string
  machines: StandsHere[]
  /** Machines that shall stand behind it. */
  chosen: string[]
  on: string
  /** Ids of the entries, by machine: saved twice is saved once. */
  ids: ReadonlyMap<string, string>
}

/** Entries that put machines behind a treatment or take them off it; none for those that stay. */
export const putBehind = ({ siteId, softenerId, machines, chosen, on, ids }: Put): Entry[] =>
  machines
    .filter((machine) => chosen.includes(machine.id) !== (machine.softenerId === softenerId))
    .map((machine) => {
      const from = machine.softenerId ? { fromSoftenerId: machine.softenerId } : {}
      const to = chosen.includes(machine.id) ? { toSoftenerId: softenerId } : {}
      const body = { fromSiteId: siteId, toSiteId: siteId, ...from, ...to }
      return makeEntry('machine', machine.id, 'moved', body, on, { id: ids.get(machine.id)! })
    })
