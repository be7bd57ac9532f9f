import type { APIRoute } from 'astro'
import { sessionCookie } from '../../server/open-addresses.ts'
import { signOut } from '../../services/sign-in.ts'

/** Ends this session, here and in the database. */
export const POST: APIRoute = async ({ cookies, redirect, locals }) => {
  const token = cookies.get(sessionCookie)?.value
  if (token) await signOut(locals.db, token)
  cookies.delete(sessionCookie, { path: '/' })
  return redirect('/sign-in', 303)
}
