import type { Substance } from './dose.ts'
import { type Family, familyNames } from './procedure.ts'
import type { ActName, StepCaution } from './step.ts'

/** What a step may ask of the hands, as somebody who writes one chooses it. */
export const actNames: Record<ActName, string> = {
  do: 'done by hand',
  dose: 'a dose goes in',
  cadence: 'strokes: water on and off',
  soak: 'works by itself',
  wait: 'watched until',
  measure: 'a reading',
  check: 'a question',
  hold: 'keys held',
  press: 'a key pressed',
  keys: 'a programme started by its keys',
  window: 'before a window closes',
  photo: 'a photo',
  season: 'drinks thrown away',
}
export const acts = Object.keys(actNames) as ActName[]

/** Fields each act has of its own; those with a question mark may be missing. */
export const actFields: Record<ActName, string[]> = {
  do: [],
  dose: ['dose', 'into'],
  cadence: ['on', 'onHow', 'off', 'offHow', 'onS', 'offS', 'times', 'firstOffS?', 'standsUntil?'],
  soak: ['what', 'seconds', 'mostS?'],
  wait: ['until', 'aboutS', 'watched?'],
  measure: ['measure?', 'ask', 'unit', 'from?', 'to?'],
  check: ['ask', 'answers'],
  hold: ['keys', 'seconds', 'programme?'],
  press: ['key', 'times', 'withinS', 'programme?'],
  keys: ['programme', 'example'],
  window: ['withinS', 'from'],
  photo: ['of'],
  season: ['drinks'],
}

export const hazardNames: Record<StepCaution['hazard'], string> = {
  mains: 'mains',
  live: 'open and live',
  pressure: 'pressure',
  scald: 'scalding',
  acid: 'acid',
  detergent: 'alkali',
  milk: 'milk hygiene',
  pinch: 'moving parts',
  spring: 'springs under tension',
  sharp: 'sharp edges',
  heavy: 'weight',
  water: 'drinking water',
  parts: 'parts that break or get lost',
}
export const hazards = Object.keys(hazardNames) as StepCaution['hazard'][]

export const substanceNames: Record<Substance, string> = {
  detergent: 'detergent',
  'milk-cleaner': 'milk cleaner',
  descaler: 'descaler',
  sanitiser: 'sanitiser',
  grease: 'grease',
  salt: 'salt',
}
export const substances = Object.keys(substanceNames) as Substance[]

export const familyIds = Object.keys(familyNames) as Family[]
