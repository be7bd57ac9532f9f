import { dayAt } from '../../../../core/quantity/site-time.ts'
import { endpoint, notFound } from '../../../../server/api.ts'
import { pdfNamed } from '../../../../server/paper-shown.ts'
import { careOf } from '../../../../services/care.ts'
import { carePdf } from '../../../../services/care-pdf.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { dayLong } from '../../../../ui/format.ts'

/** The care sheet of a machine as a PDF. */
export const GET = endpoint(async ({ params, url, locals }, { firm }) => {
  const { id = '' } = params
  const care = isUuid(id)
    ? await careOf(locals.db, firm.id, id, { backflush: url.searchParams.get('backflush') ?? undefined })
    : null
  if (!care) return notFound()
  const { machine, site } = care.bundle
  const pdf = await carePdf(care.sheet, {
    machine: machine.name,
    model: [machine.maker, machine.model].filter(Boolean).join(' '),
    site: site.name,
    firm: firm.name,
    day: dayLong(dayAt(site.timeZone, locals.now)),
    traffic: `${Math.round(care.drinksPerOpenDay)} ${care.unit} an open day`,
  })
  return pdfNamed(pdf, `care-${machine.id.slice(0, 8)}`)
})
