import type { Lamp } from '../core/kinds/kind.ts'

/** How a lamp behaves, in words. */
export const lampWords: Record<Lamp, string> = {
  solid: 'stays on',
  blinking: 'blinks',
  fast: 'blinks fast',
  'in turn': 'blink in turn',
  counting: 'shows a number',
  words: 'says so in words',
}
