import { omit } from '../faults/derive.ts'
import type { Dice } from '../quantity/dice.ts'
import type { BenchKind } from './bench-kind.ts'
import { elementOhm } from './laws.ts'

/** What another kind on the bench has besides, and has not. */
export interface BenchChange<From, To extends From> {
  kind: string
  /** What its state has besides. */
  sound(dice: Dice): Omit<To, keyof From> & Partial<From>
  without?: { faults?: string[]; tests?: string[]; symptoms?: string[] }
  /** Watts of its element, where it has another. */
  elementW?: number
  faults?: BenchKind<To>['faults']
  tests?: BenchKind<To>['tests']
  notices?(state: To): [symptom: string, so: boolean][]
}

/** A kind on the bench that is built like another: the same laws, with what only it has. */
export function likeBench<From, To extends From>(from: BenchKind<From>, change: BenchChange<From, To>): BenchKind<To> {
  const { faults = [], tests = [], symptoms = [] } = change.without ?? {}
  return {
    kind: change.kind,
    sound: (dice) => ({ ...from.sound(dice), ...change.sound(dice) }) as To,
    faults: { ...omit(from.faults, faults), ...change.faults },
    tests: { ...omit(from.tests, tests), ...otherElement(from, change.elementW), ...change.tests },
    notices: (state) => [
      ...new Set([
        ...from.notices(state).filter((symptom) => !symptoms.includes(symptom)),
        ...(change.notices?.(state) ?? []).flatMap(([symptom, so]) => (so ? [symptom] : [])),
      ]),
    ],
  }
}

/** Its element as a meter reads it: open where it is, else by its own watts. */
function otherElement<From>(from: BenchKind<From>, elementW: number | undefined): BenchKind<From>['tests'] {
  const element = from.tests.element
  if (!element || elementW === undefined) return {}
  const { by, shows } = element
  return { element: { by, shows: (state) => (shows(state) === Infinity ? Infinity : elementOhm(elementW)) } }
}
