import type { APIRoute } from 'astro'
import { callerOf } from '../../../server/caller.ts'
import { safeNext } from '../../../server/safe-next.ts'
import { halfWayCookie, holdSession } from '../../../server/session-cookie.ts'
import { openSession } from '../../../services/sign-in.ts'
import { showSecond } from '../../../services/signing-in/second.ts'

/** Form post of the second page of signing in: a code of an app, or one from paper. */
export const POST: APIRoute = async (context) => {
  const { request, cookies, redirect, locals } = context
  const form = new URLSearchParams(await request.text())
  const next = safeNext(form.get('next'))
  const caller = callerOf(context)
  const token = cookies.get(halfWayCookie)?.value ?? ''
  const answer = await showSecond(locals.db, token, (form.get('code') ?? '').slice(0, 40), caller)
  if (answer.ok) {
    holdSession(cookies, await openSession(locals.db, answer.holder, caller.device, caller))
    return redirect(next, 303)
  }
  if (answer.reason === 'over') return redirect(`/sign-in?why=over&next=${encodeURIComponent(next)}`, 303)
  const why = answer.reason === 'wrong' ? 'wrong' : `wait-${Math.ceil(answer.retryInS / 60)}`
  return redirect(`/sign-in/second?why=${why}&next=${encodeURIComponent(next)}`, 303)
}
