import type { LocalDay } from '../../core/quantity/local-day.ts'
import type { Trx } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { keptById } from '../../records/kept.ts'
import { keptPart, proposedVisits } from '../../records/plan-parts.ts'
import { planInput } from './plan-input.ts'
import { isOld, type PlanPart, partWith, sitesTogether } from './plan-parts.ts'

/** Whose weeks are looked at, where not all sites are planned together; the first that is there counts. */
export interface WhoseWeeks {
  /** A site: those of whoever goes there. */
  siteId?: string
  technicianId?: string
  /** Who asks. */
  me?: string
}

/** The part whose weeks are looked at. */
export async function partOf(trx: Trx, parts: PlanPart[], { siteId, technicianId, me }: WhoseWeeks): Promise<PlanPart> {
  const site = siteId && parts.length > 1 ? await keptById(trx, 'site', siteId) : null
  const asked = [site?.technicianId, technicianId, me].flatMap((id) => (id ? (partWith(parts, id) ?? []) : []))
  return asked[0] ?? parts[0]!
}

/** A part as it was planned, and what it would be planned from now. */
export async function readPart(trx: Trx, firmId: string, today: LocalDay, part: PlanPart) {
  const plan = await keptPart(trx, part.id)
  const { seq } = (await theFirm(trx))!
  const together = await sitesTogether(trx, part, today)
  const proposals = await proposedVisits(trx, together && { siteIds: together.siteIds })
  const was = proposals.filter(({ siteId }) => !together?.elsewhere.has(siteId))
  return {
    plan,
    was,
    seq,
    input: await planInput(trx, firmId, today, was, together),
    isToMake: await isOld(trx, part, plan, { today, seq }),
    beyond: together?.beyond ?? 0,
  }
}
