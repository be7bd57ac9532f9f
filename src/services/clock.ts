/**
 * The one clock the application obeys. `EVENSHOT_CLOCK` pins the instant the process starts at; from
 * there it ticks. Sessions and rate limits keep real time.
 */
const pinned = process.env.EVENSHOT_CLOCK
const startedAt = Date.now()
const start = pinned ? Date.parse(pinned) : startedAt
if (Number.isNaN(start)) throw new Error(`EVENSHOT_CLOCK is not an instant: ${JSON.stringify(pinned)}`)

export const now = (): Date => new Date(start + (Date.now() - startedAt))
