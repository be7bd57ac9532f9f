import type { School } from './procedure.ts'
import { type Span, spanWords } from './span.ts'
import type { Step, StepCaution } from './step.ts'

/** A step of the hands. */
export const hands = (id: string, say: string, handsS: number, more: Partial<Step> = {}): Step =>
  ({ id, say, handsS, act: 'do', ...more }) as Step

/** Keeps a figure and its unit on one line. */
export const nbsp = '\u00a0'

/** How a span of seconds or of strokes stands in a table. */
export const seconds = (span: Span): string => `${spanWords(span).replaceAll(' ', nbsp)}${nbsp}s`

/** Figures a school gives, by name; `M` marks what it does not say itself. */
export const figure = (name: string, words: string, mark: 'T' | 'M' = 'T'): School['figures'][number] => ({
  name,
  words,
  mark,
})

export const hotHandle: StepCaution = {
  hazard: 'scald',
  say: 'Hot water runs down the handle: keep hands clear.',
  how: 'Never loosen the handle while the water is on.',
}

export const lockedIn: StepCaution = {
  hazard: 'pressure',
  say: 'Pressure behind the blind basket: handle shut until it has hissed off.',
  how: 'The tray takes hot water at each stop: have it empty.',
}

export const alkaline: StepCaution = {
  hazard: 'detergent',
  say: 'Strong alkali: off skin and eyes, never with acid.',
  how: 'Gloves; rinse splashes with much water and see its label.',
}
