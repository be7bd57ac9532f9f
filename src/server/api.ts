import { createHash } from 'node:crypto'
import type { APIRoute } from 'astro'
import { type Act, asksAgain, may } from '../core/firm/rights.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import type { Answer } from '../services/answer.ts'

/** JSON with a status; lists of issues always come under `issues`. */
export const json = (body: unknown, status = 200): Response => Response.json(body, { status })

/**
 * JSON that a browser keeps and asks about again each time: where nothing of it has changed, only that is said. What a
 * session has seen is cleared away when it is signed out.
 *
 * @param known - what it is known by; other than the body where something in it moves that does not matter
 */
export function jsonOnce(request: Request, body: unknown, known: unknown = body): Response {
  const tag = `W/"${createHash('sha256').update(JSON.stringify(known)).digest('base64url').slice(0, 27)}"`
  const headers = { etag: tag, 'cache-control': 'private, no-cache', vary: 'cookie' }
  if (request.headers.get('if-none-match') === tag) return new Response(null, { status: 304, headers })
  return Response.json(body, { headers })
}

export const refuse = (status: number, issues: Issue[]): Response => json({ issues }, status)

/** The body as JSON, or the answer that says why it is none. */
export async function readJson(
  request: Request,
): Promise<{ ok: true; body: unknown } | { ok: false; response: Response }> {
  try {
    const body: unknown = JSON.parse(await request.text())
    const beyond = beyondLimits(body)
    if (!beyond) return { ok: true, body }
    return { ok: false, response: refuse(400, [{ path: '', ...beyond }]) }
  } catch {
    return { ok: false, response: refuse(400, [{ path: '', code: 'json', message: 'is not JSON' }]) }
  }
}

/** Nothing of ours is nested half as deep; whoever goes through a body does so by calling itself. */
const mostLevels = 40

/** A sheet of five thousand lines and thirty columns has fewer values than this. */
const mostValues = 200_000

/** Level by level: what it looks at may be as deep as it likes. */
function beyondLimits(body: unknown): { code: string; message: string } | null {
  let level = [body]
  let values = 0
  for (let depth = 0; level.length > 0; depth += 1) {
    values += level.length
    if (depth > mostLevels) return { code: 'too_deep', message: `is nested deeper than ${mostLevels} levels` }
    if (values > mostValues) return { code: 'too_many', message: `has more than ${mostValues} values` }
    level = level.flatMap((one) => (typeof one === 'object' && one !== null ? Object.values(one) : []))
  }
  return null
}

/** Who writes, as the services know them. */
export const actorOf = ({ firm, technician }: NonNullable<App.Locals['signedIn']>) => ({
  firmId: firm.id,
  technicianId: technician.id,
  role: technician.role,
})

/** What a service answered, as an answer to a program. */
export const answerOf = (answer: Answer): Response => {
  if (!answer.ok) return refuse(answer.status, answer.issues)
  const { ok: _, ...brought } = answer
  return json(brought)
}

export const notFound = (): Response => refuse(404, [{ path: '', code: 'unknown', message: 'is not here' }])

type Who = NonNullable<App.Locals['signedIn']>
type Handle = (context: Parameters<APIRoute>[0], who: Who) => Promise<Response>

/** An endpoint for whoever has the right to that; the middleware has turned away who is not signed in. */
export const endpointOf =
  (act: Act, handle: Handle): APIRoute =>
  async (context) => {
    const who = context.locals.signedIn
    if (!who) return refuse(401, [{ path: '', code: 'signed_out', message: 'Please sign in again.' }])
    return refusedAct(who, act) ?? handle(context, who)
  }

/** An endpoint that any signed-in technician may use. */
export const endpoint = (handle: Handle): APIRoute => endpointOf('work', handle)

/** Why somebody may not do that, or not yet; null when they may. */
export function refusedAct({ technician, isFresh }: Who, act: Act): Response | null {
  if (!may(technician.role, act))
    return refuse(403, [{ path: '', code: 'owner_only', message: 'Only the owner may do that.' }])
  if (asksAgain(act) && !isFresh)
    return refuse(403, [{ path: '', code: 'ask_again', message: 'Show first that it is still you: your password.' }])
  return null
}
