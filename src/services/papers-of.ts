import { effectiveHistory } from '../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import type { Trx } from '../records/database.ts'
import { type KeptRecord, keptByIds } from '../records/kept.ts'
import type { Papers } from '../views/machine-bundle.ts'

const named = ({ id, name }: { id: string; name: string }) => ({ id, name })

/** Whose a machine is, who pays for it and may say yes; which machine stands in for it, or it for which. */
export async function papersOf(
  trx: Trx,
  machine: KeptRecord<'machine'>,
  customer: KeptRecord<'customer'>,
  ledger: RecordedEntry[],
): Promise<Papers> {
  const { entries } = effectiveHistory(ledger)
  const stage = entries.findLast(isKind('stage'))
  const moved = entries.findLast(isKind('moved'))
  const standInId = stage?.body.stage === 'workshop' ? stage.body.standInId : undefined
  const loan = moved?.body.loan ? moved : undefined
  const others = [machine.ownerId, machine.payerId].filter((id) => id !== undefined)
  const [customers, machines] = await Promise.all([
    keptByIds(trx, 'customer', others),
    keptByIds(
      trx,
      'machine',
      [standInId, loan?.body.standsInFor].filter((id) => id !== undefined),
    ),
  ])
  const owner = customers.find(({ id }) => id === machine.ownerId)
  const { id, name, mayAgree, agreesUpTo, orderNumber } = customers.find(({ id }) => id === machine.payerId) ?? customer
  const standIn = machines.find(({ id }) => id === standInId)
  const standsInFor = machines.find(({ id }) => id === loan?.body.standsInFor)
  return {
    owner: owner ? named(owner) : null,
    payer: { id, name, mayAgree, orderNumber, ...(agreesUpTo !== undefined && { agreesUpTo }) },
    ...(standIn && { standIn: named(standIn) }),
    ...(standsInFor && { standsInFor: named(standsInFor) }),
    ...(loan && { onLoanSince: loan.happenedOn }),
  }
}
