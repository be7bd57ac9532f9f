import { effectiveHistory } from '../core/ledger/effective-history.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { type Claim, claimsOf } from '../core/warranty/claims.ts'
import { type Db, lookIn } from '../records/database.ts'
import { keptByIds } from '../records/kept.ts'
import { entriesOfKinds } from '../records/ledger.ts'
import { sitesWithWarranty } from '../records/warranty.ts'
import type { ClaimRow } from '../views/claims.ts'

/** Everything that was done under warranty, with what came of claiming it; what is still open first. */
export async function claimList(db: Db, firmId: string): Promise<ClaimRow[]> {
  return lookIn(db, firmId, async (trx) => {
    const siteIds = await sitesWithWarranty(trx)
    if (siteIds.length === 0) return []
    const { entries } = effectiveHistory(await entriesOfKinds(trx, siteIds, ['visit-closed', 'claimed', 'withdrawn']))
    const claims = claimsOf(entries.filter(isKind('visit-closed')), entries.filter(isKind('claimed')))
    const [sites, machines] = await Promise.all([
      keptByIds(trx, 'site', siteIds),
      keptByIds(trx, 'machine', [...new Set(claims.flatMap(({ machineId }) => machineId ?? []))]),
    ])
    const siteOf = new Map(sites.map((site) => [site.id, site.name]))
    const machineOf = new Map(machines.map((machine) => [machine.id, machine]))
    return claims.map((claim: Claim): ClaimRow => {
      const machine = claim.machineId ? machineOf.get(claim.machineId) : undefined
      return {
        ...claim,
        site: siteOf.get(claim.siteId) ?? '',
        machine: machine ? [machine.name, machine.maker, machine.model].filter(Boolean).join(', ') : '',
        serial: machine?.serial ?? '',
        warrantyBy: machine?.warrantyBy ?? '',
      }
    })
  })
}
