/**
 * Where people reach the application, when that is not where it listens: behind a proxy that speaks TLS for
 * it. `EVENSHOT_ORIGIN=https://service.example` says so, and that the proxy's word is taken for who asks.
 */
const said = process.env.EVENSHOT_ORIGIN

/** @throws Error when the setting is no origin: a link made with it would lead nowhere */
function read(text: string): URL {
  const url = URL.canParse(text) ? new URL(text) : null
  if (!url || !/^https?:$/.test(url.protocol) || url.origin !== text.replace(/\/$/, ''))
    throw new Error(
      `EVENSHOT_ORIGIN must be an origin such as https://service.example, without a path: ${JSON.stringify(text)}`,
    )
  return url
}

const given = said ? read(said) : null

/** The origin links are made with. */
export const originOf = (request: Request): string => given?.origin ?? `http://${request.headers.get('host')}`

/** Whether a page's own origin is ours. */
export const isOurs = (origin: URL, request: Request): boolean =>
  given ? origin.origin === given.origin : origin.host === request.headers.get('host')

/** Whether cookies go over TLS alone. */
export const isSecure = given?.protocol === 'https:'

/** Whose address counts when attempts are counted: the last one the proxy adds is the only one it vouches for. */
export const addressOf = (request: Request, peer: string | undefined): string =>
  (given && request.headers.get('x-forwarded-for')?.split(',').at(-1)?.trim()) || (peer ?? 'unknown')
