import type { APIContext, AstroGlobal } from 'astro'
import type { Form } from '../core/customers/form.ts'
import { type Opened, openAddress } from '../services/customers/there.ts'
import { here } from './public-address.ts'

/** What a phone holds that was shown to know the word of a place: for that address alone. */
const phoneCookie = 'evenshot_there'
const aYearS = 365 * 86_400

type Context = Pick<APIContext | AstroGlobal, 'params' | 'url' | 'cookies' | 'locals' | 'request'>

const tokenOf = ({ params }: Pick<Context, 'params'>): string => (params.token ?? '').slice(0, 100)

/** Opens the address that was asked for, for the phone that asks. */
export const openHere = (context: Context): Promise<Opened> =>
  openAddress(context.locals.db, {
    token: tokenOf(context),
    machineId: context.url.searchParams.get('m')?.slice(0, 60),
    key: context.cookies.get(phoneCookie)?.value,
    now: context.locals.now,
  })

/** The page itself, or another of the same machine. @example pathHere(context, 'wrong') // '/care/…/wrong?m=…' */
export function pathHere(
  context: Pick<Context, 'params' | 'url'>,
  page = '',
  said: Record<string, string> = {},
): string {
  const m = context.url.searchParams.get('m')
  const query = new URLSearchParams({ ...(m && { m: m.slice(0, 60) }), ...said }).toString()
  return `/care/${encodeURIComponent(tokenOf(context))}${page && `/${page}`}${query && `?${query}`}`
}

/** The phone is known at this address from now on. */
export function rememberHere({ cookies, params }: Pick<Context, 'cookies' | 'params'>, key: string): void {
  const path = `/care/${encodeURIComponent(tokenOf({ params }))}`
  cookies.set(phoneCookie, key, { path, httpOnly: true, sameSite: 'lax', secure: here.isSecure, maxAge: aYearS })
}

/** What was sent as a form; null where it is none. */
export async function formOf(request: Request): Promise<Form | null> {
  try {
    const fields = [...new URLSearchParams(await request.text())]
    return Object.fromEntries(fields.filter(([, value]) => value !== ''))
  } catch {
    return null
  }
}
