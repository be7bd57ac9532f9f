import type { RecordKind } from '../core/firm/records.ts'
import type { KeptEntry } from '../core/ledger/entry.ts'
import { allChanges } from '../records/changes.ts'
import { addressesOfFirm } from '../records/customer-addresses.ts'
import { type Db, type Trx, withFirm } from '../records/database.ts'
import { meaningsOf, type WholeImport, wholeImportsAfter } from '../records/imports.ts'
import { allInvoices } from '../records/invoices.ts'
import { keptAfter } from '../records/kept.ts'
import { entriesSince } from '../records/ledger.ts'
import { removedSubjects } from '../records/removal.ts'

/** Raised when a reader of older files must know; older ones stay readable. */
export const firmDataVersion = 1

/** Kinds of record in the file, each after those it points at. */
export const exportedKinds = [
  'technician',
  'customer',
  'supply',
  'site',
  'softener',
  'machine',
  'instrument',
] as const satisfies readonly RecordKind[]

/** How each kind's list is called in the file. */
export const listNames: Record<(typeof exportedKinds)[number], string> = {
  technician: 'technicians',
  customer: 'customers',
  supply: 'supplies',
  site: 'sites',
  softener: 'softeners',
  machine: 'machines',
  instrument: 'instruments',
}

const pageSize = 2000
/** A list's file may be of many megabytes. */
const listsAtOnce = 4

/**
 * All of a firm's data as one JSON text, piece by piece: records, the whole ledger, the log of changes.
 * The firm's own id is not in it, so that the same data gives the same bytes wherever it lives. Passwords,
 * sessions and standings are not data: the first two are the installation's, the last follow from the rest.
 */
export async function exportFirm(db: Db, firmId: string, write: (text: string) => Promise<void> | void): Promise<void> {
  // One view of the data from the first line to the last, whatever is written meanwhile.
  await withFirm(db, firmId, copy, { isolationLevel: 'repeatable read' })

  async function copy(trx: Trx) {
    const [firm] = await keptAfter(trx, 'firm', null, 1)
    const { id: _, ...own } = firm!
    await write(`{"format":"evenshot-firm","version":${firmDataVersion},\n"firm":${JSON.stringify(own)}`)
    for (const kind of exportedKinds) {
      await write(`,\n"${listNames[kind]}":[`)
      await pages(
        write,
        async (last: { id: string } | null) => keptAfter(trx, kind, last?.id ?? null, pageSize),
        (one) => one,
      )
      await write(']')
    }
    // Their entries stay: a reader must know what they were about.
    await write(`,\n"removed":${JSON.stringify(await removedSubjects(trx))}`)
    await write(',\n"entries":[')
    await pages(
      write,
      (last: KeptEntry | null) => entriesSince(trx, last?.seq ?? 0, pageSize),
      (entry) => withoutFirm(entry, firmId),
    )
    await write('],\n"changes":[')
    await writeChanges(trx, write)
    await write('],\n"imports":[')
    await pages(
      write,
      (last: WholeImport | null) => wholeImportsAfter(trx, last?.id ?? null, listsAtOnce),
      (list) => list,
      listsAtOnce,
    )
    await write(`],\n"words":${JSON.stringify(await meaningsOf(trx))}`)
    await write(`,\n"addresses":${JSON.stringify(await addressesOfFirm(trx, firmId))}`)
    await write(`,\n"invoices":${JSON.stringify(await allInvoices(trx))}}\n`)
  }
}

/** Writes list items a line each, fetched a page at a time. */
async function pages<T>(
  write: (text: string) => Promise<void> | void,
  fetch: (last: T | null) => Promise<T[]>,
  shape: (item: T) => unknown,
  size = pageSize,
): Promise<void> {
  let last: T | null = null
  let first = true
  for (;;) {
    const items: T[] = await fetch(last)
    for (const item of items) {
      await write(`${first ? '\n' : ',\n'}${JSON.stringify(shape(item))}`)
      first = false
    }
    if (items.length < size) return
    last = items.at(-1)!
  }
}

/** What is about the firm itself names no id: it is the firm's whose data this is. */
function withoutFirm(entry: KeptEntry, firmId: string): object {
  if (entry.subjectId !== firmId) return entry
  const { subjectId: _, ...rest } = entry
  return rest
}

async function writeChanges(trx: Trx, write: (text: string) => Promise<void> | void): Promise<void> {
  await pages(
    write,
    (last: { at: string; id: string } | null) => allChanges(trx, last && [last.at, last.id], pageSize),
    (change) => {
      const { aboutId, aboutKind, ...rest } = change as { aboutId?: string; aboutKind: string }
      return { ...rest, aboutKind, ...(aboutId && aboutKind !== 'firm' && { aboutId }) }
    },
  )
}
