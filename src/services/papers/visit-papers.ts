import type { LetterFile } from '../../core/letters/letter.ts'
import { dayNumber } from '../../core/quantity/local-day.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { keptById } from '../../records/kept.ts'
import { type Answer, refusal } from '../answer.ts'
import { isUuid } from '../cursor.ts'
import { invoiceXml } from '../invoices/invoice-files.ts'
import { issuedInvoice } from '../invoices/list.ts'
import { visitById } from '../visits.ts'
import { invoicePdf } from './invoice-pdf.ts'
import { logoPicture } from './letterhead-of.ts'
import type { PaperWords } from './paper-words.ts'
import { dayReportFile } from './place-papers.ts'
import { quoteOf } from './quote.ts'
import { quotePdf } from './quote-pdf.ts'
import { reportOf } from './report.ts'
import { reportPdf } from './report-pdf.ts'
import { type SheetDrawings, sheetsPdf } from './sheet-pdf.ts'
import { testRecordPdf } from './test-record-pdf.ts'

const pdf = 'application/pdf'

/** A number may have a slash in it; the name of a file may not. */
export const fileNameOf = (number: string): string => number.replaceAll('/', '-')

async function reportAt(db: Db, firm: { id: string; timeZone: string }, visitId: string, now: Date) {
  const visit = await visitById(db, firm.id, visitId)
  if (!visit) return null
  const today = dayAt(firm.timeZone, now)
  return reportOf(db, firm.id, { siteId: visit.siteId, visitId, today, now: now.toISOString() })
}

/** The service report of a closed visit; null where this firm has no such visit, or it is not closed. */
export async function reportFile(
  db: Db,
  firm: { id: string; timeZone: string },
  visitId: string,
  { now, words }: { now: Date; words: PaperWords },
): Promise<LetterFile | null> {
  const report = await reportAt(db, firm, visitId, now)
  return report && { name: `report-${report.number}.pdf`, mediaType: pdf, bytes: await reportPdf(report, words) }
}

/** The sheets of a closed visit, one a machine: the annex of its report; null where there is no such visit. */
export async function sheetsFile(
  db: Db,
  firm: { id: string; timeZone: string },
  visitId: string,
  { now, words, draw }: { now: Date; words: PaperWords; draw: SheetDrawings },
): Promise<LetterFile | null> {
  const report = await reportAt(db, firm, visitId, now)
  return report && { name: `sheets-${report.number}.pdf`, mediaType: pdf, bytes: await sheetsPdf(report, words, draw) }
}

/** The test-out and electrical safety record of a closed visit; null where nothing was tested on it. */
export async function testsFile(
  db: Db,
  firm: { id: string; timeZone: string },
  visitId: string,
  { now, words }: { now: Date; words: PaperWords },
): Promise<LetterFile | null> {
  const report = await reportAt(db, firm, visitId, now)
  const made = report && testRecordPdf(report, words)
  return made && { name: `tests-${report.number}.pdf`, mediaType: pdf, bytes: await made }
}

/** What was done on a day for the customer of a visit, at all their places; null where there is no such visit or day. */
async function dayFile(
  db: Db,
  firm: { id: string; timeZone: string },
  { visitId, on }: { visitId: string; on: string },
  asked: { now: Date; words: PaperWords },
): Promise<LetterFile | null> {
  const visit = await visitById(db, firm.id, visitId)
  const site = visit && (await lookIn(db, firm.id, (trx) => keptById(trx, 'site', visit.siteId)))
  return site && dayNumber(on) !== null ? dayReportFile(db, firm, { customerId: site.customerId, on }, asked) : null
}

/** A quote of a visit, or at a place; null where there is none of that id. */
export async function quoteFile(
  db: Db,
  firmId: string,
  asked: Parameters<typeof quoteOf>[2],
  words: PaperWords,
): Promise<LetterFile | null> {
  const quote = isUuid(asked.entryId) ? await quoteOf(db, firmId, asked) : null
  return quote && { name: `quote-${quote.code}.pdf`, mediaType: pdf, bytes: await quotePdf(quote, words) }
}

/** An issued invoice or credit note on paper; null where this firm has none of that id. */
export async function invoiceFile(db: Db, firmId: string, id: string, words: PaperWords): Promise<LetterFile | null> {
  const issued = await issuedInvoice(db, firmId, id)
  if (!issued) return null
  const { document } = issued
  const name = `${document.kind}-${fileNameOf(document.number)}.pdf`
  return {
    name,
    mediaType: pdf,
    bytes: await invoicePdf(document, words, await logoPicture(db, firmId, document.seller.logo)),
  }
}

/**
 * Papers of a visit as they are sent: `report`, `sheets`, `tests`, `day DAY`, `quote ID`, `invoice ID`, `e-invoice ID`.
 * @returns each as a file, in the order asked for; else which could not be made, and why
 */
export async function visitPapers(
  db: Db,
  firm: { id: string; timeZone: string },
  visitId: string,
  { papers, now, words, draw }: { papers: readonly string[]; now: Date; words: PaperWords; draw: SheetDrawings },
): Promise<Answer<{ files: LetterFile[] }>> {
  const asked = { now, words }
  const makers: Record<string, (id: string, ofVisit: boolean) => Promise<LetterFile | null>> = {
    report: () => reportFile(db, firm, visitId, asked),
    sheets: () => sheetsFile(db, firm, visitId, { ...asked, draw }),
    day: (on) => dayFile(db, firm, { visitId, on }, asked),
    tests: () => testsFile(db, firm, visitId, asked),
    quote: (entryId) => quoteFile(db, firm.id, { of: { visitId }, entryId }, words),
    invoice: async (id, ofVisit) => (ofVisit ? invoiceFile(db, firm.id, id, words) : null),
  }
  const files: LetterFile[] = []
  for (const paper of papers) {
    const [what = '', id = ''] = paper.split(' ')
    const ofVisit = isUuid(id) && (await issuedInvoice(db, firm.id, id))?.visitId === visitId
    if (what === 'e-invoice' && ofVisit) {
      const made = await invoiceXml(db, firm.id, id)
      if (!made.ok) return { ...made, issues: made.issues.map((issue) => ({ ...issue, path: 'papers' })) }
      files.push({
        name: `${fileNameOf(made.number)}.xml`,
        mediaType: 'application/xml',
        bytes: Buffer.from(made.xml, 'utf8'),
      })
      continue
    }
    const file = Object.hasOwn(makers, what) ? await makers[what]!(id, ofVisit) : null
    if (!file) return refusal(422, 'papers', 'unknown', `${paper} is no paper of this visit`)
    files.push(file)
  }
  return { ok: true, files }
}
