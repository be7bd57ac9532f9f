import type { LocalDay } from '../core/quantity/local-day.ts'

/** What somebody signs in with, as their own page lists it. */
export interface SigningInPage {
  email: string
  hasCodeApp: boolean
  passkeys: { id: string; name: string; createdAt: string; seenAt?: string }[]
  recoveryCodes: number
  /** Whether browsers make passkeys for the address this is seen at. */
  takesPasskeys: boolean
  /** Whether everybody of the firm shows a second proof. */
  asksSecond: boolean
  /** It is asked for and there is none: nothing else opens until there is. */
  owesSecond: boolean
}

/** A page of who came in from where: for the owner. */
export interface EventPage {
  rows: {
    id: string
    /** Day and time of day, by the firm's own clock. */
    on: LocalDay
    time: string
    what: string
    by?: string
    about?: string
    place: string
    device: string
  }[]
  /** Where the next page begins; absent at the end. */
  next?: string
}
