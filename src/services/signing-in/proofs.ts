import { type Db, withFirm } from '../../records/database.ts'
import { codeAppOf, countRecoveryCodes, type Holder, passkeysOf } from '../../records/second-proofs.ts'

/** What somebody can show besides a password. */
export interface Proofs {
  hasCodeApp: boolean
  passkeys: { id: string; name: string; createdAt: string; seenAt?: string }[]
  recoveryCodes: number
}

export async function proofsOf(db: Db, holder: Holder): Promise<Proofs> {
  const passkeys = await passkeysOf(db, holder)
  return withFirm(db, holder.firmId, async (trx) => ({
    hasCodeApp: (await codeAppOf(trx, holder))?.isConfirmed ?? false,
    passkeys: passkeys.map(({ id, name, createdAt, seenAt }) => ({ id, name, createdAt, ...(seenAt && { seenAt }) })),
    recoveryCodes: await countRecoveryCodes(trx, holder),
  }))
}

/** Whether a password alone does not let them in. */
export async function hasSecondProof(db: Db, holder: Holder): Promise<boolean> {
  const { hasCodeApp, passkeys } = await proofsOf(db, holder)
  return hasCodeApp || passkeys.length > 0
}
