import { scaled } from '../../quantity/interval.ts'
import { toDay } from '../../quantity/local-day.ts'
import { startWorking } from '../../quantity/working.ts'
import { type ExchangerPart, exchangerParts } from '../../softener/exchanger-parts.ts'
import { policyName } from '../../wear/limits.ts'
import { exchangerFacts } from '../exchanger-facts.ts'
import { type Histories, ofKind, ownPolicy } from '../histories.ts'
import { policyOf } from '../machine-facts.ts'
import { ageClock } from '../softener-age.ts'
import { type Draw, litresClock } from '../softener-draw.ts'
import type { Standing } from '../standing.ts'
import type { RunningClock } from '../task-clocks.ts'
import { finish } from '../task-standing.ts'
import { policyFigure } from '../water/set-figure.ts'
import type { SoftenerTask } from './raised-task.ts'

/**
 * When a salt softener's own parts are due: its resin, its seals. Each from the day it was last noted as serviced,
 * else from when the softener was taken on. Seals of one that regenerates itself go by its regenerations too, that is
 * by the litres of so many. None of them where nobody said how much resin it holds.
 */
export const exchangerPartTasks: SoftenerTask[] = exchangerParts.map((part) => ({
  id: part.id,
  searchNames: [part.name.toLowerCase()],
  about: 'softener',
  written: () => ({ kind: 'serviced', body: { task: part.id } }),
  renewal: {
    name: part.name,
    besides: true,
    of: ({ kind, regeneratesItself }) =>
      kind === 'exchanger' && (part.of === 'both' || (part.of === 'itself') === regeneratesItself),
  },
  standing({ kind, histories, draw, asOf }, showWorking) {
    const facts = kind === 'exchanger' ? exchangerFacts(histories, draw) : null
    if (!facts || !(part.of === 'both' || (part.of === 'itself') === facts.itself)) return null
    return standingOf(part, histories, draw, facts.itself ? facts.gives : null, asOf, showWorking)
  },
}))

function standingOf(
  part: ExchangerPart,
  histories: Histories,
  draw: Draw,
  gives: NonNullable<ReturnType<typeof exchangerFacts>>['gives'],
  asOf: string,
  showWorking: boolean,
): Standing {
  const done = ofKind(histories, 'softener', 'serviced').findLast((entry) => entry.body.task === part.id)
  const since = (done ?? ofKind(histories, 'softener', 'commissioned')[0])!.happenedOn
  const asOfDay = toDay(asOf)
  const policy = policyOf(ownPolicy(histories, part.id)).value
  const working = startWorking(showWorking)
  const { add } = working
  const running: RunningClock[] = []
  const times = part.regenerations?.[policy]
  if (times && gives) {
    const givesLine = add(() => ({
      what: `${times} regenerations`,
      value: Math.round(gives.value * times),
      unit: 'L',
      origin: 'reckoned',
      source: `${policyName[policy]}, from memory, at ${Math.round(gives.value)} L each`,
    }))
    const start = { start: toDay(since), since, how: done ? 'serviced' : 'taken on' }
    running.push(litresClock({ draw, ...start, asOf, asOfDay, gives: scaled(gives, times), givesLine }, add))
  }
  const figure = `${part.id}-months` as const
  const cap = policyFigure(histories, figure, part.months[policy], `${policyName[policy]}, from memory`)
  running.push(ageClock(since, asOfDay, cap, 'At the latest after', add))
  const head = {
    key: part.id,
    task: part.id,
    name: part.name,
    action: 'change' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(done),
    minutes: part.minutes,
  }
  return finish(head, running, working, asOf)
}
