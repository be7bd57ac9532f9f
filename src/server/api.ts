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
    return { ok: true, body: JSON.parse(await request.text()) }
  } catch {
    return { ok: false, response: refuse(400, [{ path: '', code: 'json', message: 'is not JSON' }]) }
  }
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
