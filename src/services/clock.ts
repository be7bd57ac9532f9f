/**
 * The one clock the application obeys. `EVENSHOT_CLOCK` pins the instant the process starts at; from
 * there it ticks. Sessions and rate limits keep real time.
 */
const pinned = process.env.EVENSHOT_CLOCK
const startedAt = Date.now()
const start = pinned ? Date.parse(pinned) : startedAt
if (Number.isNaN(start)) throw new Error(`EVENSHOT_CLOCK is not an instant: ${JSON.stringify(pinned)}`)

export const now = (): Date => new Date(start + (Date.now() - startedAt))

/** The local day at an instant in a time zone. @example localDayIn('Europe/Berlin', new Date()) */
export function localDayIn(timeZone: string, instant: Date): string {
  let format = dayFormats.get(timeZone)
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' })
    dayFormats.set(timeZone, format)
  }
  return format.format(instant)
}

/** One a time zone: making one costs more than using it. */
const dayFormats = new Map<string, Intl.DateTimeFormat>()
