import { inSerialRange } from '../../../core/kinds/serial-range.ts'
import type { EntryOf } from '../../../core/ledger/entry.ts'
import type { Setting } from '../../../core/ledger/setting-kinds.ts'
import { effective, ofKind } from '../../../core/standing/histories.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'

/** The maker's number of a part of this model, and whether it is this machine's by its serial number. */
export interface NumberHere {
  id: string
  number: Setting<'part-number'>
  /** Null where the serial number cannot be compared. */
  fits: boolean | null
}

const same = (one = '', other = '') => one.trim().toLowerCase() === other.trim().toLowerCase()

/** Every number kept for this machine's model; of one part, or of all. */
export function numbersHere({ machine, ledgers }: MachineBundle, part?: string): NumberHere[] {
  return ofKind(effective(ledgers), 'firm', 'setting').flatMap(({ id, body }: EntryOf<'setting'>) => {
    if (body.setting !== 'part-number') return []
    if (!same(body.maker, machine.maker) || !same(body.model, machine.model)) return []
    return part === undefined || body.part === part
      ? [{ id, number: body, fits: inSerialRange(machine.serial, body) }]
      : []
  })
}
