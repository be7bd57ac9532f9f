import { isTotals } from '../../core/files/is-totals.ts'
import { type Kept, recordSchemas } from '../../core/firm/records.ts'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { saysUnknown } from '../../core/typed/typed.ts'
import type { Trx } from '../../records/database.ts'
import { allKept, type KeptRecord } from '../../records/kept.ts'
import type { JudgedCustomer } from '../../views/judged-row.ts'
import { fillIn } from './fill-in.ts'
import { type Cells, type ImportContext, idOf, nothing, type Planned, plainName, refused } from './import-context.ts'

const fields = ['contact', 'phone', 'email', 'note'] as const

/** Judges a list of customers: who is new, who is there and gets what was missing. */
export async function planCustomers(
  trx: Trx,
  context: ImportContext,
  rows: Cells[],
): Promise<Planned<JudgedCustomer>[]> {
  const there = new Map((await allKept(trx, 'customer')).reverse().map((one) => [plainName(one.name), one]))
  return rows.map((cells) => planRow(cells, context, there))
}

function planRow(
  cells: Cells,
  context: ImportContext,
  there: Map<string, KeptRecord<'customer'>>,
): Planned<JudgedCustomer> {
  const text = (column: string) => (saysUnknown(cells(column)) ? '' : cells(column).trim())
  const name = text('name').replace(/\s+/g, ' ')
  if (isTotals(name)) return refused({ verdict: 'left-out', reason: 'a line of totals' })
  const given = Object.fromEntries(fields.map((field) => [field, text(field)]))
  const customer = { name, ...given } as Kept<'customer'>
  const read = parseStrict(recordSchemas.customer, customer)
  if (!read.ok) {
    const { path, message } = read.issues[0]!
    return refused({ verdict: 'unreadable', reason: `the ${path} ${message}` })
  }
  const known = there.get(plainName(name))
  if (!known) {
    const id = idOf(context, `customer ${plainName(name)}`)
    there.set(plainName(name), { id, version: 1, ...customer })
    return {
      row: { verdict: 'taken', customer },
      plan: { ...nothing, records: [{ kind: 'customer', id, record: customer }] },
    }
  }
  const done = fillIn(known, given)
  const reason = 'a customer of that name is in the firm or the file already'
  if (!done) return refused({ verdict: 'duplicate', customer, reason: `${reason}, and nothing of it is missing` })
  there.set(plainName(name), { ...known, ...done.after })
  return {
    row: { verdict: 'fills', customer, filled: Object.keys(done.after), reason },
    plan: { ...nothing, fills: [{ kind: 'customer', id: known.id, ...done }] },
  }
}
