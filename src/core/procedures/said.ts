import type { Kind } from '../kinds/kind.ts'
import { doseSaid } from './dose.ts'
import { patternWords } from './key-patterns.ts'
import { lanesOf } from './lanes.ts'
import type { Procedure, Way } from './procedure.ts'
import type { Step } from './step.ts'

/** What a kind of step says besides its words, as the screen puts it. */
function askedOf(step: Step): string[] {
  switch (step.act) {
    case 'dose':
      return [`${doseSaid(step.dose)} into ${step.into}`]
    case 'cadence':
      return [
        `${step.times} strokes: ${step.on.toLowerCase()} ${step.onS} s (${step.onHow}), ${step.off.toLowerCase()} ${step.offS} s (${step.offHow})${step.firstOffS ? `, ${step.firstOffS} s after the first` : ''}`,
        ...(step.standsUntil ? [`stands after each until: ${step.standsUntil}`] : []),
      ]
    case 'soak':
      return [`${step.what}: ${step.seconds} s${step.mostS ? `, ${step.mostS} s at most` : ''}`]
    case 'wait':
      return [`until ${step.until}, about ${step.aboutS} s${step.watched ? ', watched' : ''}`]
    case 'measure':
      return [`${step.ask} (${[step.from, step.to].filter((n) => n !== undefined).join(' to ')} ${step.unit})`]
    case 'check':
      return [
        step.ask,
        ...step.answers.map(
          ({ words, leads, from, because, keeps }) =>
            `- ${words}: ${keeps ? 'goes on, stays held' : leads === 'pass' ? 'goes on' : leads === 'repeat' ? `once more from ${from}` : 'ends here'}${because ? `. ${because}` : ''}`,
        ),
      ]
    case 'hold':
      return [`hold ${step.keys.join(' and ')} together for ${step.seconds} s`]
    case 'press':
      return [`press ${step.key} ${step.times} times within ${step.withinS} s`]
    case 'keys':
      return [`look it up in its leaflet; an example: ${patternWords(step.example)}`]
    case 'window':
      return [`within ${step.withinS} s, else from ${step.from} again`]
    case 'photo':
      return [`a photo of ${step.of}`]
    case 'season':
      return [`${step.drinks} thrown away`]
    default:
      return []
  }
}

/** A step, line by line, as it is said: its words, how, what is normal, what may hurt. */
function stepSaid(step: Step): string[] {
  const cautions = [step.caution, ...(step.besides ?? [])].filter((one) => one !== undefined)
  return [
    `${step.say}${step.gate ? ' [cannot be skipped]' : ''}${step.mark === 'M' ? ' [from memory]' : ''}`,
    ...(step.qualified ? ['! Open and live: for qualified people only.'] : []),
    ...cautions.map(({ say, how }) => `! ${say}${how ? ` ${how}` : ''}`),
    ...(step.how ? [step.how] : []),
    ...(step.normal ? [step.normal] : []),
    ...askedOf(step),
  ]
}

/**
 * A way of a procedure on a kind of machine as a run says it, lane by lane, to be read whole by somebody of the trade.
 *
 * @example waySaid(detergentBackflush, fullScoop, c2).join('\n')
 */
export function waySaid(procedure: Procedure, way: Way, kind: Kind): string[] {
  return [
    `## ${procedure.name}: ${way.name} (${kind.name})`,
    way.reason,
    ...(way.every ? [`How often: ${way.every.words}`] : []),
    ...way.figures.map(({ name, words }) => `${name}: ${words}`),
    `Needs: ${[...way.tools, ...way.materials].map(({ name }) => name.toLowerCase()).join(', ') || 'nothing'}`,
    ...lanesOf(procedure, way, kind).flatMap(({ title, steps }) => [
      `### ${title}`,
      ...steps.flatMap((step, i) => {
        const [first, ...rest] = stepSaid(step)
        return [`${i + 1}. ${first}`, ...rest.map((line) => `   ${line}`)]
      }),
    ]),
  ]
}
