import { conditionAt } from './standing.ts'
import type { Thing } from './states.ts'
import type { Hazard, Step } from './step.ts'

/** What a step says that is not so as the machine stands there. */
export interface ConditionFault {
  /** Place of the step among those given. */
  at: number
  code: string
  message: string
}

const words = (step: Step): string =>
  [step.say, step.how, ...(step.act === 'cadence' ? [step.onHow, step.offHow] : [])].filter(Boolean).join(' ')

const cautions = (step: Step) => [...(step.caution ? [step.caution] : []), ...(step.besides ?? [])]
const warnsOf = (step: Step, ...hazards: Hazard[]): boolean =>
  cautions(step).some(({ hazard }) => hazards.includes(hazard))

/** Needs the mains to be done at all. */
const runs = (step: Step): boolean =>
  step.act === 'cadence' || step.act === 'season' || (step.act === 'keys' && step.example.from === 'ready')

/**
 * Whether what steps say fits how the machine stands when they are done: nobody is told to pull a plug that must be
 * in, nor to look at a live machine as if it were dead.
 *
 * @param steps - of one machine, in the order they are done
 * @example conditionFaults(lane.steps) // []
 */
export function conditionFaults(steps: Step[]): ConditionFault[] {
  const faults: ConditionFault[] = []
  steps.forEach((step, at) => {
    const wrong = (code: string, message: string) => faults.push({ at, code, message })
    const here = conditionAt(steps, at)
    const stands = (thing: Thing, ...states: string[]) => states.includes(here[thing])
    const openAndLive = stands('cover', 'open') && !stands('power', 'dead')
    if (openAndLive && !step.qualified) wrong('qualified', 'is done open and live: for qualified people only')
    if (openAndLive && !warnsOf(step, 'live')) wrong('live', 'is done open and live, and does not warn of it')
    if (step.qualified && !openAndLive) wrong('qualified', 'is marked for open and live work, and is not')
    if (
      openAndLive &&
      !warnsOf(step, 'live') &&
      /plug out|prove it dead/i.test(
        cautions(step)
          .map(({ say }) => say)
          .join(' '),
      )
    )
      wrong('plug', 'says to pull the plug where it runs')
    if (step.state?.cover === 'open' && !stands('power', 'dead')) wrong('open', 'opens the case before it is cut off')
    if (step.state?.cover === 'open' && step.puts !== 'electrical')
      wrong('electrical', 'opens the case: its electrical test is open from here on')
    if (step.state?.power === 'dead' && !step.gate) wrong('gate', 'cuts it off: it cannot be skipped')
    if (/\bplug out\b|\bunplug/i.test(step.say) && !/again/i.test(step.say) && !stands('power', 'dead'))
      wrong('plug', 'says that the plug is out, and it is not')
    if (/\bplug in\b|\bswitch(ed)? it on\b/i.test(step.say) && !stands('power', 'on'))
      wrong('plug', 'says that it is on, and it is not')
    if (runs(step) && !stands('power', 'on')) wrong('power', 'needs power, and has none')
    if (runs(step) && stands('cover', 'open') && !step.qualified) wrong('cover', 'runs with the case open')
    if (step.act === 'cadence' && !stands('tray', 'in')) wrong('tray', 'vents into a tray that is not there')
    if (step.act === 'cadence' && !warnsOf(step, 'pressure', 'scald'))
      wrong('pressure', 'does not warn of the pressure')
    if (step.act === 'season' && !(stands('path', 'water') && stands('group', 'water')))
      wrong('drink', 'draws coffee while something is in the machine')
    if (step.puts === 'descaler' && !warnsOf(step, 'acid')) wrong('acid', 'does not warn of the acid')
    if (step.act === 'dose' && step.dose.of === 'detergent' && !warnsOf(step, 'detergent'))
      wrong('detergent', 'does not warn of the alkali')
    if (step.act === 'dose' && step.dose.of === 'milk-cleaner' && !warnsOf(step, 'milk'))
      wrong('milk', 'does not warn of the cleaner')
    if (/steam on|blow(s)? (it )?out|purge/i.test(words(step)) && stands('power', 'dead'))
      wrong('steam', 'lets steam out of a machine that is cut off')
  })
  return faults
}
