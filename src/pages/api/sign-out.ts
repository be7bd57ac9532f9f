import type { APIRoute } from 'astro'
import { callerOf } from '../../server/caller.ts'
import { sessionCookie } from '../../server/open-addresses.ts'
import { here } from '../../server/public-address.ts'
import { signOut } from '../../services/sign-in.ts'

/** Ends this session, here and in the database. */
export const POST: APIRoute = async (context) => {
  const { cookies, redirect, locals } = context
  const token = cookies.get(sessionCookie)?.value
  if (token) await signOut(locals.db, token, callerOf(context))
  cookies.delete(sessionCookie, { path: '/', secure: here.isSecure })
  const answer = redirect('/sign-in', 303)
  // What this browser kept of boards and machines, to ask about them again, goes too.
  answer.headers.set('clear-site-data', '"cache"')
  return answer
}
