import { waitWords } from '../../core/trade/waits-for.ts'
import type { TaskWaits } from '../../views/weeks-ahead.ts'

/** @example waitsWords({ for: 'part', until: '2026-12-03' }, today, dayShort) // 'waits for a part until 3 Dec' */
export function waitsWords({ for: what, until }: TaskWaits, today: string, day: (day: string) => string): string {
  const name = waitWords[what]
  if (!until) return `waits for ${name}, nobody knows how long`
  return until > today
    ? `waits for ${name} until ${day(until)}`
    : `waited for ${name} until ${day(until)}: is it there?`
}
