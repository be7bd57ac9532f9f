/** Minutes as hours are said. @example hoursWords(95) // '1 h 35 min' */
export function hoursWords(minutes: number): string {
  const whole = Math.round(minutes)
  const [hours, rest] = [Math.floor(whole / 60), whole % 60]
  if (hours === 0) return `${whole} min`
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')} min`
}
