import { number, object, string } from 'yup'
import { invoiceSchema } from '../../core/invoices/invoice-schema.ts'
import { instant, uuid } from '../../core/parse/fields.ts'
import { type Issue, parseStrict } from '../../core/parse/parse-strict.ts'

/** An invoice or a credit note as it was issued. */
export const issuedFields = object({
  id: uuid().required(),
  series: string().max(40).defined(),
  n: number().integer().min(1).max(1e9).required(),
  visitId: uuid().required(),
  siteId: uuid().required(),
  customerId: uuid().required(),
  closedId: uuid().required(),
  issuedAt: instant().required(),
  issuedBy: uuid().required(),
  document: invoiceSchema.required(),
  cancels: uuid(),
}).noUnknown()

/** Invoices of a file: each whole, issued by somebody of it, its number given once, taking back one that is there. */
export function issuesOfInvoices(
  given: unknown[],
  technicians: Set<string>,
  at: (path: string, issues: Issue[]) => void,
): void {
  const seen = new Set<string>()
  const invoices = new Set<string>()
  for (const [i, one] of given.entries()) {
    const parsed = parseStrict(issuedFields, one)
    if (!parsed.ok) {
      at(`invoices[${i}]`, parsed.issues)
      continue
    }
    const { id, document, issuedBy, series, n, cancels } = parsed.value
    const wrong = (path: string, code: string, message: string) =>
      at(`invoices[${i}]`, [{ path, code, message, value: (one as Record<string, unknown>)[path] }])
    if (!technicians.has(issuedBy)) wrong('issuedBy', 'unknown', 'is no technician of this file')
    const isCredit = document.kind === 'credit-note'
    if (isCredit !== (cancels !== undefined)) wrong('cancels', 'kind', 'is said of credit notes, and of each')
    if (cancels && !invoices.has(cancels)) wrong('cancels', 'unknown', 'is no invoice that stands before it')
    for (const [path, key] of [
      ['id', id],
      ['n', `${series} ${n}`],
      ['document', document.number],
      ['cancels', cancels && `back ${cancels}`],
    ] as const) {
      if (key && seen.has(key)) wrong(path, 'twice', 'stands twice')
      if (key) seen.add(key)
    }
    if (!isCredit) invoices.add(id)
  }
}
