import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { codeOf } from '../../core/papers/code.ts'
import { labelSizes } from '../../core/papers/label-sizes.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { addressesOf } from '../../records/customer-addresses.ts'
import { type Db, lookIn, type Trx } from '../../records/database.ts'
import { machineRows } from '../../records/find.ts'
import { theFirm } from '../../records/firms.ts'
import { keptById, keptByIds } from '../../records/kept.ts'
import { entriesOf } from '../../records/ledger.ts'
import { soonestDues } from '../../records/standings.ts'
import { type Answer, refusal } from '../answer.ts'
import { treatmentOf } from '../treatment-of.ts'
import { type Label, labelPdf } from './label-pdf.ts'

/** No place of ours has more in service. */
const mostMachines = 500

/** Which labels are asked for: of one machine, or of all of a site. */
export interface LabelsAsked {
  machineId?: string
  siteId?: string
  /** The one of the place itself, which asks which machine. */
  ofPlace?: boolean
  size: string
  /** Where the application is reached. */
  origin: string
  today: LocalDay
  /** How a month is written. @example month('2026-12-04') // 'Dec 2026' */
  month(day: LocalDay): string
}

/** Labels as a PDF; of machines with an address alone: nothing is printed that opens nothing. */
export async function labelsOf(db: Db, firmId: string, asked: LabelsAsked): Promise<Answer<{ pdf: Buffer }>> {
  const size = labelSizes.find(({ id }) => id === asked.size)
  if (!size) return refusal(422, 'size', 'unknown', `is none of ${labelSizes.map(({ id }) => id).join(', ')}`)
  const labels = await lookIn(db, firmId, (trx) =>
    asked.ofPlace ? ofPlace(db, trx, firmId, asked) : ofMachines(db, trx, firmId, asked),
  )
  if (labels === null) return refusal(404, '', 'unknown', 'is not here')
  if (labels.length === 0) return refusal(409, '', 'no_address', 'has no page yet: give it an address first')
  return { ok: true, pdf: await labelPdf(labels, size) }
}

/** How the firm is rung, by its own ledger. */
const phoneIn = (firm: RecordedEntry[]): string => nearestSetting(effective({ firm }), 'letterhead')?.body.phone ?? ''

/** The label of a place: one code for all its machines. */
async function ofPlace(
  db: Db,
  trx: Trx,
  firmId: string,
  { siteId = '', origin }: LabelsAsked,
): Promise<Label[] | null> {
  const [firm, site, addresses, entries] = await Promise.all([
    theFirm(trx),
    keptById(trx, 'site', siteId),
    addressesOf(db, firmId, [siteId]),
    entriesOf(trx, [firmId]),
  ])
  if (!firm || !site) return null
  const address = addresses.get(siteId)
  if (!address) return []
  const bare = { code: '', model: site.area, serial: '', nextService: null, softener: false }
  return [
    { ...bare, url: `${origin}/care/${address.token}`, machine: site.name, firm: firm.name, phone: phoneIn(entries) },
  ]
}

async function ofMachines(db: Db, trx: Trx, firmId: string, asked: LabelsAsked): Promise<Label[] | null> {
  const firm = (await theFirm(trx))!
  const ids = asked.siteId
    ? (await machineRows(trx, { siteId: asked.siteId }, null, mostMachines)).map(({ id }) => id)
    : [asked.machineId ?? '']
  const machines = await keptByIds(trx, 'machine', ids)
  if (machines.length === 0) return null
  const softeners = machines.flatMap(({ softenerId }) => softenerId ?? [])
  const [addresses, entries, dues] = await Promise.all([
    addressesOf(db, firmId, ids),
    entriesOf(trx, [firmId, ...softeners]),
    soonestDues(trx, ids),
  ])
  const phone = phoneIn(entries.filter(({ subjectId }) => subjectId === firmId))
  const byHand = new Set(
    softeners.filter((id) => {
      const treatment = treatmentOf(entries.filter(({ subjectId }) => subjectId === id))
      return treatment.treatment === 'exchanger' && !treatment.regeneratesItself
    }),
  )
  return ids.flatMap((id): Label[] => {
    const machine = machines.find((one) => one.id === id)
    const address = addresses.get(id)
    if (!machine || !address) return []
    const due = dues.get(id)
    // What is overdue is done next: no label sends anybody into a month that is past.
    const nextOn = due && [due, asked.today].sort().at(-1)!
    return [
      {
        url: `${asked.origin}/care/${address.token}`,
        code: codeOf(id),
        machine: machine.name,
        model: [machine.maker, machine.model].filter(Boolean).join(' '),
        serial: machine.serial,
        firm: firm.name,
        phone,
        nextService: nextOn ? asked.month(nextOn) : null,
        softener: Boolean(machine.softenerId && byHand.has(machine.softenerId)),
      },
    ]
  })
}
