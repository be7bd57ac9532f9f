import { doseSaid } from './dose.ts'
import type { WayFigure } from './procedure.ts'
import { spanWords } from './span.ts'
import type { Step } from './step.ts'
import { nbsp, seconds } from './step-parts.ts'

/**
 * A step's figures as a table of ways says them; null for a step that has none.
 * @example stepFigure({ act: 'cadence', onS: 10, offS: 5, times: 5, … }) // '10 s on, 5 s off, 5 ×'
 */
function stepFigure(step: Step): string | null {
  switch (step.act) {
    case 'cadence': {
      const first = step.firstOffS ? `, ${seconds({ usual: step.firstOffS })} after the first` : ''
      return `${seconds({ usual: step.onS })} on, ${seconds({ usual: step.offS })} off, ${step.times}${nbsp}×${first}`
    }
    case 'dose':
      return doseSaid(step.dose)
    case 'soak':
      return step.seconds < 120
        ? seconds({ usual: step.seconds })
        : `${spanWords({ usual: Math.round(step.seconds / 6) / 10, ...(step.mostS && { from: Math.round(step.seconds / 6) / 10, to: Math.round(step.mostS / 6) / 10 }) })}${nbsp}min`
    case 'season':
      return step.drinks === 1 ? '1 drink' : `${step.drinks} drinks`
    default:
      return null
  }
}

/** Figures after a step was changed: those read off it say what it says now, and nobody else said so. */
export const figuresAfter = (figures: WayFigure[], step: Step): WayFigure[] =>
  figures.map((figure) => {
    const words = figure.step === step.id ? stepFigure(step) : null
    return words === null || words === figure.words ? figure : { ...figure, words, mark: 'M' as const }
  })

/** Figures after a step was left out: what was read off it is done no more. */
export const figuresWithout = (figures: WayFigure[], step: Step): WayFigure[] =>
  figures.map(({ step: of, ...figure }) =>
    of === step.id ? { ...figure, words: 'none', mark: 'M' as const } : { ...figure, ...(of && { step: of }) },
  )
