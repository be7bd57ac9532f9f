import type { APIRoute } from 'astro'
import { dayAt } from '../core/quantity/site-time.ts'
import { noteExport } from '../services/changes.ts'
import { tell } from '../services/signing-in/tell.ts'
import { endpointOf } from './api.ts'
import { callerOf } from './caller.ts'

/**
 * An endpoint that hands out all of a firm's data: to its owner, who has just shown who they are, and written down.
 * @param ending - of the file's name
 */
export const takingOut =
  (
    ending: string,
    make: (locals: App.Locals, firmId: string, name: string) => Promise<Response> | Response,
  ): APIRoute =>
  async (context) => {
    const takeOut = endpointOf('take-all-out', async ({ locals }, { firm, technician }) => {
      const holder = { firmId: firm.id, technicianId: technician.id }
      await noteExport(locals.db, holder, locals.now)
      await tell(locals.db, holder, 'taken-out', callerOf(context))
      return make(locals, firm.id, `even-shot-${dayAt(firm.timeZone, locals.now)}.${ending}`)
    })
    const answer = await takeOut(context)
    // Somebody who went here by an address is shown the page that asks, not what programs are told.
    const isPerson = context.request.headers.get('sec-fetch-mode') === 'navigate'
    return answer.status === 403 && isPerson ? context.redirect('/data#everything', 303) : answer
  }
