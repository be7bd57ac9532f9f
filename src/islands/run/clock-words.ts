/** Minutes and seconds. @example minutesSeconds(702) // '11:42' */
export function minutesSeconds(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds))
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

/** How long something takes, as said: odd seconds mean nothing after minutes. @example takes(150) // '2 min 30 s' */
export function takes(seconds: number): string {
  const whole = Math.round(seconds)
  if (whole < 60) return `${whole} s`
  const rest = whole % 60
  const odd = whole >= 180 && rest % 15 !== 0
  return rest === 0 || odd || whole >= 600 ? `${Math.round(whole / 60)} min` : `${Math.floor(whole / 60)} min ${rest} s`
}

/** The day of an instant where the machine stands. @example localDay('Europe/London', Date.UTC(2026, 10, 26)) */
export const localDay = (timeZone: string, at: number): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(at)
