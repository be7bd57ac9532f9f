import type { Figure } from './procedure.ts'
import { type Span, spanWords } from './span.ts'
import type { Answer, Step, StepCaution, StepOf } from './step.ts'

/** A step of the hands. */
export const hands = (id: string, say: string, handsS: number, more: Partial<Step> = {}): Step =>
  ({ id, say, handsS, act: 'do', ...more }) as Step

/** It works by itself. */
export const soak = (
  id: string,
  say: string,
  what: string,
  seconds: number,
  more: Partial<StepOf<'soak'>> = {},
): Step => ({
  id,
  say,
  what,
  seconds,
  handsS: 0,
  ...more,
  act: 'soak',
})

/** Watched until something is seen. */
export const wait = (
  id: string,
  say: string,
  until: string,
  aboutS: number,
  more: Partial<StepOf<'wait'>> = {},
): Step => ({
  id,
  say,
  until,
  aboutS,
  handsS: 0,
  ...more,
  act: 'wait',
})

/** An answer that goes on, one that goes back to a step and why, one that ends it and why. */
type Lead =
  | [id: string, words: string, leads: 'pass']
  | [id: string, words: string, leads: 'repeat', from: string, because: string]
  | [id: string, words: string, leads: 'stop', because: string]

/** A question with what follows from each answer. */
export const check = (
  id: string,
  say: string,
  ask: string,
  answers: Lead[],
  more: Partial<StepOf<'check'>> = {},
): Step => ({ id, say, ask, handsS: 10, ...more, act: 'check', answers: answers.map(asAnswer) })

function asAnswer(lead: Lead): Answer {
  const [id, words] = lead
  switch (lead[2]) {
    case 'pass':
      return { id, words, leads: 'pass' }
    case 'repeat':
      return { id, words, leads: 'repeat', from: lead[3], because: lead[4] }
    case 'stop':
      return { id, words, leads: 'stop', because: lead[3] }
  }
}

export const unplugged: StepCaution = {
  hazard: 'mains',
  say: 'Plug out first, and cool.',
  how: 'A machine that is off is still live inside. Prove it dead before a hand goes in.',
}

export const acid: StepCaution = {
  hazard: 'acid',
  say: 'Acid: off skin, eyes and stone; never with bleach or alkali.',
  how: 'Gloves and glasses; air in the room. In the machine it is not for use until it is rinsed.',
}

export const hotWater: StepCaution = { hazard: 'scald', say: 'Hot water falls free: hands and cloth away.' }

export const steam: StepCaution = {
  hazard: 'scald',
  say: 'Steam burns before it is seen: tip into the tray, hand on the cool part.',
}

export const milkHygiene: StepCaution = {
  hazard: 'milk',
  say: 'Milk spoils within hours: what touched it is cleaned today, not tomorrow.',
  how: 'Milk cleaner is not for eyes or skin; acid and alkaline ones never together.',
}

/** Keeps a figure and its unit on one line. */
export const nbsp = '\u00a0'

/** How a span of seconds or of strokes stands in a table. */
export const seconds = (span: Span): string => `${spanWords(span).replaceAll(' ', nbsp)}${nbsp}s`

/** A figure a school gives, by name; `M` marks what it does not say itself. With the step it is read off, if any. */
export const figure = (name: string, words: string, mark: 'T' | 'M' = 'T', step?: string): Figure => ({
  name,
  words,
  mark,
  ...(step && { step }),
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
