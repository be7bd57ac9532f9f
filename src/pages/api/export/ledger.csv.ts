import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint } from '../../../server/api.ts'
import { streamed } from '../../../server/stream.ts'
import { ledgerCsv } from '../../../services/export-csv.ts'
import { entryWords } from '../../../ui/entry-words.ts'

/** The whole ledger as a spreadsheet. */
export const GET = endpoint(async ({ locals }, { firm }) => {
  const name = `ledger-${dayAt(firm.timeZone, locals.now)}.csv`
  return streamed('text/csv; charset=utf-8', name, (write) => ledgerCsv(locals.db, firm.id, entryWords, write))
})
