import { numberIn } from '../../core/typed/read-as.ts'
import type { Expected } from '../../core/usage/expected-count.ts'
import { figure } from '../../ui/format.ts'

/** A verdict in words. It never blocks: what was read was read. */
export function verdict(
  text: string,
  expected: Expected | null,
): { words: string; under: string; doubtful: boolean } | null {
  const count = numberIn(text, { whole: true })
  if (!text.trim() || count === null) return null
  if (!expected) return { words: 'first reading here', under: 'a second one gives the use a day', doubtful: false }
  const rise = count - expected.last
  if (rise < 0)
    return {
      words: `below the last, ${figure(expected.last)}`,
      under: 'a typing error, or a new board? Kept and marked.',
      doubtful: true,
    }
  const perDay = expected.days > 0 ? `${figure(Math.round(rise / expected.days))} an open day` : 'same day'
  const wide = expected.value + 4 * (expected.high - expected.value)
  if (count > wide)
    return { words: `far above: ${perDay}`, under: 'one digit too many? Kept and marked.', doubtful: true }
  if (count > expected.high || count < expected.low)
    return {
      words: `${count > expected.high ? 'more' : 'less'} than usual: ${perDay}`,
      under: `expected about ${figure(Math.round(expected.value))}`,
      doubtful: false,
    }
  return { words: `fits: ${perDay}`, under: `over ${expected.days} open days`, doubtful: false }
}
