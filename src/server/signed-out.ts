import { shutOutHeader } from '../views/shut-out.ts'
import { refuse } from './api.ts'

/**
 * What programs and devices are told that show no session.
 * @param shutOut - it was ended from elsewhere, its holder having left or the device being lost: it forgets what it keeps,
 *   and what its browser kept of answers
 */
export function signedOut(shutOut: 'left' | 'lost' | null): Response {
  const response = refuse(401, [{ path: '', code: 'signed_out', message: 'Please sign in again.' }])
  response.headers.set('cache-control', 'no-store')
  if (!shutOut) return response
  response.headers.set(shutOutHeader, shutOut)
  response.headers.set('clear-site-data', '"cache"')
  return response
}
