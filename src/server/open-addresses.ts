import { here } from './public-address.ts'

/** What a session is held in: under TLS no other host of the domain can set one of that name. */
export const cookieName = (isSecure: boolean, name = 'session'): string =>
  `${isSecure ? '__Host-' : ''}evenshot_${name}`
export const sessionCookie = cookieName(here.isSecure)

/** What answers without a session. */
const open = new Set([
  '/sign-in',
  '/api/sign-in',
  '/sign-in/second',
  '/api/sign-in/second',
  '/api/sign-in/passkey',
  '/api/sign-in/passkey-options',
  '/first-run',
  '/api/first-run',
  '/api/first-run-data',
  '/api/first-run-everything',
  // The frame that a device draws its own pages in: nobody's data is in it.
  '/here',
  '/404',
  '/500',
  '/503',
])
export const isOpen = (path: string) =>
  open.has(path) ||
  /^\/(api\/)?join\/[^/]+$/.test(path) ||
  /^\/calendar\/[^/]+\.ics$/.test(path) ||
  // The page of a machine: whoever stands at it has its address.
  /^\/care\/[^/]+(\/(wrong|photo))?$/.test(path)
