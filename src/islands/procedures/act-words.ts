import { cadenceS } from '../../core/procedures/cadence.ts'
import { doseSaid } from '../../core/procedures/dose.ts'
import type { Step } from '../../core/procedures/step.ts'
import { takes } from '../run/clock-words.ts'

/** What a step asks, in half a line. */
export function actWords(step: Step): string {
  switch (step.act) {
    case 'dose':
      return `${doseSaid(step.dose)}, into ${step.into}`
    case 'cadence':
      return `${step.onS} s on, ${step.offS} s off, ${step.times} ×${step.firstOffS ? `, ${step.firstOffS} s after the first` : ''}: ${takes(cadenceS(step))}`
    case 'soak':
      return `${takes(step.seconds)}, by itself`
    case 'wait':
      return `until ${step.until}, about ${takes(step.aboutS)}`
    case 'measure':
      return step.from === undefined ? step.unit : `${step.from} to ${step.to} ${step.unit}`
    case 'check':
      return step.answers.map(({ words }) => words.toLowerCase()).join(' / ')
    case 'hold':
      return `${step.keys.join(' and ')}, ${step.seconds} s`
    case 'press':
      return `${step.key} ${step.times} × within ${step.withinS} s`
    case 'window':
      return `within ${step.withinS} s`
    default:
      return ''
  }
}
