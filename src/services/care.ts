import { type CareSheet, careSheet } from '../core/care/care-sheet.ts'
import { effective, nearestWay } from '../core/standing/histories.ts'
import { machineFacts } from '../core/standing/machine-facts.ts'
import { meanRate } from '../core/usage/rate.ts'
import type { Db } from '../records/database.ts'
import type { MachineBundle } from '../views/machine-bundle.ts'
import { machineBundle } from './machine-bundle.ts'

export interface Care {
  bundle: MachineBundle
  sheet: CareSheet
  drinksPerOpenDay: number
  unit: string
  /** The way of backflushing it was made for; its kind's usual one where nobody chose. */
  backflush: string | null
  /** Whether anybody has counted its drinks, or such machines’ usual stands in. */
  counted: boolean
}

/**
 * A machine's care sheet, at its own traffic and the school that holds for it.
 * @param backflush - a way of backflushing; the one set for it, else its kind's usual one, where none is asked for
 * @returns null where it is not this firm's, or was never taken on
 */
export async function careOf(db: Db, firmId: string, machineId: string, backflush?: string): Promise<Care | null> {
  const bundle = await machineBundle(db, firmId, machineId)
  const facts = bundle && machineFacts(effective(bundle.ledgers), false)
  if (!bundle || !facts) return null
  const drinksPerOpenDay = meanRate(facts.use.rate)
  const way = backflush ?? nearestWay(facts.histories, 'detergent-backflush')?.body.school
  return {
    bundle,
    sheet: careSheet(facts.kind, {
      drinksPerOpenDay,
      school: facts.school.value,
      ...(way && { backflush: way }),
    }),
    drinksPerOpenDay,
    backflush: way ?? null,
    unit: facts.kind.counter.unit,
    counted: facts.use.intervals.length > 0,
  }
}
