import { dayAt } from '../../../../core/quantity/site-time.ts'
import { endpoint, notFound, refuse } from '../../../../server/api.ts'
import { pdfNamed } from '../../../../server/paper-shown.ts'
import { here } from '../../../../server/public-address.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { labelsOf } from '../../../../services/papers/labels.ts'
import { monthYear } from '../../../../ui/format.ts'

/** The label of a machine as a PDF of its own size, or of a sheet. */
export const GET = endpoint(async ({ params, url, request, locals }, { firm }) => {
  const { id = '' } = params
  if (!isUuid(id)) return notFound()
  const size = url.searchParams.get('size') ?? '62x29'
  const made = await labelsOf(locals.db, firm.id, {
    machineId: id,
    size,
    origin: here.originOf(request),
    today: dayAt(firm.timeZone, locals.now),
    month: monthYear,
  })
  return made.ok ? pdfNamed(made.pdf, `label-${id.slice(0, 8)}`) : refuse(made.status, made.issues)
})
