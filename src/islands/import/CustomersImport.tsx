import type { JudgedCustomer } from '../../views/judged-row.ts'
import { island } from '../island.tsx'
import { keep } from '../keep.ts'
import { FileImport } from './FileImport.tsx'
import type { ImportKind } from './import-kind.ts'

const customers: ImportKind<JudgedCustomer> = {
  title: 'Customers from a spreadsheet',
  about: 'A CSV with a line of column names; one row a customer. One of the same name is there already, and stays.',
  thing: 'customer',
  things: 'customers',
  columns: [
    { id: 'name', label: 'Name', guess: /name|customer|client|company|kunde|firm/, required: true },
    { id: 'contact', label: 'Contact', guess: /contact|person|attention/, required: false },
    { id: 'phone', label: 'Phone', guess: /phone|tel|mobile/, required: false },
    { id: 'email', label: 'E-mail', guess: /mail/, required: false },
    { id: 'note', label: 'Note', guess: /note|remark|comment/, required: false },
  ],
  checkUrl: '/api/import/customers',
  async write(rows, stop, progress) {
    let done = 0
    for (const { row, id } of rows) {
      if (stop.aborted) break
      progress(done + 1)
      const told = await keep('customer', id, 0, row.customer!)
      if (!told.ok) return { done, problem: `${row.customer!.name}: ${told.issues[0]!.message}.` }
      done += 1
    }
    return { done }
  },
  heads: ['Name', 'Contact', 'Phone', 'E-mail'],
  cells: ({ customer }, raw) =>
    (['name', 'contact', 'phone', 'email'] as const).map((column) => (customer ? customer[column] : raw(column))),
}

/** Whom the firm works for, from a CSV. */
const CustomersImport = ({ firm }: { firm: string }) => <FileImport kind={customers} firm={firm} />

export const CustomersImportIsland = island(CustomersImport)
