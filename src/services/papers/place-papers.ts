import { kindById } from '../../core/kinds/index.ts'
import type { LetterFile } from '../../core/letters/letter.ts'
import { fileName } from '../../core/papers/file-name.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineKind } from '../../core/standing/machine-kind.ts'
import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import type { Db } from '../../records/database.ts'
import { careOf } from '../care.ts'
import { carePdf } from '../care-pdf.ts'
import { machineBundle } from '../machine-bundle.ts'
import { machinePassport } from '../passport.ts'
import { sitePage } from '../site-page.ts'
import { softenerPage } from '../softener-page.ts'
import { dayReportOf } from './day-report.ts'
import { dayReportPdf } from './day-report-pdf.ts'
import { letterheadOf } from './letterhead-of.ts'
import type { PaperWords } from './paper-words.ts'
import { passportPdf } from './passport-pdf.ts'
import { waterReportPdf } from './water-report-pdf.ts'

const mediaType = 'application/pdf'

interface Asked {
  now: Date
  words: PaperWords
}

interface Firm {
  id: string
  timeZone: string
}

/** The water report of a place; null where it is not this firm's. */
export async function waterReportFile(
  db: Db,
  firm: Firm,
  siteId: string,
  { now, words }: Asked,
): Promise<LetterFile | null> {
  const page = await sitePage(db, firm.id, siteId)
  if (!page) return null
  const pages = await Promise.all(page.softeners.map(({ id }) => softenerPage(db, firm.id, id)))
  const today = dayAt(firm.timeZone, now)
  const bytes = await waterReportPdf(
    {
      page,
      softeners: pages.filter((one) => one !== null),
      letterhead: await letterheadOf(db, firm.id),
      today,
    },
    words,
  )
  return { name: `water-${fileName(page.site.name)}-${today}.pdf`, mediaType, bytes }
}

/** A machine's passport on paper; null where it is not this firm's. */
export async function passportFile(
  db: Db,
  firm: Firm,
  machineId: string,
  { now, words }: Asked,
): Promise<LetterFile | null> {
  const [passport, bundle] = await Promise.all([
    machinePassport(db, firm.id, machineId),
    machineBundle(db, firm.id, machineId),
  ])
  if (!passport || !bundle) return null
  const today = dayAt(firm.timeZone, now)
  const bytes = await passportPdf(
    {
      passport,
      kind: machineKind(effective(bundle.ledgers)) ?? kindById(bundle.machine.kind),
      standings: reckonMachine(bundle.ledgers)?.standings ?? [],
      letterhead: await letterheadOf(db, firm.id),
      today,
    },
    words,
  )
  return { name: `passport-${fileName(bundle.machine.serial || bundle.machine.name)}.pdf`, mediaType, bytes }
}

/** The care sheet of a machine; null where it is not this firm's, or nobody took it on yet. */
export async function careFile(
  db: Db,
  machineId: string,
  { firmId, backflush }: { firmId: string; backflush?: string | undefined },
  { now, words }: Asked,
): Promise<LetterFile | null> {
  const care = await careOf(db, firmId, machineId, { backflush })
  if (!care) return null
  const { machine, site } = care.bundle
  const bytes = await carePdf(care.sheet, {
    machine: machine.name,
    model: [machine.maker, machine.model].filter(Boolean).join(' '),
    site: site.name,
    firm: words.firm,
    day: words.day(dayAt(site.timeZone, now)),
    traffic: `${Math.round(care.drinksPerOpenDay)} ${care.unit} an open day`,
  })
  return { name: `care-${fileName(machine.name)}.pdf`, mediaType, bytes }
}

/** What was done for a customer on a day; null where nobody was at a place of theirs. */
export async function dayReportFile(
  db: Db,
  firm: Firm,
  { customerId, on }: { customerId: string; on: LocalDay },
  { now, words }: Asked,
): Promise<LetterFile | null> {
  const today = dayAt(firm.timeZone, now)
  const day = await dayReportOf(db, firm.id, { customerId, on, today, now: now.toISOString() })
  if (!day) return null
  return { name: `day-${fileName(day.customer)}-${on}.pdf`, mediaType, bytes: await dayReportPdf(day, words) }
}
