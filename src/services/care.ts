import { careSheet } from '../core/care/care-sheet.ts'
import type { CareSheet } from '../core/care/care-terms.ts'
import { type CareKept, careKept, keptLookBackDays } from '../core/customers/care-kept.ts'
import { offeredTo, usualWay } from '../core/procedures/offered.ts'
import { rootOf } from '../core/procedures/procedure.ts'
import { fromDay, type LocalDay, toDay } from '../core/quantity/local-day.ts'
import { effective, type Histories, nearestWay, ofKind } from '../core/standing/histories.ts'
import { machineFacts } from '../core/standing/machine-facts.ts'
import { libraryHere } from '../core/standing/own-procedures.ts'
import { meanRate } from '../core/usage/rate.ts'
import type { Db } from '../records/database.ts'
import type { MachineBundle } from '../views/machine-bundle.ts'
import { machineBundle } from './machine-bundle.ts'

export interface Care {
  bundle: MachineBundle
  sheet: CareSheet
  drinksPerOpenDay: number
  unit: string
  /** The way of backflushing it was made for; null where it is not backflushed. */
  backflush: string | null
  /** The ways there are of it; none where it is not backflushed. */
  ways: { id: string; name: string }[]
  /** Whether milk goes through it, so that a log of it is kept. */
  milk: boolean
  /** What was noted as done in the last quarter of a year. */
  kept: CareKept[]
  /** Whether anybody has counted its drinks, or such machines’ usual stands in. */
  counted: boolean
}

/**
 * A machine's care sheet, at its own traffic and the policy that holds for it.
 * @param more - `isPublic`: told to whoever stands there; `backflush`: a way of backflushing; the one set for it, else its kind's usual one, where none is asked for
 * @returns null where it is not this firm's, or was never taken on
 */
export async function careOf(
  db: Db,
  firmId: string,
  machineId: string,
  { backflush, isPublic = false }: { backflush?: string | undefined; isPublic?: boolean } = {},
): Promise<Care | null> {
  const bundle = await machineBundle(db, firmId, machineId)
  const facts = bundle && machineFacts(effective(bundle.ledgers), false)
  if (!bundle || !facts) return null
  const drinksPerOpenDay = meanRate(facts.use.rate)
  const asked = backflush ?? nearestWay(facts.histories, 'detergent-backflush')?.body.way
  const library = libraryHere(facts.histories)
  const offered = offeredTo(facts.kind, 'none', library)
  const procedure = offered.find((one) => rootOf(one.procedure) === 'detergent-backflush' && !one.refused)?.procedure
  const counted = facts.use.intervals.length > 0
  const made = counted ? drinksPerOpenDay : null
  const way = procedure?.ways.find(({ id }) => id === asked) ?? (procedure && usualWay(procedure, facts.kind, made))
  return {
    bundle,
    sheet: careSheet(facts.kind, {
      drinksPerOpenDay,
      policy: facts.policy.value,
      isPublic,
      library,
      ways: {
        ...Object.fromEntries(
          offered.flatMap((one) => {
            const set = nearestWay(facts.histories, rootOf(one.procedure))?.body
            return set ? [[set.procedure, set.way]] : []
          }),
        ),
        ...(way && { 'detergent-backflush': way.id }),
      },
    }),
    drinksPerOpenDay,
    backflush: way?.id ?? null,
    ways: (procedure?.ways ?? []).map(({ id, name }) => ({ id, name })),
    unit: facts.kind.counter.unit,
    milk: facts.kind.stations.some(({ id }) => id === 'frother'),
    kept: keptLately(facts.histories, facts.asOf),
    counted,
  }
}

/** Until the last day anything was written here, by them or by us. */
function keptLately(histories: Histories, asOf: LocalDay): CareKept[] {
  const noted = ofKind(histories, 'machine', 'care-done').at(-1)?.happenedOn ?? asOf
  const until = noted > asOf ? noted : asOf
  return careKept(histories, fromDay(toDay(until) - keptLookBackDays), until)
}
