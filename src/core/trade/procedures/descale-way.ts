import type { Every, Way, WayFigure } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import { figure } from '../../procedures/step-parts.ts'
import { descaleMaterials, descaleTools } from './descale-steps.ts'

/** A way of descaling as it is written here; tools, materials and its rinse are filled in. */
export interface DescaleWay {
  id: string
  name: string
  reason: string
  /** What it is written for: keys and outlets differ by kind. */
  kinds: string[]
  every: Every
  /** The one rinse, as every step and the table say it. */
  rinse: string
  figures: WayFigure[]
  outlets: string
  steps: (rinse: string) => Step[]
}

export const asWay = ({ rinse, steps, outlets, figures, ...one }: DescaleWay): Way => ({
  ...one,
  usualFor: one.kinds,
  figures: [...figures, figure('Rinse', rinse)],
  tools: descaleTools(outlets),
  materials: descaleMaterials,
  parts: [{ id: 'run', name: 'Descale', steps: steps(rinse) }],
})
