import type { HeldReason } from '../../core/procedures/held-reasons.ts'
import { insideNow } from '../../core/procedures/run-record.ts'
import type { RunState } from '../../core/procedures/run-state.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import type { KeptRun } from './kept-run.ts'

/** Held from the moment it is so. */
const atOnce = new Set<HeldReason>(['descaler', 'electrical'])

/**
 * Acid that has just gone into the machine, or a case that has just been opened, is said at once, not when the run ends: nobody drinks from it meanwhile.
 * Without network it is said again with the rest at the end, by the same entry. Detergent is held only where it stays.
 */
export function holdAtOnce(run: KeptRun, machineId: string, state: RunState, today: string): void {
  for (const inside of insideNow(run.lanes, state)) {
    if (!atOnce.has(inside.of)) continue
    if (run.held.some((one) => one.inside.of === inside.of && one.inside.group === inside.group)) continue
    const body = { why: inside.of, ...(inside.group !== null && { group: inside.group }) }
    const entry = makeEntry('machine', machineId, 'held', body, today)
    run.held.push({ inside, entry })
    void writeFrom([entry]).then((told) => {
      if (!told.ok) console.info('Held on this device until the run is saved', told.issues)
    })
  }
}
