import type { Claim } from '../core/warranty/claims.ts'

/** Something claimed under warranty, as it is listed. */
export interface ClaimRow extends Claim {
  site: string
  machine: string
  serial: string
  /** Who stands by the machine, where it is known. */
  warrantyBy: string
}
