import { dayAt } from '../../../../core/quantity/site-time.ts'
import { endpoint, notFound, refuse } from '../../../../server/api.ts'
import { pdfNamed } from '../../../../server/paper-shown.ts'
import { here } from '../../../../server/public-address.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { labelsOf } from '../../../../services/papers/labels.ts'
import { monthYear } from '../../../../ui/format.ts'

/** Labels of all machines of a site that have a page, as one PDF. */
export const GET = endpoint(async ({ params, url, request, locals }, { firm }) => {
  const { id = '' } = params
  if (!isUuid(id)) return notFound()
  const size = url.searchParams.get('size') ?? '62x29'
  const made = await labelsOf(locals.db, firm.id, {
    siteId: id,
    ofPlace: url.searchParams.get('of') === 'place',
    size,
    origin: here.originOf(request),
    today: dayAt(firm.timeZone, locals.now),
    month: monthYear,
  })
  return made.ok ? pdfNamed(made.pdf, `label-${id.slice(0, 8)}`) : refuse(made.status, made.issues)
})
