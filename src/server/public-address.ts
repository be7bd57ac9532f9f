/** Where people reach the application, and what is believed of a request. */
export interface PublicAddress {
  /** The origin links are made with. */
  originOf(request: Request): string
  /** Whether a page's own origin is ours. */
  isOurs(origin: URL, request: Request): boolean
  /** Whether cookies go over TLS alone. */
  isSecure: boolean
  /** Whose address counts when attempts are counted. */
  addressOf(request: Request, peer: string | undefined): string
}

/**
 * Without a word the application is reached where it listens. Behind a proxy that speaks TLS for it,
 * `EVENSHOT_ORIGIN=https://service.example` says so, and that the proxy is believed: the last address it
 * adds to `X-Forwarded-For` is the only one it vouches for.
 *
 * @throws Error when the setting is no origin: a link made with it would lead nowhere
 */
export function publicAddress(said: string | undefined): PublicAddress {
  if (!said) {
    return {
      originOf: (request) => `http://${request.headers.get('host')}`,
      isOurs: (origin, request) => origin.origin === `http://${request.headers.get('host')}`,
      isSecure: false,
      addressOf: (_, peer) => peer ?? 'unknown',
    }
  }
  const url = URL.canParse(said) ? new URL(said) : null
  if (!url || !/^https?:$/.test(url.protocol) || url.origin !== said.replace(/\/$/, '')) {
    const example = 'such as https://service.example, without a path'
    throw new Error(`EVENSHOT_ORIGIN must be an origin, ${example}: ${JSON.stringify(said)}`)
  }
  return {
    originOf: () => url.origin,
    isOurs: (origin) => origin.origin === url.origin,
    isSecure: url.protocol === 'https:',
    addressOf: (request, peer) => {
      const forwarded = request.headers.get('x-forwarded-for')?.split(',').at(-1)?.trim()
      return forwarded || (peer ?? 'unknown')
    },
  }
}

export const here = publicAddress(process.env.EVENSHOT_ORIGIN)
