/** Minutes as hours are said. @example hoursWords(95) // '1 h 35 min' */
export function hoursWords(minutes: number): string {
  const whole = Math.round(minutes)
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')} min`
}
