import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import type { LetterFile } from '../../core/letters/letter.ts'
import { papersTo } from '../../core/letters/visit-letter.ts'
import { codeOf } from '../../core/papers/code.ts'
import { type Db, lookIn, type Trx } from '../../records/database.ts'
import { machineRows } from '../../records/find.ts'
import { keptById } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import type { PlacePapers } from '../../views/place-papers.ts'
import { type Answer, refusal } from '../answer.ts'
import { isUuid } from '../cursor.ts'
import type { PaperWords } from './paper-words.ts'
import { careFile, passportFile, waterReportFile } from './place-papers.ts'
import { quoteFile } from './visit-papers.ts'

/** More machines than this stand nowhere. */
const mostMachines = 100

/** Machines at a place, those out of service too: their history stays. */
const machinesAt = (trx: Trx, siteId: string) => machineRows(trx, { siteId, stage: 'any' }, null, mostMachines)

/** What can be put on paper of a place, as it stands now; null where it is not this firm's. */
export const placePapers = (
  db: Db,
  firmId: string,
  siteId: string,
  day: PaperWords['day'],
): Promise<PlacePapers | null> =>
  lookIn(db, firmId, async (trx) => {
    const site = await keptById(trx, 'site', siteId)
    if (!site) return null
    const [customer, machines, ledger] = await Promise.all([
      keptById(trx, 'customer', site.customerId),
      machinesAt(trx, siteId),
      entriesOfKinds(trx, [siteId], ['quoted', 'withdrawn']),
    ])
    const quotes = effectiveHistory(ledger).entries.filter(isKind('quoted'))
    return {
      siteId,
      site: site.name,
      customer: customer?.name ?? '',
      timeZone: site.timeZone,
      to: customer ? papersTo(customer) : '',
      ofPlace: [
        ...quotes.reverse().flatMap(({ id, visitId, happenedOn, body }) =>
          visitId
            ? [
                {
                  id: `quote ${id}`,
                  name: `Quote ${codeOf(body.quote)} of ${day(happenedOn)}`,
                  short: `Quote ${codeOf(body.quote)} of ${day(happenedOn)}`,
                  href: `/api/visits/${visitId}/quotes/${id}.pdf`,
                },
              ]
            : [],
        ),
        { id: 'water', name: 'Water report', short: 'Water report', href: `/api/sites/${siteId}/water.pdf` },
      ],
      machines: machines.map(({ id, name, stage }) => ({
        id,
        name,
        papers: [
          ...(stage === 'retired'
            ? []
            : [
                {
                  id: `care ${id}`,
                  name: `Care sheet, ${name}`,
                  short: 'Care sheet',
                  href: `/api/machines/${id}/care.pdf`,
                },
              ]),
          {
            id: `passport ${id}`,
            name: `Passport, ${name}`,
            short: 'Passport',
            href: `/api/machines/${id}/passport.pdf`,
          },
        ],
      })),
    }
  })

/**
 * Papers of a place as they are sent: `water`, `quote ID`, `care ID`, `passport ID`.
 * @returns each as a file, in the order asked for; else which could not be made
 */
export async function papersOfPlace(
  db: Db,
  firm: { id: string; timeZone: string },
  siteId: string,
  { papers, now, words }: { papers: readonly string[]; now: Date; words: PaperWords },
): Promise<Answer<{ files: LetterFile[] }>> {
  const here = new Set((await lookIn(db, firm.id, (trx) => machinesAt(trx, siteId))).map(({ id }) => id))
  const asked = { now, words }
  const makers: Record<string, (id: string) => Promise<LetterFile | null>> = {
    water: () => waterReportFile(db, firm, siteId, asked),
    quote: (entryId) => quoteFile(db, firm.id, { of: { siteId }, entryId }, words),
    care: async (id) => (here.has(id) ? careFile(db, id, { firmId: firm.id }, asked) : null),
    passport: async (id) => (here.has(id) ? passportFile(db, firm, id, asked) : null),
  }
  const files: LetterFile[] = []
  for (const paper of papers) {
    const [what = '', id = ''] = paper.split(' ')
    const isOne = Object.hasOwn(makers, what) && (id === '' || isUuid(id))
    const file = isOne ? await makers[what]!(id) : null
    if (!file) return refusal(422, 'papers', 'unknown', `${what} is no paper of this place, or cannot be made yet`)
    files.push(file)
  }
  return { ok: true, files }
}
