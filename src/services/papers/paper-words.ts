import type { FoundLeft } from '../../core/close-out/done-lines.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'

/** How the firm that writes it reads days, figures and sums. */
export interface PaperWords {
  firm: string
  day(day: LocalDay): string
  figure(value: number): string
  /** @example quantity(9, 'bar') // '130.5 psi' */
  quantity(value: number, unit: string): string
  sum(minor: number, currency: string): string
  entry(entry: Entry, kind: Kind | null): string
  foundLeft(of: FoundLeft): string
}

/** A window as it is read; one of a single day is that day. */
export const windowWords = (from: LocalDay, to: LocalDay, day: PaperWords['day']): string =>
  from === to ? day(from) : `${day(from)} to ${day(to)}`
