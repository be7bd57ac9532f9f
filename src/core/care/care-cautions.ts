import type { Duty } from '../kinds/kind.ts'
import type { CareDrawing } from './care-terms.ts'

export const scald = 'Hot water and steam: hands and face away.'

export const alkali = 'Detergent burns skin and eyes: gloves; rinse until it runs clear.'

const milkCaution = 'Milk cleaner is not for skin or eyes; what touched milk is cleaned the same day.'

const drawings: [words: RegExp, drawing: CareDrawing][] = [
  [/milk|jug|frother/i, 'milk'],
  [/brew unit|guides/i, 'unit'],
  [/hopper|chute|grinder/i, 'hopper'],
  [/capsule/i, 'capsules'],
  [/programme/i, 'programme'],
  [/tip|wand/i, 'wand'],
  [/soak/i, 'soak'],
  [/tray|grounds/i, 'tray'],
  [/tank/i, 'tank'],
  [/screen|channel|head|group/i, 'wipe'],
]

export const drawingOf = (what: string): CareDrawing => drawings.find(([words]) => words.test(what))?.[1] ?? 'water'

/** A caution by what is handled, in a customer's words. */
const cautions: [words: RegExp, caution: string][] = [
  [/milk|jug|frother/i, milkCaution],
  [/sanitised/i, 'Never together with descaler or vinegar: poisonous gas. Rinse until nothing smells.'],
  [/brew unit/i, 'Switch it off first: the unit moves by itself, and it drips hot.'],
  [/hopper|grinder|chute/i, 'Plug out first; no finger and no tool among the burrs.'],
  [/capsule|head/i, 'The needle in the head cuts: no finger inside.'],
  [/programme|soak|tablet/i, alkali],
  [/hot water|tip|boiler|group|screen|wand/i, scald],
  [/tray|grounds/i, 'The tray may be full of hot water: level, both hands.'],
]

export const cautionOf = (what: string): { caution?: string } => {
  const caution = cautions.find(([words]) => words.test(what))?.[1]
  return caution ? { caution } : {}
}

/** A task's own hazard, where its name tells none. */
export function byHazard({ caution }: Duty): { caution?: string } {
  const said: Partial<Record<NonNullable<Duty['caution']>, string>> = {
    scald,
    detergent: alkali,
    milk: milkCaution,
    mains: 'Switch it off and pull the plug first.',
  }
  const words = caution && said[caution]
  return words ? { caution: words } : {}
}
