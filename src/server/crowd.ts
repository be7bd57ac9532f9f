import type { RequestHandler } from 'express'

/**
 * How many requests a process answers at once. What it answers takes tens of milliseconds one after the other: the last
 * of so many waits about two seconds, and whoever comes after them is better told to come again.
 */
const mostAtOnce = 48
const againInS = 2

/**
 * Tells whoever comes when it is full, at once: JSON to programs, a page to people.
 * @param busyPage - whole HTML, drawn before it is needed
 */
export function crowd(busyPage: () => string, most = mostAtOnce): RequestHandler {
  let inside = 0
  return (request, response, next) => {
    if (inside < most) {
      inside += 1
      response.once('close', () => {
        inside -= 1
      })
      return next()
    }
    sayBusy(request, response, busyPage())
  }
}

/** Nothing was done: trying again costs nothing. */
const sayBusy = (
  request: Parameters<RequestHandler>[0],
  response: Parameters<RequestHandler>[1],
  busyPage: string,
): void => {
  const isPerson = request.headers['sec-fetch-mode'] === 'navigate'
  if (isPerson && request.path.startsWith('/api/')) {
    response.redirect(303, '/sign-in?why=busy')
    return
  }
  response.status(503).setHeader('retry-after', String(againInS))
  response.setHeader('cache-control', 'no-store')
  if (!request.path.startsWith('/api/')) return void response.type('html').send(busyPage)
  const message = 'The server is busy: nothing was saved. Try again in a moment.'
  response.json({ issues: [{ path: '', code: 'busy', message }] })
}
