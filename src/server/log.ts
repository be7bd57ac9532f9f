import pino from 'pino'

/** Structured lines on standard output; passwords and cookies never reach it. */
export const log = pino({
  level: process.env.EVENSHOT_LOG ?? 'info',
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
})
