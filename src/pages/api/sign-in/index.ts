import type { APIRoute } from 'astro'
import { callerOf } from '../../../server/caller.ts'
import { safeNext } from '../../../server/safe-next.ts'
import { holdHalfWay, holdSession } from '../../../server/session-cookie.ts'
import { signIn } from '../../../services/sign-in.ts'

/** Form post of the sign-in page: sets the session cookie, asks for the second proof, or goes back with the reason. */
export const POST: APIRoute = async (context) => {
  const { request, cookies, redirect, locals } = context
  const form = new URLSearchParams(await request.text())
  // No address has a NUL in it, and no database takes one.
  const email = (form.get('email') ?? '').replaceAll('\0', '')
  const next = safeNext(form.get('next'))
  const back = (why: string) =>
    redirect(
      `/sign-in?why=${why}&email=${encodeURIComponent(email.slice(0, 200))}&next=${encodeURIComponent(next)}`,
      303,
    )
  const password = form.get('password') ?? ''
  if (!email || !password || password.length > 1000) return back('wrong')
  const answer = await signIn(locals.db, email, password, callerOf(context))
  if (answer.ok) {
    holdSession(cookies, answer)
    return redirect(next, 303)
  }
  if (answer.reason === 'second') {
    holdHalfWay(cookies, answer.halfWay)
    return redirect(`/sign-in/second?next=${encodeURIComponent(next)}`, 303)
  }
  return back(answer.reason === 'wrong' ? 'wrong' : `wait-${Math.ceil(answer.retryInS / 60)}`)
}
