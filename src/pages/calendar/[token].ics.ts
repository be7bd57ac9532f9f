import type { APIRoute } from 'astro'
import { calendarFeed } from '../../services/calendar.ts'

/** Somebody’s agreed visits, for whoever knows the address. */
export const GET: APIRoute = async ({ params, locals }) => {
  const text = await calendarFeed(locals.db, (params.token ?? '').slice(0, 200), locals.now)
  if (text === null) return new Response('This calendar is not here any more.', { status: 404 })
  return new Response(text, {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'referrer-policy': 'no-referrer' },
  })
}
