const twoDigits = (n: number): string => String(n).padStart(2, '0')

/** A clock that runs: minutes and seconds, hours before them where there are any. @example runningClock(702) // '11:42' */
export function runningClock(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds))
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, twoDigits(whole % 60)]
  return hours > 0 ? `${hours}:${twoDigits(minutes)}:${rest}` : `${minutes}:${rest}`
}

/**
 * How long something takes, as said: odd seconds mean nothing after minutes, minutes are said in hours from two on.
 * @example takes(150) // '2 min 30 s'
 */
export function takes(seconds: number): string {
  const whole = Math.round(seconds)
  if (whole < 60) return `${whole} s`
  const minutes = Math.round(whole / 60)
  if (minutes >= 120) return `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${minutes % 60} min` : ''}`
  const rest = whole % 60
  const odd = whole >= 180 && rest % 15 !== 0
  return rest === 0 || odd || whole >= 600 ? `${minutes} min` : `${Math.floor(whole / 60)} min ${rest} s`
}
