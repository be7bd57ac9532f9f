import type { SubjectKind } from '../../core/ledger/subject.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'

/** Where a figure may be set, nearest first: what it is called, and its id. */
export interface SettingLevel {
  level: Extract<SubjectKind, 'machine' | 'softener' | 'site' | 'customer' | 'firm'>
  words: string
  id: string
}

const whole = (firmId: string): SettingLevel => ({ level: 'firm', words: 'the whole firm', id: firmId })

/** For a machine: itself, its site, its customer, the firm. */
export const machineLevels = ({ machine, site, firmId }: MachineBundle): SettingLevel[] => [
  { level: 'machine', words: `this machine, ${machine.name}`, id: machine.id },
  { level: 'site', words: `every machine at ${site.name}`, id: site.id },
  { level: 'customer', words: `every machine of ${site.customer.name}`, id: site.customer.id },
  whole(firmId),
]

/** For a softener: itself, its site, the firm. */
export const softenerLevels = (
  softener: { id: string; name: string },
  site: { id: string; name: string },
  firmId: string,
): SettingLevel[] => [
  { level: 'softener', words: `this softener, ${softener.name}`, id: softener.id },
  { level: 'site', words: `all at ${site.name}`, id: site.id },
  whole(firmId),
]

/** For a water that belongs to a site, or to nobody. */
export const waterLevels = (site: { id: string; name: string } | null, firmId: string): SettingLevel[] => [
  ...(site ? [{ level: 'site' as const, words: `all at ${site.name}`, id: site.id }] : []),
  whole(firmId),
]
