import type { Invoice } from '../../core/invoices/invoice.ts'
import type { Db } from '../../records/database.ts'
import { lookIn } from '../../records/database.ts'
import { invoiceById } from '../../records/invoices.ts'
import { type Answer, refusal } from '../answer.ts'
import { billedVisit } from './billed.ts'
import { ublOf } from './ubl.ts'

/** What the file for programs lacks and the paper does without: it is addressed from one mailbox to another. */
export const fileLacks = ({ seller, buyer }: Pick<Invoice, 'seller' | 'buyer'>): string[] => [
  ...(seller.email ? [] : ['our own e-mail address (the letterhead has it)']),
  ...(buyer.email ? [] : ['an e-mail address for the customer’s bills']),
]

/**
 * An issued invoice as UBL 2.1. An address that was not known when it was issued is taken as it is now: it says where the
 * file goes, not what is owed.
 */
export async function invoiceXml(db: Db, firmId: string, id: string): Promise<Answer<{ xml: string; number: string }>> {
  const found = await lookIn(db, firmId, async (trx) => {
    const issued = await invoiceById(trx, id)
    return issued && { issued, now: await billedVisit(trx, issued.visitId, issued.customerId) }
  })
  if (!found) return refusal(404, '', 'unknown', 'is not here')
  const { document } = found.issued
  const sellerEmail = document.seller.email ?? found.now?.letterhead?.email
  const buyerEmail = document.buyer.email ?? (found.now?.customer.billEmail || found.now?.customer.email)
  const addressed: Invoice = {
    ...document,
    seller: { ...document.seller, ...(sellerEmail && { email: sellerEmail }) },
    buyer: { ...document.buyer, ...(buyerEmail && { email: buyerEmail }) },
  }
  const lacks = fileLacks(addressed)
  if (lacks.length > 0) return refusal(422, '', 'address', `The file still needs ${lacks.join(' and ')}.`)
  return { ok: true, xml: await ublOf(addressed), number: document.number }
}
