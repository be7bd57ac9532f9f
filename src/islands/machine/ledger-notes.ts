import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { comebacks } from '../../core/visits/comebacks.ts'
import { instrumentOn } from '../../core/visits/instrument-on.ts'
import { counted, dayLong } from '../../ui/format.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'

/** What an entry does not say itself: it came back, its instrument was out of date, nobody here wrote it. */
export interface LedgerNotes {
  /** By entry, a matter for attention. */
  warnings: Map<string, string[]>
  /** By entry, where it came from. */
  origins: Map<string, string>
}

/** Notes on the entries of a machine's ledger lens. */
export function ledgerNotes(bundle: MachineBundle, shown: RecordedEntry[]): LedgerNotes {
  const warnings = new Map<string, string[]>()
  const warn = (id: string, words: string) => warnings.set(id, [...(warnings.get(id) ?? []), words])
  for (const { repairId, againId, repairedOn, days, samePart } of comebacks(
    effectiveHistory(bundle.ledgers.machine ?? []).entries,
  )) {
    const part = samePart ? 'the same part, ' : ''
    warn(repairId, `came back after ${counted(days, 'day')}`)
    warn(againId, `${part}${counted(days, 'day')} after the repair of ${dayLong(repairedOn)}`)
  }
  const instruments = new Map(
    bundle.instruments.map((one) => [one.id, { name: one.name, entries: effectiveHistory(one.calibrations).entries }]),
  )
  const origins = new Map<string, string>()
  for (const entry of shown) {
    if (entry.origin) origins.set(entry.id, entry.origin)
    const instrument = instruments.get(('instrument' in entry.body && entry.body.instrument) || '')
    if (!instrument) continue
    const state = instrumentOn(instrument.entries, entry.happenedOn)
    if (state.state === 'expired')
      warn(entry.id, `${instrument.name} was out of date since ${dayLong(state.since)}: check again`)
    if (state.state === 'never') warn(entry.id, `${instrument.name} had no calibration or expiry on record`)
  }
  return { warnings, origins }
}
