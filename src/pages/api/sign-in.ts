import type { APIRoute } from 'astro'
import { here } from '../../server/public-address.ts'
import { safeNext } from '../../server/safe-next.ts'
import { deviceOf, holdSession } from '../../server/session-cookie.ts'
import { signIn } from '../../services/sign-in.ts'

/** Form post of the sign-in page: sets the session cookie or goes back with the reason. */
export const POST: APIRoute = async ({ request, cookies, redirect, locals, clientAddress }) => {
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
  const answer = await signIn(locals.db, email, password, {
    address: here.addressOf(request, clientAddress),
    device: deviceOf(request),
  })
  if (!answer.ok) return back(answer.reason === 'wrong' ? 'wrong' : `wait-${Math.ceil(answer.retryInS / 60)}`)
  holdSession(cookies, answer)
  return redirect(next, 303)
}
