import type { APIContext } from 'astro'
import type { Caller } from '../services/signing-in/caller.ts'
import { here } from './public-address.ts'
import { deviceOf, knownCookie } from './session-cookie.ts'

/** From where and with what somebody asks. */
export function callerOf({ request, cookies, clientAddress }: APIContext): Caller {
  const knownToken = cookies.get(knownCookie)?.value
  return {
    address: here.addressOf(request, clientAddress),
    device: deviceOf(request),
    ...(knownToken && { knownToken }),
  }
}
