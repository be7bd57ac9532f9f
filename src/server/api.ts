import type { APIRoute } from 'astro'
import type { Issue } from '../core/parse/parse-strict.ts'

/** JSON with a status; lists of issues always come under `issues`. */
export const json = (body: unknown, status = 200): Response => Response.json(body, { status })

export const refuse = (status: number, issues: Issue[]): Response => json({ issues }, status)

/** The body as JSON, or the answer that says why it is none. */
export async function readJson(
  request: Request,
): Promise<{ ok: true; body: unknown } | { ok: false; response: Response }> {
  try {
    const body: unknown = JSON.parse(await request.text())
    if (!isDeeperThan(body, mostLevels)) return { ok: true, body }
    const message = `is nested deeper than ${mostLevels} levels`
    return { ok: false, response: refuse(400, [{ path: '', code: 'too_deep', message }]) }
  } catch {
    return { ok: false, response: refuse(400, [{ path: '', code: 'json', message: 'is not JSON' }]) }
  }
}

/** Nothing of ours is nested half as deep; whoever goes through a body does so by calling itself. */
const mostLevels = 40

/** Level by level: what it looks at may be as deep as it likes. */
function isDeeperThan(body: unknown, most: number): boolean {
  let level = [body]
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > most) return true
    level = level.flatMap((one) => (typeof one === 'object' && one !== null ? Object.values(one) : []))
  }
  return false
}

/** Who writes, as the services know them. */
export const actorOf = ({ firm, technician }: NonNullable<App.Locals['signedIn']>) => ({
  firmId: firm.id,
  technicianId: technician.id,
  role: technician.role,
})

export const notFound = (): Response => refuse(404, [{ path: '', code: 'unknown', message: 'is not here' }])

/** An endpoint that any signed-in technician may use; the middleware has turned away the rest. */
export const endpoint =
  (
    handle: (context: Parameters<APIRoute>[0], who: NonNullable<App.Locals['signedIn']>) => Promise<Response>,
  ): APIRoute =>
  async (context) => {
    const who = context.locals.signedIn
    return who
      ? handle(context, who)
      : refuse(401, [{ path: '', code: 'signed_out', message: 'Please sign in again.' }])
  }
