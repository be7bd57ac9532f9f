import { array, object, string } from 'yup'
import { type Kept, recordSchemas } from '../core/firm/records.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { dateForms } from '../core/typed/read-day.ts'
import { type Db, withFirm } from '../records/database.ts'
import { keptNamed } from '../records/kept.ts'
import type { JudgedCustomer } from '../views/judged-row.ts'

const mostRows = 5000
const columns = ['name', 'contact', 'phone', 'email', 'note'] as const
type Row = Record<(typeof columns)[number], string>

const request = object({
  /** Sent with every file; a list of customers has no days. */
  dateForm: string().oneOf(dateForms),
  rows: array(
    object(Object.fromEntries(columns.map((name) => [name, string().max(2000).defined()])))
      .noUnknown()
      .required(),
  )
    .required()
    .max(mostRows, `must be at most ${mostRows} rows: split the file`),
}).noUnknown()

/** Judges a list of customers: who is new, who is there already. Nothing is written. */
export async function checkCustomers(
  db: Db,
  firmId: string,
  input: unknown,
): Promise<{ ok: true; rows: JudgedCustomer[] } | { ok: false; issues: Issue[] }> {
  const parsed = parseStrict(request, input)
  if (!parsed.ok) return parsed
  const rows = parsed.value.rows as unknown as Row[]
  const there = await withFirm(db, firmId, (trx) =>
    keptNamed(
      trx,
      'customer',
      rows.map(({ name }) => name.trim()),
    ),
  )
  const names = new Set(there.map(({ name }) => plain(name)))
  return {
    ok: true,
    rows: rows.map((row): JudgedCustomer => {
      const customer = Object.fromEntries(columns.map((name) => [name, row[name].trim()])) as Kept<'customer'>
      const read = parseStrict(recordSchemas.customer, customer)
      if (!read.ok) {
        const { path, message } = read.issues[0]!
        return { verdict: 'unreadable', reason: `the ${path} ${message}` }
      }
      if (names.has(plain(customer.name)))
        return { verdict: 'duplicate', reason: 'a customer of that name is in the firm or the file already' }
      names.add(plain(customer.name))
      return { verdict: 'taken', customer }
    }),
  }
}

const plain = (text: string) => text.trim().toLowerCase()
