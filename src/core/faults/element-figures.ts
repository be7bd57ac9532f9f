import type { Kind } from '../kinds/kind.ts'
import type { FaultBook, Test } from './fault.ts'

/** What an element’s resistance may stray from what its plate says, as a share. Common practice, no source. */
const tolerance = 0.1
/** Of the mains the kinds’ watts are said for. */
const mainsVolts = 230

/** Which vessel’s heater a test measures, the first of these that a kind has. */
const measured: Record<string, string[]> = {
  element: ['brew-boiler', 'thermoblock', 'heater', 'boiler'],
  'steam-element': ['steam-boiler', 'boiler'],
}

/** A figure as it is said: three digits at most. */
const said = (value: number): number => Number(value.toPrecision(3))

/**
 * A book whose elements are measured against what the kind’s own heaters come to, R = U²/P, on both sides.
 *
 * @example withElementFigures(lvFaults, lv).tests.find(({ id }) => id === 'element')!.reads!.good // 36.6 to 44.8 Ω
 */
export function withElementFigures(book: FaultBook, { vessels }: Pick<Kind, 'vessels'>): FaultBook {
  return { ...book, tests: book.tests.map((test) => (measured[test.id] ? ofWatts(test) : test)) }

  function ofWatts(test: Test): Test {
    const heaterW = measured[test.id]!.map((id) => vessels.find((vessel) => vessel.id === id)?.heaterW).find(Boolean)
    if (!heaterW || !test.reads) return test
    const ohm = mainsVolts ** 2 / heaterW
    const [from, to] = [said((1 - tolerance) * ohm), said((1 + tolerance) * ohm)]
    const bands: Record<string, { words: string; from: number }> = {
      low: { words: `under ${from}`, from: 0 },
      right: { words: `${from} to ${to}`, from },
      open: { words: `over ${to}, or open`, from: to },
    }
    return {
      ...test,
      how: `Volts squared by the watts of its plate: ${mainsVolts} V and ${heaterW} W make ${said(ohm)} Ω.`,
      reads: { ...test.reads, good: { from, to } },
      outcomes: test.outcomes.map((outcome) => ({ ...outcome, ...bands[outcome.id] })),
    }
  }
}
