import { type Crossing, crossedIn } from '../../core/ledger/crossed.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import type { Level } from '../../core/standing/histories.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'

/** What met at a machine: in its own ledger, its softener's and its site's. */
export interface CrossedHere {
  /** What somebody is asked about. */
  asks: (Crossing & { level: Level })[]
  /** Said by both alike. */
  alike: RecordedEntry[]
  /** Said by one alone. */
  alone: RecordedEntry[]
}

const met: Level[] = ['machine', 'softener', 'site']

/** Lines two wrote here without knowing of each other, that nobody has compared yet. */
export function crossedHere({ ledgers }: Pick<MachineBundle, 'ledgers'>): CrossedHere {
  const here: CrossedHere = { asks: [], alike: [], alone: [] }
  for (const level of met) {
    const { crossings, alone } = crossedIn(ledgers[level] ?? [])
    here.asks.push(...crossings.filter(({ differs }) => differs).map((crossing) => ({ ...crossing, level })))
    here.alike.push(...crossings.filter(({ differs }) => !differs).map(({ lines }) => lines[0]!))
    here.alone.push(...alone.filter(({ kind }) => kind !== 'visit'))
  }
  return here
}
