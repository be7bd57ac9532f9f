import { actorOf, endpointOf, json, notFound, refuse } from '../../../../server/api.ts'
import { callerOf } from '../../../../server/caller.ts'
import { here } from '../../../../server/public-address.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { makeLink } from '../../../../services/people.ts'

/** A one-time link for a technician: to join, or to choose a new password. Shown this once. */
export const POST = endpointOf('make-a-link', async (context, who) => {
  const { params, request, locals } = context
  const id = params.id ?? ''
  if (!isUuid(id)) return notFound()
  const made = await makeLink(locals.db, actorOf(who), id, locals.now, callerOf(context))
  if (!made.ok) return refuse(made.status, made.issues)
  return json({
    link: `${here.originOf(request)}/join/${made.token}`,
    purpose: made.purpose,
    expiresAt: made.expiresAt,
  })
})
