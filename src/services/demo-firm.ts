import { filledIn, type Kept, type RecordKind } from '../core/firm/records.ts'
import { addAccount } from '../records/accounts.ts'
import { type Db, withFirm } from '../records/database.ts'
import { addFirm } from '../records/firms.ts'
import { insertKept } from '../records/kept.ts'
import { makePageAddress } from './customers/addresses.ts'
import { issueInvoice } from './invoices/issue.ts'
import { hashPassword } from './sign-in.ts'
import { planAnew } from './weeks/make-plan.ts'

export type { Db } from '../records/database.ts'

/** Shown on the sign-in page while the demo world is loaded, and only then. */
export const demoSignIn = { email: 'ines@quillgate.example', password: 'harrowmere' }

/** Adds one record; what is not said is as the form has it at first. */
export type AddRecord = <K extends RecordKind>(kind: K, id: string, record: Partial<Kept<K>>) => Promise<void>

/** A firm made whole, with nobody asking: for a world that ships, never for what a user sends. */
export function demoFirm(db: Db, firm: { id: string; name: string; timeZone: string }) {
  return {
    start: () => withFirm(db, firm.id, (trx) => addFirm(trx, { ...firm, demo: true })),
    /** Adds records in one transaction. */
    adding: (make: (add: AddRecord) => Promise<void>) =>
      withFirm(db, firm.id, (trx) =>
        make((kind, id, record) => insertKept(trx, firm.id, kind, id, filledIn(kind, record))),
      ),
    /** Asks for its visits to be planned. */
    plan: () => planAnew(db, firm.id),
    /** Gives a machine the page that its customers open. */
    givePage: (technicianId: string, machineId: string, now: Date) =>
      makePageAddress(db, { firmId: firm.id, technicianId, role: 'owner' }, 'machine', machineId, now),
    /** Issues the invoice of a closed visit, where there is something to be paid. */
    bill: (technicianId: string, asked: { id: string; visitId: string }, now: Date) =>
      issueInvoice(db, { firmId: firm.id, technicianId, role: 'owner' }, asked, now),
    /** Lets somebody of the firm sign in. */
    admit: async (technicianId: string, email: string, password: string) =>
      addAccount(db, { email, firmId: firm.id, technicianId, passwordHash: await hashPassword(password) }),
  }
}
