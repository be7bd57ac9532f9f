import { actorOf, answerOf, endpoint, json, readJson } from '../../../server/api.ts'
import { letterPage, writeLetter } from '../../../services/letters/write-letter.ts'

/** One page of letters, the latest first. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const cursor = url.searchParams.get('cursor')
  return json(await letterPage(locals.db, firm.id, { ...(cursor && { cursor }) }))
})

/** Writes a letter without papers, to try the way out; asked again by one id, it goes out once. */
export const POST = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  return answerOf(await writeLetter(locals.db, actorOf(who), read.body, { files: [], now: locals.now }))
})
